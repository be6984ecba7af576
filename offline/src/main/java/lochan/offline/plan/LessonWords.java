package lochan.offline.plan;

import lochan.core.live.MoveAdvice;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/** What the day has taught, in one sentence. */
final class LessonWords {

    /** An ounce an hour: less changes no decision. */
    private static final double LEAST_GRAMS = 28.35;

    /** A difference that nobody would see in a few fish. */
    private static final double LEAST_LN_RATIO = 0.05;

    private LessonWords() {}

    /** As "Fish at Sill Ledge run 1 lb heavier than practice: worth 12 oz more an hour."; null: too little to speak of. */
    static @Nullable String of(MoveAdvice.@Nullable Lesson lesson, DayModel model, Units units) {
        if (lesson == null
                || Math.abs(lesson.gramsAnHour()) < LEAST_GRAMS
                || Math.abs(Math.log(lesson.ratio())) < LEAST_LN_RATIO) {
            return null;
        }
        String spot = PlanWords.spot(lesson.cell().spotId(), model.event());
        String learnt =
                switch (lesson.subject()) {
                    case SIZE ->
                        "Fish at " + spot + " run "
                                + size(keeperGrams(lesson.cell(), model) * (lesson.ratio() - 1), units)
                                + (lesson.ratio() > 1 ? " heavier" : " lighter") + " than practice";
                    case BITE_RATE ->
                        model.event()
                                        .presentation(lesson.cell().presentationId())
                                        .orElseThrow()
                                        .name() + " at " + spot + " brings "
                                + percent(lesson.ratio()) + " bites than practice";
                };
        return learnt + ": worth " + size(lesson.gramsAnHour(), units) + (lesson.gramsAnHour() > 0 ? " more" : " less")
                + " an hour.";
    }

    private static double keeperGrams(Cell cell, DayModel model) {
        double grams = KeeperWeight.of(
                        model.event(),
                        model.sizes(),
                        model.mix(),
                        model.pattern(cell),
                        cell.spotId(),
                        model.assumptions().size())
                .meanGrams();
        return Double.isNaN(grams) ? 0 : grams;
    }

    private static String percent(double ratio) {
        return Math.round(100 * Math.abs(ratio - 1)) + "% " + (ratio > 1 ? "more" : "fewer");
    }

    private static String size(double grams, Units units) {
        return PlanWords.difference(Math.abs(grams), units, "a little").replace("+", "");
    }
}
