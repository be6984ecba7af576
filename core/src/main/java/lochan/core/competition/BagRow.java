package lochan.core.competition;

import org.jspecify.annotations.Nullable;

/**
 * What one entry of the log did.
 *
 * @param entry   the entry
 * @param verdict the decision it brought on a fish in hand; null: none
 * @param fish    the fish decided on; null: none
 * @param tag     the tag that fish was given; null: none
 * @param day     number of the competition day it belongs to, from 1
 * @param bag     the livewell of that day after it
 */
public record BagRow(
        Entry entry,
        @Nullable Verdict verdict,
        @Nullable String fish,
        @Nullable String tag,
        int day,
        Bag bag) {}
