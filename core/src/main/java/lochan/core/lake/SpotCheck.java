package lochan.core.lake;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Measure;
import lochan.core.Violation;
import org.jspecify.annotations.Nullable;

/** Checks one spot; all violations are found at once. */
public final class SpotCheck {

    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_TYPE = 64;
    private static final double LARGEST_RADIUS_M = 5000;
    private static final double DEEPEST_M = 300;

    private SpotCheck() {}

    public static List<Violation> check(Spot spot) {
        List<Violation> found = new ArrayList<>();
        if (spot.name() == null || spot.name().isBlank()) {
            found.add(new Violation("name", SpotProblem.NAME_MISSING));
        } else if (spot.name().length() > LONGEST_NAME) {
            found.add(new Violation("name", SpotProblem.NAME_LONG, spot.name().length(), LONGEST_NAME));
        }
        if (spot.spotType() == null || spot.spotType().isBlank()) {
            found.add(new Violation("spotType", SpotProblem.TYPE_MISSING));
        } else if (spot.spotType().length() > LONGEST_TYPE) {
            found.add(new Violation(
                    "spotType", SpotProblem.TYPE_LONG, spot.spotType().length(), LONGEST_TYPE));
        }
        if (!(spot.radiusM() > 0 && spot.radiusM() <= LARGEST_RADIUS_M)) {
            found.add(new Violation(
                    "radiusM",
                    SpotProblem.RADIUS_RANGE,
                    Measure.reach(spot.radiusM()),
                    Measure.reach(LARGEST_RADIUS_M)));
        }
        if (!(spot.crowdRisk() >= 0 && spot.crowdRisk() <= 1)) {
            found.add(new Violation("crowdRisk", SpotProblem.CROWD_RISK_RANGE, spot.crowdRisk()));
        }
        depth(found, "depthMinM", spot.depthMinM());
        depth(found, "depthMaxM", spot.depthMaxM());
        if (spot.depthMinM() != null && spot.depthMaxM() != null && spot.depthMinM() > spot.depthMaxM()) {
            found.add(new Violation("depthMaxM", SpotProblem.DEPTHS_REVERSED));
        }
        return List.copyOf(found);
    }

    private static void depth(List<Violation> found, String field, @Nullable Double depthM) {
        if (depthM != null && !(depthM >= 0 && depthM <= DEEPEST_M)) {
            found.add(new Violation(field, SpotProblem.DEPTH_RANGE, Measure.depth(depthM), Measure.depth(DEEPEST_M)));
        }
    }
}
