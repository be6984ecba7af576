package lochan.web.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Hooks;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteWords;
import lochan.web.account.Accounts;
import lochan.web.csv.CellText;
import lochan.web.csv.CsvException;
import lochan.web.csv.CsvTable;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Dates;
import lochan.web.shared.Downloads;
import lochan.web.shared.Refused;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import lochan.web.spot.Spots;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A practice log kept in a spreadsheet, in and out as CSV. */
@Controller
class LogController {

    private static final int ROWS_SHOWN = 3;
    private static final int STOPS_SHOWN = 8;
    private static final int PROBLEMS_SHOWN = 50;
    private static final int ROWS_NAMED = 8;
    private static final int CODE_LENGTH = 8;
    private static final int MOST_KEPT = 4 * CsvTable.MOST_BYTES;

    private final Practice practice;
    private final Spots spots;
    private final EventBook events;
    private final Accounts accounts;

    /** Sheets being looked at; they are forgotten an hour after they were last. */
    private final Cache<Sent, byte[]> sheets = Caffeine.newBuilder()
            .maximumWeight(MOST_KEPT)
            .weigher((Sent s, byte[] file) -> file.length)
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    private record Sent(EventKey key, String token) {}

    LogController(Practice practice, Spots spots, EventBook events, Accounts accounts) {
        this.practice = practice;
        this.spots = spots;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/practice/log.csv")
    void export(EventKey key, HttpServletResponse response) throws IOException {
        Downloads.attach(response, "practice.csv", "text/csv;charset=UTF-8");
        try (Writer out = new OutputStreamWriter(response.getOutputStream(), StandardCharsets.UTF_8)) {
            LogExport.write(events.event(key), accounts.units(key.accountId()), out);
        }
    }

    @GetMapping("/events/{eventId}/practice/sheet")
    String choose(EventKey key) {
        return "practice/sheet";
    }

    /** Reads a file and shows it with its columns told by their names. */
    @PostMapping("/events/{eventId}/practice/sheet")
    String read(EventKey key, @RequestParam MultipartFile file, Model model) throws IOException {
        try {
            byte[] bytes = file.getInputStream().readNBytes(CsvTable.MOST_BYTES + 1);
            CsvTable table = CsvTable.read(bytes);
            String token = UUID.randomUUID().toString().substring(0, CODE_LENGTH);
            sheets.put(new Sent(key, token), bytes);
            return shown(reading(key, table, guessed(table, token, accounts.units(key.accountId()))), model);
        } catch (CsvException e) {
            model.addAttribute("trouble", Refused.file(file.getOriginalFilename(), e.getMessage()));
        }
        return "practice/sheet";
    }

    /** The table sent before; null when it is no longer kept. */
    private @Nullable CsvTable sent(EventKey key, String token) {
        byte[] bytes = sheets.getIfPresent(new Sent(key, token));
        try {
            return bytes == null ? null : CsvTable.read(bytes);
        } catch (CsvException e) {
            throw new IllegalStateException("a file read before reads no more", e);
        }
    }

    private static Form guessed(CsvTable table, String token, Units units) {
        Form form = new Form(units).put("sheet", token).put("weighed", "guess");
        Set<LogColumn> told = EnumSet.noneOf(LogColumn.class);
        for (int i = 0; i < table.header().size(); i++) {
            form.put(
                    "column/" + i,
                    LogColumn.named(table.header().get(i)).filter(told::add).orElse(null));
        }
        Integer dates = columns(form, table.header().size()).get(LogColumn.DATE);
        boolean monthFirst = dates == null
                || CellText.monthFirst(
                        table.rows().stream().map(r -> r.cells().get(dates)).toList());
        return form.put("monthFirst", monthFirst ? "month" : "day");
    }

    private static Map<LogColumn, Integer> columns(Form form, int count) {
        Map<LogColumn, Integer> columns = new EnumMap<>(LogColumn.class);
        for (int i = 0; i < count; i++) {
            LogColumn column = form.choice("column/" + i, LogColumn.class);
            if (column != null && columns.putIfAbsent(column, i) != null) {
                form.error("column/" + i, "“" + column.label() + "” is chosen for two columns: leave one of them out.");
            }
        }
        return columns;
    }

    @PostMapping("/events/{eventId}/practice/sheet/columns")
    String columns(EventKey key, @RequestParam Map<String, String> fields, Model model, RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        CsvTable table = sent(key, form.value("sheet"));
        if (table == null) {
            return gone(key, flash);
        }
        return shown(reading(key, table, form), model);
    }

    /** Writes what the sheet says, all of it or nothing. */
    @PostMapping("/events/{eventId}/practice/sheet/take")
    @EventWrite
    public String take(
            EventKey key,
            @RequestParam Map<String, String> fields,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        CsvTable table = sent(key, form.value("sheet"));
        if (table == null) {
            return gone(key, flash);
        }
        Reading reading = reading(key, table, form);
        LogImport.Result read = reading.result();
        if (!form.ok() || !read.problems().isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return shown(reading, model);
        }
        spots.add(key, read.newSpots());
        practice.addPresentations(key, read.newPresentations());
        practice.addStops(key, read.stops());
        sheets.invalidate(new Sent(key, form.value("sheet")));
        if (read.stops().isEmpty()) {
            flash.addFlashAttribute("notice", "Every stop of the sheet is logged already: nothing was changed.");
        } else {
            Undo.offer(
                    flash,
                    taken(read),
                    "/events/" + key.eventId() + "/practice/sheet/undo?sheet=" + form.value("sheet"));
        }
        return "redirect:/events/" + key.eventId() + "/practice";
    }

    private static String taken(LogImport.Result read) {
        return Count.of(read.stops().size(), "stop") + " with " + Count.of(read.bites(), "bite") + " imported"
                + (read.newSpots().isEmpty()
                        ? ""
                        : ", " + Count.of(read.newSpots().size(), "spot") + " added")
                + (read.newPresentations().isEmpty()
                        ? ""
                        : ", " + Count.of(read.newPresentations().size(), "presentation") + " added")
                + ".";
    }

    @PostMapping("/events/{eventId}/practice/sheet/undo")
    String undo(EventKey key, @RequestParam String sheet, RedirectAttributes flash) {
        int stops = practice.deleteBatch(key, batch(sheet));
        flash.addFlashAttribute(
                "notice", Count.of(stops, "stop") + " removed again. Spots and lures that came with them stay.");
        return "redirect:/events/" + key.eventId() + "/practice";
    }

    private static String batch(String token) {
        return "sheet-" + token + "-";
    }

    private static String gone(EventKey key, RedirectAttributes flash) {
        flash.addFlashAttribute(
                "trouble", "The file was read more than an hour ago: choose it again. Nothing was changed.");
        return "redirect:/events/" + key.eventId() + "/practice/sheet";
    }

    /** @param samples its first cells that hold something */
    record Column(int index, String name, String chosen, List<String> samples) {}

    record StopRow(String day, String time, String spot, String fished, String bites) {}

    /** A sheet as it is read with the columns and answers of a form. */
    private record Reading(
            EventData event, CsvTable table, Form form, Map<LogColumn, Integer> columns, LogImport.Result result) {}

    private Reading reading(EventKey key, CsvTable table, Form form) {
        EventData event = events.event(key);
        Map<LogColumn, Integer> columns = columns(form, table.header().size());
        Map<String, Hooks> hooks = new LinkedHashMap<>();
        for (int i = 0; form.has("new/" + i); i++) {
            Hooks told = form.choice("hooks/" + i, Hooks.class);
            if (told != null) {
                hooks.put(form.value("new/" + i), told);
            }
        }
        LogImport.Result result = LogImport.read(
                table,
                columns,
                event,
                form.units(),
                new LogImport.Options(
                        !form.value("monthFirst").equals("day"),
                        form.value("weighed").equals("scale"),
                        hooks,
                        c -> !spots.freshCode(key, c).equals(c),
                        batch(form.value("sheet"))));
        return new Reading(event, table, form, columns, result);
    }

    private static String shown(Reading reading, Model model) {
        EventData event = reading.event();
        Form form = reading.form();
        CsvTable table = reading.table();
        Map<LogColumn, Integer> columns = reading.columns();
        LogImport.Result read = reading.result();
        SheetViewBuilder page = SheetViewBuilder.builder().form(form);
        page.read(read);
        page.rows(table.rows().size());
        page.columns(IntStream.range(0, table.header().size())
                .mapToObj(i -> new Column(
                        i,
                        table.header().get(i),
                        form.value("column/" + i),
                        table.rows().stream()
                                .map(r -> r.cells().get(i))
                                .filter(c -> !c.isEmpty())
                                .limit(ROWS_SHOWN)
                                .toList()))
                .toList());
        page.choices(LogColumn.values());
        page.hooks(Hooks.values());
        page.asksOrder(columns.containsKey(LogColumn.DATE)
                && table.rows().stream()
                        .anyMatch(r -> CellText.isSlashed(r.cells().get(columns.get(LogColumn.DATE)))));
        page.asksScale(columns.containsKey(LogColumn.SIZE) && !columns.containsKey(LogColumn.HOW));
        page.problems(read.problems().stream()
                .limit(PROBLEMS_SHOWN)
                .map(LogController::words)
                .toList());
        page.remarks(read.remarks().stream()
                .limit(PROBLEMS_SHOWN)
                .map(LogController::words)
                .toList());
        page.summary(Count.of(read.stops().size(), "stop") + ", " + Count.of(read.bites(), "bite"));
        int more = read.stops().size() - STOPS_SHOWN;
        page.more(more > 0 ? "and " + Count.of(more, "more stop") : null);
        page.save(
                read.stops().size() == 1
                        ? "Save this stop"
                        : "Save these " + read.stops().size() + " stops");
        page.stops(read.stops().stream()
                .limit(STOPS_SHOWN)
                .map(s -> {
                    String name = event.spot(s.spotId())
                            .or(() -> read.newSpots().stream()
                                    .filter(n -> n.id().equals(s.spotId()))
                                    .findFirst())
                            .orElseThrow()
                            .name();
                    List<Presentation> all = new ArrayList<>(event.presentations());
                    all.addAll(read.newPresentations());
                    String fished = s.presentations().stream()
                            .map(p -> all.stream()
                                    .filter(a -> a.id().equals(p.presentationId()))
                                    .findFirst()
                                    .orElseThrow()
                                    .name())
                            .collect(Collectors.joining(", "));
                    return new StopRow(
                            Dates.day(s.start().atZone(event.timeZone()).toLocalDate()),
                            Dates.clock(s.start(), event.timeZone()) + "–" + Dates.clock(s.end(), event.timeZone()),
                            name,
                            fished,
                            bites(s, form.units()));
                })
                .toList());
        return Views.show("practice/sheet", model, page.build());
    }

    private static String bites(PracticeStop stop, Units units) {
        return stop.bites().isEmpty()
                ? "none"
                : stop.bites().stream()
                        .map(b -> b.outcome().code() + (b.size() == null ? "" : " " + BiteWords.of(b.size(), units)))
                        .collect(Collectors.joining(" · "));
    }

    private static String words(LogImport.Problem p) {
        if (p.rows().isEmpty()) {
            return p.message();
        }
        String rows = p.rows().stream().limit(ROWS_NAMED).map(String::valueOf).collect(Collectors.joining(", "));
        return (p.rows().size() == 1 ? "Row " : "Rows ") + rows
                + (p.rows().size() > ROWS_NAMED ? " and " + (p.rows().size() - ROWS_NAMED) + " more" : "") + ": "
                + p.message();
    }
}
