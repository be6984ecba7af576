package lochan.web.map;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeLevels;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.LookAlikes;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.Count;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.DepthSources;
import lochan.web.lake.HiddenCandidates;
import lochan.web.lake.Lakes;
import lochan.web.lake.MapMarks;
import lochan.web.lake.MapMarksBuilder;
import lochan.web.lake.SpotWorths;
import lochan.web.shared.Dates;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The map of the water: what it looks like, how deep it is, the runs on it, and what the map shows that is no spot yet. */
@Controller
class MapController {

    private static final Logger LOG = LoggerFactory.getLogger(MapController.class);
    private static final int MOST_ALIKE = 12;
    private static final double PERCENT = 100;

    private final SpotWorths worths;
    private final Lakes lakes;
    private final DepthSources sources;
    private final HiddenCandidates hidden;
    private final EventBook events;
    private final Accounts accounts;
    private final Clock clock;

    MapController(
            Lakes lakes,
            DepthSources sources,
            HiddenCandidates hidden,
            EventBook events,
            Accounts accounts,
            SpotWorths worths,
            Clock clock) {
        this.worths = worths;
        this.lakes = lakes;
        this.sources = sources;
        this.hidden = hidden;
        this.events = events;
        this.accounts = accounts;
        this.clock = clock;
    }

    @GetMapping("/events/{eventId}/map")
    String water(EventKey key, @RequestParam Map<String, String> fields, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        List<String> broken = new ArrayList<>();
        MapViewBuilder page = MapViewBuilder.builder()
                .data(event)
                .straightRunFactor(Assumptions.DEFAULTS.planning().straightRunFactor())
                .kinds(Candidate.Kind.values())
                .form(new Form(units))
                .levels(List.of())
                .today(event.dateAt(clock.instant()).toString())
                .source(sources.map(key).orElse(null))
                .surveys(sources.surveys(key).stream()
                        .map(MapView.SurveyLine::of)
                        .toList());
        if (event.lake() != null) {
            Form form = new Form(fields, units);
            MapMarksBuilder marks = MapMarks.of(event, units);
            part(
                    "What spots are worth",
                    broken,
                    () -> marks.places(worths.marks(key, event, 1, units).ofTheDay()));
            part("What the depths show", broken, () -> lakes.survey(key).ifPresent(g -> {
                List<Suggestion> found = suggestions(key, event, g, form, units);
                page.deepestWhole(
                        Math.ceil((g.deepest() + above(event)) / units.depth().metres()));
                page.suggestions(found);
                marks.candidates(found.stream().map(Suggestion::look).toList());
            }));
            page.form(form)
                    .marks(marks.build().json())
                    .hiddenCount(hidden.all(key).size())
                    .missing(
                            event.lake().depthsFile() == null
                                            || lakes.survey(key).isPresent()
                                    ? null
                                    : event.lake().depthsFile().name())
                    .level(level(event, units))
                    .levels(levels(event, units));
        } else if (lakes.isLakeBroken(key)) {
            broken.add("The lake that is stored cannot be read: import its outline again.");
        }
        return Views.show("map/map", model, page.broken(broken).build());
    }

    private double above(EventData event) {
        return event.aboveReferenceM(clock.instant());
    }

    private List<Suggestion> suggestions(EventKey key, EventData event, DepthGrid grid, Form form, Units units) {
        List<HiddenCandidates.Hidden> away = hidden.all(key);
        return Suggestion.of(
                wanted(key, form, above(event)),
                event,
                grid,
                units,
                (kind, at) -> away.stream().anyMatch(h -> h.is(kind.code(), at)),
                above(event));
    }

    private @Nullable String level(EventData event, Units units) {
        Lake lake = event.lake();
        if (lake == null) {
            return null;
        }
        LocalDate today = event.dateAt(clock.instant());
        return lake.levels()
                .on(today)
                .map(r -> {
                    double above = lake.levels().aboveReferenceM(today);
                    String from = Math.abs(above) < 0.005
                            ? "at the reference level"
                            : units.depth(Math.abs(above)) + (above > 0 ? " above" : " below") + " the reference level";
                    return "The water stands " + from + trend(lake.levels().risePerDayM(today), units) + ", read on "
                            + Dates.day(r.date()) + ". All depths shown are today's.";
                })
                .orElse(null);
    }

    private static String trend(@Nullable Double risePerDayM, Units units) {
        if (risePerDayM == null || Math.abs(risePerDayM) < 0.01) {
            return "";
        }
        return ", " + (risePerDayM > 0 ? "rising " : "falling ") + units.depth(Math.abs(risePerDayM)) + " a day";
    }

