package lochan.core.model.learning;

import lochan.core.practice.Hooks;
import lochan.core.practice.LossWay;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import org.jspecify.annotations.Nullable;

/** What to change when bites are lost, by the way they are and by the lure. */
final class LossRemedy {

    private LossRemedy() {}

    /**
     * @param hooks on the lure now
     * @param lure  its sheet; null: not known
     */
    static String of(LossWay way, Hooks hooks, @Nullable Lure lure) {
        boolean metal = lure != null && lure.family() == Family.METAL;
        return switch (way) {
            case JUMPED_OFF -> {
                if (metal) {
                    yield "jumped off: a stiff rod, braid and no slack; a single assist hook turns with the fish";
                }
                yield hooks == Hooks.TREBLE
                        ? "jumped off: rod low, line tight; short-shanked trebles, or one solid hook in their place"
                        : "jumped off: rod low, line tight; check the point";
            }
            case PULLED_OUT ->
                metal
                        ? "pulled out: a softer tip, but no slack; a larger assist hook"
                        : "pulled out: line that stretches, a softer tip, a lighter set";
            case HOOK_OPENED ->
                hooks == Hooks.SINGLE
                        ? "hook opened: a stouter hook, or line that stretches and a lighter set"
                        : "hook opened: stouter trebles, a softer tip, and let it run";
            case SHORT_BITE ->
                hooks == Hooks.SINGLE
                        ? "short bites: a trailer or stinger hook, a shorter tail, a smaller size"
                        : "short bites: a smaller size, or a pause to let them take it";
            case REAR_HOOK ->
                hooks == Hooks.MULTI
                        ? "held on one arm: put the best hook and bait on that arm"
                        : "held on the rear hook: they come from behind; a new or larger hook there, speed up or pause";
            case BROKE_OFF ->
                lure != null && (lure.cover().contains(Cover.ROCK) || lure.onBottom())
                        ? "broke off: a heavier leader on rock and shell; feel it after each fish"
                        : "broke off: a heavier leader, a new knot, look at it after each fish";
        };
    }
}
