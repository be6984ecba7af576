package lochan.web.rankings;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.ObservedWeather;
import lochan.core.model.ranking.Ranking;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.planning.search.AddedValue;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.practice.ConditionWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.DayMarks;
import lochan.web.lake.MapMarks;
import lochan.web.lake.MapMarksBuilder;
import lochan.web.lake.SpotMarks;
import lochan.web.lake.SpotWorths;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.DayModels;
import lochan.web.shared.Dates;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The table of rankings and, behind each row, its evidence. */
@Controller
class RankingsController {

    private static final Map<String, ToDoubleFunction<RankingRow>> ORDERS = Map.of(
            "rate", r -> r.bites().mean(),
            "cautious", r -> r.bites().p10(),
            "landing", RankingRow::landing,
            "legal", r -> r.keepers().legalShare(),
            "keeper", r -> r.keepers().meanGrams(),
            "hours", RankingRow::effectiveHours);
    private static final ToDoubleFunction<RankingRow> BY_VALUE_UNTIL_KNOWN = RankingRow::keeperGramsPerHour;
    private static final int MOST_COMPARED = 4;

    private final EventBook events;
    private final Accounts accounts;
    private final DayModels dayModels;
    private final RankingValues values;
    private final SpotWorths worths;
    private final DayMarks dayMarks;

