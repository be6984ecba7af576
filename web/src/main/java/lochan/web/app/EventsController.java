package lochan.web.app;

import io.soabase.recordbuilder.core.RecordBuilder;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.eventformat.EventFile;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileException.Problem;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.EventFileWriter;
import lochan.web.account.Angler;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.shared.Codes;
import lochan.web.shared.Dates;
import lochan.web.shared.Downloads;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of events, importing and exporting. */
@Controller
class EventsController {

    private final Events events;
    private final EventBook book;
    private final EventCountsRepository counts;
    private final Clock clock;

    EventsController(Events events, EventBook book, EventCountsRepository counts, Clock clock) {
        this.counts = counts;
        this.events = events;
        this.book = book;
        this.clock = clock;
    }

    /**
     * An event in the list.
     *
     * @param daysToGo to its first competition day; 0 or less once that has come
     * @param state    in words
     */
    @RecordBuilder
    record Row(
            long id,
            String name,
            String dates,
            long daysToGo,
            String state,
            int spots,
            int bites,
            Next next,
            boolean over) {}

    /** The station that matters now. */
    record Next(String station, String label) {}

    @GetMapping("/")
    String home() {
        return "redirect:/events";
    }

    @GetMapping("/events")
    String list(@AuthenticationPrincipal Angler angler, Model model) {
        return page(angler, List.of(), null, model);
    }

    /** An event that can be restored, and until when. */
    record DeletedRow(long id, String name, String until) {}

    private List<DeletedRow> deleted(long account) {
        return events.deleted(account).stream()
                .map(d -> new DeletedRow(
                        d.id(),
                        d.name(),
                        Dates.day(LocalDate.ofInstant(d.at().plus(Events.DELETED_KEPT), ZoneOffset.UTC))))
                .toList();
    }

    /** @param problems what is wrong with the file fileName, which was not imported */
    record EventsView(
            List<Row> events,
            List<DeletedRow> deleted,
            List<Problem> problems,
            @Nullable String fileName) {}

    private String page(Angler angler, List<Problem> problems, @Nullable String fileName, Model model) {
        long account = angler.accountId();
        Map<Long, Integer> spots = counts.spots(account);
        Map<Long, Integer> stops = counts.stops(account);
        Map<Long, Integer> bites = counts.bites(account);
        List<Row> rows = events.heads(account).stream()
                .map(h -> row(
                        h,
                        spots.getOrDefault(h.key().eventId(), 0),
                        stops.getOrDefault(h.key().eventId(), 0),
                        bites.getOrDefault(h.key().eventId(), 0)))
                .sorted(Comparator.comparing(Row::over).thenComparing(r -> Math.abs(r.daysToGo())))
                .toList();
        return Views.show("app/events", model, new EventsView(rows, deleted(account), problems, fileName));
    }

    /** Returns the next step before the first competition day. */
    private static Next before(long daysToGo, int spots, int stops) {
        if (spots == 0) {
            return new Next("spots", "Add spots");
        }
        return daysToGo > 1 || stops == 0 ? new Next("practice", "Log practice") : new Next("plan", "Plan tomorrow");
    }

    private Row row(Events.Head event, int spots, int stops, int bites) {
        Instant now = clock.instant();
        LocalDate today = LocalDate.ofInstant(now, event.timeZone());
        LocalDate first = event.days().getFirst().date();
        LocalDate last = event.days().getLast().date();
        long toGo = ChronoUnit.DAYS.between(today, first);
        boolean over = now.isAfter(event.days().getLast().checkIn());
        boolean on = !over && toGo <= 0;
        String before = stops == 0 ? "map study" : "practice";
        String during = on ? "competition" : before;
        String state = over ? "finished" : during;
        Next next = over || on
                ? new Next("competition", over ? "See the bag" : "Open the log")
                : before(toGo, spots, stops);
        return EventsControllerRowBuilder.builder()
                .id(event.key().eventId())
                .name(event.name())
                .dates(Dates.days(first, last))
                .daysToGo(toGo)
                .state(state)
                .spots(spots)
                .bites(bites)
                .next(next)
                .over(over)
                .build();
    }

    @PostMapping("/events/import")
    String importFile(
            @AuthenticationPrincipal Angler angler,
            @RequestParam MultipartFile file,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash)
            throws IOException {
        try (InputStream in = file.getInputStream()) {
            EventFile read = EventFileReader.read(in);
            EventKey key = book.add(angler.accountId(), read);
            flash.addFlashAttribute(
                    "notice",
                    "“" + read.data().name() + "” imported."
                            + (read.leftOut() == 0
                                    ? ""
                                    : " It has more fields that this version does not know than are kept: those of "
                                            + read.leftOut() + " objects were left out."));
            return "redirect:/events/" + key.eventId() + "/rules";
        } catch (EventFileException e) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(angler, e.problems(), file.getOriginalFilename(), model);
        }
    }

    @GetMapping("/events/{eventId}/export")
    void export(EventKey key, HttpServletResponse response) throws IOException {
        EventFile file = book.file(key);
        String name = Codes.of(file.data().name(), c -> false) + ".event.json";
        Downloads.attach(response, name, MediaType.APPLICATION_JSON_VALUE);
        try (OutputStream out = response.getOutputStream()) {
            EventFileWriter.write(file, out);
        }
    }
}
