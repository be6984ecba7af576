package lochan.core.model.ranking;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.size.SizeModel;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.PracticeStop;

/**
 * What one day of practice taught: the rankings of a competition day with all practice up to that evening against those without the day
 * itself.
 *
 * @param patterns  patterns fished that day, those that changed most first
 * @param cells     presentations at spots that were fished that day or moved by it, those that changed most first
 * @param unsized   spots with bites that day, three or more in all, and not one size ever
 * @param guesses   fish both guessed and weighed that day
 * @param guessBias how far the angler's guesses run over the scale, ln, by all that is known that evening
 */
public record EveningReview(
        LocalDate date,
        List<Change<Pattern>> patterns,
        List<Change<Cell>> cells,
        List<String> unsized,
        List<Guess> guesses,
        SizeModel.Predictive guessBias) {

    private static final int ENOUGH_BITES = 3;
    /** Changes smaller than this, ln, are no news. */
    private static final double NEWS = 0.05;
    /** A blank says something when at least as many bites were expected: where nothing has changed it comes one time in seven. */
    private static final double EXPECTED_TO_DIE = 2;

    /**
     * How the bite rate of something changed. With the same weights before and after, nothing but the day's own fishing can have moved it.
     *
     * @param before     bites per angler-hour by what was known that morning
     * @param after      the same that evening
     * @param rankBefore place in the rankings that morning, from 1; 0: it had none
     * @param rankAfter  the same that evening
     * @param fished     whether it was itself fished that day
     * @param by         what moved it, most effort first: its own fishing; where it was not fished, that of its pattern, else of its
     *                   presentation; empty: the day as a whole
     */
    public record Change<T>(
            T of, double before, double after, int rankBefore, int rankAfter, boolean fished, List<Effort> by) {

        public Change {
            by = List.copyOf(by);
        }

        /** ln of after over before: above 0 it gained. */
        public double gain() {
            return Math.log(after / before);
        }

        public boolean isNews() {
            return Math.abs(gain()) > NEWS;
        }

        /** Effort of the day behind the change, angler-hours. */
        public double anglerHours() {
            return by.stream().mapToDouble(Effort::anglerHours).sum();
        }

        /** Bites of the day behind the change. */
        public double bites() {
            return by.stream().mapToDouble(Effort::bites).sum();
        }

        /** Whether it was fished without a bite where several were to be expected. */
        public boolean died() {
            return fished && bites() == 0 && before * anglerHours() >= EXPECTED_TO_DIE;
        }
    }

    /** Fishing of the day: a presentation at a spot, angler-hours and bites. */
    public record Effort(Cell cell, double anglerHours, double bites) {}

    /** A fish guessed first, then weighed, g. */
    public record Guess(double guessGrams, double scaleGrams) {}

    public EveningReview {
        patterns = List.copyOf(patterns);
        cells = List.copyOf(cells);
        unsized = List.copyOf(unsized);
        guesses = List.copyOf(guesses);
    }

    /**
     * @param date       the day of practice
     * @param day        the competition day that the rankings are for, from 1
     * @param bin        index of the half hour they are for
     */
    public static EveningReview of(EventData event, LocalDate date, int day, int bin, Assumptions assumptions) {
        EventData evening = until(event, date.plusDays(1));
        FittedDayModel after = new FittedDayModel(evening, day, assumptions);
        FittedDayModel before = new FittedDayModel(until(event, date), day, assumptions);
        List<Effort> efforts = efforts(after, date);
        ToDoubleFunction<Cell> cellBefore =
                c -> before.rates(bin).rate(c, before.pattern(c)).mean();
        ToDoubleFunction<Cell> cellAfter =
                c -> after.rates(bin).rate(c, after.pattern(c)).mean();
        ToDoubleFunction<Pattern> patternBefore = p -> before.rates(bin).patternMean(p);
        ToDoubleFunction<Pattern> patternAfter = p -> after.rates(bin).patternMean(p);
        Ranks<Cell> cells = new Ranks<>(ranks(before.cells(), cellBefore), ranks(after.cells(), cellAfter));
        Ranks<Pattern> patterns =
                new Ranks<>(ranks(patterns(before), patternBefore), ranks(patterns(after), patternAfter));
        List<Change<Pattern>> ofPatterns = patterns(after).stream()
                .filter(p ->
                        efforts.stream().anyMatch(e -> after.pattern(e.cell()).equals(p)))
                .map(p -> patterns.change(
                        p,
                        patternBefore,
                        patternAfter,
                        true,
                        efforts.stream()
                                .filter(e -> after.pattern(e.cell()).equals(p))
                                .toList()))
                .toList();
        List<Change<Cell>> ofCells = efforts.isEmpty()
                ? List.of()
                : after.cells().stream()
                        .map(c -> {
                            boolean fished =
                                    efforts.stream().anyMatch(e -> e.cell().equals(c));
                            return cells.change(c, cellBefore, cellAfter, fished, behind(c, efforts, after));
                        })
                        .filter(c -> c.fished() || c.isNews())
                        .toList();
        return new EveningReview(
                date,
                sorted(ofPatterns),
                sorted(ofCells),
                unsized(evening, date),
                guesses(evening, date),
                after.sizes().guessBias());
    }

    private static EventData until(EventData event, LocalDate end) {
        return event.inPractice(event.stops().stream()
                .filter(s -> dateOf(event, s).isBefore(end))
                .toList());
    }

    private static LocalDate dateOf(EventData event, PracticeStop stop) {
        return stop.start().atZone(event.timeZone()).toLocalDate();
    }

    /** The day's fishing by spot and presentation, most effort first. */
    private static List<Effort> efforts(FittedDayModel model, LocalDate date) {
        Map<Cell, List<Slice>> slices = model.slices().stream()
                .filter(s -> s.date().equals(date))
                .collect(Collectors.groupingBy(
                        s -> new Cell(s.spotId(), s.presentationId()), LinkedHashMap::new, Collectors.toList()));
        return slices.entrySet().stream()
                .map(e -> new Effort(
                        e.getKey(),
                        e.getValue().stream()
                                .mapToDouble(Slice::effortAnglerHours)
                                .sum(),
                        e.getValue().stream().mapToDouble(Slice::bites).sum()))
                .sorted(Comparator.comparingDouble(Effort::anglerHours).reversed())
                .toList();
    }

    /** What moved a cell. */
    private static List<Effort> behind(Cell cell, List<Effort> efforts, FittedDayModel model) {
        List<Predicate<Cell>> nearer =
                List.of(cell::equals, c -> model.pattern(c).equals(model.pattern(cell)), c -> c.presentationId()
                        .equals(cell.presentationId()));
        return nearer.stream()
                .map(near -> efforts.stream().filter(e -> near.test(e.cell())).toList())
                .filter(l -> !l.isEmpty())
                .findFirst()
                .orElse(List.of());
    }

    private static List<Pattern> patterns(FittedDayModel model) {
        return model.cells().stream().map(model::pattern).distinct().toList();
    }

    private static <T> Map<T, Integer> ranks(List<T> all, ToDoubleFunction<T> rate) {
        Map<T, Double> rates = new LinkedHashMap<>();
        all.forEach(t -> rates.put(t, rate.applyAsDouble(t)));
        Map<T, Integer> ranks = new HashMap<>();
        all.stream()
                .sorted(Comparator.comparingDouble((T t) -> rates.get(t)).reversed())
                .forEach(t -> ranks.put(t, ranks.size() + 1));
        return ranks;
    }

    /** Places in the rankings that morning and that evening. */
    private record Ranks<T>(Map<T, Integer> before, Map<T, Integer> after) {

        Change<T> change(
                T of, ToDoubleFunction<T> rateBefore, ToDoubleFunction<T> rateAfter, boolean fished, List<Effort> by) {
            return new Change<>(
                    of,
                    rateBefore.applyAsDouble(of),
                    rateAfter.applyAsDouble(of),
                    before.getOrDefault(of, 0),
                    after.getOrDefault(of, 0),
                    fished,
                    by);
        }
    }

    private static <T> List<Change<T>> sorted(List<Change<T>> changes) {
        return changes.stream()
                .sorted(Comparator.comparingDouble((Change<T> c) -> Math.abs(c.gain()))
                        .reversed())
                .toList();
    }

    private static List<String> unsized(EventData event, LocalDate date) {
        return event.spots().stream()
                .filter(spot -> {
                    List<PracticeStop> there = event.stops().stream()
                            .filter(s -> s.spotId().equals(spot.id()))
                            .toList();
                    List<Bite> bites =
                            there.stream().flatMap(s -> s.bites().stream()).toList();
                    return bites.size() >= ENOUGH_BITES
                            && bites.stream().allMatch(b -> b.size() == null)
                            && there.stream()
                                    .anyMatch(s -> dateOf(event, s).equals(date)
                                            && !s.bites().isEmpty());
                })
                .map(Spot::id)
                .toList();
    }

    private static List<Guess> guesses(EventData event, LocalDate date) {
        return event.stops().stream()
                .filter(s -> dateOf(event, s).equals(date))
                .flatMap(s -> s.bites().stream())
                .map(Bite::size)
                .filter(s -> s != null && s.how() == FishSize.How.SCALE && s.grams() != null && s.guessGrams() != null)
                .map(s -> new Guess(s.guessGrams(), s.grams()))
                .toList();
    }
}
