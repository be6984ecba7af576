package lochan.eventformat;

import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Decision;
import lochan.core.competition.Fish;
import lochan.core.competition.Verdict;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code bag}: one row for each entry. */
public final class BagRows {

    private BagRows() {}

    public static JsonNode json(BagLog log, boolean byLength) {
        ArrayNode rows = JsonNodeFactory.instance.arrayNode();
        log.rows().forEach(row -> rows.add(row(row, byLength)));
        return rows;
    }

    private static ObjectNode row(BagRow row, boolean byLength) {
        Verdict verdict = row.verdict();
        ObjectNode node =
                JsonNodeFactory.instance.objectNode().put("entry", row.entry().id());
        node.put("decision", verdict == null ? null : verdict.decision().code());
        node.put("released", verdict == null || verdict.decision() != Decision.CULL ? null : verdict.released());
        node.put("against", verdict == null ? null : verdict.second());
        if (verdict != null && verdict.first() != null && !verdict.first().equals(row.fish())) {
            node.put("weigh", verdict.first());
        }
        ArrayNode bag = node.putArray("bag");
        row.bag().fish().stream().map(Fish::id).forEach(bag::add);
        node.put("totalGrams", row.bag().totalGrams());
        node.put("netGrams", row.bag().netGrams());
        node.put("smallestGrams", row.bag().smallestGrams());
        node.put("needsGrams", row.bag().needsGrams());
        if (row.bag().weighings() > 0) {
            node.put("weighings", row.bag().weighings());
        }
        if (byLength) {
            node.put("totalMm", row.bag().length().total())
                    .put("smallestMm", row.bag().length().smallest())
                    .put("needsMm", row.bag().length().needs());
        }
        return node;
    }
}
