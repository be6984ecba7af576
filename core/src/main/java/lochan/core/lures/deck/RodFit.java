package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Rod;

/**
 * How well a rod carries a lure.
 *
 * @param share 0 not at all to 1 as it should be: the product of what power, action and line leave
 * @param words what is not as it should be
 */
public record RodFit(double share, List<String> words) {

    private static final double[] POWER_APART = {1, 0.6, 0.15, 0.05, 0};
    private static final double[] ACTION_APART = {1, 0.9, 0.75, 0.6};
    private static final double OTHER_LINE = 0.75;
    private static final double LEADER_WANTED = 0.9;

    public RodFit {
        words = List.copyOf(words);
    }

    /** Of a rod for a lure. */
    public static RodFit of(Rod rod, Lure lure) {
        List<String> words = new ArrayList<>();
        Lure.Outfit wanted = lure.tackle();
        int powerApart = wanted.powers().stream()
                .mapToInt(p -> Math.abs(p.ordinal() - rod.power().ordinal()))
                .min()
                .orElseThrow();
        int actionApart = Math.abs(wanted.action().ordinal() - rod.action().ordinal());
        if (powerApart > 0) {
            words.add(rod.power().words() + " rod, usually "
                    + wanted.powers().stream()
                            .map(p -> p.words())
                            .reduce((a, b) -> a + " or " + b)
                            .orElseThrow());
        }
        if (actionApart > 1) {
            words.add(
                    rod.action().words() + " action, usually " + wanted.action().words());
        }
        return new RodFit(
                POWER_APART[powerApart]
                        * ACTION_APART[actionApart]
                        * strength(rod.line(), wanted, words)
                        * kind(rod, wanted, words),
                words);
    }

    /** Line a third stronger or weaker than usual leaves three quarters, twice or half a third. */
    private static double strength(FishingLine line, Lure.Outfit wanted, List<String> words) {
        double kg = line.strengthKg();
        boolean usuallyOther = wanted.lines().getFirst() != line.kind() && line.kind() == FishingLine.Kind.BRAID;
        double most = usuallyOther
                ? 2.5 * wanted.strengthKg().to()
                : wanted.strengthKg().to();
        double apart = kg < wanted.strengthKg().from() ? wanted.strengthKg().from() / kg : kg > most ? kg / most : 1;
        if (apart > 1.1) {
            words.add(kg > most ? "line heavier than usual" : "line lighter than usual");
        }
        return 1 / (1 + 2 * (apart - 1));
    }

    private static double kind(Rod rod, Lure.Outfit wanted, List<String> words) {
        if (wanted.lines().contains(rod.end().kind())) {
            return 1;
        }
        boolean leaderHelps = rod.line().kind() == FishingLine.Kind.BRAID
                && rod.leader() == null
                && wanted.lines().contains(FishingLine.Kind.FLUOROCARBON);
        words.add(
                leaderHelps
                        ? "tie a fluorocarbon leader"
                        : rod.end().kind().words() + ", usually "
                                + wanted.lines().getFirst().words());
        return leaderHelps ? LEADER_WANTED : OTHER_LINE;
    }
}
