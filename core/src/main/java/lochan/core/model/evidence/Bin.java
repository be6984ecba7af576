package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;

/**
 * A part [start, end) of a competition day in which rates are taken as constant.
 *
 * @param hoursAfterSunrise of its middle
 * @param conditions        the forecast at its middle
 */
public record Bin(LocalDate date, Instant start, Instant end, double hoursAfterSunrise, Conditions conditions) {

    /** The bins from the day's start until check-in; the last one may reach past it. */
    public static List<Bin> ofDay(EventData event, int day, Assumptions assumptions) {
        CompetitionDay competition = event.day(day);
        Duration length = Duration.ofMinutes(assumptions.planning().binMinutes());
        Instant sunrise = Sunrise.at(event.launch(), competition.date(), event.timeZone());
        List<Bin> bins = new ArrayList<>();
        for (Instant t = competition.start(); t.isBefore(competition.checkIn()); t = t.plus(length)) {
            Instant middle = t.plus(length.dividedBy(2));
            Conditions conditions = event.forecast().stream()
                    .filter(p -> p.holds(middle))
                    .findFirst()
                    .map(ForecastPeriod::conditions)
                    .orElse(Conditions.UNKNOWN);
            bins.add(new Bin(competition.date(), t, t.plus(length), Sunrise.hoursAfter(sunrise, middle), conditions));
        }
        return bins;
    }
}
