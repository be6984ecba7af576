package lochan.web.standings;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.quantity.Units;
import lochan.core.rate.Cell;
import lochan.core.standings.Standings;
import lochan.core.standings.StandingsRow;

/**
 * A pattern as the page shows it.
 *
 * @param places   where it is best, with what two hours are worth there
 * @param risk     how often two hours at its best place bring no keeper
 * @param unfished marked spots of its kind that never saw the presentation
 */
record PatternLine(String pattern, String rate, String hours, String worth, double worthGrams, String places, String risk, String unfished) {

    private static final int PLACES = 3;
    private static final int NAMED = 4;

    /** @param found null: not reckoned yet */
    static PatternLine of(Standings.PatternRow p, List<StandingsRow> rows, StandingsWorth.Found found, EventData event, Units units) {
        List<StandingsRow> of = rows.stream().filter(r -> r.pattern().equals(p.pattern())).toList();
        List<String> unfished = of.stream().filter(StandingsRow::isUntried).map(r -> spot(r.cell(), event)).toList();
        String names = unfished.isEmpty() ? "none" : unfished.stream().limit(NAMED).collect(Collectors.joining(", "))
                + (unfished.size() > NAMED ? " and " + (unfished.size() - NAMED) + " more" : "");
        String rate = String.format(Locale.ROOT, "%.1f", p.strikesPerHour());
        String hours = String.format(Locale.ROOT, "%.1f h", p.effectiveHours());
        if (found == null) {
            return new PatternLine(PatternWords.of(p.pattern(), event), rate, hours, "…", 0, "…", "…", names);
        }
        List<Cell> best = of.stream().map(StandingsRow::cell).sorted(Comparator.comparingDouble((Cell c) -> found.twoHours().get(c).grams()).reversed()).limit(PLACES).toList();
        double worth = found.worth().ofPattern(p.pattern());
        return new PatternLine(PatternWords.of(p.pattern(), event), rate, hours, StandingsLine.worth(worth, units), worth,
                best.stream().map(c -> spot(c, event) + " " + units.weight(found.twoHours().get(c).grams())).collect(Collectors.joining(", ")),
                risk(found.twoHours().get(best.getFirst()).chanceOfNone()), names);
    }

    private static String risk(double chanceOfNone) {
        long percent = Math.round(100 * chanceOfNone);
        return "no keeper " + (percent < 1 ? "under 1" : percent) + "% of days";
    }

    private static String spot(Cell cell, EventData event) {
        return event.spot(cell.spotId()).orElseThrow().name();
    }
}
