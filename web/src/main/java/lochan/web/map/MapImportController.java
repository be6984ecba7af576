package lochan.web.map;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.SoundingCleaner;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileException;
import lochan.eventformat.LakeText;
import lochan.mapfiles.MapFile;
import lochan.mapfiles.MapFileException;
import lochan.mapfiles.MapFiles;
import lochan.mapfiles.Projection;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.instruments.Instruments;
import lochan.web.lake.DepthSources;
import lochan.web.lake.LakeZip;
import lochan.web.lake.Lakes;
import lochan.web.lake.MapProblem;
import lochan.web.shared.Downloads;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Refused;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Shores, depths, cover and soundings from files: looked at first, kept when the angler says so. */
@Controller
class MapImportController {

    private static final int LONGEST_NAME = 200;
    private static final String INSTRUMENTS = "instruments.nmea";

    private final MapUploads uploads;
    private final Lakes lakes;
    private final DepthSources depths;
    private final Instruments instruments;
    private final EventBook events;
    private final Accounts accounts;

    MapImportController(
            MapUploads uploads,
            Lakes lakes,
            DepthSources depths,
            Instruments instruments,
            EventBook events,
            Accounts accounts) {
        this.instruments = instruments;
        this.uploads = uploads;
        this.lakes = lakes;
        this.depths = depths;
        this.events = events;
        this.accounts = accounts;
    }

    @PostMapping("/events/{eventId}/map/import")
    String send(EventKey key, @RequestParam MultipartFile file, RedirectAttributes flash) throws IOException {
        String name = name(file);
        MapUploads.Upload upload = uploads.put(key, name, file);
        if (LakeZip.read(upload.source()).isPresent()) {
            return "redirect:/events/" + key.eventId() + "/map/import/lake";
        }
        try {
            MapFiles.read(upload.source(), null);
            return "redirect:/events/" + key.eventId() + "/map/import";
        } catch (MapFileException e) {
            uploads.drop(key);
            flash.addFlashAttribute("trouble", Refused.file(name, e.getMessage()));
            return "redirect:/events/" + key.eventId() + "/map";
        }
    }

    /** Looks at the depths that the boat's instruments measured, as at any log. */
    @PostMapping("/events/{eventId}/map/soundings")
    String soundings(EventKey key, RedirectAttributes flash) throws IOException {
        if (instruments.soundings() == 0) {
            flash.addFlashAttribute("trouble", "The boat's instruments have measured no depth yet.");
            return "redirect:/events/" + key.eventId() + "/map";
        }
        uploads.put(key, INSTRUMENTS, instruments.log().getBytes(StandardCharsets.US_ASCII));
        return "redirect:/events/" + key.eventId() + "/map/import";
    }

    private static String name(MultipartFile file) {
        String name = file.getOriginalFilename() == null ? "file" : file.getOriginalFilename();
        return name.substring(0, Math.min(name.length(), LONGEST_NAME));
    }

    /**
     * The contents of the page for a file not yet imported.
     *
     * @param missing why nothing comes of it as it is understood now; null: something does
     * @param facts   what comes of it, a line each
     * @param sheet   the map of what comes of it; null: nothing does
     */
    record ImportView(
            Form form,
            String name,
            String format,
            @Nullable String coordinates,
            boolean oldDatum,
            String values,
            List<ImportReading.Use> uses,
            ImportReading.Use use,
            List<String> properties,
            MapFile.Unit[] unitChoices,
            boolean asksUnit,
            boolean hasNumbers,
            boolean heights,
            boolean hasLake,
            @Nullable String missing,
            List<String> facts,
            @Nullable String sheet) {}

