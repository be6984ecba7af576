package lochan.instruments.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import lochan.core.almanac.FrontSign;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Sky;
import lochan.instruments.standin.MadeUpWeather;
import lochan.instruments.standin.WeatherService;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers in the forms of services, as a stand-in sends them, whole and spoilt; and tables. */
class WeatherReadingTest {

    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final Instant FROM = Instant.parse("2027-06-05T06:00:00Z");
    private static final int HOURS = 240;
    private static WeatherService service;

    @BeforeAll
    static void start() throws IOException {
        service = new WeatherService(0, Clock.fixed(FROM, ZoneOffset.UTC));
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static byte[] answer(String path, String fault) throws IOException, InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            return client.send(
                            HttpRequest.newBuilder(URI.create(service.address() + path + "?from=" + FROM + "&hours="
                                            + HOURS + "&seed=7&fault=" + fault))
                                    .build(),
                            HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        }
    }

    private static WeatherReading read(byte[] bytes) throws WeatherFileException {
        return WeatherReading.read(bytes, ZONE, ForecastPeriod.Origin.SERVICE);
    }

    private static WeatherReading read(String text) throws WeatherFileException {
        return read(text.getBytes(StandardCharsets.UTF_8));
    }

    @ParameterizedTest
    @ValueSource(strings = {"/periods", "/series", "/columns"})
    void everyFormTellsTheSameWeather(String path) throws Exception {
        List<ForecastPeriod> made = new MadeUpWeather(7).periods(FROM, HOURS);

        WeatherReading read = read(answer(path, ""));

        assertThat(read.leftOut()).isZero();
        assertThat(read.hours()).hasSize(HOURS);
        for (int i = 0; i < HOURS; i++) {
            ForecastPeriod is = read.hours().get(i);
            ForecastPeriod was = made.get(i);
            assertThat(is.from()).isEqualTo(was.from());
            assertThat(is.to()).isEqualTo(was.to());
            // Whole miles an hour and points of the compass in one of them.
            assertThat(is.windMps()).isCloseTo(was.windMps(), within(0.25));
            assertThat(is.gustMps()).isCloseTo(was.gustMps(), within(0.25));
            assertThat(is.windFromDeg()).isCloseTo(was.windFromDeg(), within(11.3));
            assertThat(is.airTempC()).isCloseTo(was.airTempC(), within(0.3));
            assertThat(Boolean.TRUE.equals(is.lightning())).isEqualTo(was.lightning());
        }
        assertThat(read.hours()).filteredOn(h -> h.sky() == Sky.RAIN).isNotEmpty();
        assertThat(made).filteredOn(ForecastPeriod::lightning).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/periods", "/series", "/columns"})
    void whatIsMissingAbsurdOrRenamedTakesNothingElseWithIt(String path) throws Exception {
        for (String fault : List.of("missing", "absurd", "renamed")) {
            WeatherReading read = read(answer(path, fault));
            assertThat(read.hours()).as(fault).hasSize(HOURS);
            assertThat(read.hours()).as(fault).allMatch(h -> h.airTempC() != null && h.gustMps() != null);
            if (!fault.equals("missing")) {
                assertThat(read.hours()).as(fault).allMatch(h -> h.windMps() == null);
            }
            assertThat(read.leftOut() > 0).as(fault).isEqualTo(fault.equals("absurd"));
        }
        assertThatThrownBy(() -> read(answer(path, "broken")))
                .isInstanceOf(WeatherFileException.class)
                .hasMessageContaining("is no JSON at line");
    }

    @Test
    void aTableSaysItsUnitsInItsHeadings() throws Exception {
        WeatherReading read = read("""
                Date;Wind (mph);Wind direction;Gusts (kn);Cloud (%);Rain (in);Thunder (%);Temperature (F);Pressure (inHg)
                2027-06-05 06:00;10;SW;20;80;0;5;68;29.92
                2027-06-05 07:00;calm;225;;20;0.1;40;;
                not a time;1;N;1;1;1;1;1;1
                """);

        assertThat(read.form()).isEqualTo("CSV");
        ForecastPeriod first = read.hours().getFirst();
        assertThat(first.from()).isEqualTo(Instant.parse("2027-06-05T12:00:00Z"));
        assertThat(first.windMps()).isCloseTo(4.47, within(0.01));
        assertThat(first.gustMps()).isCloseTo(10.29, within(0.01));
        assertThat(first.windFromDeg()).isEqualTo(225);
        assertThat(first.sky()).isEqualTo(Sky.CLOUDY);
        assertThat(first.airTempC()).isCloseTo(20, within(1e-9));
        assertThat(first.pressureHpa()).isCloseTo(1013.2, within(0.1));
        assertThat(first.lightning()).isFalse();
        ForecastPeriod second = read.hours().getLast();
        assertThat(second.windMps()).isNull();
        assertThat(second.rainMm()).isCloseTo(2.54, within(1e-9));
        assertThat(second.sky()).isEqualTo(Sky.RAIN);
        assertThat(second.lightning()).as("two in five").isTrue();
        assertThat(read.leftOut()).isEqualTo(1);
    }

    @Test
    void whatIsNoWeatherIsRefusedWithWhatWasExpected() {
        assertThatThrownBy(() -> read("{\"type\": \"Feature\"}")).hasMessageContaining("properties/periods");
        assertThatThrownBy(() -> read("a,b\n1,2")).hasMessageContaining("headings");
        assertThatThrownBy(() -> read("time,wind\n")).hasMessageContaining("not one hour");
        assertThatThrownBy(() -> read(new byte[WeatherReading.MOST_BYTES + 1])).hasMessageContaining("bytes");
    }

    @Test
    void aFrontIsKnownByItsPressure() {
        List<ForecastPeriod> weather = new MadeUpWeather(7).periods(FROM, HOURS);
        long fronts = 0;
        for (int i = 48; i < HOURS; i++) {
            Instant now = weather.get(i).from();
            boolean told = FrontSign.at(now, List.of(), weather, true).orElseThrow();
            boolean turned = weather.subList(i - 29, i - 6).stream().anyMatch(h -> h.pressureHpa() < 1008);
            fronts += told ? 1 : 0;
            if (told) {
                assertThat(weather.subList(i - 36, i)).as("told at " + now).anyMatch(h -> h.pressureHpa() < 1010);
            }
            if (turned) {
                assertThat(told).as("trough half a day before " + now).isTrue();
            }
        }
        assertThat(fronts).isPositive();
    }
}
