package lochan.web.standings;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
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

    private final EventBook events;
    private final Accounts accounts;
    private final DayModels dayModels;

    StandingsController(EventBook events, Accounts accounts, DayModels dayModels) {
        this.dayModels = dayModels;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/standings")
    String standings(EventKey key, @RequestParam(defaultValue = "1") int day, @RequestParam(required = false) String at,
                     @RequestParam(defaultValue = "rate") String sort, Model model) {
        EventData event = events.event(key);
        DayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        String order = ORDERS.containsKey(sort) ? sort : "rate";
        List<StandingsRow> rows = new Standings(dayModel, bin).rows().stream()
                .sorted(Comparator.comparingDouble((StandingsRow r) -> orLast(ORDERS.get(order).applyAsDouble(r))).reversed()).toList();
        double scale = rows.stream().mapToDouble(r -> r.strikes().p90()).max().orElse(1);
        Units units = accounts.units(key.accountId());
        String dayTime = "day=" + dayModel.day() + "&at=" + clock(dayModel.bins().get(bin), event.brief().timeZone());
        model.addAttribute("rows", rows.stream().map(r -> StandingsLine.of(r, event, units, scale, dayTime)).toList());
        model.addAttribute("sort", order);
        choices(dayModel, bin, model);
        return "standings/standings";
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
    record StopEvidence(PracticeStop stop, String date, List<SliceRow> slices) { }

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
        model.addAttribute("others", standings.otherSpotsOfPattern(cell).stream().map(s -> event.spot(s).orElseThrow().name()).toList());
        choices(dayModel, bin, model);
        return "standings/evidence";
    }

    private static List<StopEvidence> stops(List<Standings.Evidence> evidence, ZoneId zone) {
        return evidence.stream().map(e -> e.slice().stop()).distinct().map(stop -> new StopEvidence(stop,
                Dates.longDay(stop.start().atZone(zone).toLocalDate()),
                evidence.stream().filter(e -> e.slice().stop() == stop).map(e -> new SliceRow(time(e, zone), e)).toList())).toList();
    }

    private static String time(Standings.Evidence evidence, ZoneId zone) {
        return Dates.clock(evidence.slice().start(), zone) + "–" + Dates.clock(evidence.slice().end(), zone);
    }
}
