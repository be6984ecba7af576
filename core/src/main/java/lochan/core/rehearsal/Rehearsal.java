package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.competition.EntryOfficialBuilder;
import lochan.core.competition.EventResult;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.eventdata.EventData;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Today;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.runs.Shelter;
import lochan.core.practice.Outcome;
import org.jspecify.annotations.Nullable;

/**
 * A day that is played: run there, fish a while, see what bites, and be back in time. It keeps a log of its own, of which the bag follows by the event's rules,
 * and knows nothing of the real one. Not for several threads.
 */
public final class Rehearsal {

    private final EventData actual;
    private final int day;
    private final CompetitionDay hours;
    private final DayRuns runs;
    private final LightningHours lightning;
    private final HiddenDay hidden;
    private final Event event;
    private final List<Entry> entries = new ArrayList<>();
    private final List<Choice> choices = new ArrayList<>();
    private final BagLog log;
    private Instant now;
    private Position place;
    private @Nullable Cell fishing;
    private @Nullable Instant back;

    /**
     * A choice that was made: to go somewhere, or to fish on.
     *
     * @param state as things stood
     * @param next  where it was fished then
     * @param until when the next choice came
     */
    public record Choice(MoveAdvice.State state, Cell next, Instant until) {}

    /** Why something cannot be done; nothing happened. */
    public enum Refusal {
        /** The boat is back. */
        OVER,
        /** There is no way by water that the boat takes. */
        NO_WAY,
        /** Nothing was gone to yet. */
        NOWHERE,
        /** Lightning: the boat has to be ashore. */
        LIGHTNING
    }

    /**
     * @param model  what is known of the day
     * @param actual the event with the weather as it comes
     * @param runs   in that weather
     */
    public Rehearsal(DayModel model, EventData actual, DayRuns runs, HiddenDay hidden) {
        this.actual = actual;
        this.day = model.day();
        this.hours = actual.day(day);
        this.runs = runs;
        this.lightning =
                LightningHours.of(actual.forecast(), model.assumptions().planning());
        this.hidden = hidden;
        this.event = asWeighed(actual.event());
        this.log = new BagLog(event);
        this.now = hours.start();
        this.place = actual.launch();
    }

    /** The rules with a scale that tells every difference: nothing goes to the balance. */
    private static Event asWeighed(Event event) {
        Rules r = event.rules();
        return event.withRules(new Rules(
                r.format(), r.limit(), r.targetGrams(), null, r.species(), r.scoring(), r.penalties(), r.gear()));
    }

    public Instant now() {
        return now;
    }

    public @Nullable Cell fishing() {
        return fishing;
    }

    /** Whether the boat is back at check-in. */
    public boolean isOver() {
        return back != null;
    }

    public List<Entry> entries() {
        return List.copyOf(entries);
    }

    /** Every choice between where to fish, in their order. */
    public List<Choice> choices() {
        return List.copyOf(choices);
    }

    public Bag bag() {
        return log.bag(day);
    }

    /** Where things stand, as advice is asked for it. */
    public MoveAdvice.State state() {
        return new MoveAdvice.State(now, place, fishing, Today.of(log, day, now), bag());
    }

    /** Lightning hours that a time lies in, as they really are. */
    public Optional<LightningHours.Span> lightning(Instant time) {
        return lightning.within(time, time.plusMillis(1));
    }

    /** Runs to a spot and sets up there, or changes the lure where the boat is. */
    public Optional<Refusal> go(Cell cell) {
        Position there = actual.spot(cell.spotId()).orElseThrow().position();
        Duration way = back == null ? runs.runAndSetUp(place, there, now).orElse(null) : Duration.ZERO;
        if (back != null || way == null) {
            return Optional.of(back != null ? Refusal.OVER : Refusal.NO_WAY);
        }
        if (!way.isZero() && lightning.within(now, now.plus(way)).isPresent()) {
            return Optional.of(Refusal.LIGHTNING);
        }
        MoveAdvice.State before = state();
        now = now.plus(way);
        choices.add(new Choice(before, cell, now));
        place = there;
        fishing = cell;
        add(new Entry.Fishing(id(), now, cell.spotId(), cell.presentationId()));
        return Optional.empty();
    }

