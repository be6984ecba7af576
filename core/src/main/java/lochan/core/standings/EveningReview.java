package lochan.core.standings;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.evidence.Slice;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.PracticeStop;
import lochan.core.rate.Cell;
import lochan.core.rate.Pattern;
import lochan.core.scenario.DayModel;
import lochan.core.size.SizeModel;

/**
 * What one day of practice taught: the standings of a competition day with all practice up to that evening against those without the day
 * itself.
 *
 * @param patterns  patterns fished that day, those that changed most first
 * @param cells     presentations at spots fished that day, those that changed most first
 * @param unsized   spots with strikes that day, three or more in all, and not one size ever
 * @param guesses   fish both guessed and weighed that day
 * @param guessBias how far the angler's guesses run over the scale, ln, by all that is known that evening
 */
public record EveningReview(LocalDate date, List<Change<Pattern>> patterns, List<Change<Cell>> cells, List<String> unsized, List<Guess> guesses,
                            SizeModel.Predictive guessBias) {

    private static final int ENOUGH_STRIKES = 3;

    /**
     * How the strike rate of something changed.
     *
     * @param before     strikes per line-hour by what was known that morning
     * @param after      the same that evening
     * @param lineHours  effort of the day
     * @param strikes    strikes of the day
     */
    public record Change<T>(T of, double before, double after, double lineHours, double strikes) {

        /** ln of after over before: above 0 it gained. */
        public double gain() {
            return Math.log(after / before);
        }
    }

    /** A fish guessed first, then weighed, g. */
    public record Guess(double guessGrams, double scaleGrams) { }

    public EveningReview {
        patterns = List.copyOf(patterns);
        cells = List.copyOf(cells);
        unsized = List.copyOf(unsized);
        guesses = List.copyOf(guesses);
    }

    /**
     * @param date       the day of practice
     * @param day        the competition day that the standings are for, from 1
     * @param bin        index of the half hour they are for
     */
    public static EveningReview of(EventData event, LocalDate date, int day, int bin, Assumptions assumptions) {
        EventData evening = until(event, date.plusDays(1));
        DayModel after = new DayModel(evening, day, assumptions);
        DayModel before = new DayModel(until(event, date), day, assumptions);
        List<Slice> slices = after.slices().stream().filter(s -> s.date().equals(date)).toList();
        Set<Cell> cells = new LinkedHashSet<>();
        Set<Pattern> patterns = new LinkedHashSet<>();
        for (Slice s : slices) {
            Cell cell = new Cell(s.spotId(), s.presentationId());
            cells.add(cell);
            patterns.add(after.pattern(cell));
        }
        return new EveningReview(date,
                changes(patterns, p -> before.rates(bin).patternMean(p), p -> after.rates(bin).patternMean(p), slices, after, true),
                changes(cells, c -> before.rates(bin).rate(c, before.pattern(c)).mean(), c -> after.rates(bin).rate(c, after.pattern(c)).mean(), slices,
                        after, false),
                unsized(evening, date), guesses(evening, date), after.sizes().guessBias());
    }

    private static EventData until(EventData event, LocalDate end) {
        return event.inPractice(event.stops().stream().filter(s -> dateOf(event, s).isBefore(end)).toList());
    }

    private static LocalDate dateOf(EventData event, PracticeStop stop) {
        return stop.start().atZone(event.brief().timeZone()).toLocalDate();
    }

    private static <T> List<Change<T>> changes(Set<T> of, ToDoubleFunction<T> before, ToDoubleFunction<T> after, List<Slice> slices, DayModel model,
                                               boolean byPattern) {
        List<Change<T>> changes = new ArrayList<>();
        for (T key : of) {
            List<Slice> own = slices.stream().filter(s -> {
                Cell cell = new Cell(s.spotId(), s.presentationId());
                return key.equals(byPattern ? model.pattern(cell) : cell);
            }).toList();
            changes.add(new Change<>(key, before.applyAsDouble(key), after.applyAsDouble(key), own.stream().mapToDouble(Slice::effortLineHours).sum(),
                    own.stream().mapToDouble(Slice::strikes).sum()));
        }
        changes.sort(Comparator.comparingDouble((Change<T> c) -> Math.abs(c.gain())).reversed());
        return changes;
    }

    private static List<String> unsized(EventData event, LocalDate date) {
        return event.spots().stream().filter(spot -> {
            List<PracticeStop> there = event.stops().stream().filter(s -> s.spotId().equals(spot.id())).toList();
            List<Bite> bites = there.stream().flatMap(s -> s.bites().stream()).toList();
            return bites.size() >= ENOUGH_STRIKES && bites.stream().allMatch(b -> b.size() == null)
                    && there.stream().anyMatch(s -> dateOf(event, s).equals(date) && !s.bites().isEmpty());
        }).map(lochan.core.water.Spot::id).toList();
    }

    private static List<Guess> guesses(EventData event, LocalDate date) {
        return event.stops().stream().filter(s -> dateOf(event, s).equals(date)).flatMap(s -> s.bites().stream()).map(Bite::size)
                .filter(s -> s != null && s.how() == FishSize.How.SCALE && s.guessGrams() != null).map(s -> new Guess(s.guessGrams(), s.grams())).toList();
    }
}
