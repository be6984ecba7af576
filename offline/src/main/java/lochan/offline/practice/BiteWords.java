package lochan.offline.practice;

import java.util.ArrayList;
import java.util.List;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;

/** A bite in words. */
public final class BiteWords {

    private BiteWords() {}

    /** As "3 lb 4 oz", "≈ 3 lb 4 oz" for a guess. */
    public static String of(FishSize size, Units units) {
        return switch (size.how()) {
            case SCALE -> units.weight(size.grams());
            case GUESS -> "≈ " + units.weight(size.grams());
            case RANGE -> units.weight(size.loGrams()) + " to " + units.weight(size.hiGrams());
            case LENGTH -> units.length(size.mm());
        };
    }

    /** As "Landed, largemouth ≈ 3 lb 4 oz, Swim jig". */
    public static String of(Bite bite, Names names, Units units) {
        List<String> words = new ArrayList<>();
        words.add(of(bite.outcome()));
        String fish = (bite.species() == null ? "" : bite.species().code() + " ")
                + (bite.size() == null ? "" : of(bite.size(), units));
        if (!fish.isBlank()) {
            words.add(fish.strip());
        }
        String presentation = bite.presentationId();
        if (presentation != null) {
            words.add(names.presentations().getOrDefault(presentation, presentation));
        }
        return String.join(", ", words);
    }

    public static String of(Outcome outcome) {
        return switch (outcome) {
            case LANDED -> "Landed";
            case LOST -> "Lost";
            case MISSED -> "Missed";
            case SHAKEN -> "Shaken off";
        };
    }
}
