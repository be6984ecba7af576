package lochan.core.rehearsal;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.practice.Sky;
import org.junit.jupiter.api.Test;

class ActualWeatherTest {

    private static final int DAYS = 4000;

    private static final List<ForecastPeriod> FORECAST = List.of(
            hour("06-05T06:00", "06-05T10:00", null, null),
            hour("06-05T10:00", "06-05T12:00", true, 0.6),
            hour("06-05T12:00", "06-05T13:00", true, null),
            hour("06-05T13:00", "06-05T18:00", null, 0.1));

    private static ForecastPeriod hour(String from, String to, Boolean lightning, Double chance) {
        return ForecastPeriodBuilder.builder(
                        new ForecastPeriod(at(from), at(to), 5.0, 200.0, Sky.CLOUDY, null, null, lightning))
                .thunderChance(chance)
                .build();
    }

    private static boolean storms(List<ForecastPeriod> day, int hour) {
        return Boolean.TRUE.equals(day.get(hour).lightning());
    }

    @Test
    void itIsTheForecastEarlierOrLaterWithStormsByTheirChance() {
        double lnWind = 0;
        double turn = 0;
        double minutes = 0;
        int usual = 0;
        int said = 0;
        int surprise = 0;
        for (int seed = 0; seed < DAYS; seed++) {
            List<ForecastPeriod> day = ActualWeather.of(FORECAST, seed);
            assertThat(day).hasSameSizeAs(FORECAST).isEqualTo(ActualWeather.of(FORECAST, seed));
            assertThat(day.getFirst().from())
                    .isBeforeOrEqualTo(FORECAST.getFirst().from());
            assertThat(day.getLast().to()).isAfterOrEqualTo(FORECAST.getLast().to());
            for (int i = 1; i < day.size(); i++) {
                assertThat(day.get(i).from()).isEqualTo(day.get(i - 1).to());
            }
            long shift =
                    Duration.between(FORECAST.get(1).from(), day.get(1).from()).toMinutes();
            assertThat(Math.abs(shift)).isLessThanOrEqualTo(90);
            assertThat(shift % 15).isZero();
            minutes += (double) shift / DAYS;
            lnWind += Math.log(day.get(1).windMps() / 5) / DAYS;
            turn += (day.get(1).windFromDeg() - 200) / DAYS;
            usual += storms(day, 1) ? 1 : 0;
            said += storms(day, 2) ? 1 : 0;
            surprise += storms(day, 3) ? 1 : 0;
            assertThat(storms(day, 0)).isFalse();
            assertThat(storms(day, 1)).as("one storm, or none").isIn(false, storms(day, 2));
        }
        assertThat(lnWind).isCloseTo(0, within(0.02));
        assertThat(turn).isCloseTo(0, within(2.0));
        assertThat(minutes).isCloseTo(0, within(3.0));
        assertThat(usual).isCloseTo((int) (0.6 * DAYS), within(DAYS / 40));
        assertThat(said).isCloseTo((int) (0.8 * DAYS), within(DAYS / 40));
        assertThat(surprise).isCloseTo((int) (0.1 * DAYS), within(DAYS / 40));
    }

    @Test
    void whereThereIsNoForecastThereIsNoWeather() {
        assertThat(ActualWeather.of(List.of(), 1)).isEmpty();
    }
}
