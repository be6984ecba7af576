package lochan.offline.plan;

import lochan.core.live.MoveAdvice;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/** Says what the day has taught, in one sentence. */
final class LessonWords {

    /** An ounce an hour: less changes no decision. */
    private static final double LEAST_GRAMS = 28.35;

    /** A smaller difference can't be seen in a few fish. */
    private static final double LEAST_LN_RATIO = 0.05;

    private LessonWords() {}

    /** Returns what today taught, with its worth; null: too little to mention. */
    static @Nullable String of(MoveAdvice.@Nullable Lesson lesson, DayModel model, Units units) {
        if (lesson == null
                || Math.abs(lesson.gramsAnHour()) < LEAST_GRAMS
                || Math.abs(Math.log(lesson.ratio())) < LEAST_LN_RATIO) {
            return null;
        }
        String spot = PlanWords.spot(lesson.cell().spotId(), model.event());
        boolean more = lesson.gramsAnHour() > 0;
        String worth = size(lesson.gramsAnHour(), units);
        return switch (lesson.subject()) {
            case SIZE ->
                Wording.text(
                        more ? "lessons.fish-heavier" : "lessons.fish-lighter",
                        spot,
                        size(keeperGrams(lesson.cell(), model) * (lesson.ratio() - 1), units),
                        worth);
            case BITE_RATE ->
                Wording.text(
                        more ? "lessons.more-bites" : "lessons.fewer-bites",
                        model.event()
                                .presentation(lesson.cell().presentationId())
                                .orElseThrow()
                                .name(),
                        spot,
                        Math.round(100 * Math.abs(lesson.ratio() - 1)),
                        worth);
        };
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

    private static String size(double grams, Units units) {
        return PlanWords.difference(Math.abs(grams), units, Wording.text("lessons.a-little"))
                .replace("+", "");
    }
}
