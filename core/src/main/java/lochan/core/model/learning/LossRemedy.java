package lochan.core.model.learning;

import lochan.core.practice.Hooks;
import lochan.core.practice.LossWay;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import org.jspecify.annotations.Nullable;

/** Chooses what to change when bites are lost, by the way they are lost and by the lure. */
final class LossRemedy {

    private LossRemedy() {}

    /**
     * Returns the remedy for one way of losing fish.
     *
     * @param hooks on the lure now
     * @param lure  its sheet; null: not known
     */
    static LossReason of(LossWay way, Hooks hooks, @Nullable Lure lure) {
        boolean metal = lure != null && lure.family() == Family.METAL;
        return switch (way) {
            case JUMPED_OFF -> jumped(hooks, metal);
            case PULLED_OUT -> metal ? LossReason.PULLED_METAL : LossReason.PULLED;
            case HOOK_OPENED -> hooks == Hooks.SINGLE ? LossReason.OPENED_SINGLE : LossReason.OPENED;
            case SHORT_BITE -> hooks == Hooks.SINGLE ? LossReason.SHORT_SINGLE : LossReason.SHORT;
            case REAR_HOOK -> hooks == Hooks.MULTI ? LossReason.REAR_MULTI : LossReason.REAR;
            case BROKE_OFF -> isOnBottom(lure) ? LossReason.BROKE_BOTTOM : LossReason.BROKE;
        };
    }

    private static LossReason jumped(Hooks hooks, boolean metal) {
        if (metal) {
            return LossReason.JUMPED_METAL;
        }
        return hooks == Hooks.TREBLE ? LossReason.JUMPED_TREBLE : LossReason.JUMPED;
    }

    private static boolean isOnBottom(@Nullable Lure lure) {
        return lure != null && (lure.cover().contains(Cover.ROCK) || lure.onBottom());
    }
}
