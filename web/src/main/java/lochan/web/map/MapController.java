package lochan.web.map;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.lake.structure.BadGridException;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.ContourGrid;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.lake.structure.EsriGrid;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.Count;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.eventformat.BoundedLines;
import lochan.eventformat.ContourText;
import lochan.eventformat.EventFileException;
import lochan.eventformat.LakeText;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import lochan.web.spot.Spots;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The map of the water: what it looks like, how deep it is, the runs on it, and what the map shows that is no spot yet. */
@Controller
class MapController {

    private static final Logger LOG = LoggerFactory.getLogger(MapController.class);
    private static final int BAND_CELLS = 320;
    /** Cells that are tried to see whether a grid lies on the lake. */
    private static final int LOOKED_AT = 20_000;

    private final Lakes lakes;
    private final EventBook events;
    private final Accounts accounts;
    private final Spots spots;

    MapController(Lakes lakes, EventBook events, Accounts accounts, Spots spots) {
        this.lakes = lakes;
        this.events = events;
        this.accounts = accounts;
        this.spots = spots;
    }

    @GetMapping("/events/{eventId}/map")
    String water(EventKey key, @RequestParam Map<String, String> fields, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        MapViewBuilder page = MapViewBuilder.builder()
                .data(event)
                .straightRunFactor(Assumptions.DEFAULTS.planning().straightRunFactor());
        page.kinds(Candidate.Kind.values());
        page.form(new Form(units));
        if (event.lake() != null) {
            Form form = new Form(fields, units);
            page.form(form);
            List<String> broken = new ArrayList<>();
            page.map(drawn(key, event, units, broken));
            part("What the depths show", broken, () -> lakes.survey(key).ifPresent(g -> {
                page.deepest(units.typedDepth((double) g.deepest()));
                page.deepestWhole(Math.ceil(g.deepest() / units.depth().metres()));
                page.suggestions(Suggestion.of(wanted(key, form), event, g, units, LakeMap.frame(event.knownLake())));
            }));
            page.broken(broken);
        } else if (lakes.isLakeBroken(key)) {
            page.broken(List.of("The lake that is stored cannot be read: import its outline again."));
        }
        return Views.show("map/map", model, page.build());
    }

    /** The map; without depths where these cannot be drawn. */
    private LakeMap drawn(EventKey key, EventData event, Units units, List<String> broken) {
        return LakeMap.of(event, units, (frame, size) -> {
            List<LakeMap.Line> lines = new ArrayList<>();
            part("The depths", broken, () -> lines.addAll(lakes.lines(key, frame, size, units)));
            return lines;
        });
    }

    /** Makes a part of the page. What is stored and cannot be shown is said; the rest of the page stays. */
    private static void part(String what, List<String> broken, Runnable make) {
        try {
            make.run();
        } catch (IllegalArgumentException
                | ArithmeticException
                | IndexOutOfBoundsException
                | NoSuchElementException e) {
            LOG.warn("a part of a map cannot be shown", e);
            broken.add(what + " cannot be shown: import the depths again.");
        }
    }

    /** The candidates that a page's filters ask for. */
    private List<Candidate> wanted(EventKey key, Form form) {
        Double prominence = form.quantity("prominence", QuantityText::metres);
        Double shallowest = form.quantity("shallowest", QuantityText::metres);
        Double deepest = form.quantity("deepest", QuantityText::metres);
        if (shallowest != null && deepest != null && shallowest > deepest) {
            form.error("deepest", "The deep end is shallower than the shallow end: exchange them.");
            return List.of();
        }
        Candidate.Kind kind = form.choice("kind", Candidate.Kind.class);
        return lakes
                .structure(
                        key,
                        new StructureFinder.Filter(
                                shallowest,
                                deepest,
                                prominence == null ? StructureFinder.Filter.USUAL.prominenceM() : prominence))
                .stream()
                .filter(c -> kind == null || c.kind() == kind)
                .toList();
    }

