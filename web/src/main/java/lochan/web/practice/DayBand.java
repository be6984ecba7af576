package lochan.web.practice;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.ObservedWeather;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.practice.BiteWords;
import lochan.offline.practice.ConditionWords;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/**
 * A day of practice as a band along the clock, in a drawing {@value #WIDTH} wide: stops, their bites at their times, the conditions, the hours.
 */
record DayBand(List<Piece> stops, List<Weather> weather, List<Tick> hours) {

    static final double WIDTH = 1000;
    private static final Duration BESIDE = Duration.ofMinutes(20);
    private static final double LEAST_WIDTH = 3;
    private static final double LETTER = 6.4;
    private static final double RADIUS = 5;
    private static final double USUAL_GRAMS = 900;

    /**
     * A stop.
     *
     * @param bites places of its bites
     */
    record Piece(int number, String spot, double x, double width, double middle, String words, List<BiteDot> bites) {}

    /**
     * A bite.
     *
     * @param landed whether it is drawn full
     * @param radius grows with the weight, where one is known
     * @param label  the weight of the day's largest; null for others
     */
    record BiteDot(
            double x,
            boolean landed,
            double radius,
            @Nullable String label,
            String words) {}

    /**
     * Conditions that held for a while.
     *
     * @param shown as many of the words as have room
     */
    record Weather(double x, double width, String shown, String words) {}

    record Tick(double x, String label) {}

    /** @param stops finished stops of one day, in order */
    static DayBand of(List<PracticeStop> stops, EventData event, Units units) {
        if (stops.isEmpty()) {
            return new DayBand(List.of(), List.of(), List.of());
        }
        ZoneId zone = event.timeZone();
        Instant from = stops.getFirst().start().minus(BESIDE);
        Instant to = stops.stream()
                .map(PracticeStop::end)
                .max(Instant::compareTo)
                .orElseThrow()
                .plus(BESIDE);
        double millis = Duration.between(from, to).toMillis();
        ToDoubleFunction<Instant> x = t -> WIDTH * Duration.between(from, t).toMillis() / millis;
        FishSize largest = stops.stream()
                .flatMap(p -> p.bites().stream())
                .filter(b -> b.outcome() == Outcome.LANDED && weight(b.size()) > 0)
                .map(Bite::size)
                .max(Comparator.comparingDouble(DayBand::weight))
                .orElse(null);
        List<Piece> pieces = new ArrayList<>();
        for (PracticeStop s : stops) {
            double start = x.applyAsDouble(s.start());
            double width = Math.max(LEAST_WIDTH, x.applyAsDouble(s.end()) - start);
            String spot = event.spot(s.spotId()).orElseThrow().name();
            pieces.add(new Piece(
                    pieces.size() + 1,
                    spot,
                    start,
                    width,
                    start + width / 2,
                    words(s, event, units),
                    bites(s, start, width, x, largest, zone, units)));
        }
        List<Tick> hours = new ArrayList<>();
        for (Instant t = from.atZone(zone)
                        .truncatedTo(ChronoUnit.HOURS)
                        .plusHours(1)
                        .toInstant();
                t.isBefore(to);
                t = t.plus(Duration.ofHours(1))) {
            hours.add(new Tick(x.applyAsDouble(t), Dates.clock(t, zone)));
        }
        return new DayBand(pieces, weather(stops, event, x, units), hours);
    }

    private static String words(PracticeStop s, EventData event, Units units) {
        ZoneId zone = event.timeZone();
        String fished = s.presentations().stream()
                .map(p -> event.presentation(p.presentationId()).orElseThrow().name())
                .collect(Collectors.joining(", "));
        String sizes = s.bites().stream()
                .filter(b -> b.outcome() == Outcome.LANDED && b.size() != null)
                .map(b -> BiteWords.of(b.size(), units))
                .collect(Collectors.joining(", "));
        return event.spot(s.spotId()).orElseThrow().name() + ", " + Dates.clock(s.start(), zone) + " to "
                + Dates.clock(s.end(), zone)
                + (fished.isEmpty() ? "" : ", " + fished) + ": "
                + (s.bites().isEmpty() ? "no bite" : Count.of(s.bites().size(), "bite"))
                + (sizes.isEmpty() ? "" : "; landed " + sizes);
    }

    /** Stops of the same temperature, wind and sky make one piece. */
    private static List<Weather> weather(
            List<PracticeStop> stops, EventData event, ToDoubleFunction<Instant> x, Units units) {
        List<Weather> pieces = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= stops.size(); i++) {
            List<String> words = sky(stops.get(from), event, units);
            if (i == stops.size() || !words.equals(sky(stops.get(i), event, units))) {
                double start = x.applyAsDouble(stops.get(from).start());
                double width =
                        Math.max(LEAST_WIDTH, x.applyAsDouble(stops.get(i - 1).end()) - start);
                if (!words.isEmpty()) {
                    pieces.add(new Weather(start, width, fitting(words, width), String.join(" · ", words)));
                }
                from = i;
            }
        }
        return pieces;
    }

    /** Shows logged conditions, and those added from files and services, marked as theirs. */
    private static List<String> sky(PracticeStop stop, EventData event, Units units) {
        List<String> words = new ArrayList<>(ConditionWords.sky(stop.conditions(), units));
        Conditions added = ObservedWeather.added(stop, event);
        if (added != null) {
            ConditionWords.sky(added, units).forEach(w -> words.add(w + " (weather record)"));
        }
        return words;
    }

    private static String fitting(List<String> words, double width) {
        for (int n = words.size(); n > 0; n--) {
            String text = String.join(" · ", words.subList(0, n));
            if (text.length() * LETTER <= width) {
                return text;
            }
        }
        return "";
    }

    private static double weight(@Nullable FishSize size) {
        return size == null
                ? 0
                : switch (size.how()) {
                    case SCALE, GUESS -> requireNonNull(size.grams());
                    case RANGE -> (requireNonNull(size.loGrams()) + requireNonNull(size.hiGrams())) / 2;
                    case LENGTH -> 0;
                };
    }

    /** Bites at their times; those without one are spread over their stop. */
    private static List<BiteDot> bites(
            PracticeStop stop,
            double start,
            double width,
            ToDoubleFunction<Instant> x,
            @Nullable FishSize largest,
            ZoneId zone,
            Units units) {
        long untimed = stop.bites().stream().filter(b -> b.at() == null).count();
        List<BiteDot> bites = new ArrayList<>();
        int placed = 0;
        for (Bite b : stop.bites()) {
            double at = b.at() != null ? x.applyAsDouble(b.at()) : start + width * ++placed / (untimed + 1);
            String when = b.at() == null ? "some time" : Dates.clock(b.at(), zone);
            double radius = weight(b.size()) > 0
                    ? Math.clamp(RADIUS * Math.sqrt(weight(b.size()) / USUAL_GRAMS), RADIUS - 2, 2 * RADIUS)
                    : RADIUS;
            bites.add(new BiteDot(
                    at,
                    b.outcome() == Outcome.LANDED,
                    radius,
                    b.size() != null && b.size().equals(largest) ? BiteWords.of(b.size(), units) : null,
                    when + " " + b.outcome().code() + (b.size() == null ? "" : ", " + BiteWords.of(b.size(), units))));
        }
        return bites;
    }
}
