package lochan.web.modelling;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Units;
import lochan.web.shared.Dates;

/** Plans in words. */
public final class PlanWords {

    private PlanWords() {}

    /** A chance in words that never claim certainty. */
    public static String chance(double p) {
        long percent = Math.round(100 * p);
        if (percent >= 100) {
            return "over 99%";
        }
        if (percent <= 0) {
            return "under 1%";
        }
        return percent + "%";
    }

    /** A difference of weights with its sign, as "+3 oz". */
    public static String difference(double grams, Units units) {
        return difference(grams, units, "no difference");
    }

    /** @param none said where it is nothing */
    public static String difference(double grams, Units units, String none) {
        String size = units.weight(Math.abs(grams));
        return size.equals(units.weight(0.0)) ? none : (grams < 0 ? "−" : "+") + size.replaceFirst("^0 lb ", "");
    }

    public static String spot(String id, EventData event) {
        return event.spot(id).orElseThrow().name();
    }

    /** As "Harth Bend 06:10–08:55 swim jig, Sill Ledge 09:10–11:00 drop shot". */
    public static String stops(List<PlanStop> stops, EventData event) {
        ZoneId zone = event.timeZone();
        return stops.stream()
                .map(s -> spot(s.spotId(), event) + " " + Dates.clock(s.arrive(), zone) + "–"
                        + Dates.clock(s.leave(), zone) + " "
                        + event.presentation(s.presentationId())
                                .orElseThrow()
                                .name()
                                .toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }

    /** As "No bite by 07:50 at Sill Ledge". */
    public static String trigger(Backups.Trigger t, EventData event) {
        return (t.bitesBelow() == 1 ? "No bite" : "Fewer than " + t.bitesBelow() + " bites") + " by "
                + Dates.clock(t.at(), event.timeZone()) + " at " + spot(t.spotId(), event);
    }

    public static String strategy(Strategy strategy) {
        return switch (strategy) {
            case BALANCED -> "balanced";
            case SAFE_LIMIT -> "safe limit";
            case BIG_FISH -> "big fish";
            case TARGET -> "target weight";
        };
    }
}
