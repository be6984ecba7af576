package lochan.web.plan;

import static org.assertj.core.api.Assertions.assertThat;

import io.jenetics.jpx.GPX;
import io.jenetics.jpx.WayPoint;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.lures.deck.DeckList;
import lochan.core.quantity.Units;
import lochan.core.tackle.Tackle;
import lochan.eventformat.gpx.GpxWaypoints;
import lochan.web.TestServers;
import lochan.web.demo.DemoEvents;
import lochan.web.gear.Decks;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Exports are read back by other libraries than those that wrote them, or by their readers. */
@ExtendWith(TestServers.class)
class TakeAlongTest {

    private static final lochan.core.plan.Plan PLAN =
            DemoEvents.twoArmsOpen().plans().getFirst();

    private Visitor angler;
    private String event;
    private String plan;

    @BeforeEach
    void open(@RunningApp.Demo RunningApp demo) {
        angler = demo.demoAngler();
        event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
        plan = angler.get(event + "/plan")
                .page()
                .selectFirst("input[name=plan]")
                .attr("value");
    }

    private byte[] file(String path) {
        return angler.bytes(event + "/plan/" + path + "?plan=" + plan);
    }

    @Tag("slow")
    @Test
    void theSheetIsOnePageWithAllThatIsNeededInTheBoatAndTheDeckAnother() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file("sheet"))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
            assertThat(page(pdf, 2))
                    .contains("Rods on deck")
                    .contains("Topwater rod")
                    .contains("Pack and check");
            assertThat(page(pdf, 1))
                    .contains("Day 1, Sat 5 June")
                    .contains("Sill Ledge")
                    .contains("42° 37.747' N 116° 53.006' W")
                    .contains("Carolina rig")
                    .containsPattern("LEAVE FOR CHECK-IN BY \\d\\d:\\d\\d")
                    .contains("Backups")
                    .contains("life jacket on")
                    .contains("run 2.1 mi, 8 min");
        }
    }

    private static String page(PDDocument pdf, int number) throws IOException {
        PDFTextStripper text = new PDFTextStripper();
        text.setStartPage(number);
        text.setEndPage(number);
        return text.getText(pdf).replaceAll("\\s+", " ");
    }

    @Test
    void theRouteRunsFromTheLaunchOverTheStopsInTheirOrderToCheckIn() throws Exception {
        byte[] bytes = file("route.gpx");
        GPX gpx = GPX.Reader.DEFAULT.read(new ByteArrayInputStream(bytes));
        List<WayPoint> way = gpx.getRoutes().getFirst().getPoints();
        List<WayPoint> stops = way.stream()
                .filter(p -> p.getName().filter(n -> n.matches("\\d+ .*")).isPresent())
                .toList();

        assertThat(way.getFirst().getName()).contains("Launch");
        assertThat(way.getLast().getName()).contains("Check-in");
        assertThat(way).as("it bends with the water").hasSizeGreaterThan(stops.size() + 2);
        assertThat(stops)
                .extracting(p -> p.getTime().orElseThrow())
                .containsExactlyElementsOf(
                        PLAN.stops().stream().map(s -> s.arrive()).toList());
        assertThat(GpxWaypoints.read(new ByteArrayInputStream(bytes)))
                .extracting(GpxWaypoints.Waypoint::name)
                .hasSize(stops.size() + 2)
                .contains("Launch", "5 Sill Ledge");
    }

    @Test
    @Tag("slow")
    void theCalendarHasEachStopAndAnAlarmBeforeLeaving() throws Exception {
        Calendar calendar =
                new CalendarBuilder().build(new StringReader(new String(file("calendar"), StandardCharsets.UTF_8)));
        List<VEvent> entries = calendar.getComponents(Component.VEVENT);

        assertThat(entries).hasSize(PLAN.stops().size() + 1);
        List<Instant> starts = new ArrayList<>();
        entries.forEach(e -> starts.add(Instant.from(e.getDateTimeStart().getDate())));
        assertThat(starts.subList(0, PLAN.stops().size()))
                .isEqualTo(PLAN.stops().stream().map(s -> s.arrive()).toList());
        assertThat(entries.get(4).getSummary().getValue()).isEqualTo("5. Sill Ledge: Carolina rig");
        assertThat(entries.getLast().getAlarms()).hasSize(1);
        assertThat(entries).extracting(e -> e.getUid().orElseThrow().getValue()).doesNotHaveDuplicates();
        assertThat(calendar.validate().hasErrors()).isFalse();
    }

    @Tag("slow")
    @Test
    void manyStopsStillFitOnOnePage() throws IOException {
        List<PlanSheet.Row> rows = IntStream.rangeClosed(1, 24)
                .mapToObj(i -> new PlanSheet.Row(
                        i,
                        "06:10 – 06:20",
                        "A long name of a spot " + i,
                        "42° 37.747' N 116° 53.006' W",
                        "8–12 ft",
                        "Carolina rig",
                        "run 2.1 mi, 8 min",
                        i == 9 ? "Wait at the launch 12:50 to 14:30: lightning" : null))
                .toList();
        PlanSheet sheet = PlanSheetBuilder.builder()
                .event("Open")
                .day("Day 1")
                .name("Full")
                .hours("start 06:00")
                .light("")
                .forecast(List.of())
                .rows(rows)
                .leaveBy("LEAVE FOR CHECK-IN BY 14:37")
                .late(List.of("run to check-in 3 min short"))
                .triggers(List.of("No bite by 07:50 at Reed <Corner> & Bank: go."))
                .computed(true)
                .lightning(true)
                .build();
        org.thymeleaf.spring6.SpringTemplateEngine engine = new org.thymeleaf.spring6.SpringTemplateEngine();
        org.thymeleaf.templateresolver.ClassLoaderTemplateResolver templates =
                new org.thymeleaf.templateresolver.ClassLoaderTemplateResolver();
        templates.setPrefix("templates/");
        templates.setSuffix(".html");
        engine.setTemplateResolver(templates);

        try (PDDocument pdf = Loader.loadPDF(new PlanPdf(engine)
                .of(
                        sheet,
                        List.of(),
                        new Decks.Deck(
                                Tackle.NONE,
                                new DeckList(List.of(), List.of(), List.of(), List.of()),
                                List.of(),
                                List.of(),
                                List.of(),
                                List.of()),
                        Units.USUAL))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("A long name of a spot 24")
                    .contains("Reed <Corner> & Bank")
                    .contains("Wait at the launch 12:50 to 14:30: lightning")
                    .contains("Lightning is in the forecast");
        }
    }
}
