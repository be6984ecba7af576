package lochan.offline.plan;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.valuation.Strategy;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.wording.Wording;

/** Plans in words. */
public final class PlanWords {

    private PlanWords() {}

    /** A chance in words that never claim certainty. */
    public static String chance(double p) {
        long percent = Math.round(100 * p);
        if (percent >= 100) {
            return Wording.text("plans.over-99");
        }
        if (percent <= 0) {
            return Wording.text("plans.under-1");
        }
        return Wording.text("plans.percent", percent);
    }

    /** A difference of weights with its sign, as "+3 oz". */
    public static String difference(double grams, Units units) {
        return difference(grams, units, Wording.text("plans.no-difference"));
    }

    /** @param none said where it is nothing */
    public static String difference(double grams, Units units, String none) {
        String size = units.weight(Math.abs(grams));
        String ounces = size.startsWith("0 lb ") ? size.substring("0 lb ".length()) : size;
        return size.equals(units.weight(0.0)) ? none : (grams < 0 ? "−" : "+") + ounces;
    }

    /** As "Sill Ledge, Swim jig". */
    public static String cell(Cell cell, EventData event) {
        return event.spot(cell.spotId()).map(Spot::name).orElse(cell.spotId()) + ", "
                + event.presentation(cell.presentationId())
                        .map(Presentation::name)
                        .orElse(cell.presentationId());
    }

    public static String spot(String id, EventData event) {
        return event.spot(id).orElseThrow().name();
    }

    /** As "Harth Bend 06:10–08:55 swim jig, Sill Ledge 09:10–11:00 drop shot". */
    public static String stops(List<PlanStop> stops, EventData event) {
        ZoneId zone = event.timeZone();
        return stops.stream()
                .map(s -> spot(s.spotId(), event) + " " + Times.clock(s.arrive(), zone) + "–"
                        + Times.clock(s.leave(), zone) + " "
                        + event.presentation(s.presentationId())
                                .orElseThrow()
                                .name()
                                .toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }

    /** As "No bite by 07:50 at Sill Ledge". */
    public static String trigger(Backups.Trigger t, EventData event) {
        return Wording.text(
                t.bitesBelow() == 1 ? "plans.no-bite-by" : "plans.few-bites-by",
                t.bitesBelow(),
                Times.clock(t.at(), event.timeZone()),
                spot(t.spotId(), event));
    }

    public static String strategy(Strategy strategy) {
        return switch (strategy) {
            case BALANCED -> Wording.text("plans.balanced");
            case SAFE_LIMIT -> Wording.text("plans.safe-limit");
            case BIG_FISH -> Wording.text("plans.big-fish");
            case TARGET -> Wording.text("plans.target");
        };
    }
}
