package lochan.offline.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class HazardsTest {

    private static final double MPH = 0.44704;

    private static EventData event;

    @BeforeAll
    static void read() throws Exception {
        try (var in = Files.newInputStream(Path.of("../web/src/main/resources/demo/two-arms-open.event.json"))) {
            event = EventFileReader.read(in).data();
        }
    }

    private static Instant at(String time) {
        return event.day(1)
                .date()
                .atTime(LocalTime.parse(time))
                .atZone(event.timeZone())
                .toInstant();
    }

    private static ForecastPeriod part(String from, String to, double mph, boolean lightning) {
        return new ForecastPeriod(at(from), at(to), mph * MPH, null, null, null, null, lightning ? Boolean.TRUE : null);
    }

    private static List<String> told(Boat boat, String now, ForecastPeriod... parts) {
        EventData with = with(boat, parts);
        List<String> words = new ArrayList<>();
        Hazards.lightning(with, 1, DayRuns.of(with, Assumptions.DEFAULTS.planning()), at(now), with.launch())
                .forEach(t -> words.add(t.words()));
        words.addAll(Hazards.of(with, 1, at(now), Units.USUAL));
        return words;
    }

    private static EventData with(Boat boat, ForecastPeriod... parts) {
        EventData e = event;
        return EventData.builder(e.event(), boat)
                .runs(e.runs())
                .lake(e.lake())
                .spots(e.spots())
                .waypoints(e.waypoints())
                .presentations(e.presentations())
                .stops(e.stops())
                .forecast(List.of(parts))
                .plans(e.plans())
                .competition(e.competition())
                .notebook(e.notebook())
                .build();
    }

    @Test
    void neighbouringHoursAreToldAsOneAndLightningFirst() {
        assertThat(told(
                        Boat.USUAL,
                        "06:30",
                        part("12:00", "13:00", 20, true),
                        part("08:00", "10:00", 16, false),
                        part("10:00", "11:00", 18, false),
                        part("13:00", "14:00", 5, true)))
                .satisfiesExactly(
                        l -> assertThat(l).startsWith("Lightning hours 12:00 to 14:30. Wait at the launch."),
                        w -> assertThat(w).startsWith("Wind to 18 mph forecast 08:00 to 11:00."),
                        w -> assertThat(w).startsWith("Wind to 20 mph forecast 12:00 to 13:00."));
    }

    @Test
    void whatIsOverOrOutsideTheDayIsNotTold() {
        assertThat(told(Boat.USUAL, "11:30", part("08:00", "11:00", 25, true), part("18:00", "20:00", 30, true)))
                .isEmpty();
        assertThat(told(Boat.USUAL, "10:59", part("08:00", "11:00", 25, true))).hasSize(2);
    }

    @Test
    void aBoatThatTakesLessWindIsWarnedSooner() {
        Boat light = new Boat(18, 9, 4, 8 * MPH, null, null, null, Map.of());
        ForecastPeriod breeze = part("08:00", "12:00", 10, false);
        assertThat(told(Boat.USUAL, "06:30", breeze)).isEmpty();
        assertThat(told(light, "06:30", breeze)).singleElement().asString().contains("Wind to 10 mph");
    }
}
