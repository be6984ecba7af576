package lochan.web.competition;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.event.CompetitionDay;
import lochan.core.quantity.Units;
import lochan.core.review.DayProjection;
import lochan.core.review.DayReview;
import lochan.web.plan.Projections;
import lochan.web.shared.Dates;

/**
 * The bag by the clock over its projection, as a drawing {@value #WIDTH} by {@value #HEIGHT}.
 *
 * @param fan     outline between the lighter and the heavier days, as a path
 * @param middle  the middle day, as a path
 * @param bag     the bag, as a path
 * @param hours   of the clock
 * @param weights marks of the weight axis
 * @param rows    the same as a table
 */
record ReviewDrawing(String fan, String middle, String bag, List<Tick> hours, List<Tick> weights, List<Row> rows) {

    static final double WIDTH = 600;
    static final double HEIGHT = 240;
    private static final double POUND = 453.59237;
    private static final int MOST_MARKS = 8;

    record Tick(double at, String label) {}

    record Row(String time, String low, String middle, String high, String bag) {}

    /** The calibration plot: finished days in the order of where they fell, each as a dot; on the diagonal they are spread evenly. */
    record Dot(double x, double y, String label) {}

    static ReviewDrawing of(DayReview review, CompetitionDay day, ZoneId zone, Units units) {
        double most = Math.max(
                1,
                Math.max(
                        review.fan().stream()
                                .mapToDouble(DayReview.Hour::p90Grams)
                                .max()
                                .orElse(1),
                        review.bag().stream()
                                .mapToDouble(DayReview.Moment::grams)
                                .max()
                                .orElse(1)));
        Scale scale = new Scale(day.start(), day.checkIn(), most);
        String up = review.fan().stream()
                .map(h -> scale.point(h.at(), h.p90Grams()))
                .collect(Collectors.joining(" L", "M", ""));
        String down = review.fan().reversed().stream()
                .map(h -> scale.point(h.at(), h.p10Grams()))
                .collect(Collectors.joining(" L", " L", " Z"));
        String middle = review.fan().stream()
                .map(h -> scale.point(h.at(), h.p50Grams()))
                .collect(Collectors.joining(" L", "M", ""));
        List<Tick> hours = review.fan().stream()
                .filter(h -> h.at().atZone(zone).getHour() % 2 == 0)
                .map(h -> new Tick(scale.x(h.at()), Dates.clock(h.at(), zone)))
                .toList();
        return new ReviewDrawing(
                up + down,
                middle,
                bag(review, scale, day),
                hours,
                marks(most, scale, units),
                rows(review, zone, units));
    }

    private record Scale(Instant start, Instant end, double most) {

        double x(Instant at) {
            return Math.clamp(
                    WIDTH
                            * Duration.between(start, at).toMillis()
                            / Duration.between(start, end).toMillis(),
                    0,
                    WIDTH);
        }

        double y(double grams) {
            return HEIGHT * (1 - grams / most);
        }

        String point(Instant at, double grams) {
            return String.format(Locale.ROOT, "%.1f,%.1f", x(at), y(grams));
        }
    }

    /** In steps: a bag stays what it is until the next fish. */
    private static String bag(DayReview review, Scale scale, CompetitionDay day) {
        StringBuilder path = new StringBuilder("M").append(scale.point(day.start(), 0));
        double before = 0;
        for (DayReview.Moment m : review.bag()) {
            path.append(" L").append(scale.point(m.at(), before)).append(" L").append(scale.point(m.at(), m.grams()));
            before = m.grams();
        }
        return path.append(" L").append(scale.point(day.checkIn(), before)).toString();
    }

    private static List<Tick> marks(double most, Scale scale, Units units) {
        boolean metric = units.weight() == Units.Weight.KG;
        double unit = metric ? 1000 : POUND;
        double step = unit;
        for (int i = 0; most / step > MOST_MARKS; i++) {
            int decade = i / 2;
            step = unit * (i % 2 == 0 ? 2 : 5) * Math.pow(10, decade);
        }
        double of = step;
        return IntStream.rangeClosed(0, (int) (most / step))
                .mapToObj(i -> new Tick(scale.y(i * of), Math.round(i * of / unit) + (metric ? " kg" : " lb")))
                .toList();
    }

    private static List<Row> rows(DayReview review, ZoneId zone, Units units) {
        List<Row> rows = new ArrayList<>();
        for (DayReview.Hour h : review.fan()) {
            double bag = review.bag().stream()
                    .filter(m -> !m.at().isAfter(h.at()))
                    .reduce((earlier, later) -> later)
                    .map(DayReview.Moment::grams)
                    .orElse(0.0);
            rows.add(new Row(
                    Dates.clock(h.at(), zone),
                    units.weight(h.p10Grams()),
                    units.weight(h.p50Grams()),
                    units.weight(h.p90Grams()),
                    units.weight(bag)));
        }
        return rows;
    }

    static List<Dot> dots(List<Projections.ScoredDay> scores) {
        List<Projections.ScoredDay> rising = scores.stream()
                .sorted(java.util.Comparator.comparingDouble(s -> s.projection().below()))
                .toList();
        return IntStream.range(0, rising.size())
                .mapToObj(i -> {
                    DayProjection f = rising.get(i).projection();
                    return new Dot(
                            200 * (i + 0.5) / rising.size(),
                            200 * (1 - f.below()),
                            rising.get(i).event() + ", day " + rising.get(i).day());
                })
                .toList();
    }
}
