package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Violation;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.FishVisits;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.plan.BankWords;
import lochan.offline.plan.Caution;
import lochan.offline.plan.FishWords;
import lochan.offline.plan.PatternWords;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Decks;
import lochan.web.gear.GearWords;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.shared.Dates;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Puts the Plan page together. */
@Component
public class PlanPage {

    private static final double CHART_WIDTH = 600;
    private static final double CHART_HEIGHT = 150;
    private static final double LABEL_WIDTH = 110;

    private final Plans plans;
    private final EventBook events;
    private final Accounts accounts;
    private final Projections projections;
    private final Lakes lakes;
    private final PlanValuation computation;
    private final PlanSearch search;
    private final PlanBackups backups;
    private final Decks decks;
    private final Clock clock;
    private final RouteMarks routeMarks;

    PlanPage(
            Plans plans,
            EventBook events,
            Accounts accounts,
            Projections projections,
            Lakes lakes,
            PlanValuation computation,
            PlanSearch search,
            PlanBackups backups,
            Decks decks,
            RouteMarks routeMarks,
            Clock clock) {
        this.routeMarks = routeMarks;
        this.decks = decks;
        this.clock = clock;
        this.plans = plans;
        this.events = events;
        this.accounts = accounts;
        this.projections = projections;
        this.lakes = lakes;
        this.computation = computation;
        this.search = search;
        this.backups = backups;
    }

    /**
     * Fills in a page.
     *
     * @param plan     null shows the first, where there is one
     * @param typed    fields that were refused, with what is wrong; null: none
     * @param supposed fields of what is supposed
     */
    String show(EventKey key, Long plan, @Nullable Form typed, Map<String, String> supposed, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        List<StoredPlan> stored = plans.stored(key);
        StoredPlan first = stored.isEmpty() ? null : stored.getFirst();
        StoredPlan shown = plan != null ? plans.stored(key, plan) : first;
        PlanViewBuilder page = PlanViewBuilder.builder().data(event);
        page.plans(stored);
        page.followed(Plans.followed(stored));
        page.shown(shown);
        Map<String, String> strategies = new LinkedHashMap<>();
        strategies(event).forEach(s -> strategies.put(s.code(), PlanWords.strategy(s)));
        page.strategies(strategies);
        page.allStrategies(strategies.size() == 4 ? "all four, side by side" : "all three, side by side");
        page.valued(PlanValuation.values(event));
        if (shown != null) {
            Plan kept = kept(shown.plan(), event);
            page.gear(decks.check(key, event, kept.stops()).stream()
                    .map(g -> GearWords.of(g, units))
                    .toList());
            visits(key, event, kept, units, page);
            page.minded(Caution.ofPlan(event, kept, units));
            Form form = typed == null ? new Form(units) : typed;
            Calibration calibration = projections.calibration(key.accountId());
            page.form(form);
            List<Violation> violations = PlanCheck.check(event, kept);
            violations.forEach(form::violation);
            page.stops(rows(kept, event, form, violations.isEmpty() ? computation.legs(event, kept) : List.of()));
            if (violations.isEmpty()) {
                day(key, event, shown, kept, units, page);
                if (!kept.stops().isEmpty() && PlanValuation.values(event)) {
                    PlanValue value = value(key, event, shown, kept, calibration, units, page);
                    page.supposed(Supposition.of(key, event, kept, value, calibration, computation, supposed, units));
                }
            }
            searched(key, event, shown, kept, calibration.factor(), units, page);
        }
        return Views.show("plan/plan", model, page.build());
    }

    /**
     * A known fish beside a plan.
     *
     * @param visited when the plan visits it in its hours, in words; null: it does not
     */
    record KnownFishLine(
            String place,
            String fish,
            String window,
            @Nullable String visited,
            @Nullable String due) {}

    /** Known fish, and when the plan comes to them. */
    private void visits(EventKey key, EventData event, Plan plan, Units units, PlanViewBuilder page) {
        if (event.notebook().fishThere().isEmpty()) {
            return;
        }
        ZoneId zone = event.timeZone();
        FishVisits visits = FishVisits.of(computation.model(key, event, plan.day()));
        Instant now = clock.instant();
        page.known(event.notebook().fishThere().stream()
                .map(f -> {
                    Instant visit = visits.firstVisit(f, plan.stops());
                    return new KnownFishLine(
                            FishWords.place(f, event),
                            "about " + units.weight(f.guessGrams()) + ", " + FishWords.chance(f),
                            FishWords.window(f, units),
                            visit == null ? null : "visited at " + Dates.clock(visit, zone),
                            f.nextVisit() == null
                                    ? null
                                    : (f.isDue(now) ? "due since " : "come back ")
                                            + Dates.dayAndClock(f.nextVisit(), zone));
                })
                .toList());
    }

