package lochan.web.map;

import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.Candidate.Kind;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.quantity.Units;

/**
 * A candidate that is no spot yet, as the page shows it.
 *
 * @param cell its cell of the grid, by which it is added
 */
record Suggestion(
        int cell, String kind, String depth, String standsOut, String deepWater, String why, double x, double y) {

    /** A spot nearer than this to a candidate, or with it in its radius, is that candidate already, m. */
    private static final double MARKED_WITHIN_M = 75;
    /** How far above and below a candidate's depth its spot is fished, m. */
    private static final double FISHED_AROUND_M = 1;

    private static final int LONGEST_LIST = 60;

    private static final Map<Kind, String> CLASSES = Map.of(
            Kind.HUMP,
            "hump",
            Kind.SADDLE,
            "saddle",
            Kind.POINT,
            "point",
            Kind.LEDGE,
            "channel-ledge",
            Kind.BLUFF,
            "bluff",
            Kind.FLAT,
            "flat",
            Kind.POCKET,
            "pocket",
            Kind.STAGING,
            "staging-bank");

    static List<Suggestion> of(
            List<Candidate> candidates, EventData event, DepthGrid grid, Units units, LakeMap.Frame frame) {
        return candidates.stream()
                .filter(c -> !isSettled(position(grid, c), event))
                .limit(LONGEST_LIST)
                .map(c -> {
                    LakeMap.Point at = frame.point(position(grid, c));
                    return new Suggestion(
                            c.cell(),
                            c.kind().code(),
                            units.depth(c.depthM()),
                            c.prominenceM() == null ? "" : units.depth(c.prominenceM()),
                            c.deepWaterM() == null ? "" : units.reach(c.deepWaterM()),
                            reason(c, units),
                            at.x(),
                            at.y());
                })
                .toList();
    }

    /** The reason in the angler's units. */
    private static String reason(Candidate c, Units units) {
        return switch (c.kind()) {
            case HUMP -> "rises " + units.depth(c.prominenceM()) + " above the water around it";
            case SADDLE ->
                c.otherRiseM() == null
                        ? "between a hump and the shore"
                        : "between two humps, overlooked, so less fished";
            case POINT -> "a ridge running out from the shore, " + units.depth(c.prominenceM()) + " above its flanks";
            case LEDGE -> "drops " + units.depth(c.prominenceM()) + " from a level shelf into deeper water";
            case BLUFF -> "falls steeply right from the shore";
            case FLAT -> "large and level";
            case POCKET -> "a bay behind a narrow mouth";
            case STAGING -> "open water just outside a pocket's mouth";
        };
    }

    /** Whether a spot is there already, or nobody may fish there. */
    private static boolean isSettled(Position at, EventData event) {
        return event.knownLake().offLimitsAt(at).isPresent()
                || event.spots().stream()
                        .anyMatch(s -> s.position().metresTo(at) <= Math.max(MARKED_WITHIN_M, s.radiusM()));
    }

    private static Position position(DepthGrid grid, Candidate c) {
        return new Position(Math.round(grid.y(c.cell()) * 1e5) / 1e5, Math.round(grid.x(c.cell()) * 1e5) / 1e5);
    }

    /** A candidate as a spot, with class, zone and depth filled in. */
    static Spot spot(Candidate c, DepthGrid grid, String id, String name) {
        return SpotBuilder.builder()
                .id(id)
                .name(name)
                .position(position(grid, c))
                .radiusM(Spot.USUAL_RADIUS_M)
                .spotType(CLASSES.get(c.kind()))
                .zone(Zone.at(c.depthM()))
                .depthMinM(Math.max(0, c.depthM() - FISHED_AROUND_M))
                .depthMaxM(c.depthM() + FISHED_AROUND_M)
                .crowdRisk(0)
                .stock(Stock.GENERAL)
                .entered(Map.of())
                .build();
    }
}
