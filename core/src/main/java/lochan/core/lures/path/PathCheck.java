package lochan.core.lures.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;

/**
 * Tells whether a cast keeps one of the angler's rules.
 *
 * @param kept   whether it does
 * @param reason what was found, and what to change
 */
public record PathCheck(boolean kept, Reason reason) {

    private static final double A_LITTLE = 0.1;

    /**
     * Returns what the rules say: at the fish or up to 2 ft above, 2 ft over brush, under the boat only in 12 ft, a
     * crankbait must reach bottom.
     */
    public static List<PathCheck> of(
            LureMotion lure, Cast cast, WaterSlice water, LurePath path, Assumptions assumptions) {
        Assumptions.LureAdvice a = assumptions.advice();
        List<PathCheck> checks = new ArrayList<>();
        atTheFish(lure, path, a).ifPresent(checks::add);
        overCover(lure, cast, water, path, a).ifPresent(checks::add);
        vertical(cast, water, a).ifPresent(checks::add);
        contact(lure, water, path).ifPresent(checks::add);
        return checks;
    }

    private static Optional<PathCheck> kept(PathReason reason, Object... values) {
        return Optional.of(new PathCheck(true, reason.with(values)));
    }

    private static Optional<PathCheck> broken(PathReason reason, Object... values) {
        return Optional.of(new PathCheck(false, reason.with(values)));
    }

    private static Optional<PathCheck> atTheFish(LureMotion lure, LurePath path, Assumptions.LureAdvice a) {
        if (lure.lure().motion() instanceof Motion.Surface) {
            return Optional.empty();
        }
        if (path.belowShare() > A_LITTLE) {
            return broken(PathReason.BELOW_THE_FISH, Math.round(100 * path.belowShare()));
        }
        Measure near = Measure.depth(a.aboveFishM());
        return path.zoneShare() > 0 ? kept(PathReason.AT_THE_FISH, near) : broken(PathReason.NEVER_NEAR, near);
    }

    private static Optional<PathCheck> overCover(
            LureMotion lure, Cast cast, WaterSlice water, LurePath path, Assumptions.LureAdvice a) {
        if (!(water.coverM() > 0)) {
            return Optional.empty();
        }
        if (lure.lure().onBottom()) {
            return kept(PathReason.THROUGH_COVER);
        }
        double least = overCover(cast, water, path);
        if (least < 0) {
            return broken(PathReason.HITS_COVER);
        }
        return least >= a.aboveFishM() - A_LITTLE
                ? kept(PathReason.CLEARS_COVER, Measure.depth(least))
                : broken(PathReason.CLOSE_TO_COVER, Measure.depth(least), Measure.depth(a.aboveFishM()));
    }

    private static Optional<PathCheck> vertical(Cast cast, WaterSlice water, Assumptions.LureAdvice a) {
        if (cast.retrieve() != Retrieve.VERTICAL) {
            return Optional.empty();
        }
        Measure depth = Measure.depth(water.nearM());
        return water.nearM() >= a.verticalFromM()
                ? kept(PathReason.DEEP_ENOUGH, depth)
                : broken(PathReason.TOO_SHALLOW, depth, Measure.depth(a.verticalFromM()));
    }

    private static Optional<PathCheck> contact(LureMotion lure, WaterSlice water, LurePath path) {
        if (!(lure.lure().motion() instanceof Motion.Dives) || water.fishDepthM() != null) {
            return Optional.empty();
        }
        Measure deepest = Measure.depth(path.deepestM());
        return Double.isNaN(path.contactToM())
                ? broken(PathReason.MISSES_BOTTOM, deepest)
                : kept(PathReason.HITS_BOTTOM, deepest);
    }

    private static double overCover(Cast cast, WaterSlice water, LurePath path) {
        return path.points().stream()
                .mapToDouble(p -> water.coverTopM(p.fromBoatM(), cast.castM()) - p.depthM())
                .min()
                .orElse(0);
    }
}
