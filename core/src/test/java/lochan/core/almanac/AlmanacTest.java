package lochan.core.almanac;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Sample;
import lochan.core.lake.Sighting;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AlmanacTest {

    /** Mean length of a lunation, days (Meeus 1998, ch. 49). */
    private static final double LUNATION_DAYS = 29.530588;
    /** A new moon told by the same source, 2000-01-06 18:14 UTC. */
    private static final Instant NEW_MOON = Instant.parse("2000-01-06T18:14:00Z");

    private static Almanac on(LocalDate date) {
        return Almanac.of(Sample.LAUNCH, date, Sample.ZONE);
    }

    /** The true moon runs up to half a day before and behind the mean one. */
    @Test
    void theMoonIsWhereTheMeanLunationPutsIt() {
        for (LocalDate date = LocalDate.of(2027, 5, 1);
                date.isBefore(LocalDate.of(2027, 7, 1));
                date = date.plusDays(1)) {
            double days = Duration.between(
                                    NEW_MOON,
                                    date.atTime(12, 0).atZone(Sample.ZONE).toInstant())
                            .toMinutes()
                    / 1440.0;
            double age = days / LUNATION_DAYS - Math.floor(days / LUNATION_DAYS);
            double meanLit = (1 - Math.cos(2 * Math.PI * age)) / 2;
            assertThat(Math.abs(on(date).moonLit() - meanLit)).as("%s", date).isLessThan(0.12);
            int phase = on(date).phase().ordinal();
            double away = Math.abs(((phase / 8.0 - age + 1.5) % 1) - 0.5);
            assertThat(away)
                    .as("%s is a %s at age %.2f", date, on(date).phase(), age)
                    .isLessThan(1 / 16.0 + 0.04);
        }
    }

    @Test
    void lightComesInItsOrder() {
        Almanac june = on(LocalDate.of(2027, 6, 5));
        assertThat(june.firstLight()).isBefore(june.sunrise());
        assertThat(june.sunrise()).isBefore(june.sunset());
        assertThat(Duration.between(june.sunrise(), june.sunset())).isGreaterThan(Duration.ofHours(15));
    }

    /** Each reading is hours before now and a wind direction, with or without a water temperature. */
    @ParameterizedTest
    @CsvSource({
        "20:225; 0:315, true, true, a southwester became a northwester",
        "20:225:18.0; 0:315:19.0, true, false, but the water warmed",
        "20:225; 0:240, true, false, hardly a turn",
        "20:315; 0:225, true, false, turned back",
        "20:315; 0:225, false, true, which is how it turns in the south",
        "40:225; 10:300; 0:315, true, false, the turn is too long ago"
    })
    void aTurnOfTheWindIsAFront(String readings, boolean north, boolean front, String why) {
        Instant now = Sample.at("06-04T12:00");
        List<PracticeStop> stops = new ArrayList<>();
        for (String reading : readings.split("; ")) {
            String[] part = reading.split(":");
            Conditions c = new Conditions(
                    part.length > 2 ? Double.valueOf(part[2]) : null,
                    null,
                    null,
                    null,
                    null,
                    new Signs(null, Double.valueOf(part[1]), null, null, null, null, null, null, Sighting.NONE),
                    java.util.Map.of());
            stops.add(Sample.stop("s" + stops.size(), "grass-1", "06-01T06:00", null, List.of())
                    .withTimes(now.minus(Duration.ofHours(Long.parseLong(part[0]))), null)
                    .withConditions(c));
        }
        assertThat(FrontSign.at(now, stops, List.of(), north)).as(why).contains(front);
    }

    @Test
    void withOneDirectionOnlyNobodyKnows() {
        Instant now = Sample.at("06-04T12:00");
        ForecastPeriod one =
                new ForecastPeriod(now.minusSeconds(60), now.plusSeconds(60), 3.0, 200.0, null, null, null, null);
        ForecastPeriod later =
                new ForecastPeriod(now.plusSeconds(60), now.plusSeconds(600), 3.0, 300.0, null, null, null, null);

        assertThat(FrontSign.at(now, List.of(), List.of(one, later), true)).isEmpty();
    }
}
