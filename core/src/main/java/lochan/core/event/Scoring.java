package lochan.core.event;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How fish are kept, measured and ranked, beside format, limit and species.
 *
 * @param culling      whether a kept fish a kept fish may be culled
 * @param balanceOnly  whether no scale is used on board: fish are ordered by the balance alone
 * @param lengthStepMm in a length event, what lengths are rounded down to, mm (a quarter inch 6.35, a centimetre 10); null: they count as measured
 * @param tieBreak     what decides between equal totals
 * @param cut          who fishes on after a day; null: everyone
 * @param tags         names of the tags fish wear in the livewell, in the order they are given out; when they are used up others follow
 */
public record Scoring(
        boolean culling,
        boolean balanceOnly,
        @Nullable Double lengthStepMm,
        TieBreak tieBreak,
        @Nullable Cut cut,
        List<String> tags) {

    public static final Scoring DEFAULT = new Scoring(true, false, null, TieBreak.NONE, null, List.of());

    /**
     * Only the first go on.
     *
     * @param afterDay number of the competition day after which it is made, from 1
     * @param places   boats that go on
     */
    public record Cut(int afterDay, int places) {}

    public Scoring {
        tags = List.copyOf(tags);
    }

    public Scoring withCulling(boolean allowed) {
        return new Scoring(allowed, balanceOnly, lengthStepMm, tieBreak, cut, tags);
    }

    /** What a length counts as, mm: rounded down to the step. A length that lies on a step but for the error of its conversion stays there. */
    public double countedMm(double mm) {
        return lengthStepMm == null ? mm : lengthStepMm * Math.floor(mm / lengthStepMm + 1e-6);
    }
}
