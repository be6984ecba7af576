package lochan.offline.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.Effort;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileReader;
import lochan.offline.pack.Pack;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The demo's first day at twenty to ten: what is said of it. */
class DayAdviceTest {

    private static EventData event;
    private static DayAdvice advice;

    @BeforeAll
    static void read() throws Exception {
        try (InputStream in =
                Files.newInputStream(Path.of("../web/src/main/resources/demo/two-arms-open.event.json"))) {
            event = EventFileReader.read(in).data();
        }
        advice = of(Map.of());
        advice.ready();
    }

    private static DayAdvice of(Map<String, String> notAllowed) {
        return of(event, notAllowed);
    }

    private static DayAdvice of(EventData event, Map<String, String> notAllowed) {
        FittedDayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        return new DayAdvice(
                new Pack(
                        event,
                        Units.USUAL,
                        DayRuns.of(event, Assumptions.DEFAULTS.planning()),
                        1,
                        new Effort(200, 60, 12, 1, 1),
                        Map.of("harth-grass", new Pack.Fished(95, 7)),
                        notAllowed,
                        12.0,
                        Map.of(1, new Pack.Day(model, new Backups.Ladder(null, List.of())))),
                1);
    }

    private static Instant at(String time) {
        return event.day(1)
                .date()
                .atTime(LocalTime.parse(time))
                .atZone(event.timeZone())
                .toInstant();
    }

    private static List<Entry> until(Instant now) {
        return event.competition().stream().filter(e -> !e.at().isAfter(now)).toList();
    }

    private static PlanScreen screen(String time) {
        return advice.screen(until(at(time)), at(time), null);
    }

    @Test
    void saysWhetherToStayHowTheDayMayEndAndWhatToWatch() {
        PlanScreen screen = screen("09:40");
        StayOrMove stay = screen.stay();
        assertThat(stay.why()).contains("Next hour", "(run included)");
        assertThat(stay.next()).contains("Next in your plan");
        assertThat(stay.leaveAt()).isBetween(at("09:40"), event.day(1).checkIn());
        assertThat(stay.ahead().low()).contains("lb");
        assertThat(stay.ahead().target()).contains("15 lb 0 oz or more:");
        assertThat(stay.ahead().kinds().getLast().name()).isEqualTo("A kicker");
        assertThat(stay.ahead().grams()).isSorted();
        assertThat(screen.cautions()).anyMatch(t -> t.contains("forecast 13:00 to"));
        assertThat(screen.due().getFirst().time()).isEqualTo("09:30");
        assertThat(screen.due().getFirst().now()).isTrue();
    }

    @Test
    void outsideItsHoursADayHasNoAdvice() {
        assertThat(screen("03:00").stay()).isNull();
        assertThat(screen("23:00").stay()).isNull();
        assertThat(screen("23:00").due()).isNull();
        assertThat(advice.rest(List.of(), at("03:00"), null)).isNull();
        String lure = event.planOf(1).getFirst().presentationId();
        assertThat(of(Map.of(lure, "banned."))
                        .screen(List.of(), at("03:00"), null)
                        .cautions())
                .contains("Before you start, check your rules: banned.");
    }

    /** Stops already fished stay; the rest begins no earlier, and at the boat. */
    @Test
    void theRestOfTheDayKeepsWhatWasFished() {
        Instant now = at("09:40");
        RestOfDay rest = advice.rest(until(now), now, null);
        assertThat(rest.asOf()).isEqualTo("09:40");
        assertThat(rest.adds()).contains("to the bag on average; the rest of your plan");
        assertThat(rest.plan()).filteredOn(s -> s.arrive().isBefore(now)).allSatisfy(s -> assertThat(event.planOf(1))
                .anyMatch(p -> p.spotId().equals(s.spotId()) && p.arrive().equals(s.arrive())));
        assertThat(rest.plan()).isSortedAccordingTo(java.util.Comparator.comparing(s -> s.arrive()));
    }

    @Test
    void theMapShowsSpotsNearestFirstAndTheWayThere() {
        Position boat = event.spot("harth-grass").orElseThrow().position();
        MapScreen map = advice.map(until(at("09:40")), at("09:40"), boat);
        MapScreen.Place nearest = map.places().getFirst();
        assertThat(nearest.id()).isEqualTo("harth-grass");
        assertThat(nearest.run()).isEqualTo("You're there");
        assertThat(nearest.fished()).startsWith("Practice: 1 h 35 min, 7 bites");
        assertThat(nearest.best()).startsWith("Best now: ");
        assertThat(map.places()).allSatisfy(p -> assertThat(p.share()).isBetween(0.0, 1.0));
        assertThat(map.places().stream().mapToDouble(MapScreen.Place::share).max())
                .hasValue(1);
        assertThat(map.route()).first().isEqualTo(boat);
        String last = map.places().getLast().id();
        List<Position> way = advice.way(List.of(), at("09:40"), boat, last);
        assertThat(way.getFirst().metresTo(boat)).isLessThan(1);
        assertThat(way.getLast().metresTo(map.places().getLast().position())).isLessThan(101);
        MapScreen forbidden = of(Map.of(nearest.lure(), "banned.")).map(List.of(), at("09:40"), boat);
        assertThat(forbidden.places().getFirst().lure()).isNotEqualTo(nearest.lure());
    }

    @Test
    void lightningThatComesSaysWhereToWaitAndIsWhatTheBoatLeavesFor() {
        EventData stormy = event.toBuilder()
                .forecast(List.of(new ForecastPeriod(at("10:00"), at("11:00"), null, null, null, null, null, true)))
                .build();

        PlanScreen screen = of(stormy, Map.of()).screen(until(at("09:40")), at("09:40"), null);

        assertThat(screen.lightning()).singleElement().satisfies(l -> {
            assertThat(l.at()).isEqualTo(at("10:00"));
            assertThat(l.words())
                    .contains("Lightning hours 10:00 to 11:30. Wait at ", ": leave here by 09:", "thunder sooner");
        });
        assertThat(screen.cautions()).noneMatch(c -> c.startsWith("Your plan: "));
        PlanStop early = event.planOf(1).getFirst();
        EventData waiting = stormy.toBuilder()
                .plans(List.of(new Plan(
                        1,
                        null,
                        List.of(early.during(at("06:10"), at("09:30")), early.during(at("12:00"), at("13:00"))))))
                .build();
        assertThat(of(waiting, Map.of()).screen(List.of(), at("09:00"), null).cautions())
                .anyMatch(c -> c.matches("Your plan: Wait at the launch 09:\\d\\d to 11:30: lightning\\."));
        assertThat(screen.stay().leaveFor()).isEqualTo("the launch");
        assertThat(screen.stay().leaveAt()).isBetween(at("09:41"), at("10:00"));
        PlanScreen late = of(stormy, Map.of()).screen(until(at("09:59")), at("09:59"), null);
        assertThat(late.stay().act()).isEqualTo("Lightning: be ashore at the launch.");
    }

    @Test
    void coldWaterIsSaidByWhatWasLogged() {
        assertThat(screen("09:40").minded()).singleElement().satisfies(c -> {
            assertThat(c.title()).isEqualTo("Cold water, 54 °F");
            assertThat(c.words()).contains("life jacket");
        });
    }
}
