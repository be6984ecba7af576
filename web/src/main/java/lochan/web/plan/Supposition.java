package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.WhatIf;
import lochan.core.quantity.Units;
import lochan.offline.plan.PatternWords;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import lochan.web.eventbook.EventKey;

/**
 * A supposition about the day made by the sliders of the Plan page, in the angler's units, and the plan's worth under
 * it.
 *
 * @param wind        wind above the forecast
 * @param boats       multiple of the usual boats
 * @param weak        whether the main pattern does half as well
 * @param target      the target in whole steps of {@link #TARGET_STEP_GRAMS}
 * @param late        runs that would be too short of time then
 * @param mainPattern the one fished longest in the plan, in words
 */
@RecordBuilder
record Supposition(
        Slider wind,
        Slider boats,
        boolean weak,
        Slider target,
        String mainPattern,
        String weight,
        String difference,
        String between,
        String limit,
        String targetWords,
        String targetChance,
        List<String> late,
        boolean something) {

    /** Half a pound. */
    static final double TARGET_STEP_GRAMS = 226.796185;

    private static final Set<String> FIELDS = Set.of("wind", "boats", "weak", "target");
    private static final int LEAST_WIND = -10;
    private static final int MOST_WIND = 25;
    private static final double MOST_BOATS = 4;
    private static final double BOATS_STEP = 0.5;
    private static final int LEAST_TARGET = 4;
    private static final int MOST_TARGET = 80;

    /** A slider with what its value says in words. */
    record Slider(Number least, Number most, Number step, Number value, String words) {}

    /**
     * @param known  what the plan is worth with nothing supposed
     * @param fields of the sliders; those that are missing or senseless are as known
     */
    static Supposition of(
            EventKey key,
            EventData event,
            Plan plan,
            PlanValue known,
            Calibration calibration,
            PlanValuation computation,
            Map<String, String> fields,
            Units units) {
        DayModel day = computation.scenarios(key, event, plan.day()).model();
        Pattern main = plan.stops().stream()
                .max(Comparator.comparing((PlanStop s) -> Duration.between(s.arrive(), s.leave())))
                .map(Cell::of)
                .map(day::pattern)
                .orElseThrow();
        double usualTarget = event.rules().targetGrams() == null
                ? known.p50()
                : event.rules().targetGrams();
        int wind = (int) number(fields, "wind", 0, LEAST_WIND, MOST_WIND);
        double boats = number(fields, "boats", 1, 0, MOST_BOATS);
        boolean weak = fields.containsKey("weak");
        int steps =
                (int) number(fields, "target", Math.rint(usualTarget / TARGET_STEP_GRAMS), LEAST_TARGET, MOST_TARGET);
        double target = fields.containsKey("target") ? steps * TARGET_STEP_GRAMS : usualTarget;
        WhatIf what = new WhatIf(wind * units.speed().mps(), boats, weak ? main : null, target);
        boolean something = fields.keySet().stream().anyMatch(FIELDS::contains);
        PlanValue value =
                something ? computation.value(key, event, plan.day(), plan.stops(), calibration, what) : known;
        return SuppositionBuilder.builder()
                .wind(new Slider(LEAST_WIND, MOST_WIND, 1, wind, windWords(wind)))
                .boats(new Slider(0, MOST_BOATS, BOATS_STEP, boats, boatsWords(boats)))
                .weak(weak)
                .target(new Slider(LEAST_TARGET, MOST_TARGET, 1, steps, units.weight(target)))
                .mainPattern(PatternWords.of(main, event).toLowerCase(Locale.ROOT))
                .weight(units.weight(value.formulaGrams()))
                .difference(PlanWords.difference(value.formulaGrams() - known.formulaGrams(), units))
                .between(units.weight(value.p10()) + " to " + units.weight(value.p90()))
                .limit(PlanWords.chance(value.chanceOfLimit()))
                .targetWords(units.weight(target))
                .targetChance(value.chanceOfTarget() == null ? "" : PlanWords.chance(value.chanceOfTarget()))
                .late(RunWords.troubles(
                        what.on(event),
                        plan,
                        computation.legs(what.on(event), plan),
                        PlanValuation.ASSUMPTIONS.planning()))
                .something(something)
                .build();
    }

    private static String windWords(int wind) {
        return wind == 0 ? "as in the forecast" : String.format(Locale.ROOT, "%+d", wind);
    }

    private static String boatsWords(double boats) {
        if (boats == 0) {
            return "none";
        }
        return boats == 1 ? "as usual" : "× " + boats;
    }

    private static double number(Map<String, String> fields, String name, double usual, double least, double most) {
        try {
            double value = Double.parseDouble(fields.getOrDefault(name, ""));
            return value >= least && value <= most ? value : usual;
        } catch (NumberFormatException e) {
            return usual;
        }
    }
}