    private static List<MapView.LevelLine> levels(EventData event, Units units) {
        return event.knownLake().levels().readings().reversed().stream()
                .map(r -> new MapView.LevelLine(
                        r.date().toString(), Dates.day(r.date()) + ": " + units.typedDepth(r.levelM())))
                .toList();
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

    /** The candidates that a page's filters ask for, in depths of today. */
    private List<Candidate> wanted(EventKey key, Form form, double above) {
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
                                shallowest == null ? null : Double.valueOf(shallowest - above),
                                deepest == null ? null : Double.valueOf(deepest - above),
                                Suggestion.prominenceM(form)))
                .stream()
                .filter(c -> kind == null || c.kind() == kind)
                .toList();
    }

    /** Water within a band of depths: its area, and the candidates in it. */
    record Band(String words, List<String> candidates) {}

    /** @param from ends of the band, m below today's surface */
    @GetMapping("/events/{eventId}/map/band")
    @ResponseBody
    Band band(EventKey key, @RequestParam double from, @RequestParam double to) {
        EventData event = events.event(key);
        DepthGrid grid = lakes.survey(key).orElseThrow(NotThereException::new);
        Units units = accounts.units(key.accountId());
        double above = above(event);
        double low = Math.min(from, to);
        double high = Math.max(from, to);
        List<String> inside = suggestions(key, event, grid, new Form(units), units).stream()
                .filter(s -> s.depthM() >= low && s.depthM() <= high)
                .map(Suggestion::id)
                .toList();
        String area = units.area(grid.areaM2(Math.max(0, low - above), high - above));
        return new Band(
                units.depth(low) + " to " + units.depth(high) + ": " + area + ", " + Count.of(inside.size(), "place")
                        + " without a spot",
                inside);
    }

    /** Water like a place, the likest first. */
    record AlikeShown(double lat, double lon, String name, String words) {}

    @GetMapping("/events/{eventId}/map/alike")
    @ResponseBody
    List<AlikeShown> alike(EventKey key, @RequestParam String spot) {
        EventData event = events.event(key);
        Spot like = event.spot(spot).orElseThrow(NotThereException::new);
        Lake lake = Optional.ofNullable(event.lake()).orElseThrow(NotThereException::new);
        DepthGrid grid = lakes.survey(key).orElseThrow(NotThereException::new);
        Units units = accounts.units(key.accountId());
        double above = above(event);
        return LookAlikes.find(grid, lake, event.waypoints(), like.position(), like.radiusM(), MOST_ALIKE).stream()
                .map(a -> {
                    Position at = new Position(grid.y(a.cell()), grid.x(a.cell()));
                    String known = event.spots().stream()
                            .filter(s -> s.position().metresTo(at) <= s.radiusM())
                            .map(Spot::name)
                            .findFirst()
                            .orElse("");
                    return new AlikeShown(at.lat(), at.lon(), known, alike(a, units, above));
                })
                .toList();
    }

    private static String alike(LookAlikes.Alike a, Units units, double above) {
        return String.format(
                Locale.ROOT,
                "%.0f%% alike: %s deep, %s, %s%s",
                PERCENT * a.likeness(),
                units.depth(a.depthM() + above),
                a.steepness() < 0.03 ? "level" : String.format(Locale.ROOT, "falls 1 in %.0f", 1 / a.steepness()),
                a.deepWaterM() == null ? "deep water far" : "deep water " + units.reach(a.deepWaterM()) + " away",
                a.cover() == null ? "" : ", " + a.cover().code());
    }

    /** A run between two places: its way and what it takes in words. */
    record RunShown(double[] way, String words) {}

    @GetMapping("/events/{eventId}/map/run")
    @ResponseBody
    RunShown run(EventKey key, @RequestParam String from, @RequestParam String to) {
        EventData event = events.event(key);
        if (event.lake() == null) {
            throw new NotThereException();
        }
        Units units = accounts.units(key.accountId());
        Runs runs = lakes.runs(event);
        Position start = place(event, from);
        Position end = place(event, to);
        Optional<Runs.Run> run = runs.between(start, end);
        if (run.isEmpty()) {
            return new RunShown(new double[0], "There is no way by water between them.");
        }
        long minutes = Math.max(1, Math.round(run.get().time().toSeconds() / 60.0));
        return new RunShown(
                runs.route(start, end).map(MapMarks::way).orElse(new double[0]),
                units.distance(run.get().metres()) + " on the water, " + minutes
                        + " min under way, set-up time not included");
    }

    private static Position place(EventData event, String id) {
        return id.equals("launch")
                ? event.launch()
                : event.spot(id).map(Spot::position).orElseThrow(NotThereException::new);
    }

    /** Keeps a reading of the lake's level, and the reference level. */
    @PostMapping("/events/{eventId}/map/level")
    String keepLevel(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Lake lake = Optional.ofNullable(lakes.lake(key)).orElseThrow(NotThereException::new);
        Form form = new Form(fields, accounts.units(key.accountId()));
        Double level = form.quantity("level", QuantityText::metres);
        Double reference = form.quantity("reference", QuantityText::metres);
        LocalDate date = form.date("levelDate");
        if (!form.ok() || level == null || date == null || !Intake.isDate(date)) {
            flash.addFlashAttribute(
                    "trouble",
                    "Enter a level with its date. Example: 612.4 ft; below 0 when the lake is under the reference level.");
        } else {
            LakeLevels levels = new LakeLevels(
                            reference == null ? lake.levels().referenceM() : reference,
                            lake.levels().readings())
                    .with(new LakeLevels.Reading(date, level));
            Lake changed = lake.withLevels(levels);
            if (changed.check().isEmpty()) {
                lakes.putLake(key, changed);
                flash.addFlashAttribute("notice", "Level kept: all depths shown are those of today's water.");
            } else {
                flash.addFlashAttribute(
                        "trouble", Wording.text(changed.check().getFirst().reason(), accounts.units(key.accountId())));
            }
        }
        return back(key);
    }

    @PostMapping("/events/{eventId}/map/level/delete")
    String deleteLevel(EventKey key, @RequestParam LocalDate date, RedirectAttributes flash) {
        Lake lake = Optional.ofNullable(lakes.lake(key)).orElseThrow(NotThereException::new);
        lakes.putLake(key, lake.withLevels(lake.levels().without(date)));
        flash.addFlashAttribute("notice", "Level of " + Dates.day(date) + " deleted.");
        return back(key);
    }

    static String back(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/map";
    }
}
