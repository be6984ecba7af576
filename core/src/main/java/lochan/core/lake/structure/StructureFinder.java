package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;
import lochan.core.lake.structure.Candidate.Kind;
import org.jspecify.annotations.Nullable;

/** Finds the places that the shape of the bottom makes worth a look. */
public final class StructureFinder {

    /** How far deep water is still within reach of a point, m. */
    private static final double WITHIN_REACH_M = 250;

    private static final double USUAL_FLAT_SHALLOWEST_M = 0.5;
    private static final double USUAL_FLAT_DEEPEST_M = 8;

    /**
     * The structure to look for.
     *
     * @param shallowestM  candidates in shallower water are left out; null: none are
     * @param deepestM     candidates in deeper water are left out; null: none are
     * @param prominenceM  how far humps, saddles, points and ledges stand out at least, m
     */
    public record Filter(
            @Nullable Double shallowestM, @Nullable Double deepestM, double prominenceM) {

        public static final Filter USUAL = new Filter(null, null, 1);

        /** @throws IllegalArgumentException when the band runs backwards or the prominence is negative */
        public Filter {
            if (shallowestM != null && deepestM != null && !(shallowestM <= deepestM)) {
                throw new IllegalArgumentException(
                        "the band runs from " + shallowestM + " to " + deepestM + " m: give the shallower end first");
            }
            if (!(prominenceM >= 0)) {
                throw new IllegalArgumentException("the prominence is " + prominenceM + " m, expected 0 or more");
            }
        }

        private boolean holds(double depthM) {
            return !(shallowestM != null && depthM < shallowestM) && !(deepestM != null && depthM > deepestM);
        }
    }

    private final DepthGrid grid;
    private final Filter wanted;
    private final DeepWater deepWater;
    private final float[] toShore;
    private final boolean[] onHump;
    private final List<Candidate> found = new ArrayList<>();

    private StructureFinder(DepthGrid grid, Filter wanted) {
        this.grid = grid;
        this.wanted = wanted;
        this.deepWater = new DeepWater(grid);
        this.toShore = Regions.metresTo(grid, grid::isLand);
        this.onHump = new boolean[grid.size()];
    }

    /** Candidates by kind, within a kind those that stand out most first. */
    public static List<Candidate> find(DepthGrid grid, Filter wanted) {
        StructureFinder finder = new StructureFinder(grid, wanted);
        finder.humpsAndSaddles();
        finder.points();
        finder.slopes();
        finder.pockets();
        return finder.found.stream()
                .filter(c -> wanted.holds(c.depthM()))
                .sorted(Comparator.comparing(Candidate::kind)
                        .thenComparing(c -> c.prominenceM() == null ? -c.areaM2() : -c.prominenceM()))
                .toList();
    }

    private void add(
            Kind kind, int cell, @Nullable Double prominenceM, @Nullable Double otherRiseM, double areaM2, Reason why) {
        found.add(new Candidate(
                kind,
                cell,
                grid.depth(cell),
                prominenceM,
                otherRiseM,
                areaM2,
                deepWater.metres(cell, grid.depth(cell)),
                why));
    }

    private void humpsAndSaddles() {
        for (MergeTree.Rise rise : MergeTree.rises(grid, wanted.prominenceM())) {
            double top = grid.depth(rise.top());
            double prominence = rise.closingM() - top;
            mark(rise);
            add(
                    Kind.HUMP,
                    rise.top(),
                    prominence,
                    null,
                    rise.cells() * grid.cellAreaM2(),
                    StructureReason.HUMP.with(Measure.depth(prominence), Measure.depth(top)));
            if (rise.saddle() >= 0) {
                addSaddle(rise, prominence);
            }
        }
    }

    private void addSaddle(MergeTree.Rise rise, double prominence) {
        if (rise.otherTop() < 0) {
            Reason why = StructureReason.SADDLE_TO_SHORE.with(Measure.depth(prominence));
            add(Kind.SADDLE, rise.saddle(), prominence, null, grid.cellAreaM2(), why);
            return;
        }
        double other = rise.closingM() - grid.depth(rise.otherTop());
        Reason why = StructureReason.SADDLE.with(Measure.depth(prominence), Measure.depth(other));
        add(Kind.SADDLE, rise.saddle(), prominence, other, grid.cellAreaM2(), why);
    }

