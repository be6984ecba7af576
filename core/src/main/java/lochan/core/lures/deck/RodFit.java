package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import lochan.core.Reason;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Rod;

/**
 * How well a rod carries a lure.
 *
 * @param share 0 not at all to 1 as it should be: the product of what power, action and line leave
 * @param reasons what is wrong with it
 */
public record RodFit(double share, List<Reason> reasons) {

    private static final double[] POWER_APART = {1, 0.6, 0.15, 0.05, 0};
    private static final double[] ACTION_APART = {1, 0.9, 0.75, 0.6};
    private static final double OTHER_LINE = 0.75;
    private static final double LEADER_WANTED = 0.9;

    public RodFit {
        reasons = List.copyOf(reasons);
    }

    /** Of a rod for a lure. */
    public static RodFit of(Rod rod, Lure lure) {
        List<Reason> reasons = new ArrayList<>();
        Lure.Outfit wanted = lure.tackle();
        int powerApart = wanted.powers().stream()
                .mapToInt(p -> Math.abs(p.ordinal() - rod.power().ordinal()))
                .min()
                .orElseThrow();
        int actionApart = Math.abs(wanted.action().ordinal() - rod.action().ordinal());
        if (powerApart > 0) {
            reasons.add(RodReason.POWER.with(
                    rod.power(), wanted.powers().stream().map(p -> p.words()).collect(Collectors.joining("/"))));
        }
        if (actionApart > 1) {
            reasons.add(RodReason.ACTION.with(rod.action(), wanted.action()));
        }
        return new RodFit(
                POWER_APART[powerApart]
                        * ACTION_APART[actionApart]
                        * strength(rod.line(), wanted, reasons)
                        * kind(rod, wanted, reasons),
                reasons);
    }

    /** Line a third stronger or weaker than usual leaves three quarters, twice or half a third. */
    private static double strength(FishingLine line, Lure.Outfit wanted, List<Reason> reasons) {
        double kg = line.strengthKg();
        boolean usuallyOther = wanted.lines().getFirst() != line.kind() && line.kind() == FishingLine.Kind.BRAID;
        double most = usuallyOther
                ? 2.5 * wanted.strengthKg().to()
                : wanted.strengthKg().to();
        double apart = kg < wanted.strengthKg().from() ? wanted.strengthKg().from() / kg : kg > most ? kg / most : 1;
        if (apart > 1.1) {
            reasons.add((kg > most ? RodReason.HEAVY_LINE : RodReason.LIGHT_LINE).with());
        }
        return 1 / (1 + 2 * (apart - 1));
    }

    private static double kind(Rod rod, Lure.Outfit wanted, List<Reason> reasons) {
        if (wanted.lines().contains(rod.end().kind())) {
            return 1;
        }
        boolean leaderHelps = rod.line().kind() == FishingLine.Kind.BRAID
                && rod.leader() == null
                && wanted.lines().contains(FishingLine.Kind.FLUOROCARBON);
        reasons.add(
                leaderHelps
                        ? RodReason.ADD_LEADER.with()
                        : RodReason.LINE.with(rod.end().kind(), wanted.lines().getFirst()));
        return leaderHelps ? LEADER_WANTED : OTHER_LINE;
    }
}
