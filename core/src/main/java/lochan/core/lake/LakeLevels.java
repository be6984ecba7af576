package lochan.core.lake;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lochan.core.Measure;
import lochan.core.Violation;
import org.jspecify.annotations.Nullable;

/**
 * How high the water of a lake stood. Depths of the map and of spots are from the reference level; what the water is
 * today is that much
 * deeper or shallower.
 *
 * @param referenceM reference level, m above the zero of the readings; 0 where it is that zero
 * @param readings   by date, one for each
 */
public record LakeLevels(double referenceM, List<Reading> readings) {

    public static final LakeLevels UNKNOWN = new LakeLevels(0, List.of());

    /** Readings farther back than this say nothing of a trend, days. */
    private static final int TREND_DAYS = 7;
    /** A reading holds until the next, but at most so many days. */
    private static final int HOLDS_DAYS = 30;

    private static final double HIGHEST_M = 6000;

    /** @param levelM of the surface on a date, m */
    public record Reading(LocalDate date, double levelM) {}

    public LakeLevels {
        readings = readings.stream().sorted(Comparator.comparing(Reading::date)).toList();
    }

    /** Returns the levels with one more reading; it replaces one of the same date. */
    public LakeLevels with(Reading reading) {
        LakeLevels others = without(reading.date());
        List<Reading> all = new ArrayList<>(others.readings);
        all.add(reading);
        return new LakeLevels(referenceM, all);
    }

    /** Returns the levels without the reading of a date. */
    public LakeLevels without(LocalDate date) {
        return new LakeLevels(
                referenceM,
                readings.stream().filter(r -> !r.date().equals(date)).toList());
    }

    /** The reading that holds on a date: the last until then, of the month before. */
    public Optional<Reading> on(LocalDate date) {
        return readings.stream()
                .filter(r -> !r.date().isAfter(date) && r.date().isAfter(date.minusDays(HOLDS_DAYS)))
                .reduce((earlier, later) -> later);
    }

    /** By how much the water stands above the reference on a date, m; 0 without a reading. */
    public double aboveReferenceM(LocalDate date) {
        return on(date).map(r -> r.levelM() - referenceM).orElse(0.0);
    }

    /** How fast the water rises on a date, m a day, from its readings of the week before; null: fewer than two. */
    public @Nullable Double risePerDayM(LocalDate date) {
        List<Reading> week = readings.stream()
                .filter(r -> !r.date().isAfter(date) && r.date().isAfter(date.minusDays(TREND_DAYS)))
                .toList();
        if (week.size() < 2) {
            return null;
        }
        Reading first = week.get(week.size() - 2);
        Reading last = week.getLast();
        return (last.levelM() - first.levelM()) / ChronoUnit.DAYS.between(first.date(), last.date());
    }

    /** Returns the levels' violations; fields are those of the event file below {@code lake}. */
    List<Violation> check() {
        List<Violation> found = new ArrayList<>();
        if (!(Math.abs(referenceM) <= HIGHEST_M)) {
            found.add(new Violation(
                    "referenceLevelM",
                    LakeProblem.REFERENCE_RANGE,
                    Measure.depth(referenceM),
                    Measure.depth(HIGHEST_M)));
        }
        for (int i = 0; i < readings.size(); i++) {
            if (!(Math.abs(readings.get(i).levelM()) <= HIGHEST_M)) {
                found.add(new Violation(
                        "levels/" + i + "/levelM",
                        LakeProblem.LEVEL_RANGE,
                        Measure.depth(readings.get(i).levelM()),
                        Measure.depth(HIGHEST_M)));
            }
            if (i > 0 && readings.get(i).date().equals(readings.get(i - 1).date())) {
                found.add(new Violation(
                        "levels/" + i + "/date",
                        LakeProblem.LEVEL_TWICE,
                        readings.get(i).date()));
            }
        }
        return found;
    }
}