    /** A band of depths: the path of its water and its area. */
    record Band(String path, String area) {}

    @GetMapping("/events/{eventId}/map/band")
    @ResponseBody
    Band band(EventKey key, @RequestParam double from, @RequestParam double to) {
        DepthGrid grid = lakes.depths(key).orElseThrow(NotThereException::new);
        Lake lake = Optional.ofNullable(lakes.lake(key)).orElseThrow(NotThereException::new);
        Units units = accounts.units(key.accountId());
        double unit = units.depth().metres();
        double shallowest = unit * Math.min(from, to);
        double deepest = unit * Math.max(from, to);
        return new Band(
                LakeMap.band(grid, shallowest, deepest, LakeMap.frame(lake), BAND_CELLS),
                units.area(grid.areaM2(shallowest, deepest)));
    }

    /** A run between two places: its path and what it takes in words. */
    record RunShown(String path, String words) {}

    @GetMapping("/events/{eventId}/map/run")
    @ResponseBody
    RunShown run(EventKey key, @RequestParam String from, @RequestParam String to) {
        EventData event = events.event(key);
        if (event.lake() == null) {
            throw new NotThereException();
        }
        Units units = accounts.units(key.accountId());
        Runs runs = lakes.runs(event);
        var start = place(event, from);
        var end = place(event, to);
        Optional<Runs.Run> run = runs.between(start, end);
        if (run.isEmpty()) {
            return new RunShown("", "There is no way by water between them.");
        }
        long minutes = Math.max(1, Math.round(run.get().time().toSeconds() / 60.0));
        String path = runs.route(start, end)
                .map(r -> LakeMap.way(r, LakeMap.frame(event.knownLake())))
                .orElse("");
        return new RunShown(
                path,
                units.distance(run.get().metres()) + " on the water, " + minutes
                        + " min under way, set-up time not included");
    }

    private static Position place(EventData event, String id) {
        return id.equals("launch")
                ? event.launch()
                : event.spot(id).map(Spot::position).orElseThrow(NotThereException::new);
    }

    @PostMapping("/events/{eventId}/map/lake")
    String importLake(EventKey key, @RequestParam MultipartFile file, RedirectAttributes flash) throws IOException {
        try (InputStream in = file.getInputStream()) {
            lakes.putLake(key, LakeText.fromGeoJson(in));
            flash.addFlashAttribute("notice", "Lake imported. Runs now follow the water.");
        } catch (EventFileException e) {
            refused(file, words(e), flash);
        }
        return back(key);
    }

