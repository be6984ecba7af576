package lochan.core.competition;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.plan.PlanStop;
import org.jspecify.annotations.Nullable;

/** A spot fished with a presentation on a competition day, in [from, to). */
public record FishedStretch(String spotId, String presentationId, Instant from, Instant to) {

    /** What a log tells of a day until a time: what was said to be fished, each until the next was said or the day's check-in. */
    public static List<FishedStretch> of(BagLog log, int day, Instant until) {
        List<Entry.Fishing> entries = fishing(log, day);
        Instant checkIn = log.event().day(day).checkIn();
        Instant end = until.isBefore(checkIn) ? until : checkIn;
        List<FishedStretch> fished = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            Entry.Fishing f = entries.get(i);
            Instant to = i + 1 < entries.size() && entries.get(i + 1).at().isBefore(end)
                    ? entries.get(i + 1).at()
                    : end;
            if (f.spotId() != null && f.presentationId() != null && to.isAfter(f.at())) {
                fished.add(new FishedStretch(f.spotId(), f.presentationId(), f.at(), to));
            }
        }
        return fished;
    }

    /** The same; where the log never says what is fished, but has other entries of the day by then, what the day's plan has. */
    public static List<FishedStretch> of(BagLog log, int day, Instant until, List<PlanStop> plan) {
        if (!fishing(log, day).isEmpty() || log.valid(day).stream().noneMatch(e -> e.at().isBefore(until))) {
            return of(log, day, until);
        }
        return plan.stream()
                .filter(s -> s.arrive().isBefore(until))
                .map(s -> new FishedStretch(
                        s.spotId(), s.presentationId(), s.arrive(), s.leave().isBefore(until) ? s.leave() : until))
                .toList();
    }

    /** The last that was said to be fished by a time; null: nothing, or the boat is under way. */
    public static @Nullable FishedStretch at(BagLog log, int day, Instant at) {
        return fishing(log, day).stream()
                .filter(f -> !f.at().isAfter(at))
                .reduce((earlier, later) -> later)
                .map(f -> until(f, at))
                .orElse(null);
    }

    /** Null: nothing is fished. */
    private static @Nullable FishedStretch until(Entry.Fishing f, Instant to) {
        return f.spotId() == null || f.presentationId() == null
                ? null
                : new FishedStretch(f.spotId(), f.presentationId(), f.at(), to);
    }

    private static List<Entry.Fishing> fishing(BagLog log, int day) {
        return log.valid(day).stream()
                .filter(Entry.Fishing.class::isInstance)
                .map(Entry.Fishing.class::cast)
                .sorted(Comparator.comparing(Entry.Fishing::at))
                .toList();
    }
}
