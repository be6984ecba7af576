package lochan.web.rankings;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.model.ranking.RankingRow;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * A row of the rankings as the page shows it, written out: the page has many of them.
 *
 * @param from  left end of the interval in its drawing
 * @param width of the interval
 * @param mean  place of the mean
 * @param row    names the row where rows are chosen
 * @param value of two hours there; "…" until it is computed
 * @param adds  to the best plan; "–" for next to nothing
 * @param query of the address of its evidence
 */
@RecordBuilder
record RankingLine(
        String spotId,
        String spot,
        String spotType,
        String presentation,
        int stones,
        boolean untried,
        boolean offLimits,
        boolean sizeUnknown,
        String rate,
        String interval,
        String landed,
        String legal,
        String keeper,
        String hours,
        String value,
        String adds,
        String addsPerHour,
        String row,
        double from,
        double width,
        double mean,
        String query) {

    /** Width of the drawing of an interval. */
    private static final double DRAWN = 90;
    /** Half an ounce: less is nothing. */
    static final double LEAST_GRAMS = 14;

    /**
     * @param scale   bites per hour at the right end of the drawing
     * @param found   null: not computed yet
     * @param dayTime the part of the address that tells day and time
     */
    static RankingLine of(
            RankingRow r,
            RankingValues.@Nullable Values found,
            EventData event,
            Units units,
            double scale,
            String dayTime) {
        double from = DRAWN * r.bites().p10() / scale;
        String query = "spot=" + encoded(r.cell().spotId()) + "&presentation="
                + encoded(r.cell().presentationId()) + "&" + dayTime;
        return RankingLineBuilder.builder()
                .spotId(r.cell().spotId())
                .spot(event.spot(r.cell().spotId()).orElseThrow().name())
                .spotType(SpotType.words(r.pattern().spotType()))
                .presentation(event.presentation(r.cell().presentationId())
                        .orElseThrow()
                        .name())
                .stones(r.stones())
                .untried(r.isUntried())
                .offLimits(event.offLimits(event.spot(r.cell().spotId()).orElseThrow()))
                .sizeUnknown(r.isSizeUnknown())
                .rate(tenth(r.bites().mean()))
                .interval(tenth(r.bites().p10()) + " – " + tenth(r.bites().p90()))
                .landed(percent(r.landing()))
                .legal(percent(r.keepers().legalShare()))
                .keeper(units.weight(r.keepers().meanGrams()))
                .hours(tenth(r.effectiveHours()) + " h")
                .value(
                        found == null
                                ? "…"
                                : units.weight(found.twoHours(r.cell()).grams()))
                .adds(
                        found == null || found.added() == null
                                ? "…"
                                : added(found.added().ofCell(r.cell()), units))
                .addsPerHour(
                        found == null || found.added() == null
                                ? "…"
                                : added(found.added().ofCellPerHour(r.cell()), units))
                .row(r.cell().spotId() + "~" + r.cell().presentationId())
                .from(from)
                .width(DRAWN * r.bites().p90() / scale - from)
                .mean(DRAWN * r.bites().mean() / scale)
                .query(query)
                .build();
    }

    static String added(double grams, Units units) {
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