    /** The plan without stops at spots that were deleted. */
    public static Plan kept(Plan plan, EventData event) {
        return plan.at(id -> event.spot(id).isPresent());
    }

    static List<Strategy> strategies(EventData event) {
        return event.rules().targetGrams() == null
                ? List.of(Strategy.BALANCED, Strategy.SAFE_LIMIT, Strategy.BIG_FISH)
                : List.of(Strategy.values());
    }

    /**
     * A stop as it can be changed; what was typed and refused stands in its fields.
     *
     * @param index from 0
     */
    record Row(
            int index,
            String spot,
            String presentation,
            String arrive,
            String leave,
            boolean locked,
            String name,
            @Nullable String bank,
            @Nullable String waiting,
            List<String> errors) {}

    /** @param legs of the plan; none where it makes no sense */
    private static List<Row> rows(Plan plan, EventData event, Form form, List<PlanCheck.Leg> legs) {
        ZoneId zone = event.timeZone();
        return IntStream.range(0, plan.stops().size())
                .mapToObj(i -> {
                    PlanStop s = plan.stops().get(i);
                    String at = "stops/" + i + "/";
                    return new Row(
                            i,
                            typed(form, at + "spot", s.spotId()),
                            typed(form, at + "presentation", s.presentationId()),
                            typed(form, at + "arrive", Dates.clock(s.arrive(), zone)),
                            typed(form, at + "leave", Dates.clock(s.leave(), zone)),
                            s.locked(),
                            PlanWords.spot(s.spotId(), event),
                            BankWords.of(
                                    event.spot(s.spotId()).orElseThrow(),
                                    event,
                                    s.arrive(),
                                    s.leave(),
                                    PlanValuation.ASSUMPTIONS.bank()),
                            legs.isEmpty()
                                    ? null
                                    : RunWords.waits(legs.get(i), event).orElse(null),
                            form.allErrors().entrySet().stream()
                                    .filter(e -> e.getKey().startsWith(at))
                                    .flatMap(e -> e.getValue().stream())
                                    .toList());
                })
                .toList();
    }

    private static String typed(Form form, String name, String stored) {
        return form.has(name) ? form.value(name) : stored;
    }

    /**
     * A run as the page shows it.
     *
     * @param time    with the wait that it has; null: it cannot be
     * @param note    where it waits, or that it keeps to the lee; null: neither
     * @param trouble what is wrong, short; null: nothing
     */
    record LegRow(
            String to,
            String distance,
            @Nullable String time,
            @Nullable String note,
            @Nullable String trouble) {

        static LegRow of(PlanCheck.Leg leg, EventData event, Units units) {
            String lee = leg.inLee() ? "in the lee" : null;
            return new LegRow(
                    RunWords.place(leg.to(), event),
                    leg.run() != null
                            ? units.distance(leg.run().metres())
                            : leg.wind() ? "no way in the lee" : "no way by water",
                    leg.needed() != null ? leg.needed().plusSeconds(59).toMinutes() + " min" : null,
                    RunWords.waits(leg, event).orElse(lee),
                    leg.inLightning()
                            ? "lightning"
                            : leg.shortMinutes() > 0 ? leg.shortMinutes() + " min short" : null);
        }
    }