    RankingsController(
            EventBook events,
            Accounts accounts,
            DayModels dayModels,
            RankingValues values,
            SpotWorths worths,
            DayMarks dayMarks) {
        this.dayMarks = dayMarks;
        this.worths = worths;
        this.values = values;
        this.dayModels = dayModels;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/rankings")
    String rankings(
            EventKey key,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(required = false) String at,
            @RequestParam(defaultValue = "value") String sort,
            @RequestParam(defaultValue = "map") String view,
            @RequestParam Map<String, String> fields,
            Model model) {
        EventData event = events.event(key);
        FittedDayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        BackgroundComputation.State<RankingValues.Values> job =
                values.of(key, dayModel).orElse(null);
        RankingValues.Values found = found(job);
        ToDoubleFunction<RankingRow> by = order(sort, found);
        String order = by == null ? "value" : sort;
        Ranking rankings = new Ranking(dayModel, bin, dayModel.dispersion().phi());
        RowFilter filter = RowFilter.of(fields);
        Predicate<Cell> allowed = filter.allows(event, dayModel);
        List<RankingRow> rows = rankings.rows().stream()
                .filter(r -> allowed.test(r.cell()))
                .sorted(Comparator.comparingDouble(
                                (RankingRow r) -> orLast((by == null ? BY_VALUE_UNTIL_KNOWN : by).applyAsDouble(r)))
                        .reversed())
                .toList();
        Units units = accounts.units(key.accountId());
        List<PatternLine> patterns = rankings.patterns().stream()
                .map(p -> PatternLine.of(p, rows, found, event, units))
                .sorted(Comparator.comparingDouble(PatternLine::addsGrams).reversed())
                .toList();
        RankingsView page = new RankingsView(
                job,
                lines(rows, found, dayModel, bin, units),
                patterns,
                order,
                event.notebook().priors(),
                view.equals("patterns") || view.equals("spots") ? view : "map",
                filter,
                RowFilter.Choices.of(event, dayModel),
                marks(event, dayModel, bin, allowed, units));
        return Views.show("rankings/rankings", model, page, DayChoice.of(dayModel, bin));
    }

    /** The spots through the hours of the day; null where the lake is not known or nothing is ranked. */
    private @Nullable String marks(
            EventData event, FittedDayModel dayModel, int bin, Predicate<Cell> allowed, Units units) {
        if (event.lake() == null || dayModel.cells().isEmpty()) {
            return null;
        }
        SpotMarks spots = worths.marks(event, dayModel, allowed, units);
        MapMarksBuilder marks = MapMarks.of(event, units).places(spots.at(bin));
        spots.putHours(marks);
        return marks.build().json();
    }

    /** The values of rows, as far as they are computed: null until then. */
    private static RankingValues.@Nullable Values found(
            BackgroundComputation.@Nullable State<RankingValues.Values> job) {
        return job == null ? null : job.result();
    }

    @PostMapping("/events/{eventId}/rankings/stop")
    String stop(EventKey key, @RequestParam int day) {
        values.stop(key, day);
        return "redirect:/events/" + key.eventId() + "/rankings?day=" + day;
    }

    @PostMapping("/events/{eventId}/rankings/values")
    String goOn(EventKey key, @RequestParam int day) {
        values.goOn(key, dayModels.of(key, events.event(key), day));
        return "redirect:/events/" + key.eventId() + "/rankings?day=" + day;
    }

    /** Null for an order there is not, or not yet. */
    private static @Nullable ToDoubleFunction<RankingRow> order(String sort, RankingValues.@Nullable Values found) {
        AddedValue added = found == null ? null : found.added();
        return switch (sort) {
            case "value" -> found == null ? null : r -> found.twoHours(r.cell()).grams();
            case "adds" -> added == null ? null : r -> added.ofCell(r.cell());
            case "adds-hour" -> added == null ? null : r -> added.ofCellPerHour(r.cell());
            default -> ORDERS.get(sort);
        };
    }

    private static List<RankingLine> lines(
            List<RankingRow> rows,
            RankingValues.@Nullable Values found,
            FittedDayModel dayModel,
            int bin,
            Units units) {
        double scale = rows.stream().mapToDouble(r -> r.bites().p90()).max().orElse(1);
        String dayTime = "day=" + dayModel.day() + "&at="
                + clock(dayModel.bins().get(bin), dayModel.event().timeZone());
        return rows.stream()
                .map(r -> RankingLine.of(r, found, dayModel.event(), units, scale, dayTime))
                .toList();
    }

    /** Some rows side by side, named by spot~presentation. */
    @GetMapping("/events/{eventId}/rankings/compare")
    String compare(
            EventKey key,
            @RequestParam(required = false) List<String> row,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(required = false) String at,
            Model model) {
        EventData event = events.event(key);
        FittedDayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        List<RankingRow> all = new Ranking(dayModel, bin, dayModel.dispersion().phi()).rows();
        List<RankingRow> rows = (row == null ? List.<String>of() : row)
                .stream()
                        .distinct()
                        .flatMap(name -> all.stream()
                                .filter(r -> name.equals(
                                        r.cell().spotId() + "~" + r.cell().presentationId())))
                        .limit(MOST_COMPARED)
                        .toList();
        boolean tooMany = row != null && row.size() > MOST_COMPARED;
        if (rows.size() < 2) {
            return Views.show(
                    "rankings/compare", model, new CompareView(null, tooMany, null), DayChoice.of(dayModel, bin));
        }
        BackgroundComputation.State<RankingValues.Values> job =
                values.of(key, dayModel).orElse(null);
        RankingValues.Values found = found(job);
        Units units = accounts.units(key.accountId());
        double lake = lakeKeeper(all);
        List<List<String>> why = rows.stream()
                .map(r -> Why.of(r, dayModel, bin, found, lake, units))
                .toList();
        Comparison shown = Comparison.of(rows, lines(rows, found, dayModel, bin, units), why, dayModel, units);
        return Views.show("rankings/compare", model, new CompareView(job, tooMany, shown), DayChoice.of(dayModel, bin));
    }

    /** @param shown null where fewer than two rows are compared */
    record CompareView(
            BackgroundComputation.@Nullable State<RankingValues.Values> job,
            boolean tooMany,
            @Nullable Comparison shown) {}

    /** Weight of a keeper over all rows, g. */
    private static double lakeKeeper(List<RankingRow> rows) {
        return rows.stream()
                .mapToDouble(r -> r.keepers().meanGrams())
                .filter(g -> !Double.isNaN(g))
                .average()
                .orElse(0);
    }

    private static double orLast(double value) {
        return Double.isNaN(value) ? Double.NEGATIVE_INFINITY : value;
    }

    /**
     * The day and the time that rankings are for, and those there are.
     *
     * @param day from 1
     */
    record DayChoice(List<CompetitionDay> days, int day, List<String> dayNames, String at, List<String> times) {

        static DayChoice of(FittedDayModel model, int bin) {
            ZoneId zone = model.event().timeZone();
            List<CompetitionDay> days = model.event().days();
            return new DayChoice(
                    days,
                    model.day(),
                    days.stream().map(d -> Dates.day(d.date())).toList(),
                    clock(model.bins().get(bin), zone),
                    model.bins().stream().map(b -> clock(b, zone)).toList());
        }
    }

    private static String clock(Bin bin, ZoneId zone) {
        return Dates.clock(bin.start(), zone);
    }

    /** The bin of a time of day; the first for none, or one that is not of the day. */
    private static int bin(FittedDayModel day, String at) {
        ZoneId zone = day.event().timeZone();
        return IntStream.range(0, day.bins().size())
                .filter(i -> clock(day.bins().get(i), zone).equals(at))
                .findFirst()
                .orElse(0);
    }

    /**
     * A stop with its slices.
     *
     * @param weather conditions filled in from the weather of files and services, in words; null: none
     */
    record StopEvidence(
            PracticeStop stop,
            boolean competition,
            String date,
            @Nullable String weather,
            List<SliceRow> slices) {}

    record SliceRow(String time, Ranking.Evidence evidence) {}

    @GetMapping("/events/{eventId}/rankings/evidence")
    String evidence(
            EventKey key,
            @RequestParam String spot,
            @RequestParam String presentation,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(required = false) String at,
            Model model) {
        EventData event = events.event(key);
        Cell cell = new Cell(spot, presentation);
        if (event.spot(spot).isEmpty() || event.presentation(presentation).isEmpty()) {
            throw new NotThereException();
        }
        FittedDayModel dayModel = dayModels.of(key, event, day);
        int bin = bin(dayModel, at);
        Ranking rankings = new Ranking(dayModel, bin, dayModel.dispersion().phi());
        RankingRow row = rankings.rows().stream()
                .filter(r -> r.cell().equals(cell))
                .findFirst()
                .orElseThrow(NotThereException::new);
        BiteRates rates = dayModel.rates(bin);
        BackgroundComputation.State<RankingValues.Values> job =
                values.of(key, dayModel).orElse(null);
        EvidenceViewBuilder page = EvidenceViewBuilder.builder().job(job).row(row);
        page.spot(event.spot(spot).orElseThrow());
        page.marks(dayMarks.of(event, event.spot(spot).orElseThrow(), accounts.units(key.accountId())));
        page.presentation(event.presentation(presentation).orElseThrow());
        page.spotType(SpotType.words(row.pattern().spotType()));
        page.stops(stops(rankings.evidence(cell), event, accounts.units(key.accountId())));
        page.effective(rates.evidence(cell));
        page.lakeMean(rates.lakeMean());
        page.presentationMean(rates.presentationMean(presentation));
        page.patternMean(rates.patternMean(row.pattern()));
        LandingChance landing = dayModel.landing(presentation);
        page.landedWords(
                String.format(Locale.ROOT, "%.1f of %.1f bites", landing.alpha(), landing.alpha() + landing.beta()));
        page.seen(Count.of(row.stops(), "stop") + ", " + Count.of(row.bitesSeen(), "bite") + ", " + row.sized()
                + " with a size");
        page.bias(event.hasWeighedGuess() ? dayModel.sizes().guessBias() : null);
        page.why(Why.of(row, dayModel, bin, found(job), lakeKeeper(rankings.rows()), accounts.units(key.accountId())));
        page.others(rankings.otherSpotsOfPattern(cell).stream()
                .map(s -> event.spot(s).orElseThrow().name())
                .toList());
        return Views.show("rankings/evidence", model, page.build(), DayChoice.of(dayModel, bin));
    }

    private static List<StopEvidence> stops(List<Ranking.Evidence> evidence, EventData event, Units units) {
        ZoneId zone = event.timeZone();
        return evidence.stream()
                .map(e -> e.slice().stop())
                .distinct()
                .map(stop -> new StopEvidence(
                        stop,
                        CompetitionStops.isOne(stop),
                        Dates.longDay(stop.start().atZone(zone).toLocalDate()),
                        weather(stop, event, units),
                        evidence.stream()
                                .filter(e -> e.slice().stop().equals(stop))
                                .map(e -> new SliceRow(time(e, zone), e))
                                .toList()))
                .toList();
    }

    private static @Nullable String weather(PracticeStop filled, EventData event, Units units) {
        return event.stops().stream()
                .filter(s -> s.id().equals(filled.id()))
                .findFirst()
                .map(s -> ObservedWeather.added(s, event))
                .map(c -> ConditionWords.of(c, units))
                .orElse(null);
    }

    private static String time(Ranking.Evidence evidence, ZoneId zone) {
        return Dates.clock(evidence.slice().start(), zone) + "–"
                + Dates.clock(evidence.slice().end(), zone);
    }
}
