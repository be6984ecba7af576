package lochan.core.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * A lure or rig under its generic name: a presentation's sheet in the catalogue. Depths are m, weights g,
 * speeds m/s, temperatures °C.
 *
 * @param id          the presentation it belongs to, as {@code swim-jig}
 * @param name        common generic name
 * @param power       whether it is fished for willing fish, fast and bold; else it is finesse
 * @param search      whether it covers water; else it picks a place apart
 * @param depth       depths it is fished at
 * @param speedMps    usual speed of the retrieve, 0 when it rests
 * @param retrieves   ways to work it, the usual one first
 * @param sight       how much the fish must see it, 0 it is felt or heard, 1 it must be seen
 * @param temperature water temperatures it is good in
 * @param weights     usual weights, rising; the middle one is that of its motion
 * @param rig         its sizes, hook and trailer; null: not known
 * @param tackle      line and rod it is usually fished on
 */
@RecordBuilder
public record Lure(
        String id,
        String name,
        Family family,
        boolean power,
        boolean search,
        Hooking hooking,
        Range depth,
        Motion motion,
        double speedMps,
        List<Retrieve> retrieves,
        double sight,
        Set<Cover> cover,
        Range temperature,
        Set<SeasonStage> stages,
        Set<Mood> moods,
        Set<Forage> forage,
        List<Double> weights,
        @Nullable Rig rig,
        Outfit tackle) {

    private static final Map<String, String> FORMER_IDS = Map.of(
            "topwater-walker",
            "walking-topwater",
            "buzzing-bait",
            "buzzbait",
            "nose-weighted-worm",
            "neko-rig",
            "mid-hooked-worm",
            "wacky-rig",
            "heavy-cover-rig",
            "punch-rig");
    private static final int LONGEST_NAME = 80;

    /** @throws IllegalArgumentException when something is missing or out of its range */
    public Lure {
        expect(
                id != null && id.matches("[\\p{L}\\p{N}][\\p{L}\\p{N}-]{0,63}"),
                "id",
                id,
                "letters, digits and hyphens, 64 at most");
        expect(name != null && !name.isBlank() && name.length() <= LONGEST_NAME, "name", name, "1 to 80 characters");
        expect(speedMps >= 0 && speedMps <= 5, "speedMps", speedMps, "0 to 5");
        expect(sight >= 0 && sight <= 1, "sight", sight, "0 to 1");
        expect(!retrieves.isEmpty(), "retrieves", retrieves, "one of " + Coded.choices(Retrieve.class) + " at least");
        expect(!cover.isEmpty(), "cover", cover, "one of " + Coded.choices(Cover.class) + " at least");
        expect(!moods.isEmpty(), "moods", moods, "one of " + Coded.choices(Mood.class) + " at least");
        expect(
                !weights.isEmpty()
                        && weights.getFirst() > 0
                        && weights.stream().sorted().toList().equals(weights),
                "weightsG",
                weights,
                "rising weights above 0");
        retrieves = List.copyOf(retrieves);
        cover = Set.copyOf(cover);
        stages = Set.copyOf(stages);
        moods = Set.copyOf(moods);
        forage = Set.copyOf(forage);
        weights = List.copyOf(weights);
    }

    /** The catalogue's id of a lure that was once known under another one; any other id as it is. */
    public static String currentId(String id) {
        return FORMER_IDS.getOrDefault(id, id);
    }

    /** Whether this is the sheet of a presentation: the one of its id, or of the id that took its place. */
    public boolean isOf(String presentationId) {
        return id.equals(presentationId) || id.equals(currentId(presentationId));
    }

    /**
     * From a lower to an upper value, both within.
     */
    public record Range(double from, double to) {

        public Range {
            if (!(from <= to)) {
                throw new IllegalArgumentException(
                        "range runs from " + from + " to " + to + ", expected the lower first");
            }
        }

        public boolean holds(double value) {
            return value >= from && value <= to;
        }

        /** How far a value lies outside, 0 within. */
        public double away(double value) {
            return Math.max(0, Math.max(from - value, value - to));
        }
    }

    /**
     * Line and rod a lure is usually fished on.
     *
     * @param lines      what the line may be made of, the usual first
     * @param strengthKg of the line
     * @param powers     of the rod
     * @param action     of the rod
     */
    public record Outfit(List<FishingLine.Kind> lines, Range strengthKg, Set<Power> powers, RodAction action) {

        public Outfit {
            if (lines.isEmpty() || powers.isEmpty()) {
                throw new IllegalArgumentException(
                        "lines are " + lines + " and powers " + powers + ", expected one of each at least");
            }
            lines = List.copyOf(lines);
            powers = EnumSet.copyOf(powers);
        }
    }

    /** The weight its motion is given for. */
    public double usualGrams() {
        return weights.get(weights.size() / 2);
    }

    /** Whether it is worked along the bottom. */
    public boolean onBottom() {
        return motion instanceof Motion.Sinks
                && (retrieves.getFirst() == Retrieve.HOP || retrieves.getFirst() == Retrieve.DRAG);
    }

    /** Whether it is fished under the boat. */
    public boolean vertical() {
        return retrieves.getFirst() == Retrieve.VERTICAL;
    }

    private static void expect(boolean holds, String field, Object found, String expected) {
        if (!holds) {
            throw new IllegalArgumentException(field + " is " + found + ", expected " + expected);
        }
    }
}