    private void day(EventKey key, EventData event, StoredPlan shown, Plan plan, Units units, PlanViewBuilder page) {
        DayRuns runs = lakes.dayRuns(event);
        List<PlanCheck.Leg> legs = computation.legs(event, plan);
        CompetitionDay day = event.day(plan.day());
        ZoneId zone = event.timeZone();
        page.line(DayDrawing.of(event, plan, legs, units));
        page.legs(legs.stream().map(l -> LegRow.of(l, event, units)).toList());
        page.late(RunWords.troubles(event, plan, legs, PlanValuation.ASSUMPTIONS.planning()));
        page.waitHome(RunWords.waits(legs.getLast(), event).orElse(null));
        page.runsWords(
                (event.lake() == null
                                ? "Straight lines × "
                                        + PlanValuation.ASSUMPTIONS.planning().straightRunFactor()
                                : "Quickest routes on the water, slow zones at their speed")
                        + ", at running speed, in hours of rough wind at the rough-water speed; set-up time included. In more wind than the"
                        + " boat takes runs keep to the lee; in lightning hours, and 30 minutes after, the boat waits ashore or at a shelter.");
        page.closed(PlanCheck.offLimits(event, plan).stream().map(Spot::name).toList());
        page.margin(PlanValuation.ASSUMPTIONS.planning().checkInMarginMinutes());
        page.hours(Dates.clock(day.start(), zone) + " to " + Dates.clock(day.checkIn(), zone));
        page.dayName(Dates.day(day.date()));
        if (event.lake() != null) {
            page.map(routeMarks.of(key, event, plan, runs, legs, units));
        }
        if (!plan.stops().isEmpty()) {
            PlanStop last = plan.stops().getLast();
            leaveBy(event, plan, runs)
                    .ifPresent(l -> page.leaveBy("Leave " + PlanWords.spot(last.spotId(), event) + " for "
                            + RunWords.destination(l, event) + " by " + Dates.clock(l.at(), zone)
                            + (l.forShelter() ? ": lightning comes" : "")));
            page.ladder(backups.state(key, shown.id(), event, plan)
                    .map(BackgroundComputation.State::result)
                    .map(l -> ladder(l, event))
                    .orElse(null));
        }
    }

    /** When to leave the last stop at the latest; empty without stops, where there is no way home, or when it lies in lightning hours. */
    static Optional<Departures.LeaveBy> leaveBy(EventData event, Plan plan, DayRuns runs) {
        return plan.stops().isEmpty()
                ? Optional.empty()
                : new Departures(event, plan.day(), PlanValuation.ASSUMPTIONS.planning(), runs)
                        .from(
                                event.spot(plan.stops().getLast().spotId())
                                        .orElseThrow()
                                        .position(),
                                plan.stops().getLast().arrive())
                        .filter(l -> !l.at().isBefore(plan.stops().getLast().arrive()));
    }

    /** The rungs in short: one line each. */
    private static List<String> ladder(Backups.Ladder ladder, EventData event) {
        return ladder.backups().stream()
                .map(b -> (b.triggers().isEmpty()
                                ? "Without a trigger"
                                : PlanWords.trigger(b.triggers().getFirst(), event))
                        + ": go to "
                        + PatternWords.of(b.pattern(), event).toLowerCase(Locale.ROOT) + ", first "
                        + PlanWords.spot(b.stops().getFirst().spotId(), event) + ".")
                .toList();
    }

    private PlanValue value(
            EventKey key,
            EventData event,
            StoredPlan shown,
            Plan plan,
            Calibration calibration,
            Units units,
            PlanViewBuilder page) {
        PlanValue value = computation.value(key, event, plan.day(), plan.stops(), calibration);
        ScenarioSet scenarios = computation.scenarios(key, event, plan.day());
        page.value(value);
        double raw = value.formulaGrams() / calibration.factor();
        page.valueWords(valueWords(raw, calibration, scenarios.isAfterFishing(), units));
        page.limitChance(PlanWords.chance(value.chanceOfLimit()));
        page.targetChance(value.chanceOfTarget() == null ? null : PlanWords.chance(value.chanceOfTarget()));
        page.growth(growth(value, scenarios.model().bins().getFirst().start(), event.timeZone(), units));
        page.blown(blownWords(plan.stops().stream()
                .filter(s -> scenarios.model().isBlown(event.spot(s.spotId()).orElseThrow(), s.arrive(), s.leave()))
                .map(s -> PlanWords.spot(s.spotId(), event))
                .distinct()
                .toList()));
        if (shown.last() != null
                && !shown.last().before().isEmpty()
                && shown.last().before().stream()
                        .allMatch(s -> event.spot(s.spotId()).isPresent())) {
            double before =
                    computation.grams(key, event, plan.day(), shown.last().before());
            page.cost(PlanWords.difference((raw - before) * calibration.factor(), units));
        }
        return value;
    }

