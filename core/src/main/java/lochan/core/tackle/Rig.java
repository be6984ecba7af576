package lochan.core.tackle;

import java.util.List;
import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * What a lure is made up with besides its weight, in {@value #CLASSES} sizes: small, usual, large.
 *
 * @param lengthsMm length of the bait, mm, rising; one for each size
 * @param hook      what it is hooked on
 * @param hookSizes as anglers say them, "4" or "3/0"; one for each size
 * @param trailer   what is added to the hook of a lure that has a skirt or a blade; null: nothing
 */
public record Rig(
        List<Double> lengthsMm,
        HookStyle hook,
        List<String> hookSizes,
        @Nullable Trailer trailer) {

    public static final int CLASSES = 3;

    /** @throws IllegalArgumentException when there are not three rising lengths and three sizes of hook */
    public Rig {
        if (lengthsMm.size() != CLASSES
                || !(lengthsMm.getFirst() > 0)
                || !lengthsMm.stream().sorted().toList().equals(lengthsMm)) {
            throw new IllegalArgumentException(
                    "lengthsMm is " + lengthsMm + ", expected three rising lengths: small, usual, large");
        }
        if (hookSizes.size() != CLASSES || !hookSizes.stream().allMatch(h -> h.matches("\\d{1,2}(/0)?"))) {
            throw new IllegalArgumentException(
                    "hookSizes is " + hookSizes + ", expected three sizes as 4 or 3/0: small, usual, large");
        }
        lengthsMm = List.copyOf(lengthsMm);
        hookSizes = List.copyOf(hookSizes);
    }

    /** Kinds of hooks. */
    public enum HookStyle implements Coded {
        TREBLE("treble"),
        /** Cast into a weighted or skirted head, its point guarded or free. */
        MOULDED("molded-in hook"),
        /** A plain head with a hook, the bait threaded on. */
        JIG("jighead"),
        /** Weedless, with room between shank and point for a thick bait. */
        WIDE_GAP("wide-gap hook"),
        /** Weedless and stout, for pulling fish out of cover. */
        STRAIGHT("straight-shank hook"),
        /** Light wire, the point free. */
        FINESSE("light-wire hook"),
        DOUBLE("double hook"),
        CIRCLE("circle hook");

        private final String words;

        HookStyle(String words) {
            this.words = words;
        }

        @Override
        public String code() {
            return Coded.spelt(this);
        }

        @Override
        public String words() {
            return words;
        }

        /** Whether its point lies free, so that it catches in brush, wood and grass. */
        public boolean isOpen() {
            return this == TREBLE || this == JIG || this == FINESSE || this == CIRCLE;
        }
    }

    /** Soft baits added to a skirted or bladed lure. */
    public enum Trailer implements Coded {
        CRAW,
        PADDLE_TAIL,
        TOAD;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }
}
