package lochan.web.rankings;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.model.ranking.Ranking;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.Cell;
import lochan.core.quantity.Units;
import lochan.offline.plan.PatternWords;
import org.jspecify.annotations.Nullable;

/**
 * A pattern as the page shows it.
 *
 * @param places   where it is best, with the value of two hours there
 * @param risk     how often two hours at its best place give no keeper
 * @param unfished spots of its type that never saw the presentation
 */
record PatternLine(
        String pattern,
        String rate,
        String hours,
        String adds,
        double addsGrams,
        String places,
        String risk,
        String unfished) {

    private static final int PLACES = 3;
    private static final int NAMED = 4;

    /** @param found null: not computed yet */
    static PatternLine of(
            Ranking.PatternRow p,
            List<RankingRow> rows,
            RankingValues.@Nullable Values found,
            EventData event,
            Units units) {
        List<RankingRow> of =
                rows.stream().filter(r -> r.pattern().equals(p.pattern())).toList();
        List<String> unfished = of.stream()
                .filter(RankingRow::isUntried)
                .map(r -> spot(r.cell(), event))
                .toList();
        String names = unfished.isEmpty()
                ? "none"
                : unfished.stream().limit(NAMED).collect(Collectors.joining(", "))
                        + (unfished.size() > NAMED ? " and " + (unfished.size() - NAMED) + " more" : "");
        String rate = String.format(Locale.ROOT, "%.1f", p.bitesPerHour());
        String hours = String.format(Locale.ROOT, "%.1f h", p.effectiveHours());
        if (found == null || best(of, found).isEmpty()) {
            return new PatternLine(PatternWords.of(p.pattern(), event), rate, hours, "…", 0, "…", "…", names);
        }
        List<Cell> best = best(of, found);
        double adds = found.added() == null ? 0 : found.added().ofPattern(p.pattern());
        return new PatternLine(
                PatternWords.of(p.pattern(), event),
                rate,
                hours,
                found.added() == null ? "…" : RankingLine.added(adds, units),
                adds,
                best.stream()
                        .map(c -> spot(c, event) + " "
                                + units.weight(found.twoHours(c).grams()))
                        .collect(Collectors.joining(", ")),
                risk(found.twoHours(best.getFirst()).chanceOfNone()),
                names);
    }

    private static List<Cell> best(List<RankingRow> rows, RankingValues.Values found) {
        return rows.stream()
                .map(RankingRow::cell)
                .sorted(Comparator.comparingDouble((Cell c) -> found.twoHours(c).grams())
                        .reversed())
                .limit(PLACES)
                .toList();
    }

    private static String risk(double chanceOfNone) {
        long percent = Math.round(100 * chanceOfNone);
        return "no keeper " + (percent < 1 ? "under 1" : percent) + "% of days";
    }

    private static String spot(Cell cell, EventData event) {
        return event.spot(cell.spotId()).orElseThrow().name();
    }
}
