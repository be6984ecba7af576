package lochan.web.rankings;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Locale;
import lochan.core.model.splits.Split;
import lochan.core.model.splits.Splits;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A split as the page shows it, the better side first.
 *
 * @param key      as it is kept
 * @param better   answer of the better side
 * @param worse    answers of the other
 * @param betterRate what was seen of the better side
 * @param worseRate  what was seen of the other
 * @param ratio    rate of the better side over the other's as believed, with its range
 * @param chance   that it is really better
 * @param needed   what it takes to know
 * @param likely   whether it is likely real
 * @param canLetIn whether rankings and plans can go by it: its answer is known beforehand
 * @param in       whether they do
 */
@RecordBuilder
record SplitRow(
        String key,
        String question,
        String better,
        String worse,
        String betterRate,
        String worseRate,
        String ratio,
        String chance,
        @Nullable String needed,
        boolean likely,
        boolean canLetIn,
        boolean in) {

    private static final double SURE = 0.9;
    /** From here a split is called likely, and offered to rankings and plans. */
    private static final double LIKELY = 0.795;

    static SplitRow of(Split s, boolean in) {
        boolean first = s.better() >= 0.5;
        double chance = Math.max(s.better(), 1 - s.better());
        String others = s.others().contains(",") ? "all others" : s.others();
        Split.Side best = first ? s.here() : s.there();
        Split.Side rest = first ? s.there() : s.here();
        return SplitRowBuilder.builder()
                .key(Splits.key(s.question(), s.answer()))
                .question(Wording.text(s.question()))
                .better(first ? s.answer() : others)
                .worse(first ? others : s.answer())
                .betterRate(rate(best))
                .worseRate(rate(rest))
                .ratio(String.format(
                        Locale.ROOT,
                        "× %.2f (%.1f to %.1f)",
                        s.ratio(),
                        Math.exp(first ? s.low() : -s.high()),
                        Math.exp(first ? s.high() : -s.low())))
                .chance(Math.min(99, Math.round(100 * chance)) + "%")
                .needed(needed(s))
                .likely(chance >= LIKELY)
                .canLetIn(s.question().isKnownBefore() && (chance >= LIKELY || in))
                .in(in)
                .build();
    }

    private static String rate(Split.Side side) {
        return String.format(Locale.ROOT, "%.1f an hour, %.1f h", side.perHour(), side.hours());
    }

    private static String needed(Split s) {
        if (Math.max(s.better(), 1 - s.better()) >= SURE) {
            return "known";
        }
        return Double.isNaN(s.hoursToKnow())
                ? "too alike to tell"
                : String.format(Locale.ROOT, "about %.0f more hours", Math.max(1, s.hoursToKnow()));
    }
}
