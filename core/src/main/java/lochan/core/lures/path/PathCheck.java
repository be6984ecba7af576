package lochan.core.lures.path;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.quantity.Units;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;

/**
 * What an angler's rule says of a cast.
 *
 * @param kept  whether the cast keeps it
 * @param words what was found, and what to change
 */
public record PathCheck(boolean kept, String words) {

    private static final double A_LITTLE = 0.1;

    /** All rules that have to do with a cast: at the fish or up to 2 ft above and never below, 2 ft over brush, under the boat only in 12 ft, a crankbait must reach. */
    public static List<PathCheck> of(
            LureMotion lure, Cast cast, WaterSlice water, LurePath path, Units units, Assumptions assumptions) {
        List<PathCheck> checks = new ArrayList<>();
        Assumptions.LureAdvice a = assumptions.advice();
        String near = units.depth(a.aboveFishM());
        if (!(lure.lure().motion() instanceof Motion.Surface)) {
            checks.add(
                    path.belowShare() > A_LITTLE
                            ? new PathCheck(
                                    false,
                                    Math.round(100 * path.belowShare())
                                            + " % of the cast runs below the fish: a shorter count, a lighter weight or a faster retrieve")
                            : path.zoneShare() > 0
                                    ? new PathCheck(true, "at the fish or up to " + near + " above, not below")
                                    : new PathCheck(
                                            false,
                                            "it never comes within " + near
                                                    + " over the fish: a longer count, more weight or one that goes deeper"));
        }
        if (water.coverM() > 0) {
            double least = overCover(cast, water, path);
            checks.add(
                    lure.lure().onBottom()
                            ? new PathCheck(true, "worked through the cover, not over it: feel it over every branch")
                            : least < 0
                                    ? new PathCheck(
                                            false, "it runs into the cover: start the retrieve earlier or go lighter")
                                    : new PathCheck(
                                            least >= a.aboveFishM() - A_LITTLE,
                                            "passes " + units.depth(least) + " over the cover"
                                                    + (least >= a.aboveFishM() - A_LITTLE ? "" : ": keep " + near)));
        }
        if (cast.retrieve() == Retrieve.VERTICAL) {
            boolean deep = water.nearM() >= a.verticalFromM();
            checks.add(new PathCheck(
                    deep,
                    deep
                            ? units.depth(water.nearM()) + " under the boat: deep enough to fish straight down"
                            : "only " + units.depth(water.nearM()) + " under the boat: fish straight down in "
                                    + units.depth(a.verticalFromM()) + " or more"));
        }
        if (lure.lure().motion() instanceof Motion.Dives && water.fishDepthM() == null) {
            boolean hits = !Double.isNaN(path.contactToM());
            checks.add(new PathCheck(
                    hits,
                    hits
                            ? "it hits the bottom, down to " + units.depth(path.deepestM())
                            : "it comes to " + units.depth(path.deepestM())
                                    + " and hits nothing: one rated a little deeper, a longer cast or thinner line"));
        }
        return checks;
    }

    private static double overCover(Cast cast, WaterSlice water, LurePath path) {
        return path.points().stream()
                .mapToDouble(p -> water.coverTopM(p.fromBoatM(), cast.castM()) - p.depthM())
                .min()
                .orElse(0);
    }
}
