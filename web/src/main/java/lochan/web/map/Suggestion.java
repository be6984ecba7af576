package lochan.web.map;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.Candidate.Kind;
import lochan.core.lake.structure.MapPlace;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.lake.CandidateSigns;
import lochan.web.lake.MapMarks;
import lochan.wording.Wording;

/**
 * A candidate that is no spot yet, as the page shows it.
 *
 * @param id   by which it is chosen, added, marked or hidden: its kind and its cell
 * @param sign its shape, a path of SVG
 */
record Suggestion(
        String id,
        String kind,
        String sign,
        String depth,
        double depthM,
        String standsOut,
        String deepWater,
        String why,
        Position at) {

    /** A spot nearer than this to a candidate, or with it in its radius, is that candidate already, m. */
    private static final double MARKED_WITHIN_M = 75;
    /** Of each kind as many: humps are many, and would leave no room for the rest. */
    private static final int MOST_OF_A_KIND = 15;

    /**
     * @param hidden whether the angler does not want to see one again
     * @param above  by how much the water stands above the reference level, m
     */
    static List<Suggestion> of(
            List<Candidate> candidates,
            EventData event,
            DepthGrid grid,
            Units units,
            BiPredicate<Kind, Position> hidden,
            double above) {
        Map<Kind, Integer> seen = new EnumMap<>(Kind.class);
        return candidates.stream()
                .filter(c -> c.depthM() + above > 0)
                .filter(c -> !isSettled(position(grid, c), event) && !hidden.test(c.kind(), position(grid, c)))
                .filter(c -> seen.merge(c.kind(), 1, Integer::sum) <= MOST_OF_A_KIND)
                .map(c -> new Suggestion(
                        id(c),
                        c.kind().code(),
                        CandidateSigns.PATHS.getOrDefault(c.kind().code(), ""),
                        units.depth(c.depthM() + above),
                        c.depthM() + above,
                        c.prominenceM() == null ? "" : units.depth(c.prominenceM()),
                        c.deepWaterM() == null ? "" : units.reach(c.deepWaterM()),
                        Wording.text(c.why(), units),
                        position(grid, c)))
                .toList();
    }

    /** How far what is looked for stands out at least, by a page's filters, m: others have other candidates. */
    static double prominenceM(Form form) {
        Double typed = form.quantity("prominence", QuantityText::metres);
        return typed == null || typed < 0 ? StructureFinder.Filter.USUAL.prominenceM() : typed;
    }

    static String id(Candidate c) {
        return c.kind().code() + "~" + c.cell();
    }

    MapMarks.Look look() {
        return new MapMarks.Look(id, kind, at.lat(), at.lon(), kind + ", " + depth + ": " + why);
    }

    /** Whether a spot is there already, or nobody may fish there. */
    private static boolean isSettled(Position at, EventData event) {
        return event.knownLake().offLimitsAt(at).isPresent()
                || event.spots().stream()
                        .anyMatch(s -> s.position().metresTo(at) <= Math.max(MARKED_WITHIN_M, s.radiusM()));
    }

    static Position position(DepthGrid grid, Candidate c) {
        return new Position(Math.round(grid.y(c.cell()) * 1e5) / 1e5, Math.round(grid.x(c.cell()) * 1e5) / 1e5);
    }

    /** A candidate as a spot, with type, zone and depth filled in. */
    static Spot spot(Candidate c, DepthGrid grid, String id, String name) {
        Spot fresh = Spot.fresh(id, name, position(grid, c), c.kind().spotType());
        return new MapPlace(c.depthM(), c.kind().spotType()).fill(fresh, true);
    }
}