    /**
     * Takes depths.
     *
     * @param values  {@code depths}, {@code heights}, or empty: as the file looks
     * @param surface height of the lake's surface, in metres as the file is, for heights
     */
    @PostMapping("/events/{eventId}/map/depths")
    String importDepths(
            EventKey key,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "") String values,
            @RequestParam(defaultValue = "") String surface,
            RedirectAttributes flash)
            throws IOException {
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(file.getInputStream(), StandardCharsets.UTF_8))) {
            DepthGrid grid = EsriGrid.read(new BoundedLines(lines), null, values(values, surface));
            if (!grid.degrees()) {
                refused(
                        file,
                        "its cells are " + grid.cellSize()
                                + " wide, which are metres: write the grid in longitude and latitude (EPSG:4326)",
                        flash);
            } else if (!reaches(lakes.lake(key), grid)) {
                refused(
                        file,
                        "no depth of it lies within the lake's outline: check its corner and cellsize, or import the right outline first",
                        flash);
            } else {
                lakes.putDepths(key, grid);
                flash.addFlashAttribute("notice", grid.columns() + " × " + grid.rows() + " depths taken.");
            }
        } catch (BadGridException | UncheckedIOException e) {
            refused(file, e.getMessage(), flash);
        }
        return back(key);
    }

    private static EsriGrid.Values values(String values, String surface) throws BadGridException {
        return switch (values) {
            case "depths" -> new EsriGrid.Values.Depths();
            case "heights" -> {
                Form form = new Form(Map.of("surface", surface), Units.USUAL);
                Double metres = form.number("surface");
                if (metres == null) {
                    throw new BadGridException(
                            "the height of the lake's surface is missing: type it in metres, as the file has them, 0 when heights are told from the surface");
                }
                yield new EsriGrid.Values.Heights(metres);
            }
            default -> new EsriGrid.Values.Untold();
        };
    }

    /** Whether any water of a grid lies within an outline; without an outline, everywhere. */
    private static boolean reaches(@Nullable Lake lake, DepthGrid grid) {
        if (lake == null) {
            return true;
        }
        int every = Math.max(1, grid.size() / LOOKED_AT);
        return IntStream.iterate(0, i -> i < grid.size(), i -> i + every)
                .filter(i -> !grid.isLand(i))
                .mapToObj(i -> new Position(grid.y(i), grid.x(i)))
                .anyMatch(p -> lake.bodies().stream().anyMatch(b -> b.holds(p)));
    }

    @PostMapping("/events/{eventId}/map/contours")
    String importContours(
            EventKey key,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "ft") String unit,
            RedirectAttributes flash)
            throws IOException {
        Lake lake = lakes.lake(key);
        Units.Depth depths = Coded.find(Units.Depth.class, unit).orElse(Units.Depth.FT);
        if (lake == null) {
            refused(file, "the lake's outline is missing, which is the line of depth 0: import it first", flash);
            return back(key);
        }
        try (InputStream in = file.getInputStream()) {
            List<ContourGrid.Line> lines = ContourText.read(in, depths.metres());
            DepthGrid grid = ContourGrid.of(lake, lines);
            if (Float.isNaN(grid.deepest())) {
                throw new BadGridException(
                        "no water lies among these lines: check the lake's outline and the lines' positions");
            }
            lakes.putDepths(key, grid);
            flash.addFlashAttribute(
                    "notice",
                    Count.of(lines.size(), "line") + " of depth taken; between them the depths are computed.");
        } catch (BadGridException e) {
            refused(file, e.getMessage(), flash);
        } catch (EventFileException e) {
            refused(file, words(e), flash);
        }
        return back(key);
    }

    private static void refused(MultipartFile file, @Nullable String why, RedirectAttributes flash) {
        flash.addFlashAttribute(
                "trouble", "“" + file.getOriginalFilename() + "” was not imported; nothing was changed. " + why + ".");
    }

    private static String words(EventFileException e) {
        return e.problems().getFirst()
                + (e.problems().size() > 1 ? " (and " + (e.problems().size() - 1) + " more)" : "");
    }

    /** Turns a candidate into a spot; the fields carry the filters of the page that showed it. */
    @PostMapping("/events/{eventId}/map/spot")
    String waypoint(
            EventKey key, @RequestParam int cell, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        DepthGrid grid = lakes.survey(key).orElseThrow(NotThereException::new);
        Candidate.Kind kind =
                Coded.find(Candidate.Kind.class, fields.get("kind")).orElseThrow(NotThereException::new);
        Units units = accounts.units(key.accountId());
        Candidate candidate = wanted(key, new Form(fields, units)).stream()
                .filter(c -> c.cell() == cell && c.kind() == kind)
                .findFirst()
                .orElseThrow(NotThereException::new);
        String name = kind.code().substring(0, 1).toUpperCase(Locale.ROOT)
                + kind.code().substring(1) + ", " + units.depth(candidate.depthM());
        Spot spot = Suggestion.spot(candidate, grid, spots.freshCode(key, name), name);
        spots.add(key, List.of(spot));
        Undo.offer(
                flash,
                "“" + name + "” added as a spot.",
                "/events/" + key.eventId() + "/spots/delete?spot="
                        + URLEncoder.encode(spot.id(), StandardCharsets.UTF_8));
        return back(key);
    }

    private static String back(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/map";
    }
}
