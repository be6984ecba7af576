package lochan.web.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Calibration;
import lochan.core.planning.DayPlanner;
import lochan.core.planning.PlanRules;
import lochan.core.planning.PlanValue;
import lochan.core.planning.PlanValuer;
import lochan.core.planning.Stance;
import lochan.core.quantity.Units;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.core.water.Spot;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.form.Form;
import lochan.web.page.Dates;
import lochan.web.page.Undo;
import lochan.web.water.Waters;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Making plans by hand or having one suggested, and seeing what they are worth. */
@Controller
class PlanController {

    private static final int SPARE_ROWS = 1;
    private static final int MOST_STOPS = 40;
    private static final int SCENARIOS = 1000;
    private static final int SIMULATED_DAYS = 10_000;
    private static final int SUGGESTION_SCENARIOS = 200;
    /** About a second on two cores. */
    private static final int SUGGESTION_ROUNDS = 20;
    private static final long SEED = 1;
    private static final double CHART_WIDTH = 600;
    private static final double CHART_HEIGHT = 150;
    private static final double LABEL_WIDTH = 110;

    private final Plans plans;
    private final EventBook events;
    private final Accounts accounts;
    private final Forecasts forecasts;
    private final Waters waters;

    PlanController(Plans plans, EventBook events, Accounts accounts, Forecasts forecasts, Waters waters) {
        this.waters = waters;
        this.forecasts = forecasts;
        this.plans = plans;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/plan")
    String plan(EventKey key, @RequestParam(required = false) Long plan, Model model) {
        EventData event = events.event(key);
        List<StoredPlan> stored = plans.stored(key);
        StoredPlan shown = plan != null ? plans.stored(key, plan) : stored.isEmpty() ? null : stored.getFirst();
        return page(key, event, stored, shown, shown == null ? null : form(shown.plan(), event, accounts.units(key.accountId())), model);
    }

    private String page(EventKey key, EventData event, List<StoredPlan> stored, StoredPlan shown, Form form, Model model) {
        Units units = accounts.units(key.accountId());
        model.addAttribute("data", event);
        model.addAttribute("plans", stored);
        model.addAttribute("shown", shown);
        model.addAttribute("form", form);
        if (shown != null) {
            model.addAttribute("rows", rows(form));
            Plan plan = kept(shown.plan(), event);
            List<lochan.core.Violation> violations = PlanRules.check(event, plan);
            if (form.ok() && violations.isEmpty()) {
                value(event, plan, units, forecasts.calibration(key.accountId()), model);
            }
        }
        return "plan/plan";
    }

    /** The plan without stops at spots no longer marked. */
    static Plan kept(Plan plan, EventData event) {
        return new Plan(plan.day(), plan.name(), plan.stops().stream().filter(s -> event.spot(s.spotId()).isPresent()).toList());
    }

    private static int rows(Form form) {
        int filled = IntStream.range(0, MOST_STOPS).filter(i -> form.has("stops/" + i + "/spot") || form.has("stops/" + i + "/arrive")
                || form.has("stops/" + i + "/leave")).max().orElse(-1) + 1;
        return Math.min(MOST_STOPS, filled + SPARE_ROWS);
    }

    private static Form form(Plan plan, EventData event, Units units) {
        ZoneId zone = event.brief().timeZone();
        Form form = new Form(units).put("name", plan.name());
        List<PlanStop> stops = kept(plan, event).stops();
        for (int i = 0; i < stops.size(); i++) {
            PlanStop s = stops.get(i);
            form.put("stops/" + i + "/spot", s.spotId()).put("stops/" + i + "/presentation", s.presentationId())
                    .put("stops/" + i + "/arrive", s.arrive().atZone(zone).toLocalTime()).put("stops/" + i + "/leave", s.leave().atZone(zone).toLocalTime());
        }
        return form;
    }

    /** A run as the page shows it. */
    record LegRow(String to, String distance, long minutes, long shortMinutes, boolean reachable, boolean home) { }

    private void value(EventData event, Plan plan, Units units, Calibration calibration, Model model) {
        Assumptions assumptions = Assumptions.DEFAULTS;
        model.addAttribute("line", BeadLine.of(event, plan, assumptions.planning().checkInMarginMinutes()));
        List<LegRow> legs = PlanRules.legs(event, plan, assumptions.planning(), waters.runs(event)).stream().map(l -> new LegRow(
                event.spot(l.to()).map(s -> s.name()).orElse("check-in"), l.reachable() ? units.distance(l.run().metres()) : "no way by water",
                l.reachable() ? l.needed().plusSeconds(59).toMinutes() : 0, l.shortMinutes(), l.reachable(), l.to().equals("checkIn"))).toList();
        model.addAttribute("legs", legs);
        model.addAttribute("closed", PlanRules.offLimits(event, plan).stream().map(Spot::name).toList());
        model.addAttribute("late", legs.stream().anyMatch(l -> l.shortMinutes() > 0 || !l.reachable()));
        CompetitionDay day = event.brief().day(plan.day());
        model.addAttribute("margin", assumptions.planning().checkInMarginMinutes());
        model.addAttribute("hours", Dates.clock(day.start(), event.brief().timeZone()) + " to "
                + Dates.clock(day.checkIn(), event.brief().timeZone()));
        if (!plan.stops().isEmpty() && event.brief().format() != Format.LIMIT_LENGTH) {
            DayModel dayModel = new DayModel(event, plan.day(), assumptions);
            PlanValue value = new PlanValuer(new ScenarioSet(dayModel, SCENARIOS, SEED)).forecast(plan.stops(), SIMULATED_DAYS, calibration);
            model.addAttribute("value", value);
            model.addAttribute("calibration", calibration);
            model.addAttribute("rawGrams", value.formulaGrams() / calibration.factor());
            model.addAttribute("limitChance", chance(value.chanceOfLimit()));
            model.addAttribute("targetChance", value.chanceOfTarget() == null ? null : chance(value.chanceOfTarget()));
            model.addAttribute("growth", growth(value, dayModel, units));
        }
    }

    /** A chance in words that never claim certainty. */
    private static String chance(double p) {
        long percent = Math.round(100 * p);
        return percent >= 100 ? "over 99%" : percent <= 0 ? "under 1%" : percent + "%";
    }

    /**
     * The bag as it is expected to build, a column for each hour.
     *
     * @param label the weight where there is room for it; empty elsewhere
     */
    record Column(String hour, String weight, String label, double x, double y, double width, double height) { }

    private static List<Column> growth(PlanValue value, DayModel day, Units units) {
        double most = value.byHour().stream().mapToDouble(Double::doubleValue).max().orElse(1);
        double width = CHART_WIDTH / value.byHour().size();
        int labelled = (int) Math.ceil(LABEL_WIDTH / width);
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < value.byHour().size(); i++) {
            double height = most > 0 ? CHART_HEIGHT * value.byHour().get(i) / most : 0;
            Instant at = day.bins().getFirst().start().plus(Duration.ofHours(i + 1));
            String weight = units.weight(value.byHour().get(i));
            columns.add(new Column(Dates.clock(at, day.event().brief().timeZone()), weight, (value.byHour().size() - 1 - i) % labelled == 0 ? weight : "",
                    i * width + 4, CHART_HEIGHT - height, width - 8, height));
        }
        return columns;
    }

