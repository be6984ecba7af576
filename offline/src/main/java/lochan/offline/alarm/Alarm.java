package lochan.offline.alarm;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Coded;
import lochan.core.ReasonCode;
import lochan.offline.bag.Times;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Something to ring for, once for its id.
 *
 * @param kind  what it is about: each kind can be silenced
 * @param words what to do
 */
public record Alarm(String id, Kind kind, String words) {

    /** Minutes before leaving for check-in or a shelter, the last first. */
    private static final List<Integer> MINUTES_BEFORE_LEAVING = List.of(0, 10, 20);

    private static final List<Integer> MINUTES_BEFORE_LIGHTNING = List.of(15, 30);

    /** After that long a time that has passed is no news. */
    private static final Duration NEWS = Duration.ofMinutes(15);

    private static final long SECONDS_BETWEEN_LIVEWELLS = 3600;

    /** What alarms are about. */
    public enum Kind implements Coded, ReasonCode {
        LIGHTNING,
        LEAVE,
        STOP,
        TRIGGER,
        FISH,
        LIVEWELL;

        @Override
        public String code() {
            return Coded.spelt(this);
        }

        @Override
        public String file() {
            return "alarms";
        }

        @Override
        public String words() {
            return Wording.text(this);
        }
    }

    /**
     * Something at a time.
     *
     * @param id    unique among those of its kind
     * @param words what it is
     */
    public record Timed(String id, Instant at, String words) {}

    /**
     * The day's events to ring for.
     *
     * @param leaveBy  when to leave at the latest; null: not known
     * @param leaveFor the shelter to leave for before lightning; null: check-in
     * @param next     when to leave for the plan's next stop; null: none
     * @param lightning when lightning hours begin, and what to do before
     * @param fired    triggers that have fired, in words
     * @param fish     known fish to come back to
     * @param livewell what to look at in the livewell; null: nothing is due
     */
    public record Day(
            @Nullable Instant leaveBy,
            @Nullable String leaveFor,
            @Nullable Timed next,
            List<Timed> lightning,
            List<String> fired,
            List<Timed> fish,
            @Nullable String livewell) {

        public Day {
            lightning = List.copyOf(lightning);
            fired = List.copyOf(fired);
            fish = List.copyOf(fish);
        }
    }

    /** What rings at a time: what has just come, of the minutes before leaving the last only. */
    public static List<Alarm> due(Day day, Instant now, ZoneId zone) {
        List<Alarm> due = new ArrayList<>();
        for (Timed storm : day.lightning()) {
            MINUTES_BEFORE_LIGHTNING.stream()
                    .filter(m -> isNews(storm.at().minusSeconds(60L * m), now))
                    .findFirst()
                    .ifPresent(m ->
                            due.add(new Alarm("lightning " + storm.id() + " " + m, Kind.LIGHTNING, storm.words())));
        }
        Instant leave = day.leaveBy();
        String leaveFor = day.leaveFor() == null ? Wording.text("runs.check-in") : day.leaveFor();
        if (leave != null) {
            MINUTES_BEFORE_LEAVING.stream()
                    .filter(m -> isNews(leave.minusSeconds(60L * m), now))
                    .findFirst()
                    .ifPresent(m -> due.add(new Alarm(
                            "leave " + leave + " " + m,
                            Kind.LEAVE,
                            m == 0
                                    ? Wording.text("alarms.leave-now", leaveFor)
                                    : Wording.text("alarms.leave-by", leaveFor, Times.clock(leave, zone), m))));
        }
        if (day.next() != null && isNews(day.next().at(), now)) {
            due.add(new Alarm(
                    "stop " + day.next().id(),
                    Kind.STOP,
                    Wording.text("alarms.next-stop", day.next().words())));
        }
        day.fired().forEach(words -> due.add(new Alarm("trigger " + words, Kind.TRIGGER, words)));
        day.fish().stream()
                .filter(f -> isNews(f.at(), now))
                .forEach(f -> due.add(new Alarm(
                        "fish " + f.id() + " " + f.at(), Kind.FISH, Wording.text("alarms.go-back", f.words()))));
        if (day.livewell() != null) {
            long hour = now.getEpochSecond() / SECONDS_BETWEEN_LIVEWELLS;
            due.add(new Alarm("livewell " + hour, Kind.LIVEWELL, day.livewell()));
        }
        return due;
    }

    private static boolean isNews(Instant at, Instant now) {
        return !now.isBefore(at) && now.isBefore(at.plus(NEWS));
    }
}