    /** Notes the cells inside a hump's closing contour; the highest rise of water without land has none. */
    private void mark(MergeTree.Rise rise) {
        if (rise.saddle() < 0) {
            return;
        }
        int[] stack = new int[rise.cells() + 1];
        int[] near = new int[8];
        stack[0] = rise.top();
        int filled = 1;
        onHump[rise.top()] = true;
        for (int next = 0; next < filled; next++) {
            grid.neighbours(stack[next], near);
            for (int n : near) {
                if (n >= 0 && filled < stack.length && grid.depth(n) < rise.closingM() && !onHump[n]) {
                    onHump[n] = true;
                    stack[filled++] = n;
                }
            }
        }
    }

    private void points() {
        for (Ridges.Ridge ridge :
                new Ridges(grid, toShore, onHump).points(Math.max(wanted.prominenceM(), Float.MIN_VALUE))) {
            Double deep = deepWater.metres(ridge.crest(), grid.depth(ridge.crest()));
            if (deep != null && deep <= WITHIN_REACH_M) {
                add(
                        Kind.POINT,
                        ridge.crest(),
                        ridge.fallM(),
                        null,
                        ridge.cells().length * grid.cellAreaM2(),
                        StructureReason.POINT.with(
                                Measure.reach(ridge.lengthM()), Measure.depth(ridge.fallM()), Measure.reach(deep)));
            }
        }
    }

    private void slopes() {
        Slopes slopes = new Slopes(grid, toShore, onHump);
        for (Slopes.Strip ledge : slopes.ledges(wanted.prominenceM())) {
            int at = Regions.middle(grid, ledge.cells());
            add(
                    Kind.LEDGE,
                    at,
                    ledge.dropM(),
                    null,
                    ledge.cells().length * grid.cellAreaM2(),
                    StructureReason.LEDGE.with(Measure.depth(ledge.dropM()), Measure.reach(ledge.lengthM())));
        }
        for (Slopes.Strip bluff : slopes.bluffs()) {
            int at = Regions.middle(grid, bluff.cells());
            add(
                    Kind.BLUFF,
                    at,
                    bluff.dropM(),
                    null,
                    bluff.cells().length * grid.cellAreaM2(),
                    StructureReason.BLUFF.with(Measure.reach(bluff.lengthM())));
        }
        double from = wanted.shallowestM() == null ? USUAL_FLAT_SHALLOWEST_M : wanted.shallowestM();
        double to = wanted.deepestM() == null ? USUAL_FLAT_DEEPEST_M : wanted.deepestM();
        for (int[] flat : Flats.of(grid, from, to)) {
            double[] depths = Arrays.stream(flat).mapToDouble(grid::depth).toArray();
            add(
                    Kind.FLAT,
                    Regions.inmost(grid, flat),
                    null,
                    null,
                    flat.length * grid.cellAreaM2(),
                    StructureReason.FLAT.with(
                            Measure.area(flat.length * grid.cellAreaM2()),
                            Measure.depth(Arrays.stream(depths).min().orElseThrow()),
                            Measure.depth(Arrays.stream(depths).max().orElseThrow())));
        }
    }

    private void pockets() {
        for (Bays.Pocket pocket : new Bays(grid, toShore).pockets()) {
            double area = pocket.cells().length * grid.cellAreaM2();
            int deepestIn = pocket.cells()[0];
            for (int cell : pocket.cells()) {
                deepestIn = grid.depth(cell) > grid.depth(deepestIn) ? cell : deepestIn;
            }
            add(
                    Kind.POCKET,
                    Regions.middle(grid, pocket.cells()),
                    null,
                    null,
                    area,
                    StructureReason.POCKET.with(Measure.area(area), Measure.depth(grid.depth(deepestIn))));
            add(
                    Kind.STAGING,
                    pocket.outside(),
                    null,
                    null,
                    grid.cellAreaM2(),
                    StructureReason.STAGING.with(Measure.reach(grid.metres(pocket.outside(), pocket.mouth()))));
        }
    }
}
