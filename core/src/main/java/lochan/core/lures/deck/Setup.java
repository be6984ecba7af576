package lochan.core.lures.deck;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.lures.advice.Situation;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Surface;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Tackle;
import org.jspecify.annotations.Nullable;

/**
 * The setup tied on for a presentation.
 *
 * @param lure   its sheet
 * @param grams  weight of the lure or its sinker, g
 * @param colour what clarity calls for; null: clarity unknown
 */
public record Setup(Lure lure, double grams, @Nullable ColourFamily colour) {

    private static final double OTHER_COLOUR = Math.log(1.5);

    /**
     * What a situation calls for; the angler's own lures in the boat go before what is usual.
     */
    public static Setup of(Lure lure, Situation at, Tackle tackle, Assumptions.LureAdvice a) {
        double wanted = usualGrams(lure, at, a);
        ColourFamily colour = colour(at, a);
        Setup ideal = new Setup(lure, wanted, colour);
        return ideal.item(tackle)
                .map(BoxItem::grams)
                .map(g -> new Setup(lure, g, colour))
                .orElse(ideal);
    }

    /**
     * Which of the usual weights a situation calls for, g. Deeper water, wind, a mat and rock that is to be felt want the heavier ones. Fish that are
     * not willing want what falls slowly lighter; what is worked on the bottom stays heavy, there the hand is slow.
     */
    public static double usualGrams(Lure lure, Situation at, Assumptions.LureAdvice a) {
        int last = lure.weights().size() - 1;
        if (at.cover() == Cover.THICK_GRASS) {
            return lure.weights().get(last);
        }
        double index = last / 2.0;
        if (at.aimM() != null) {
            index = Math.clamp(at.aimM() / Math.min(lure.depth().to(), a.heaviestFromM()), 0, 1) * last;
        }
        index += at.surface() == Surface.CHOP || at.surface() == Surface.WAVES ? a.heavierInWind() : 0;
        index += lure.onBottom() && lure.power() && at.cover() == Cover.ROCK ? a.heavierOnRock() : 0;
        index -= at.mood() == Mood.INACTIVE && !lure.onBottom() ? a.lighterForUnwilling() : 0;
        return lure.weights().get(Math.clamp(Math.round(index), 0, last));
    }

    /** Bold under a foot of visibility, natural over four feet, mixed between, one step clearer where the water clears; null: unknown. */
    public static @Nullable ColourFamily colour(Situation at, Assumptions.LureAdvice a) {
        if (at.visibilityM() == null) {
            return null;
        }
        return ColourFamily.values()[Math.clamp(murk(at.visibilityM(), a) + trend(at.clarity()), 0, 2)];
    }

    /** 0 for clear water, to 2 for muddy. */
    private static int murk(double visibilityM, Assumptions.LureAdvice a) {
        if (visibilityM < a.muddyM()) {
            return 2;
        }
        return visibilityM > a.clearM() ? 0 : 1;
    }

    private static int trend(@Nullable ClarityTrend clarity) {
        if (clarity == ClarityTrend.CLEARING) {
            return -1;
        }
        return clarity == ClarityTrend.MUDDYING ? 1 : 0;
    }

    /** The angler's lures in the boat that come nearest to it, best first: another colour counts as much as a weight half as much again. */
    public List<BoxItem> fromBox(Tackle tackle) {
        return tackle.inBoat(lure.id()).stream()
                .sorted(Comparator.comparingDouble(this::apart))
                .toList();
    }

    private double apart(BoxItem item) {
        double weight = item.grams() == null ? OTHER_COLOUR : Math.abs(Math.log(item.grams() / grams));
        return weight + (colour != null && item.colour() != null && item.colour() != colour ? OTHER_COLOUR : 0);
    }

    /** Whether two are the same rod: weight a tenth apart does not matter. */
    public boolean isLike(Setup other) {
        return lure.id().equals(other.lure.id()) && Math.abs(Math.log(grams / other.grams)) < 0.1;
    }

    public Optional<BoxItem> item(Tackle tackle) {
        return fromBox(tackle).stream().findFirst();
    }
}
