package lochan.web.standings;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.evidence.Bin;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Units;
import lochan.core.rate.Cell;
import lochan.core.rate.StrikeRates;
import lochan.core.scenario.DayModel;
import lochan.core.standings.Standings;
import lochan.core.standings.StandingsRow;
import lochan.core.water.PlaceClass;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.page.Dates;
import lochan.web.page.NotThereException;
import lochan.web.work.Work;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The table of standings and, behind each row, its evidence. */
@Controller
class StandingsController {

    private static final Map<String, ToDoubleFunction<StandingsRow>> ORDERS = Map.of(
            "rate", r -> r.strikes().mean(),
            "cautious", r -> r.strikes().p10(),
            "landing", StandingsRow::landing,
            "legal", r -> r.keepers().legalShare(),
            "keeper", r -> r.keepers().meanGrams(),
            "hours", StandingsRow::effectiveHours);
    private static final int MOST_COMPARED = 4;

    private final EventBook events;
    private final Accounts accounts;
    private final DayModels dayModels;
    private final StandingsWorth worth;

    StandingsController(EventBook events, Accounts accounts, DayModels dayModels, StandingsWorth worth) {
        this.worth = worth;
        this.dayModels = dayModels;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/standings")
    String standings(EventKey key, @RequestParam(defaultValue = "1") int day, @RequestParam(required = false) String at,
                     @RequestParam(defaultValue = "rate") String sort, @RequestParam(defaultValue = "spots") String view, Model model) {
        EventData event = events.event(key);
        DayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        StandingsWorth.Found found = found(key, dayModel, model);
        ToDoubleFunction<StandingsRow> by = order(sort, found);
        String order = by == null ? "rate" : sort;
        Standings standings = new Standings(dayModel, bin);
        List<StandingsRow> rows = standings.rows().stream()
                .sorted(Comparator.comparingDouble((StandingsRow r) -> orLast((by == null ? ORDERS.get("rate") : by).applyAsDouble(r))).reversed()).toList();
        Units units = accounts.units(key.accountId());
        model.addAttribute("rows", lines(rows, found, dayModel, bin, units));
        model.addAttribute("patterns", standings.patterns().stream().map(p -> PatternLine.of(p, rows, found, event, units))
                .sorted(Comparator.comparingDouble(PatternLine::worthGrams).reversed()).toList());
        model.addAttribute("sort", order);
        model.addAttribute("leanings", event.notebook().leanings());
        model.addAttribute("view", view.equals("patterns") ? "patterns" : "spots");
        choices(dayModel, bin, model);
        return "standings/standings";
    }

    /** What rows are worth, as far as it is reckoned: null until then. */
    private StandingsWorth.Found found(EventKey key, DayModel dayModel, Model model) {
        Work.State<StandingsWorth.Found> state = worth.of(key, dayModel).orElse(null);
        model.addAttribute("worthRunning", state != null && state.running());
        return state == null ? null : state.result();
    }

    /** Null for an order there is not, or not yet. */
    private static ToDoubleFunction<StandingsRow> order(String sort, StandingsWorth.Found found) {
        return found == null ? ORDERS.get(sort) : switch (sort) {
            case "two-hours" -> r -> found.twoHours().get(r.cell()).grams();
            case "worth" -> r -> found.worth().ofCell(r.cell());
            case "worth-hour" -> r -> found.worth().ofCellPerHour(r.cell());
            default -> ORDERS.get(sort);
        };
    }

    private static List<StandingsLine> lines(List<StandingsRow> rows, StandingsWorth.Found found, DayModel dayModel, int bin, Units units) {
        double scale = rows.stream().mapToDouble(r -> r.strikes().p90()).max().orElse(1);
        String dayTime = "day=" + dayModel.day() + "&at=" + clock(dayModel.bins().get(bin), dayModel.event().brief().timeZone());
        return rows.stream().map(r -> StandingsLine.of(r, found, dayModel.event(), units, scale, dayTime)).toList();
    }

    /** Some rows side by side, named by spot~presentation. */
    @GetMapping("/events/{eventId}/standings/compare")
    String compare(EventKey key, @RequestParam(required = false) List<String> row, @RequestParam(defaultValue = "1") int day, @RequestParam(required = false) String at,
                   Model model) {
        EventData event = events.event(key);
        DayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        List<StandingsRow> all = new Standings(dayModel, bin).rows();
        List<StandingsRow> rows = (row == null ? List.<String>of() : row).stream().distinct().flatMap(name -> all.stream()
                .filter(r -> name.equals(r.cell().spotId() + "~" + r.cell().presentationId()))).limit(MOST_COMPARED).toList();
        choices(dayModel, bin, model);
        model.addAttribute("tooMany", row != null && row.size() > MOST_COMPARED);
        if (rows.size() > 1) {
            StandingsWorth.Found found = found(key, dayModel, model);
            Units units = accounts.units(key.accountId());
            double lake = lakeKeeper(all);
            model.addAttribute("shown", Comparison.of(rows, lines(rows, found, dayModel, bin, units),
                    rows.stream().map(r -> Why.of(r, dayModel, bin, found, lake, units)).toList(), dayModel, units));
            model.addAttribute("chosen", row);
        }
        return "standings/compare";
    }

    /** Weight of a keeper over all rows, g. */
    private static double lakeKeeper(List<StandingsRow> rows) {
        return rows.stream().mapToDouble(r -> r.keepers().meanGrams()).filter(g -> !Double.isNaN(g)).average().orElse(0);
    }

    private static double orLast(double value) {
        return Double.isNaN(value) ? Double.NEGATIVE_INFINITY : value;
    }

    private static void choices(DayModel day, int bin, Model model) {
        ZoneId zone = day.event().brief().timeZone();
        model.addAttribute("days", day.event().brief().days());
        model.addAttribute("day", day.day());
        model.addAttribute("dayNames", day.event().brief().days().stream().map(d -> Dates.day(d.date())).toList());
        model.addAttribute("at", clock(day.bins().get(bin), zone));
        model.addAttribute("times", day.bins().stream().map(b -> clock(b, zone)).toList());
    }

    private static String clock(Bin bin, ZoneId zone) {
        return Dates.clock(bin.start(), zone);
    }

    /** The bin of a time of day; the first for none, or one that is not of the day. */
    private static int bin(DayModel day, String at) {
        ZoneId zone = day.event().brief().timeZone();
        return IntStream.range(0, day.bins().size()).filter(i -> clock(day.bins().get(i), zone).equals(at)).findFirst().orElse(0);
    }

    /** The slices of one stop. */
    record StopEvidence(PracticeStop stop, boolean competition, String date, List<SliceRow> slices) { }

    record SliceRow(String time, Standings.Evidence evidence) { }

    @GetMapping("/events/{eventId}/standings/evidence")
    String evidence(EventKey key, @RequestParam String spot, @RequestParam String presentation, @RequestParam(defaultValue = "1") int day,
                    @RequestParam(required = false) String at, Model model) {
        EventData event = events.event(key);
        Cell cell = new Cell(spot, presentation);
        if (event.spot(spot).isEmpty() || event.presentation(presentation).isEmpty()) {
            throw new NotThereException();
        }
        DayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        Standings standings = new Standings(dayModel, bin);
        StandingsRow row = standings.rows().stream().filter(r -> r.cell().equals(cell)).findFirst().orElseThrow(NotThereException::new);
        StrikeRates rates = dayModel.rates(bin);
        model.addAttribute("row", row);
        model.addAttribute("spot", event.spot(spot).orElseThrow());
        model.addAttribute("presentation", event.presentation(presentation).orElseThrow());
        model.addAttribute("placeClass", PlaceClass.words(row.pattern().placeClass()));
        model.addAttribute("stops", stops(standings.evidence(cell), event.brief().timeZone()));
        model.addAttribute("effective", rates.evidence(cell));
        model.addAttribute("lakeMean", rates.lakeMean());
        model.addAttribute("presentationMean", rates.presentationMean(presentation));
        model.addAttribute("patternMean", rates.patternMean(row.pattern()));
        model.addAttribute("landing", dayModel.landing(presentation));
        model.addAttribute("bias", dayModel.sizes().guessBias());
        model.addAttribute("why", Why.of(row, dayModel, bin, found(key, dayModel, model), lakeKeeper(standings.rows()), accounts.units(key.accountId())));
        model.addAttribute("others", standings.otherSpotsOfPattern(cell).stream().map(s -> event.spot(s).orElseThrow().name()).toList());
        choices(dayModel, bin, model);
        return "standings/evidence";
    }

    private static List<StopEvidence> stops(List<Standings.Evidence> evidence, ZoneId zone) {
        return evidence.stream().map(e -> e.slice().stop()).distinct().map(stop -> new StopEvidence(stop, CompetitionStops.isOne(stop),
                Dates.longDay(stop.start().atZone(zone).toLocalDate()),
                evidence.stream().filter(e -> e.slice().stop() == stop).map(e -> new SliceRow(time(e, zone), e)).toList())).toList();
    }

    private static String time(Standings.Evidence evidence, ZoneId zone) {
        return Dates.clock(evidence.slice().start(), zone) + "–" + Dates.clock(evidence.slice().end(), zone);
    }
}