    /** Fishes where the boat is for a while, until lightning comes at the latest. */
    public Optional<Refusal> fish(Duration time) {
        Cell cell = fishing;
        if (back != null || cell == null) {
            return Optional.of(back != null ? Refusal.OVER : Refusal.NOWHERE);
        }
        Instant end = now.plus(time);
        LightningHours.Span storm = lightning.within(now, end).orElse(null);
        if (storm != null && !storm.from().isAfter(now)) {
            return Optional.of(Refusal.LIGHTNING);
        }
        Instant to = storm == null ? end : storm.from();
        choices.add(new Choice(state(), cell, to));
        for (HiddenDay.Bitten b : hidden.fish(cell, now, to)) {
            HiddenDay.Landed fish = b.landed();
            add(
                    fish == null
                            ? new Entry.Bite(id(), b.at(), cell.spotId(), cell.presentationId(), Outcome.LOST, null)
                            : EntryCatchBuilder.builder()
                                    .id(id())
                                    .at(b.at())
                                    .species(fish.species())
                                    .grams(fish.grams())
                                    .mm(fish.mm())
                                    .spotId(cell.spotId())
                                    .presentationId(cell.presentationId())
                                    .alive(true)
                                    .build());
        }
        now = to;
        return Optional.empty();
    }

    /** Runs to a shelter and waits there for the end of the lightning that is or comes; does nothing else where none is near. */
    public Optional<Refusal> shelter(Shelter at) {
        Duration way = back == null
                ? runs.between(place, at.position(), now).map(r -> r.time()).orElse(null)
                : Duration.ZERO;
        if (back != null || way == null) {
            return Optional.of(back != null ? Refusal.OVER : Refusal.NO_WAY);
        }
        now = now.plus(way);
        place = at.position();
        fishing = null;
        lightning.endingAfter(now).ifPresent(s -> now = s.to());
        return Optional.empty();
    }

    /** Waits where the boat is. */
    public void waitUntil(Instant time) {
        if (back == null && time.isAfter(now)) {
            now = time;
        }
    }

    /** Runs to check-in: the day is over. */
    public Optional<Refusal> home() {
        Duration way = back == null
                ? runs.between(place, actual.checkInAt(), now)
                        .map(r -> r.time())
                        .orElse(null)
                : Duration.ZERO;
        if (back != null || way == null) {
            return Optional.of(back != null ? Refusal.OVER : Refusal.NO_WAY);
        }
        now = now.plus(way);
        back = now;
        double late = Math.max(0, Duration.between(hours.checkIn(), now).toMillis() / 60_000.0);
        add(EntryOfficialBuilder.builder()
                .id(id())
                .at(now)
                .grams(bag().weighedGrams())
                .lateMinutes(late == 0 ? null : Double.valueOf(late))
                .build());
        return Optional.empty();
    }

    /** What the day counts, penalties off, g; the bag while it goes on. */
    public double countedGrams() {
        if (back == null) {
            return bag().weighedGrams();
        }
        Double counted = EventResult.of(event, log).days().get(day - 1).counted();
        return counted == null ? 0 : counted;
    }

    /** Fishes a plan as it stands, whatever bites. What lightning or wind stops is left out. */
    public Rehearsal played(List<PlanStop> plan) {
        for (PlanStop stop : plan) {
            if (go(Cell.of(stop)).isEmpty()) {
                waitUntil(stop.arrive());
                if (stop.leave().isAfter(now)) {
                    fish(Duration.between(now, stop.leave()));
                }
                waitUntil(stop.leave());
            }
        }
        home();
        return this;
    }

    private void add(Entry entry) {
        entries.add(entry);
        log.append(entry).ifPresent(v -> {
            throw new IllegalStateException(entry + ": " + v.message());
        });
    }

    private String id() {
        return "r" + entries.size();
    }
}
