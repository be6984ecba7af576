package lochan.web.practice;

import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.model.ranking.EveningReview.Change;
import lochan.core.model.ranking.EveningReview.Effort;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.quantity.Count;
import lochan.offline.plan.PatternWords;

/**
 * A change of the rankings as the evening review tells it.
 *
 * @param place   "3 → 1" in the rankings; empty where it had no place before
 * @param verdict "▲ gained", "▼ lost" or "died"; empty for no news
 * @param why     what moved it
 */
record ChangeRow(String what, String before, String after, String place, String verdict, String why) {

    private static final int SPOTS_NAMED = 3;

    static ChangeRow ofPattern(Change<Pattern> c, EventData event) {
        String name = PatternWords.of(c.of(), event);
        boolean single = c.by().size() == 1;
        return row(
                name,
                c,
                sum(c)
                        + (single ? " at " + spot(c.by().getFirst(), event) : "")
                        + expected(c)
                        + (single
                                ? ""
                                : ": "
                                        + listed(
                                                c.by(),
                                                e -> spot(e, event) + " " + bites(e.bites()) + " in "
                                                        + hours(e.anglerHours()))));
    }

    static ChangeRow ofCell(Change<Cell> c, EventData event) {
        return row(words(c.of(), event), c, c.fished() ? fished(c) : moved(c, event));
    }

    /** A presentation at a spot. */
    static String words(Cell c, EventData event) {
        return event.presentation(c.presentationId()).orElseThrow().name() + " at "
                + event.spot(c.spotId()).orElseThrow().name();
    }

    private static ChangeRow row(String what, Change<?> c, String why) {
        String verdict = c.died() ? "died" : !c.isNews() ? "" : c.gain() > 0 ? "▲ gained" : "▼ lost";
        return new ChangeRow(
                what,
                tenth(c.before()),
                tenth(c.after()),
                c.rankBefore() == 0 || c.rankBefore() == c.rankAfter()
                        ? String.valueOf(c.rankAfter())
                        : c.rankBefore() + " → " + c.rankAfter(),
                verdict,
                why);
    }

    private static String fished(Change<Cell> c) {
        boolean against = c.isNews() && (c.bites() > c.before() * c.anglerHours()) != c.gain() > 0;
        return sum(c)
                + expected(c)
                + (against ? "; the rest of its pattern did " + (c.gain() > 0 ? "better" : "worse") : "");
    }

    private static String moved(Change<Cell> c, EventData event) {
        if (c.by().isEmpty()) {
            return "Not fished; the day as a whole was " + (c.gain() > 0 ? "better" : "worse") + " than expected";
        }
        boolean samePattern = event.spot(c.by().getFirst().cell().spotId())
                .orElseThrow()
                .spotType()
                .equals(event.spot(c.of().spotId()).orElseThrow().spotType());
        return "Not fished; " + (samePattern ? "its pattern at " : "its presentation at ")
                + listed(c.by(), e -> spot(e, event) + ": " + bites(e.bites()) + " in " + hours(e.anglerHours()));
    }

    private static String listed(List<Effort> by, Function<Effort, String> words) {
        return by.stream().limit(SPOTS_NAMED).map(words).collect(Collectors.joining(", "))
                + (by.size() > SPOTS_NAMED ? " and " + (by.size() - SPOTS_NAMED) + " more" : "");
    }

    private static String sum(Change<?> c) {
        return bites(c.bites()) + " in " + hours(c.anglerHours());
    }

    private static String expected(Change<?> c) {
        return ", " + tenth(c.before() * c.anglerHours()) + " expected";
    }

    private static String spot(Effort e, EventData event) {
        return event.spot(e.cell().spotId()).orElseThrow().name();
    }

    private static String bites(double bites) {
        long whole = Math.round(bites);
        return whole == 0 ? "no bite" : Count.of(whole, "bite");
    }

    private static String hours(double hours) {
        return tenth(hours) + " h";
    }

    private static String tenth(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }
}
