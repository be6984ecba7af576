package lochan.web.standings;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import lochan.core.eventdata.EventData;
import lochan.core.quantity.Units;
import lochan.core.standings.StandingsRow;
import lochan.core.water.PlaceClass;

/**
 * A row of the standings as the page shows it, written out: the page has many of them.
 *
 * @param from  left end of the interval in its drawing
 * @param width of the interval
 * @param mean  place of the mean
 * @param row    names the row where rows are chosen
 * @param twoHours what two hours there are worth; "…" until it is reckoned
 * @param worth  to the day
 * @param query of the address of its evidence
 */
record StandingsLine(String spot, String placeClass, String presentation, int stones, boolean untried, boolean sizeUnknown, String rate,
                     String interval, String landed, String legal, String keeper, String hours, String twoHours, String worth, String worthPerHour, String row, double from, double width, double mean,
                     String query) {

    /** Width of the drawing of an interval. */
    private static final double DRAWN = 90;
    /** Half an ounce: less is nothing. */
    static final double LEAST_GRAMS = 14;

    /**
     * @param scale   strikes per hour at the right end of the drawing
     * @param found   null: not reckoned yet
     * @param dayTime the part of the address that tells day and time
     */
    static StandingsLine of(StandingsRow r, StandingsWorth.Found found, EventData event, Units units, double scale, String dayTime) {
        double from = DRAWN * r.strikes().p10() / scale;
        String query = "spot=" + encoded(r.cell().spotId()) + "&presentation=" + encoded(r.cell().presentationId()) + "&" + dayTime;
        return new StandingsLine(event.spot(r.cell().spotId()).orElseThrow().name(), PlaceClass.words(r.pattern().placeClass()),
                event.presentation(r.cell().presentationId()).orElseThrow().name(), r.stones(), r.isUntried(), r.isSizeUnknown(),
                tenth(r.strikes().mean()), tenth(r.strikes().p10()) + " – " + tenth(r.strikes().p90()), percent(r.landing()),
                percent(r.keepers().legalShare()), units.weight(r.keepers().meanGrams()), tenth(r.effectiveHours()) + " h",
                found == null ? "…" : units.weight(found.twoHours().get(r.cell()).grams()), found == null ? "…" : worth(found.worth().ofCell(r.cell()), units),
                found == null ? "…" : worth(found.worth().ofCellPerHour(r.cell()), units), r.cell().spotId() + "~" + r.cell().presentationId(),
                from, DRAWN * r.strikes().p90() / scale - from, DRAWN * r.strikes().mean() / scale, query);
    }

    static String worth(double grams, Units units) {
        return grams < LEAST_GRAMS ? "–" : units.weight(grams).replaceFirst("^0 lb ", "");
    }

    private static String tenth(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }

    private static String percent(double share) {
        return Math.round(100 * share) + "%";
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