    @PostMapping("/events/{eventId}/plan/new")
    String add(EventKey key, @RequestParam(defaultValue = "1") int day) {
        EventData event = events.event(key);
        return show(key, plans.add(key, new Plan(Math.clamp(day, 1, event.brief().days().size()), null, List.of())));
    }

    @PostMapping("/events/{eventId}/plan/save")
    String save(EventKey key, @RequestParam long plan, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response,
                RedirectAttributes flash) {
        EventData event = events.event(key);
        StoredPlan before = plans.stored(key, plan);
        Form form = new Form(fields, accounts.units(key.accountId()));
        List<PlanStop> stops = read(form, event, before.plan().day());
        Plan read = new Plan(before.plan().day(), form.has("name") ? form.value("name") : null, stops);
        if (form.ok()) {
            form.violations(PlanRules.check(event, read));
        }
        if (form.value("name").length() > 80) {
            form.error("name", "The name has " + form.value("name").length() + " characters: 80 at most.");
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(key, event, plans.stored(key), before, form, model);
        }
        plans.replace(key, plan, read.name(), stops);
        Undo.offer(flash, "Plan saved.", "/events/" + key.eventId() + "/plan/undo?plan=" + plan);
        return show(key, plan);
    }

    /** The stops of a form in the order of their times; a row with no spot is no stop. */
    private static List<PlanStop> read(Form form, EventData event, int day) {
        CompetitionDay on = event.brief().day(day);
        ZoneId zone = event.brief().timeZone();
        List<PlanStop> stops = new ArrayList<>();
        for (int i = 0; i < MOST_STOPS; i++) {
            String at = "stops/" + i + "/";
            if (form.has(at + "spot")) {
                form.need(at + "presentation", "Choose what to fish there.");
                form.need(at + "arrive", "When do you arrive? Type a time as 06:30.");
                form.need(at + "leave", "When do you leave? Type a time as 07:30.");
                Instant arrive = onDay(form.time(at + "arrive"), on, zone);
                Instant leave = onDay(form.time(at + "leave"), on, zone);
                if (arrive != null && leave != null) {
                    stops.add(new PlanStop(form.value(at + "spot"), form.value(at + "presentation"), arrive, leave));
                }
            }
        }
        return stops;
    }

