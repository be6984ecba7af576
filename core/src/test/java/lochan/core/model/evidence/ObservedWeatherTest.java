package lochan.core.model.evidence;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Sky;
import org.junit.jupiter.api.Test;

class ObservedWeatherTest {

    private static final EventData EVENT = Sample.practiced(5, 3);
    private static final ForecastPeriod HOUR = ForecastPeriodBuilder.builder()
            .from(at("06-03T06:00"))
            .to(at("06-03T07:00"))
            .windMps(8.0)
            .windFromDeg(270.0)
            .sky(Sky.RAIN)
            .origin(ForecastPeriod.Origin.FILE)
            .build();

    private static EventData with(ForecastPeriod weather) {
        List<PracticeStop> stops = EVENT.stops().stream()
                .map(s -> s.id().equals("grass-16") ? s.withConditions(new Conditions(17.0, null, 3.0, null, null)) : s)
                .toList();
        return EVENT.withStops(stops).toBuilder().forecast(List.of(weather)).build();
    }

    private static PracticeStop stop(EventData event, String id) {
        return event.stops().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    @Test
    void whatNobodyLoggedIsFilledInWhatWasLoggedStands() {
        EventData event = with(HOUR);
        Conditions filled = stop(new FittedDayModel(event, 1, Assumptions.DEFAULTS).event(), "grass-16")
                .conditions();
        assertThat(filled.windMps()).as("as logged").isEqualTo(3.0);
        assertThat(filled.waterTempC()).isEqualTo(17.0);
        assertThat(filled.sky()).isEqualTo(Sky.RAIN);
        assertThat(filled.signs().windFromDeg()).isEqualTo(270.0);
        Conditions added = ObservedWeather.added(stop(event, "grass-16"), event);
        assertThat(added.windMps()).as("it was logged").isNull();
        assertThat(added.sky()).isEqualTo(Sky.RAIN);
        assertThat(ObservedWeather.added(stop(event, "grass-111"), event))
                .as("at eleven nothing is known")
                .isNull();
        assertThat(stop(event, "grass-16").conditions().sky())
                .as("nothing is stored")
                .isNull();
    }

    @Test
    void whatIsTypedIsAForecastAndNoRecord() {
        EventData event = with(ForecastPeriodBuilder.builder(HOUR)
                .origin(ForecastPeriod.Origin.TYPED)
                .build());
        assertThat(ObservedWeather.filled(event)).isSameAs(event);
    }
}
