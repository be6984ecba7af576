package lochan.web.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.Passages;
import lochan.offline.plan.RunWords;
import lochan.web.eventbook.EventKey;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Action;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.Geo;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;

/** A plan as a calendar (RFC 5545): an entry for each stop, and when to leave for check-in with an alarm before it. Times are UTC. */
final class PlanCalendar {

    private static final Duration WARNING = Duration.ofMinutes(15);

    private PlanCalendar() {}

    /**
     * @param id        of the plan, so that a calendar read again replaces its entries
     * @param waits   ashore, on the plan's runs
     * @param leaveBy null: not known
     * @param stamp     when the calendar is made
     */
    static String of(
            EventKey key,
            long id,
            EventData event,
            Plan plan,
            List<Passages.Wait> waits,
            @Nullable Instant leaveBy,
            Instant stamp) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Lochan//Plan//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        List<PlanStop> stops = plan.stops();
        for (int i = 0; i < stops.size(); i++) {
            PlanStop s = stops.get(i);
            Spot spot = event.spot(s.spotId()).orElseThrow();
            String summary = (i + 1) + ". " + spot.name() + ": "
                    + event.presentation(s.presentationId()).orElseThrow().name();
            calendar.add(entry(summary, s.arrive(), s.leave(), spot.position(), uid(key, id, "stop-" + (i + 1))));
        }
        for (Passages.Wait w : waits) {
            calendar.add(entry(
                    RunWords.wait(w, event),
                    w.arrive(),
                    w.until(),
                    w.at().position(),
                    uid(key, id, "wait-" + w.arrive().getEpochSecond())));
        }
        if (leaveBy != null) {
            Instant checkIn = event.day(plan.day()).checkIn();
            VEvent home = entry(
                    "Leave for check-in by this time",
                    leaveBy,
                    checkIn.isAfter(leaveBy) ? checkIn : leaveBy,
                    event.checkInAt(),
                    uid(key, id, "check-in"));
            VAlarm alarm = new VAlarm(WARNING.negated());
            alarm.add(new Action("DISPLAY"));
            alarm.add(new Description("Lines in soon: leave for check-in"));
            home.add(alarm);
            calendar.add(home);
        }
        calendar.getComponents().forEach(c -> c.replace(new DtStamp(stamp)));
        return calendar.toString();
    }

    private static String uid(EventKey key, long id, String what) {
        return "event-" + key.eventId() + "-plan-" + id + "-" + what + "@lochan";
    }

    private static VEvent entry(String summary, Instant from, Instant to, Position place, String uid) {
        VEvent entry = new VEvent(from, to, summary);
        entry.add(new Uid(uid));
        entry.add(new Geo(java.math.BigDecimal.valueOf(place.lat()), java.math.BigDecimal.valueOf(place.lon())));
        entry.add(new Location(PlanSheet.degreesAndMinutes(place)));
        return entry;
    }
}
