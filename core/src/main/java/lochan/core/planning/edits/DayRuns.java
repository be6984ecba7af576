package lochan.core.planning.edits;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.practice.ForecastPeriod;

/**
 * The runs of a competition day: at the boat's rough-water speed when they begin in hours whose forecast wind makes open water rough, at its
 * running speed in all others.
 */
public final class DayRuns {

    private final Runs calm;
    private final Runs rough;
    private final List<ForecastPeriod> windy;

    private DayRuns(Runs calm, Runs rough, List<ForecastPeriod> windy) {
        this.calm = calm;
        this.rough = rough;
        this.windy = List.copyOf(windy);
    }

    /**
     * @param calm  runs at running speed
     * @param rough runs at the rough-water speed
     */
    public static DayRuns of(EventData event, Assumptions.Planning planning, Runs calm, Runs rough) {
        return new DayRuns(
                calm,
                rough,
                event.forecast().stream()
                        .filter(f -> f.windMps() != null && f.windMps() >= planning.roughWindMps())
                        .toList());
    }

    /** The runs of an event's boat on its lake. */
    public static DayRuns of(EventData event, Assumptions.Planning planning) {
        return of(
                event,
                planning,
                Runs.of(event.lake(), event.boat(), planning),
                Runs.of(event.lake(), inRoughWater(event.boat()), planning));
    }

    /** The same runs whatever the wind. */
    public static DayRuns always(Runs runs) {
        return new DayRuns(runs, runs, List.of());
    }

    /** A boat that runs at its rough-water speed. */
    public static Boat inRoughWater(Boat boat) {
        return boat.atSpeeds(Math.min(boat.runMps(), boat.roughMps()), boat.roughMps());
    }

    /** The runs that begin at a time. */
    public Runs at(Instant leaving) {
        return isRough(leaving) ? rough : calm;
    }

    public boolean isRough(Instant time) {
        return windy.stream().anyMatch(f -> f.holds(time));
    }

    public Runs calm() {
        return calm;
    }

    public Runs rough() {
        return rough;
    }

    /**
     * When to leave a place at the latest ({@code model.md} §10): check-in less the run on rough water and the margin, whatever the forecast
     * says; empty when there is no way by water.
     */
    public Optional<Instant> leaveBy(Position from, Position checkInAt, Instant checkIn, Duration margin) {
        return rough.between(from, checkInAt).map(r -> checkIn.minus(margin).minus(r.time()));
    }
}
