package lochan.core.planning.runs;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;

/**
 * When a place has to be left at the latest: for check-in with the margin in hand, or to be ashore before lightning comes ({@code model.md} §10). Runs are
 * counted at the rough-water speed, whatever the forecast says.
 */
public final class Departures {

    private final DayRuns runs;
    private final Position checkInAt;
    private final Instant backBy;
    private final LightningHours lightning;
    private final List<Shelter> shelters;

    /**
     * When to leave.
     *
     * @param to where for: {@link Shelter#CHECK_IN} for check-in, else the shelter
     */
    public record LeaveBy(Instant at, Shelter to, boolean forShelter) {}

    public Departures(EventData event, int day, Assumptions.Planning planning, DayRuns runs) {
        this.runs = runs;
        this.checkInAt = event.checkInAt();
        this.backBy = event.day(day).checkIn().minus(Duration.ofMinutes(planning.checkInMarginMinutes()));
        this.lightning = LightningHours.of(event.forecast(), planning);
        this.shelters = Shelter.of(event);
    }

    /**
     * When to leave a place for good, or for a shelter.
     *
     * @param now lightning hours that have ended by then are of the past
     * @return empty when there is no way by water
     */
    public Optional<LeaveBy> from(Position here, Instant now) {
        Shelter home = new Shelter(Shelter.CHECK_IN, checkInAt);
        Optional<LeaveBy> direct = runs.leaveBy(here, checkInAt, backBy).map(at -> new LeaveBy(at, home, false));
        LightningHours.Span storm = lightning.endingAfter(now).orElse(null);
        if (storm == null || !storm.from().isBefore(backBy)) {
            return direct;
        }
        LeaveBy best = null;
        for (Shelter s : shelters) {
            Instant at = runs.leaveBy(here, s.position(), storm.from()).orElse(null);
            boolean goesOn = s.position().equals(checkInAt)
                    || runs.leaveBy(s.position(), checkInAt, backBy)
                            .filter(last -> !last.isBefore(storm.to()))
                            .isPresent();
            if (at != null && goesOn && (best == null || at.isAfter(best.at()))) {
                best = new LeaveBy(at, s, true);
            }
        }
        return Optional.ofNullable(best).or(() -> direct);
    }

    /** The lightning hours that are not over. */
    public Optional<LightningHours.Span> lightning(Instant now) {
        return lightning.endingAfter(now);
    }
}
