package lochan.web.plan;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Backups;
import lochan.core.planning.Stance;
import lochan.core.quantity.Units;
import lochan.web.page.Dates;

/** Plans in words. */
public final class PlanWords {

    private PlanWords() { }

    /** A chance in words that never claim certainty. */
    public static String chance(double p) {
        long percent = Math.round(100 * p);
        return percent >= 100 ? "over 99%" : percent <= 0 ? "under 1%" : percent + "%";
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

    static String spot(String id, EventData event) {
        return event.spot(id).orElseThrow().name();
    }

    /** As "Harth Bend 06:10–08:55 swim jig, Sill Ledge 09:10–11:00 drop shot". */
    public static String stops(List<PlanStop> stops, EventData event) {
        ZoneId zone = event.brief().timeZone();
        return stops.stream().map(s -> spot(s.spotId(), event) + " " + Dates.clock(s.arrive(), zone) + "–" + Dates.clock(s.leave(), zone) + " "
                + event.presentation(s.presentationId()).orElseThrow().name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(", "));
    }

    /** As "No strike by 07:50 at Sill Ledge". */
    public static String trigger(Backups.Trigger t, EventData event) {
        return (t.strikesUnder() == 1 ? "No strike" : "Fewer than " + t.strikesUnder() + " strikes") + " by "
                + Dates.clock(t.at(), event.brief().timeZone()) + " at " + spot(t.spotId(), event);
    }

    static String stance(Stance stance) {
        return switch (stance) {
            case STEADY -> "the most on average";
            case LIMIT_FIRST -> "the surest limit";
            case BIG_FISH -> "the heaviest days";
            case TARGET -> "reaching the target";
        };
    }
}
