package lochan.core.lake;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Violation;
import org.jspecify.annotations.Nullable;

/** Checks one spot; all violations are found at once. */
public final class SpotCheck {

    private static final int LONGEST_CLASS = 64;

    private SpotCheck() {}

    public static List<Violation> check(Spot spot) {
        List<Violation> found = new ArrayList<>();
        if (spot.name() == null || spot.name().isBlank()) {
            found.add(new Violation("name", "The spot has no name: give it one."));
        } else if (spot.name().length() > 80) {
            found.add(new Violation("name", "The name has " + spot.name().length() + " characters: 80 at most."));
        }
        if (spot.spotType() == null || spot.spotType().isBlank()) {
            found.add(new Violation("spotType", "The spot type is missing: patterns are built on it, so choose one."));
        } else if (spot.spotType().length() > LONGEST_CLASS) {
            found.add(new Violation(
                    "spotType",
                    "The spot type has " + spot.spotType().length() + " characters: " + LONGEST_CLASS + " at most."));
        }
        if (!(spot.radiusM() > 0 && spot.radiusM() <= 5000)) {
            found.add(new Violation(
                    "radiusM", "The radius is " + spot.radiusM() + " m: expected more than 0 and at most 5000 m."));
        }
        if (!(spot.crowdRisk() >= 0 && spot.crowdRisk() <= 1)) {
            found.add(new Violation(
                    "crowdRisk", "The crowd risk is " + spot.crowdRisk() + ": expected 0 (never) to 1 (always)."));
        }
        depth(found, "depthMinM", "shallow", spot.depthMinM());
        depth(found, "depthMaxM", "deep", spot.depthMaxM());
        if (spot.depthMinM() != null && spot.depthMaxM() != null && spot.depthMinM() > spot.depthMaxM()) {
            found.add(new Violation("depthMaxM", "The deep end is shallower than the shallow end: exchange them."));
        }
        return List.copyOf(found);
    }

    private static void depth(List<Violation> found, String field, String end, @Nullable Double depthM) {
        if (depthM != null && !(depthM >= 0 && depthM <= 300)) {
            found.add(new Violation(
                    field, "The " + end + " end is " + depthM + " m: expected 0 to 300 m, or nothing when unknown."));
        }
    }
}