    /** A time of the clock on a day that may run past midnight. */
    private static Instant onDay(LocalTime time, CompetitionDay day, ZoneId zone) {
        if (time == null) {
            return null;
        }
        Instant at = day.date().atTime(time).atZone(zone).toInstant();
        boolean overnight = !day.checkIn().atZone(zone).toLocalDate().equals(day.date());
        return overnight && at.isBefore(day.start()) ? day.date().plusDays(1).atTime(time).atZone(zone).toInstant() : at;
    }

    @PostMapping("/events/{eventId}/plan/suggest")
    String suggest(EventKey key, @RequestParam(required = false) Long plan, @RequestParam(defaultValue = "1") int day,
                   @RequestParam(defaultValue = "steady") String stance, RedirectAttributes flash) {
        EventData event = events.event(key);
        StoredPlan current = plan == null ? null : plans.stored(key, plan);
        int on = current == null ? Math.clamp(day, 1, event.brief().days().size()) : current.plan().day();
        Stance aim = Coded.find(Stance.class, stance).orElse(Stance.STEADY);
        List<PlanStop> stops = event.brief().format() == Format.LIMIT_LENGTH ? List.of()
                : new DayPlanner(new ScenarioSet(new DayModel(event, on, Assumptions.DEFAULTS), SUGGESTION_SCENARIOS, SEED), waters.runs(event),
                        DayPlanner.Wishes.of(aim), SEED).plan(SUGGESTION_ROUNDS, i -> true);
        if (stops.isEmpty()) {
            flash.addFlashAttribute("trouble", "Nothing to suggest yet: log practice stops with what was fished, then ask again.");
            return current == null ? "redirect:/events/" + key.eventId() + "/plan" : show(key, current.id());
        }
        if (current != null && current.plan().stops().isEmpty()) {
            plans.replace(key, current.id(), current.plan().name(), stops);
            Undo.offer(flash, "Plan filled.", "/events/" + key.eventId() + "/plan/undo?plan=" + current.id());
            return show(key, current.id());
        }
        long id = plans.add(key, new Plan(on, "Suggested, " + aim.code().replace('-', ' '), stops));
        Undo.offer(flash, "A plan of its own was made; yours is as it was.", "/events/" + key.eventId() + "/plan/delete?plan=" + id);
        return show(key, id);
    }

    @PostMapping("/events/{eventId}/plan/undo")
    String undo(EventKey key, @RequestParam long plan) {
        plans.undo(key, plan);
        return show(key, plan);
    }

    @PostMapping("/events/{eventId}/plan/delete")
    String delete(EventKey key, @RequestParam long plan, RedirectAttributes flash) {
        plans.delete(key, plan);
        Undo.offer(flash, "Plan deleted.", "/events/" + key.eventId() + "/plan/restore?plan=" + plan);
        return "redirect:/events/" + key.eventId() + "/plan";
    }

    @PostMapping("/events/{eventId}/plan/restore")
    String restore(EventKey key, @RequestParam long plan) {
        plans.restore(key, plan);
        return show(key, plan);
    }

    private static String show(EventKey key, long plan) {
        return "redirect:/events/" + key.eventId() + "/plan?plan=" + plan;
    }
}
