package lochan.core.notebook;

import java.time.Instant;
import lochan.core.practice.Hooks;
import org.jspecify.annotations.Nullable;

/**
 * A change of hooks, leader or rod that a presentation is fished with: bites before it say less of how many are landed after.
 *
 * @param id             unique in its event
 * @param presentationId of which
 * @param at             when
 * @param what           in the angler's words, as "trailer hook"
 * @param hooks          what it is hooked with from then on; null: as before
 */
public record SetupChange(
        String id,
        String presentationId,
        Instant at,
        String what,
        @Nullable Hooks hooks) {

    public static final int LONGEST_WORDS = 80;
}
