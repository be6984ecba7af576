package lochan.cli;

import java.util.List;
import lochan.core.model.ranking.Ranking;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.model.size.SizeModel;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.AddedValue;
import lochan.core.planning.valuation.TwoHourValue;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code rank}. */
final class RankAnswer {

    /** Scenarios to compute worth on: it takes many plans, and its rank matters more than its last percent. */
    private static final int ADDS_SCENARIOS = 128;

    private static final int ADDS_ROUNDS = 9;

    private final FittedDayModel model;
    private final ScenarioSet scenarios;
    private final Ranking rankings;

    RankAnswer(FittedDayModel model, ScenarioSet scenarios, int bin) {
        this.model = model;
        this.scenarios = scenarios;
        this.rankings = new Ranking(model, bin);
    }

    ObjectNode json() {
        List<RankingRow> rows = rankings.rows();
        AddedValue worth = AddedValue.of(
                new ScenarioSet(model, ADDS_SCENARIOS, scenarios.seed()),
                DayRuns.of(model.event(), model.assumptions().planning()),
                scenarios.seed(),
                ADDS_ROUNDS);
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        ArrayNode list = node.putArray("rows");
        TwoHourValue twoHours = new TwoHourValue(scenarios);
        rows.forEach(row -> list.add(row(row, twoHours.grams(row.cell()), worth)));
        ArrayNode patterns = node.putArray("patterns");
        rankings.patterns().forEach(p -> patterns.addObject()
                .put("spotType", p.pattern().spotType())
                .put("presentation", p.pattern().presentationId())
                .put("bitesPerHour", p.bitesPerHour())
                .put("effectiveHours", p.effectiveHours())
                .put("spots", p.spots())
                .put("untried", p.untried())
                .put("addsGrams", worth.ofPattern(p.pattern())));
        SizeModel.Predictive bias = model.sizes().guessBias();
        node.putObject("guessBias").put("mean", bias.mean()).put("sd", bias.meanSd());
        return node;
    }

    private static ObjectNode row(RankingRow row, double twoHourGrams, AddedValue worth) {
        Cell cell = row.cell();
        ObjectNode node = JsonNodeFactory.instance
                .objectNode()
                .put("spot", cell.spotId())
                .put("presentation", cell.presentationId());
        node.putObject("bitesPerHour")
                .put("mean", row.bites().mean())
                .put("p10", row.bites().p10())
                .put("p90", row.bites().p90());
        node.put("landing", row.landing()).put("legalShare", row.keepers().legalShare());
        node.putObject("keeperGrams")
                .put("mean", row.keepers().meanGrams())
                .put("p10", row.keepers().p10Grams())
                .put("p90", row.keepers().p90Grams());
        ObjectNode sizes = node.putObject("sizeLn");
        row.sizes()
                .forEach((species, p) ->
                        sizes.putObject(species.code()).put("mean", p.mean()).put("sd", p.newFishSd()));
        node.put("effectiveHours", row.effectiveHours()).put("stopsThere", row.stops());
        node.put("twoHourGrams", twoHourGrams)
                .put("addsGrams", worth.ofCell(cell))
                .put("addsGramsPerHour", worth.ofCellPerHour(cell));
        return node;
    }
}
