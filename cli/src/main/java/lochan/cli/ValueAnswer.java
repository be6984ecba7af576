package lochan.cli;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import lochan.core.model.scenario.DayModel;
import lochan.core.planning.valuation.PlanValue;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code value}. */
final class ValueAnswer {

    private ValueAnswer() {}

    static ObjectNode json(PlanValue value, DayModel model) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        node.put("formulaGrams", value.formulaGrams()).put("simulatedGrams", value.simulatedGrams());
        node.put("standardError", value.standardError());
        node.put("p10", value.p10()).put("p50", value.p50()).put("p90", value.p90());
        node.put("chanceOfLimit", value.chanceOfLimit()).put("chanceOfTarget", value.chanceOfTarget());
        ArrayNode hours = node.putArray("byHour");
        Instant start = model.bins().getFirst().start();
        for (int i = 0; i < value.byHour().size(); i++) {
            Instant at = start.plus(Duration.ofHours(i + 1));
            hours.addObject()
                    .put(
                            "at",
                            DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(
                                    at.atZone(model.event().timeZone())))
                    .put("grams", value.byHour().get(i));
        }
        return node;
    }
}