    /** Returns the note about stops in too much wind; null when there are none. */
    private static @Nullable String blownWords(List<String> spots) {
        return spots.isEmpty()
                ? null
                : "The forecast has more wind than your boat takes, over open water, while you are at "
                        + String.join(", ", spots)
                        + ": "
                        + PlanWords.chance(PlanValuation.ASSUMPTIONS.day().blownFactor())
                        + " of the bites are counted then.";
    }

    /** Returns how the projection was made. */
    private static String valueWords(double raw, Calibration calibration, boolean afterFishing, Units units) {
        return String.format(
                        Locale.ROOT,
                        "The projection is the plan's value of %s × %.2f: a plan that was chosen as the best looks better than it is,"
                                + " so it is scaled by what is usual%s. Plans are compared before that.",
                        units.weight(raw),
                        calibration.factor(),
                        calibration.events() > 0
                                ? " and by your finished days, " + calibration.events() + " so far"
                                : "")
                + (afterFishing ? " Spots of the first plan of the day before hold fewer fish." : "");
    }

    /**
     * The bag as it is expected to build, a column for each hour.
     *
     * @param label the weight where there is room for it; empty elsewhere
     */
    record Column(String hour, String weight, String label, double x, double y, double width, double height) {}

    private static List<Column> growth(PlanValue value, Instant start, ZoneId zone, Units units) {
        double most =
                value.byHour().stream().mapToDouble(Double::doubleValue).max().orElse(1);
        double width = CHART_WIDTH / value.byHour().size();
        int labelled = (int) Math.ceil(LABEL_WIDTH / width);
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < value.byHour().size(); i++) {
            double height = most > 0 ? CHART_HEIGHT * value.byHour().get(i) / most : 0;
            String weight = units.weight(value.byHour().get(i));
            columns.add(new Column(
                    Dates.clock(start.plus(Duration.ofHours(i + 1)), zone),
                    weight,
                    (value.byHour().size() - 1 - i) % labelled == 0 ? weight : "",
                    i * width + 4,
                    CHART_HEIGHT - height,
                    width - 8,
                    height));
        }
        return columns;
    }

    /**
     * A plan that a search found, beside the one it was asked for.
     *
     * @param title   what it is best at
     * @param against the plan shown, in V as forecast
     */
    @RecordBuilder
    record FoundRow(
            int index,
            String title,
            String weight,
            String against,
            String between,
            String limit,
            String target,
            String stops,
            String next) {}

    private void searched(
            EventKey key,
            EventData event,
            StoredPlan shown,
            Plan kept,
            double factor,
            Units units,
            PlanViewBuilder page) {
        BackgroundComputation.State<List<PlanSearch.Result>> state =
                search.state(key, shown.id(), event, shown.plan().day()).orElse(null);
        page.search(state);
        if (state != null && state.result() != null) {
            double now = factor * computation.grams(key, event, kept.day(), kept.stops());
            List<PlanSearch.Result> found = state.result();
            page.found(IntStream.range(0, found.size())
                    .mapToObj(i -> row(i, found.get(i), now, event, units))
                    .toList());
            List<PlanStop> locked =
                    shown.plan().stops().stream().filter(PlanStop::locked).toList();
            page.otherLocks(found.stream().anyMatch(f -> !f.locked().equals(locked)));
        }
    }

    private static FoundRow row(int index, PlanSearch.Result f, double now, EventData event, Units units) {
        List<PlanStop> next = f.next();
        boolean both = next != null;
        String saved = f.savedSpotId() == null ? "nothing saved" : "saving " + PlanWords.spot(f.savedSpotId(), event);
        String title = both ? saved : PlanWords.strategy(f.strategy());
        return PlanPageFoundRowBuilder.builder()
                .index(index)
                .title(title)
                .weight(units.weight(f.value().formulaGrams()) + (both ? " + " + units.weight(f.nextGrams()) : ""))
                .against(
                        both
                                ? "together " + units.weight(f.value().formulaGrams() + f.nextGrams())
                                : PlanWords.difference(f.value().formulaGrams() - now, units))
                .between(units.weight(f.value().p10()) + " – "
                        + units.weight(f.value().p50()) + " – "
                        + units.weight(f.value().p90()))
                .limit(PlanWords.chance(f.value().chanceOfLimit()))
                .target(
                        f.value().chanceOfTarget() == null
                                ? null
                                : PlanWords.chance(f.value().chanceOfTarget()))
                .stops(PlanWords.stops(f.stops(), event))
                .next(next == null ? null : PlanWords.stops(next, event))
                .build();
    }
}
