package lochan.core.planning.valuation;

import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.ForecastPeriod;
import org.jspecify.annotations.Nullable;

/**
 * Something else supposed of a competition day than is known.
 *
 * @param moreWindMps wind above the forecast all day, m/s; below it when negative, never under a calm
 * @param boats       other boats, as a multiple of what is usual, 0 or more: a spot that is free with chance 1 − r is then free with (1 − r)^boats
 * @param weakened    a pattern that does half as well; null: none
 * @param targetGrams the target; null: the event's
 */
public record WhatIf(
        double moreWindMps,
        double boats,
        @Nullable Pattern weakened,
        @Nullable Double targetGrams) {

    /** Everything as it is known. */
    public static final WhatIf NOTHING = new WhatIf(0, 1, null, null);

    private static final double WEAKENED = 0.5;

    /** The event as it would be. */
    public EventData on(EventData event) {
        List<ForecastPeriod> forecast = moreWindMps == 0
                ? event.forecast()
                : event.forecast().stream()
                        .map(f -> f.windMps() == null ? f : f.withWind(Math.max(0, f.windMps() + moreWindMps)))
                        .toList();
        List<Spot> spots = boats == 1
                ? event.spots()
                : event.spots().stream()
                        .map(s -> s.withCrowdRisk(1 - Math.pow(1 - s.crowdRisk(), boats)))
                        .toList();
        Event supposed = targetGrams == null
                ? event.event()
                : event.event().withRules(event.rules().withTarget(targetGrams));
        return EventData.builder(supposed, event.boat())
                .runs(event.runs())
                .lake(event.lake())
                .spots(spots)
                .waypoints(event.waypoints())
                .presentations(event.presentations())
                .stops(event.stops())
                .forecast(forecast)
                .plans(event.plans())
                .competition(event.competition())
                .notebook(event.notebook())
                .build();
    }

    /** What practice says of a day, all this supposed. */
    public DayModel model(EventData event, int day, Assumptions assumptions) {
        return new FittedDayModel(
                on(event), day, assumptions, weakened == null ? Map.of() : Map.of(weakened, WEAKENED));
    }
}
