package lochan.core.lake.sounding;

/**
 * What soundings are cleaned and gridded by.
 *
 * @param shallowestM     shallower readings are sonar that lost the bottom, m
 * @param deepestM        deeper readings are noise, m
 * @param neighbours      soundings before and after one that judge it, in the order they were taken
 * @param neighbourWithinM those farther than this say nothing about it, m
 * @param spikes          standard deviations, by the median absolute deviation, at which a sounding is a spike
 * @param spikeM          a smaller difference is never one, m
 * @param spikeShare      nor one of a smaller share of the depth: the bottom may be steep
 * @param outsideM        how far beyond the shore a fix may lie, m
 * @param cells           most cells of the longer side of a grid
 * @param smallestCellM   cells are no smaller, m
 * @param measuredWithinM water this near to a sounding rests on it; all other is guessed, m
 * @param sharedCells     cells that two surveys must share to tell how far one lies above the other
 */
public record SoundingRules(
        double shallowestM,
        double deepestM,
        int neighbours,
        double neighbourWithinM,
        double spikes,
        double spikeM,
        double spikeShare,
        double outsideM,
        int cells,
        double smallestCellM,
        double measuredWithinM,
        int sharedCells) {

    /** The filter is Hampel's (1974): 1.4826 × MAD estimates a standard deviation, three of them are usual; the rest are judgements. */
    public static final SoundingRules USUAL = new SoundingRules(0.3, 300, 5, 40, 3, 0.5, 0.12, 25, 1000, 3, 30, 20);
}
