package lochan.core.planning.valuation;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.KnownFishChance;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.notebook.KnownFish;
import lochan.core.plan.PlanStop;
import lochan.core.practice.ForecastPeriod;
import org.jspecify.annotations.Nullable;

/**
 * Visits to known fish: a stop at a fish's spot is one when sun and wind are right for it as long as the shortest stop. Known fish are numbered as
 * {@link DayModel#knownFish} has them.
 */
public final class FishVisits {

    private final List<KnownFishChance> fish;
    private final Instant dayStart;
    private final int leastMinutes;
    private final ZoneId zone;
    private final List<ForecastPeriod> forecast;

    private FishVisits(DayModel model) {
        EventData event = model.event();
        CompetitionDay day = event.day(model.day());
        this.fish = model.knownFish();
        this.dayStart = day.start();
        this.leastMinutes = model.assumptions().planning().minDwellMinutes();
        this.zone = event.timeZone();
        this.forecast = event.forecast();
    }

    /** Of a day; none of it needs looking at when no fish is known. */
    public static FishVisits of(DayModel model) {
        return new FishVisits(model);
    }

    public boolean none() {
        return fish.isEmpty();
    }

    public int count() {
        return fish.size();
    }

    double grams(int which) {
        return fish.get(which).grams();
    }

    KnownFishChance fish(int which) {
        return fish.get(which);
    }

    /** Visits by a plan's stops, for each fish. */
    public int[] of(List<PlanStop> stops) {
        int[] visits = new int[fish.size()];
        stops.forEach(s -> add(visits, s.spotId(), s.arrive(), s.leave()));
        return visits;
    }

    /** Adds what a stop visits. */
    public void add(int[] visits, String spotId, Instant arrive, Instant leave) {
        for (int i = 0; i < visits.length; i++) {
            KnownFish f = fish.get(i).fish();
            if (f.spotId().equals(spotId) && f.isOpen(arrive, leave, leastMinutes, zone) && !isTooWindy(f, arrive)) {
                visits[i]++;
            }
        }
    }

    private boolean isTooWindy(KnownFish f, Instant at) {
        return f.maxWindMps() != null
                && forecast.stream().anyMatch(p -> p.holds(at) && p.windMps() != null && p.windMps() > f.maxWindMps());
    }

    /** The fish that some visits catch in a scenario, as bits. */
    int caught(int[] visits, ScenarioSet set, int scenario) {
        int caught = 0;
        for (int i = 0; i < visits.length; i++) {
            caught |= visits[i] > 0 && visits[i] >= set.visitsNeeded(i, scenario) ? 1 << i : 0;
        }
        return caught;
    }

    /** What an hour's visit at a spot is worth at most, g: chance × weight of its likeliest fish; empty without any. */
    public OptionalDouble promise(String spotId) {
        return fish.stream()
                .filter(f -> f.fish().spotId().equals(spotId))
                .mapToDouble(f -> f.chance() * f.grams())
                .max();
    }

    /** The time of a fish's first visit by a plan; null: none. */
    public @Nullable Instant firstVisit(KnownFish of, List<PlanStop> stops) {
        return stops.stream()
                .filter(s ->
                        Arrays.stream(of(List.of(s))).sum() > 0 && s.spotId().equals(of.spotId()))
                .map(PlanStop::arrive)
                .findFirst()
                .orElse(null);
    }

    /** How long before the day's end it is, for the simulation: the hour of the day a stop is in. */
    int hour(Instant at) {
        return (int) Math.max(0, Duration.between(dayStart, at).toHours());
    }
}
