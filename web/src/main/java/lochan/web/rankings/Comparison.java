package lochan.web.rankings;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import lochan.core.eventdata.EventData;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.quantity.Units;
import lochan.web.shared.Dates;

/**
 * Some rows of the rankings side by side: their sizes and their rates through the day as drawings {@value #WIDTH} by {@value #HEIGHT}.
 *
 * @param classes  classes of weight, in words
 * @param times    of the day, for every second bin
 * @param mostRate bites per hour at the top of the drawing
 */
record Comparison(List<Row> rows, List<String> classes, List<Tick> times, String mostRate) {

    static final double WIDTH = 600;
    static final double HEIGHT = 200;
    private static final int MOST_CLASSES = 6;
    private static final double POUND = 453.59237;
    private static final double HALF_KILO = 500;
    private static final int TICK_BINS = 4;

    /**
     * A row.
     *
     * @param number   of the row, from 1, which its line and bars are marked by
     * @param shares   of landed fish in each class of weight, as percent in words
     * @param bars     of the same
     * @param line     rate through the day, as a path
     * @param byTime   the same in words, for every tick
     */
    @RecordBuilder
    record Row(
            int number,
            RankingLine of,
            List<String> why,
            List<String> shares,
            List<Bar> bars,
            String line,
            double endX,
            double endY,
            List<String> byTime) {}

    record Bar(double x, double y, double width, double height) {}

    record Tick(double x, String label) {}

    static Comparison of(
            List<RankingRow> rows, List<RankingLine> lines, List<List<String>> why, FittedDayModel model, Units units) {
        EventData event = model.event();
        double step = units.weight() == Units.Weight.KG ? HALF_KILO : POUND;
        double[] borders = IntStream.rangeClosed(1, MOST_CLASSES - 1)
                .mapToDouble(i -> i * step)
                .toArray();
        int bins = model.bins().size();
        double[][] rates = new double[rows.size()][bins];
        double[][] shares = new double[rows.size()][];
        for (int r = 0; r < rows.size(); r++) {
            Cell cell = rows.get(r).cell();
            for (int b = 0; b < bins; b++) {
                rates[r][b] = model.rates(b).rate(cell, model.pattern(cell)).mean();
            }
            shares[r] = KeeperWeight.shares(
                    event,
                    model.sizes(),
                    model.mix(),
                    rows.get(r).pattern(),
                    cell.spotId(),
                    model.assumptions().size(),
                    borders);
        }
        double most = Math.max(
                0.5,
                IntStream.range(0, rows.size())
                        .mapToDouble(
                                r -> java.util.Arrays.stream(rates[r]).max().orElse(0))
                        .max()
                        .orElse(1));
        double mostShare = Math.max(
                0.05,
                IntStream.range(0, rows.size())
                        .mapToDouble(
                                r -> java.util.Arrays.stream(shares[r]).max().orElse(0))
                        .max()
                        .orElse(1));
        List<Row> shown = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            double[] of = rates[r];
            double[] share = shares[r];
            int number = r;
            shown.add(ComparisonRowBuilder.builder()
                    .number(r + 1)
                    .of(lines.get(r))
                    .why(why.get(r))
                    .shares(java.util.Arrays.stream(share)
                            .mapToObj(s -> Math.round(100 * s) + "%")
                            .toList())
                    .bars(IntStream.range(0, share.length)
                            .mapToObj(i -> bar(i, number, rows.size(), share[i] / mostShare))
                            .toList())
                    .line(path(of, most))
                    .endX(WIDTH)
                    .endY(HEIGHT * (1 - of[bins - 1] / most))
                    .byTime(IntStream.range(0, bins)
                            .filter(b -> b % TICK_BINS == 0)
                            .mapToObj(b -> tenth(of[b]))
                            .toList())
                    .build());
        }
        String unit = units.weight() == Units.Weight.KG ? " kg" : " lb";
        List<String> classes = IntStream.range(0, MOST_CLASSES)
                .mapToObj(i -> i == 0
                        ? "under " + whole(borders[0], step, units) + unit
                        : i == MOST_CLASSES - 1
                                ? whole(borders[i - 1], step, units) + unit + " on"
                                : whole(borders[i - 1], step, units) + "–" + whole(borders[i], step, units) + unit)
                .toList();
        List<Tick> ticks = IntStream.range(0, bins)
                .filter(b -> b % TICK_BINS == 0)
                .mapToObj(b ->
                        new Tick(x(b, bins), Dates.clock(model.bins().get(b).start(), event.timeZone())))
                .toList();
        return new Comparison(shown, classes, ticks, tenth(most));
    }

    /** A border in pounds or kilograms. */
    private static String whole(double grams, double step, Units units) {
        double value = grams / step * (units.weight() == Units.Weight.KG ? 0.5 : 1);
        return value == Math.rint(value) ? String.valueOf(Math.round(value)) : String.valueOf(value);
    }

    private static Bar bar(int weightClass, int row, int rows, double share) {
        double slot = WIDTH / MOST_CLASSES;
        double width = (slot - 16) / rows;
        return new Bar(weightClass * slot + 8 + row * width, HEIGHT * (1 - share), width - 2, HEIGHT * share);
    }

    private static double x(int bin, int bins) {
        return bins == 1 ? 0 : WIDTH * bin / (bins - 1);
    }

    private static String path(double[] rates, double most) {
        StringBuilder path = new StringBuilder();
        for (int b = 0; b < rates.length; b++) {
            path.append(b == 0 ? 'M' : 'L')
                    .append(String.format(
                            Locale.ROOT, "%.1f %.1f", x(b, rates.length), HEIGHT * (1 - rates[b] / most)));
        }
        return path.toString();
    }

    private static String tenth(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }
}
