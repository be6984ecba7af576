package lochan.offline.plan;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.notebook.KnownFish;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.wording.Wording;

/** Known fish in words. */
public final class FishWords {

    private FishWords() {}

    /** As "Old Boathouse, under the third slip". */
    public static String place(KnownFish f, EventData event) {
        return event.spot(f.spotId()).map(Spot::name).orElse(f.spotId())
                + (f.where() == null
                        ? ""
                        : ", " + f.where().substring(0, 1).toLowerCase(java.util.Locale.ROOT)
                                + f.where().substring(1));
    }

    /** As "between 10:30 and 14:00, wind up to 10 mph". */
    public static String window(KnownFish f, Units units) {
        return hours(f) + (f.maxWindMps() == null ? "" : Wording.text("day.wind-up-to", units.speed(f.maxWindMps())));
    }

    private static String hours(KnownFish f) {
        if (f.from() == null && f.to() == null) {
            return Wording.text("day.any-time");
        }
        if (f.from() == null) {
            return Wording.text("day.until", f.to());
        }
        return f.to() == null ? Wording.text("day.from", f.from()) : Wording.text("day.between", f.from(), f.to());
    }

    /** As "45 % a visit". */
    public static String chance(KnownFish f) {
        return Wording.text("day.chance-a-visit", Math.round(100 * f.chancePerVisit(Assumptions.DEFAULTS.notebook())));
    }

    /** Fish to come back to by a time, and those of a day that are still to come, soonest first. */
    public static List<Due> due(EventData event, Instant now, Instant until, Units units) {
        ZoneId zone = event.timeZone();
        List<Due> due = new ArrayList<>();
        event.notebook().fishThere().stream()
                .filter(f -> f.nextVisit() != null && f.nextVisit().isBefore(until))
                .sorted(java.util.Comparator.comparing(KnownFish::nextVisit))
                .forEach(f -> due.add(new Due(
                        f.id(),
                        place(f, event),
                        f.kind() == KnownFish.Kind.SCHOOL
                                ? Wording.text("day.look-again")
                                : Wording.text("day.about", units.weight(f.guessGrams()), chance(f)),
                        requireNonNull(f.nextVisit()),
                        Times.clock(f.nextVisit(), zone),
                        f.isDue(now))));
        return due;
    }

    /**
     * A place to come back to.
     *
     * @param at   when
     * @param time the same on the clock
     * @param now  whether it is time
     */
    public record Due(String id, String place, String fish, Instant at, String time, boolean now) {}
}