    @GetMapping("/events/{eventId}/map/import")
    String look(EventKey key, @RequestParam Map<String, String> fields, Model model) {
        EventData event = events.event(key);
        MapUploads.Upload upload = uploads.of(key).orElse(null);
        if (upload == null) {
            return "redirect:/events/" + key.eventId() + "/map";
        }
        Units units = accounts.units(key.accountId());
        Form form = new Form(new HashMap<>(fields), units);
        List<String> facts = new ArrayList<>();
        String trouble = null;
        String sheet = null;
        MapFile file;
        try {
            file = MapFiles.read(upload.source(), projection(form));
        } catch (MapFileException e) {
            trouble = e.getMessage();
            file = again(upload);
        }
        ImportReading reading = reading(key, event, file, form);
        try {
            if (trouble == null && file.coordinates() == null) {
                trouble = Wording.text("maps.no-coordinates");
            }
            if (trouble == null) {
                ImportReading.Result result = result(reading, upload, event);
                DepthGrid made = reading.depths(result);
                facts.addAll(ImportFacts.of(result, made, lakes.depths(key).orElse(null), units));
                sheet = ImportSheet.of(result, made, event, units);
            }
        } catch (MapFileException | BadGridException e) {
            trouble = why(key, e);
        }
        reading.filled().forEach((name, value) -> form.put(name, value));
        MapFile.Unit unit = reading.unit();
        return Views.show(
                "map/import",
                model,
                new ImportView(
                        form,
                        upload.name(),
                        file.format(),
                        file.coordinates(),
                        isOldDatum(file),
                        values(reading, unit),
                        reading.uses(),
                        reading.use(),
                        reading.depthProperties(),
                        MapFile.Unit.values(),
                        reading.toldUnit() == null,
                        !reading.range().isEmpty(),
                        reading.areHeights(),
                        event.lake() != null,
                        trouble,
                        facts,
                        sheet));
    }

    /** A lake with its depths as this program writes it has nothing to ask about. */
    @GetMapping("/events/{eventId}/map/import/lake")
    String lookAtLake(EventKey key, Model model) {
        EventData event = events.event(key);
        LakeZip.Content content = whole(key);
        Units units = accounts.units(key.accountId());
        return Views.show(
                "map/whole",
                model,
                new WholeView(
                        uploads.of(key).map(MapUploads.Upload::name).orElse(""),
                        ImportFacts.of(content.lake(), content.depths(), units),
                        ImportSheet.of(content.lake(), content.depths(), event, units)));
    }

    /** The contents of the page for a lake with its depths. */
    record WholeView(String name, List<String> facts, String sheet) {}

    private LakeZip.Content whole(EventKey key) {
        return uploads.of(key).flatMap(u -> LakeZip.read(u.source())).orElseThrow(NotThereException::new);
    }

    @PostMapping("/events/{eventId}/map/import/lake")
    String keepLake(EventKey key, RedirectAttributes flash) {
        LakeZip.Content content = whole(key);
        String name = uploads.of(key).map(MapUploads.Upload::name).orElse("");
        try {
            depths.replace(key, content.lake(), content.depths(), name);
            offerUndo(key, flash, "Lake imported with its depths.");
        } catch (BadGridException e) {
            flash.addFlashAttribute("trouble", Refused.file(name, why(key, e)));
        }
        uploads.drop(key);
        return "redirect:/events/" + key.eventId() + "/map";
    }

    private String why(EventKey key, Exception e) {
        return e instanceof BadGridException b
                ? Wording.text(b.reason(), accounts.units(key.accountId()))
                : String.valueOf(e.getMessage());
    }

    private static void offerUndo(EventKey key, RedirectAttributes flash, String done) {
        Undo.offer(flash, done, "/events/" + key.eventId() + "/map/import/undo");
    }

    /** Takes back the lake and depths that the last import replaced. */
    @PostMapping("/events/{eventId}/map/import/undo")
    String undo(EventKey key, RedirectAttributes flash) {
        depths.undoReplace(key);
        flash.addFlashAttribute("notice", "Lake restored.");
        return "redirect:/events/" + key.eventId() + "/map";
    }

    private static boolean isOldDatum(MapFile file) {
        return file instanceof MapFile.Cells c
                && c.projection() != null
                && c.projection().isOldDatum();
    }

    /** The file with the coordinates it tells itself. */
    private static MapFile again(MapUploads.Upload upload) {
        try {
            return MapFiles.read(upload.source(), null);
        } catch (MapFileException e) {
            // It was read when it was sent.
            throw new IllegalStateException(e);
        }
    }

    private static @Nullable Projection projection(Form form) throws MapFileException {
        return form.has("coordinates") ? Projection.typed(form.value("coordinates")) : null;
    }

    private ImportReading reading(EventKey key, EventData event, MapFile file, Form form) {
        return new ImportReading(file, form, event.lake(), lakes.depths(key).orElse(null), event.timeZone());
    }

    private static String values(ImportReading reading, MapFile.Unit unit) {
        List<Double> range = reading.range();
        return range.isEmpty()
                ? ""
                : String.format(Locale.ROOT, "%.1f to %.1f %s", range.getFirst(), range.getLast(), unit.words());
    }

