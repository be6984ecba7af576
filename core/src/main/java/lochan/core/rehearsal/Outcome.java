package lochan.core.rehearsal;

import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import lochan.core.live.Effort;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;

/**
 * How a rehearsed day ended, beside what others made of the same day, and what was true of it.
 *
 * @param you     who rehearsed
 * @param plan    the plan as it stood, whatever bit
 * @param advised who does what the move advice says
 * @param again   who plans the rest of the day again every hour: about the best that can be done with what can be known
 * @param costs   choices that cost most, the worst first
 * @param places  what was true of the places that matter, the best of the day first
 * @param caught  lightning on the water
 */
public record Outcome(
        Played you,
        Played plan,
        Played advised,
        Played again,
        List<Costs.Cost> costs,
        List<Place> places,
        List<Rehearsal.Caught> caught) {

    /** Who plays a day, besides who rehearses. */
    public static final int OTHERS = 3;

    private static final int BEST = 3;
    private static final int MOST_PLACES = 10;

    public Outcome {
        costs = List.copyOf(costs);
        places = List.copyOf(places);
        caught = List.copyOf(caught);
    }

    /**
     * A day as played.
     *
     * @param grams       what it counts, penalties off
     * @param fish        in the bag
     * @param back        at check-in
     * @param lateMinutes past the time; 0: in time
     */
    public record Played(double grams, int fish, Instant back, double lateMinutes) {

        public static Played of(Rehearsal day) {
            return new Played(day.countedGrams(), day.bag().fish().size(), day.now(), day.lateMinutes());
        }
    }

    /**
     * The truth about a spot and lure.
     *
     * @param bites    an hour, on average over the day before any was caught
     * @param expected the same by what was known
     * @param occupied whether another boat got there first
     * @param fished   whether it was fished
     */
    public record Place(Cell cell, double bites, double expected, boolean occupied, boolean fished) {}

    /**
     * Lets the others play, which takes seconds.
     *
     * @param you    over
     * @param effort that planning again takes each hour
     * @param played told after each of them, with how many have
     */
    public static Outcome of(RehearsedDay day, Rehearsal you, Effort effort, Consumer<Integer> played) {
        Players players = new Players(day.known());
        Rehearsal plan = day.begin().played(day.plan());
        played.accept(1);
        Rehearsal advised = players.advised(day.begin());
        played.accept(2);
        Rehearsal again = players.planningAgain(day.begin(), effort);
        played.accept(OTHERS);
        return new Outcome(
                Played.of(you),
                Played.of(plan),
                Played.of(advised),
                Played.of(again),
                Costs.of(you.choices(), day.known()),
                places(day, you),
                you.caught());
    }

    private static List<Place> places(RehearsedDay day, Rehearsal you) {
        HiddenDay hidden = day.hidden();
        DayModel known = day.known().atFirst();
        Set<Cell> fished = new LinkedHashSet<>();
        you.choices().stream()
                .map(Rehearsal.Choice::next)
                .filter(Objects::nonNull)
                .forEach(fished::add);
        Set<Cell> shown = new LinkedHashSet<>(fished);
        known.cells().stream()
                .filter(known::isOpen)
                .sorted(Comparator.comparingDouble(hidden::perHour).reversed())
                .limit(BEST)
                .forEach(shown::add);
        day.plan().stream().map((PlanStop s) -> Cell.of(s)).forEach(shown::add);
        return shown.stream()
                .limit(MOST_PLACES)
                .map(c -> new Place(
                        c,
                        hidden.perHour(c),
                        HiddenDay.expectedPerHour(known, c),
                        hidden.isOccupied(c.spotId()),
                        fished.contains(c)))
                .sorted(Comparator.comparingDouble(Place::bites).reversed())
                .toList();
    }
}
