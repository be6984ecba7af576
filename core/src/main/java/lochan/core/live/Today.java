package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.FishedStretch;
import lochan.core.event.Species;
import lochan.core.model.rate.Cell;
import lochan.core.plan.PlanStop;
import org.jspecify.annotations.Nullable;

/**
 * A competition day so far.
 *
 * @param efforts in the order of time, none overlapping another
 * @param bites in the order of time; only those whose cell is known
 */
public record Today(List<Effort> efforts, List<Bite> bites) {

    public static final Today NOTHING = new Today(List.of(), List.of());

    /** Fishing a cell in [from, to). */
    public record Effort(Cell cell, Instant from, Instant to) {

        public Effort {
            if (to.isBefore(from)) {
                throw new IllegalArgumentException(
                        "effort runs from " + from + " to " + to + ", expected the earlier first");
            }
        }
    }

    /**
     * A bite at a cell.
     *
     * @param landed the fish, where it was landed and its weight is known, short or not; null else
     */
    public record Bite(Cell cell, Instant at, @Nullable Landed landed) {

        public Bite(Cell cell, Instant at) {
            this(cell, at, null);
        }
    }

    /**
     * A fish of known weight.
     *
     * @param species null: not known
     */
    public record Landed(@Nullable Species species, double grams) {}

    public Today {
        efforts = List.copyOf(efforts);
        bites = bites.stream().sorted(Comparator.comparing(Bite::at)).toList();
    }

    /** Returns the bites of a day in the log; void entries and those without spot or presentation give none. */
    public static List<Bite> bites(BagLog log, int day) {
        List<Bite> bites = new ArrayList<>();
        for (Entry entry : log.valid(day)) {
            switch (entry) {
                case Entry.Catch c -> add(bites, c.spotId(), c.presentationId(), c.at(), landed(log.fish(c.id())));
                case Entry.Bite s -> add(bites, s.spotId(), s.presentationId(), s.at(), null);
                case Entry.Balance b -> {}
                case Entry.Died d -> {}
                case Entry.Correct c -> {}
                case Entry.Void v -> {}
                case Entry.Official o -> {}
                case Entry.ScaleCheck s -> {}
                case Entry.LivewellReading w -> {}
                case Entry.Fishing f -> {}
                case Entry.Loss l -> {}
            }
        }
        return bites;
    }

    /** Returns a day until a time, as the log has it. */
    public static Today of(BagLog log, int day, Instant until) {
        return of(log, day, until, List.of());
    }

    /** The same; where the log never says what is fished, but has other entries of the day by then, what the day's plan has. */
    public static Today of(BagLog log, int day, Instant until, List<PlanStop> plan) {
        Today today = NOTHING;
        for (FishedStretch f : FishedStretch.of(log, day, until, plan)) {
            today = today.fishedOn(new Cell(f.spotId(), f.presentationId()), f.from(), f.to());
        }
        return today.with(
                bites(log, day).stream().filter(s -> !s.at().isAfter(until)).toList());
    }

    /** Returns the cell the log says is fished at a time; null: none. */
    public static @Nullable Cell fishing(BagLog log, int day, Instant at) {
        FishedStretch now = FishedStretch.at(log, day, at);
        return now == null ? null : new Cell(now.spotId(), now.presentationId());
    }

    /** Returns the efforts with other bites. */
    public Today with(List<Bite> others) {
        return new Today(efforts, others);
    }

    private static void add(
            List<Bite> bites,
            @Nullable String spot,
            @Nullable String presentation,
            Instant at,
            @Nullable Landed landed) {
        if (spot != null && presentation != null) {
            bites.add(new Bite(new Cell(spot, presentation), at, landed));
        }
    }

    private static @Nullable Landed landed(Fish fish) {
        return fish.grams() == null ? null : new Landed(fish.species(), fish.grams());
    }

    /** Returns the day after fishing a cell until a time without another bite. */
    public Today fishedOn(Cell cell, Instant from, Instant to) {
        if (!to.isAfter(from)) {
            return this;
        }
        List<Effort> more = new ArrayList<>(efforts);
        more.add(new Effort(cell, from, to));
        return new Today(more, bites);
    }

    /** Bites had at a spot before a time. */
    public int bitesAt(String spotId, Instant before) {
        return (int) bites.stream()
                .filter(s -> s.cell().spotId().equals(spotId) && s.at().isBefore(before))
                .count();
    }
}