    /** GeoJSON of a lake may tell slow zones, water off limits and cover by its properties, besides the shores. */
    private static ImportReading.Result result(ImportReading reading, MapUploads.Upload upload, EventData event)
            throws MapFileException, BadGridException {
        if (reading.use() != ImportReading.Use.LAKE
                || !upload.name().toLowerCase(Locale.ROOT).endsWith("json")) {
            return reading.result();
        }
        try (InputStream in = upload.source().open()) {
            Lake lake = LakeText.fromGeoJson(in);
            return new ImportReading.Result.OfLake(
                    event.lake() == null ? lake : lake.withLevels(event.lake().levels()));
        } catch (IOException e) {
            throw new BadGridException(MapProblem.UPLOAD_GONE);
        } catch (EventFileException e) {
            throw new BadGridException(
                    MapProblem.IN_FILE, e.problems().getFirst().toString());
        }
    }

    @PostMapping("/events/{eventId}/map/import/take")
    String keep(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) throws IOException {
        EventData event = events.event(key);
        MapUploads.Upload upload = uploads.of(key).orElseThrow(NotThereException::new);
        Form form = new Form(new HashMap<>(fields), accounts.units(key.accountId()));
        try {
            MapFile file = MapFiles.read(upload.source(), projection(form));
            keep(key, result(reading(key, event, file, form), upload, event), upload.name(), flash);
            if (upload.name().equals(INSTRUMENTS)) {
                try (Stream<String> lines = Files.lines(upload.file(), StandardCharsets.US_ASCII)) {
                    instruments.forget((int) lines.count());
                }
            }
            uploads.drop(key);
        } catch (MapFileException | BadGridException e) {
            flash.addFlashAttribute("trouble", Refused.file(upload.name(), why(key, e)));
        }
        return "redirect:/events/" + key.eventId() + "/map";
    }

    private void keep(EventKey key, ImportReading.Result result, String name, RedirectAttributes flash)
            throws BadGridException {
        switch (result) {
            case ImportReading.Result.OfLake l -> {
                depths.replace(key, l.lake(), null, name);
                offerUndo(key, flash, "Lake imported. Runs now follow the water.");
            }
            case ImportReading.Result.OfCover c -> {
                depths.replace(key, c.lake(), null, name);
                offerUndo(key, flash, "Cover imported.");
            }
            case ImportReading.Result.OfDepths d -> {
                depths.replace(key, d.shore(), d.grid(), name);
                offerUndo(key, flash, d.grid().columns() + " × " + d.grid().rows() + " depths imported.");
            }
            case ImportReading.Result.OfSoundings s -> keepSoundings(key, s, name, flash);
        }
    }

    private void keepSoundings(EventKey key, ImportReading.Result.OfSoundings s, String name, RedirectAttributes flash)
            throws BadGridException {
        String code = UUID.randomUUID().toString();
        SoundingCleaner.Cleaned cleaned = s.cleaned();
        int leftOut = cleaned.impossible() + cleaned.outside() + cleaned.spikes();
        depths.keepSurvey(
                key,
                new DepthSources.Survey(code, name, s.takenOn(), cleaned.kept().size(), leftOut),
                cleaned.kept());
        Undo.offer(
                flash,
                Count.of(cleaned.kept().size(), "sounding") + " taken.",
                "/events/" + key.eventId() + "/map/soundings/delete?survey=" + code);
    }

    /** The lake with its depths, to be imported elsewhere. */
    @GetMapping("/events/{eventId}/map/lake.zip")
    void download(EventKey key, HttpServletResponse response) throws IOException {
        Lake lake = Optional.ofNullable(lakes.lake(key)).orElseThrow(NotThereException::new);
        Downloads.attach(response, Lakes.ZIP, "application/zip");
        LakeZip.write(new LakeZip.Content(lake, lakes.depths(key).orElse(null)), response.getOutputStream());
    }

    @PostMapping("/events/{eventId}/map/import/drop")
    String drop(EventKey key) {
        uploads.drop(key);
        return "redirect:/events/" + key.eventId() + "/map";
    }

    @PostMapping("/events/{eventId}/map/soundings/delete")
    String deleteSoundings(EventKey key, @RequestParam String survey, RedirectAttributes flash) {
        depths.deleteSurvey(key, survey);
        Undo.offer(flash, "Soundings deleted.", "/events/" + key.eventId() + "/map/soundings/restore?survey=" + survey);
        return "redirect:/events/" + key.eventId() + "/map";
    }

    @PostMapping("/events/{eventId}/map/soundings/restore")
    String restoreSoundings(EventKey key, @RequestParam String survey, RedirectAttributes flash) {
        depths.restoreSurvey(key, survey);
        flash.addFlashAttribute("notice", "Soundings restored.");
        return "redirect:/events/" + key.eventId() + "/map";
    }
}
