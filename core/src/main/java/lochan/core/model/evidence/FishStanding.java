package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishPosition;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.practice.Bite;
import lochan.core.practice.PracticeStop;
import lochan.core.tackle.Mood;
import org.jspecify.annotations.Nullable;

/**
 * What fish do where they were seen, by how they stood: on top and tight to the bottom near bait they feed, off the edge and suspended they do not, until
 * bait moves up. It is a mild prior on the bite rate of a visit:
 * <pre>factor = exp(±β·w),   w = 2^(−|Δt|/2 h) the same day, half of that and of its age at the same hour of an earlier day</pre>
 * β begins as ln 1.3 with sd 0.25 and is set by the bites of stops where fish were seen to feed, b₁ in e₁ angler-hours, and not to, b₂ in e₂:
 * <pre>d = ½·ln((b₁+½)/e₁ ÷ (b₂+½)/e₂),  v = ¼·(1/(b₁+½) + 1/(b₂+½)),  β = (β₀/0.25² + d/v)/(1/0.25² + 1/v), between 0 and ln 2</pre>
 * Safe for several threads.
 */
public final class FishStanding {

    private final EventData event;
    private final Assumptions assumptions;
    private final Map<String, List<TimedSighting>> bySpot = new HashMap<>();
    private final double beta;

    /** Fish seen at a spot. */
    public record TimedSighting(Instant at, Sighting fish) {

        /** Whether they fed, as {@link FishStanding#mood} tells. */
        public @Nullable Mood mood() {
            return FishStanding.mood(fish);
        }
    }

    /** Whether fish that stand so feed; null: it cannot be told, or they are another kind of fish. */
    public static @Nullable Mood mood(Sighting fish) {
        FishPosition position = fish.position();
        if (position == null || fish.isOtherKind()) {
            return null;
        }
        return switch (position) {
            case ON_TOP -> Boolean.FALSE.equals(fish.bait()) ? Mood.NEUTRAL : Mood.ACTIVE;
            case ON_BOTTOM -> Boolean.TRUE.equals(fish.bait()) ? Mood.ACTIVE : Mood.NEUTRAL;
            case OFF_EDGE, SUSPENDED -> Mood.INACTIVE;
        };
    }

    public FishStanding(EventData event, Assumptions assumptions) {
        this.event = event;
        this.assumptions = assumptions;
        for (Waypoint w : event.waypoints()) {
            if (w.spotId() != null) {
                add(w.spotId(), w.at(), w.fish());
            }
        }
        for (PracticeStop stop : event.stops()) {
            add(stop.spotId(), stop.start(), stop.conditions().signs().sighting());
            for (Bite bite : stop.bites()) {
                add(
                        stop.spotId(),
                        bite.at() == null ? stop.start() : bite.at(),
                        bite.notes().seen());
            }
        }
        bySpot.values().forEach(l -> l.sort(Comparator.comparing(TimedSighting::at)));
        this.beta = fitted();
    }

    private void add(String spotId, Instant at, Sighting fish) {
        if (fish.position() != null || fish.depthM() != null) {
            bySpot.computeIfAbsent(spotId, s -> new ArrayList<>()).add(new TimedSighting(at, fish));
        }
    }

    /** β. */
    public double beta() {
        return beta;
    }

    private double fitted() {
        double[] bites = new double[2];
        double[] hours = new double[2];
        for (PracticeStop stop : event.stops()) {
            Mood mood = mood(stop.conditions().signs().sighting());
            if (mood == Mood.ACTIVE || mood == Mood.INACTIVE) {
                int side = mood == Mood.ACTIVE ? 0 : 1;
                bites[side] += stop.bites().size();
                hours[side] += stop.anglers() * stop.fishedMinutes() / 60;
            }
        }
        Assumptions.Standing a = assumptions.standing();
        if (hours[0] <= 0 || hours[1] <= 0) {
            return a.lnFactor();
        }
        double seen = Math.log((bites[0] + 0.5) / hours[0] * hours[1] / (bites[1] + 0.5)) / 2;
        double variance = (1 / (bites[0] + 0.5) + 1 / (bites[1] + 0.5)) / 4;
        double prior = 1 / (a.lnFactorSd() * a.lnFactorSd());
        return Math.clamp((a.lnFactor() * prior + seen / variance) / (prior + 1 / variance), 0, a.mostLnFactor());
    }

    /**
     * Returns the sighting at a spot that says most about a time: the last one before it that day, else the one nearest
     * its hour on the last day before.
     */
    public Optional<TimedSighting> seen(String spotId, Instant time) {
        LocalDate date = date(time);
        List<TimedSighting> before = bySpot.getOrDefault(spotId, List.of()).stream()
                .filter(s -> !s.at().isAfter(time))
                .toList();
        Optional<TimedSighting> today =
                before.stream().filter(s -> date(s.at()).equals(date)).max(Comparator.comparing(TimedSighting::at));
        return today.isPresent()
                ? today
                : before.stream()
                        .filter(s -> hoursApart(s.at(), time)
                                <= assumptions.standing().sameHour())
                        .max(Comparator.comparing(TimedSighting::at));
    }

    /** By what a bite rate at a spot is multiplied at a time; 1 without a sighting. */
    public double factor(String spotId, Instant time) {
        TimedSighting seen = seen(spotId, time).filter(s -> s.mood() != null).orElse(null);
        if (seen == null || seen.mood() == Mood.NEUTRAL) {
            return 1;
        }
        return Math.exp((seen.mood() == Mood.ACTIVE ? 1 : -1) * beta * weight(seen, time));
    }

    private double weight(TimedSighting seen, Instant time) {
        Assumptions.Standing a = assumptions.standing();
        double hours = hoursApart(seen.at(), time);
        double near = Math.pow(2, -hours / a.halfLifeHours());
        long days = Math.abs(date(seen.at()).until(date(time), java.time.temporal.ChronoUnit.DAYS));
        return days == 0
                ? near
                : a.earlierDay()
                        * near
                        * Math.pow(2, -days / assumptions.relevance().recencyHalfLifeDays());
    }

    /** Between two times of day. */
    private double hoursApart(Instant one, Instant other) {
        double hours = Duration.between(one, other).toMinutes() / 60.0;
        return Math.abs(Math.IEEEremainder(hours, 24));
    }

    private LocalDate date(Instant time) {
        return time.atZone(event.timeZone()).toLocalDate();
    }
}
