package lochan.core.tackle;

import lochan.core.practice.Hooks;

/**
 * What a rig is hooked with.
 *
 * @param kind    kind of hooks
 * @param count   hooks on the rig; a treble is one hook
 * @param teasers arms or baits without a hook
 */
public record Hooking(Hooks kind, int count, int teasers) {

    public Hooking {
        if (count < 1 || teasers < 0) {
            throw new IllegalArgumentException("hooks is " + count + " and teasers " + teasers
                    + ", expected 1 or more hooks and 0 or more teasers");
        }
    }
}
