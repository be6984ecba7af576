package lochan.cli;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Reason;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.Setup;
import lochan.core.lures.rigging.RigPart;
import lochan.core.lures.rigging.Rigging;
import lochan.core.quantity.Units;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import lochan.eventformat.Catalogue;
import lochan.wording.Wording;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code lures}: what of the catalogue suits a situation, best first; what does not fit comes last. */
final class LuresAnswer {

    private LuresAnswer() {}

    /** @param all also what some events do not allow at all */
    static ObjectNode json(Situation said, boolean all) {
        Assumptions.LureAdvice a = Assumptions.DEFAULTS.advice();
        Situation at = said.withStage(a.seasons());
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        node.put("stage", at.stage() == null ? null : at.stage().code());
        ArrayNode list = node.putArray("lures");
        List<Lure> lures = Catalogue.lures().stream()
                .filter(l -> all || l.family() != Family.LIVE_BAIT)
                .toList();
        LureAdvice.ranked(lures, at, Map.of(), a).stream()
                .sorted(Comparator.comparing(LureAdvice::ruledOut))
                .forEach(advice -> list.add(row(advice, at, a)));
        return node;
    }

    private static ObjectNode row(LureAdvice advice, Situation at, Assumptions.LureAdvice a) {
        Lure lure = advice.lure();
        ObjectNode row = JsonNodeFactory.instance
                .objectNode()
                .put("lure", lure.id())
                .put("score", advice.score())
                .put("fits", !advice.ruledOut())
                .put("weightGrams", Setup.usualGrams(lure, at, a))
                .put("retrieve", advice.retrieve(at).code());
        ObjectNode setup = row.putObject("setup");
        for (RigPart part : Rigging.of(lure, at, a)) {
            setup.putObject(part.part().code())
                    .put("choice", text(part.choice()))
                    .put("why", text(part.why()))
                    .put("others", part.others() == null ? null : text(part.others()));
        }
        ArrayNode why = row.putArray("why");
        advice.reasons().forEach(r -> why.add(text(r.judgement().reason())));
        return row;
    }

    private static String text(Reason reason) {
        return Wording.text(reason, Units.USUAL);
    }
}
