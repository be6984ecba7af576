package lochan.web.rules;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.EventCheck;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.event.TieBreak;
import lochan.core.lake.SpotType;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The rules as a form, and back. Field names are those of the rules, so that its violations land beside them. */
final class RulesForm {

    /** Fields that are called otherwise on the form than in the rules. */
    private static final Map<String, String> FIELDS = Map.of("toMm", "slotTo", "over", "slotOver");

    /** Rows offered beyond those filled. */
    private static final int SPARE_ROWS = 1;

    static final int MOST_DAYS = 10;
    static final int MOST_PRACTICE_DAYS = 30;

    private RulesForm() {}

    record Input(Event event, Boat boat) {}

    static Form empty(ZoneId zone, LocalDate today, Units units) {
        Form form = new Form(units);
        form.put("timeZone", zone.getId())
                .put("format", Format.LIMIT_WEIGHT.code())
                .put("limit", 5)
                .put("anglers", 1);
        form.put("days/0/start", "06:00").put("days/0/checkIn", "15:00");
        form.put("species/0/counts", "on").put("species/0/minLengthMm", units.typedLength(355.6));
        putBoat(form, Boat.USUAL, units);
        return form;
    }

    static Form of(Event event, Boat boat, Units units) {
        Form form = new Form(units);
        Map<String, String> typed = event.entered();
        form.put("name", event.name())
                .put("timeZone", event.timeZone().getId())
                .put("format", event.rules().format().code())
                .put("limit", event.rules().limit())
                .put("anglers", event.anglers());
        form.put(
                "targetGrams",
                event.rules().targetGrams(),
                typed,
                QuantityText::grams,
                units.typedWeight(event.rules().targetGrams()));
        form.put(
                "scaleGrams",
                event.rules().scaleGrams(),
                typed,
                QuantityText::grams,
                event.rules().scaleGrams() == null
                        ? ""
                        : Math.round(event.rules().scaleGrams()) + " g");
        Penalties p = event.rules().penalties();
        form.put(
                "penalties/deadFishGrams",
                p.deadFishGrams(),
                typed,
                QuantityText::grams,
                units.typedWeight(p.deadFishGrams()));
        form.put(
                "penalties/lateGramsPerMinute",
                p.lateGramsPerMinute(),
                typed,
                QuantityText::grams,
                units.typedWeight(p.lateGramsPerMinute()));
        form.put(
                "penalties/shortFishGrams",
                p.shortFishGrams(),
                typed,
                QuantityText::grams,
                units.typedWeight(p.shortFishGrams()));
        form.put(
                "penalties/overLimitGrams",
                p.overLimitGrams(),
                typed,
                QuantityText::grams,
                units.typedWeight(p.overLimitGrams()));
        putScoring(form, event, units);
        form.put(
                "penalties/lateDisqualifyMinutes",
                p.lateDisqualifyMinutes() == null ? "" : plain(p.lateDisqualifyMinutes()));
        form.put("gear/maxHooksPerRig", event.rules().gear().maxHooksPerRig())
                .put("gear/banned", String.join(", ", event.rules().gear().banned()))
                .put("gear/maxRods", event.rules().gear().maxRods())
                .put("gear/liveBaitAllowed", event.rules().gear().liveBaitAllowed());
        for (int i = 0; i < event.days().size(); i++) {
            CompetitionDay day = event.days().get(i);
            form.put("days/" + i + "/date", day.date())
                    .put("days/" + i + "/start", clock(day.start(), event.timeZone()))
                    .put("days/" + i + "/checkIn", clock(day.checkIn(), event.timeZone()));
        }
        for (int i = 0; i < event.practice().size(); i++) {
            form.put("practice/" + i, event.practice().get(i));
        }
        for (Species species : Species.values()) {
            event.rules().rule(species).ifPresent(rule -> {
                String at = "species/" + species.ordinal() + "/";
                form.put(at + "counts", "on").put(at + "bagLimit", rule.bagLimit());
                form.put(
                        at + "minLengthMm",
                        rule.minLengthMm(),
                        under(at, rule.entered()),
                        QuantityText::mm,
                        units.typedLength(rule.minLengthMm()));
                form.put(
                        at + "minGrams",
                        rule.minGrams(),
                        under(at, rule.entered()),
                        QuantityText::grams,
                        units.typedWeight(rule.minGrams()));
                if (rule.slot() != null) {
                    form.put(
                            at + "slotFrom",
                            rule.slot().fromMm(),
                            under(at, rule.entered()),
                            QuantityText::mm,
                            units.typedLength(rule.slot().fromMm()));
                    form.put(
                            at + "slotTo",
                            rule.slot().toMm(),
                            under(at, rule.entered()),
                            QuantityText::mm,
                            units.typedLength(rule.slot().toMm()));
                    form.put(at + "slotOver", rule.slot().over());
                }
            });
        }
        form.put("launch", position(event.launch()));
        form.put("checkInAt", event.checkInAt().equals(event.launch()) ? "" : position(event.checkInAt()));
        putBoat(form, boat, units);
        return form;
    }

    private static void putScoring(Form form, Event event, Units units) {
        Scoring scoring = event.rules().scoring();
        form.put("culling", scoring.culling() ? "yes" : "no")
                .put("scoring/balanceOnly", scoring.balanceOnly() ? "yes" : "no")
                .put("scoring/tieBreak", scoring.tieBreak().code())
                .put("scoring/tags", String.join(", ", scoring.tags()));
        form.put(
                "scoring/lengthStepMm",
                scoring.lengthStepMm(),
                event.entered(),
                QuantityText::mm,
                units.typedLength(scoring.lengthStepMm()));
        if (scoring.cut() != null) {
            form.put("scoring/cut/afterDay", scoring.cut().afterDay())
                    .put("scoring/cut/places", scoring.cut().places());
        }
    }

    private static Scoring scoring(Form form) {
        Integer after = form.whole("scoring/cut/afterDay");
        Integer places = form.whole("scoring/cut/places");
        if ((after == null) != (places == null)
                && form.errors("scoring/cut/afterDay").isEmpty()
                && form.errors("scoring/cut/places").isEmpty()) {
            form.fail("scoring/cut/" + (after == null ? "afterDay" : "places"), "rules.cut-incomplete");
        }
        TieBreak tieBreak =
                form.has("scoring/tieBreak") ? form.choice("scoring/tieBreak", TieBreak.class) : TieBreak.NONE;
        List<String> tags = java.util.Arrays.stream(form.value("scoring/tags").split(","))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
        return new Scoring(
                !form.value("culling").equals("no"),
                form.value("scoring/balanceOnly").equals("yes"),
                form.quantity("scoring/lengthStepMm", QuantityText::mm),
                tieBreak == null ? TieBreak.NONE : tieBreak,
                after == null || places == null ? null : new Scoring.Cut(after, places),
                tags);
    }

    private static void putBoat(Form form, Boat boat, Units units) {
        form.put("runMps", boat.runMps(), boat.entered(), QuantityText::mps, units.typedSpeed(boat.runMps()))
                .put("roughMps", boat.roughMps(), boat.entered(), QuantityText::mps, units.typedSpeed(boat.roughMps()))
                .put(
                        "maxWindMps",
                        boat.maxWindMps(),
                        boat.entered(),
                        QuantityText::mps,
                        units.typedSpeed(boat.maxWindMps()))
                .put(
                        "maxRunWindMps",
                        boat.maxRunWindMps(),
                        boat.entered(),
                        QuantityText::mps,
                        units.typedSpeed(boat.maxRunWindMps()))
                .put("setUpMinutes", plain(boat.setUpMinutes()));
    }

    private static Map<String, String> under(String parent, Map<String, String> entered) {
        Map<String, String> named = new HashMap<>();
        entered.forEach((k, v) -> named.put(parent + k, v));
        return named;
    }

    private static String plain(double number) {
        return java.math.BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
    }

    private static String position(Position p) {
        return PositionText.typed(p);
    }

    private static String clock(Instant time, ZoneId zone) {
        return time.atZone(zone).toLocalTime().toString();
    }

    static int dayRows(Form form) {
        return rows(form, "days/%d/date", MOST_DAYS);
    }

    static int practiceRows(Form form) {
        return rows(form, "practice/%d", MOST_PRACTICE_DAYS);
    }

    private static int rows(Form form, String field, int most) {
        int filled = 0;
        for (int i = 0; i < most; i++) {
            if (form.has(field.formatted(i))) {
                filled = i + 1;
            }
        }
        return Math.min(most, filled + SPARE_ROWS);
    }

    /**
     * Reads the form; empty when something is wrong, with the errors at their fields.
     *
     * @param boatBefore what the form does not ask of the boat
     */
    static Optional<Input> read(Form form, Boat boatBefore) {
        form.needs("timeZone", "rules.time-zone-missing");
        form.needs("launch", "rules.launch-missing");
        ZoneId zone = zone(form);
        Integer limit = form.whole("limit");
        Integer anglers = form.whole("anglers");
        Format format = form.choice("format", Format.class);
        Double target = form.quantity("targetGrams", QuantityText::grams);
        Double scale = form.quantity("scaleGrams", QuantityText::grams);
        Penalties penalties = new Penalties(
                form.quantity("penalties/deadFishGrams", QuantityText::grams),
                form.quantity("penalties/lateGramsPerMinute", QuantityText::grams),
                form.number("penalties/lateDisqualifyMinutes"),
                form.quantity("penalties/shortFishGrams", QuantityText::grams),
                form.quantity("penalties/overLimitGrams", QuantityText::grams));
        Scoring scoring = scoring(form);
        Gear gear = new Gear(
                form.whole("gear/maxHooksPerRig"),
                java.util.Arrays.stream(form.value("gear/banned").split(","))
                        .map(SpotType::code)
                        .filter(s -> !s.isEmpty())
                        .toList(),
                form.whole("gear/maxRods"),
                form.truth("gear/liveBaitAllowed"));
        Map<String, String> entered = form.entered();
        List<SpeciesRule> species = species(form);
        List<CompetitionDay> days = zone == null ? List.of() : days(form, zone);
        List<LocalDate> practice = practice(form);
        Position launch = form.position("launch");
        Position checkInAt = form.position("checkInAt");
        Boat boat = boat(form, boatBefore);
        if (zone == null || format == null || launch == null) {
            if (format == null && form.errors("format").isEmpty()) {
                form.fail("format", "rules.format-missing");
            }
            return Optional.empty();
        }
        Event event = new Event(
                form.value("name"),
                zone,
                anglers == null ? 1 : anglers,
                practice,
                days,
                new Event.Ramp(launch, checkInAt == null ? launch : checkInAt),
                new Rules(format, limit, target, scale, species, scoring, penalties, gear),
                entered);
        EventCheck.check(event).stream()
                .filter(v -> form.errors(v.field()).isEmpty())
                .map(v -> onForm(v, species))
                .forEach(form::violation);
        return form.ok() ? Optional.of(new Input(event, boat)) : Optional.empty();
    }

    /** The form has a row for every species there is; the rules have those that count. */
    private static Violation onForm(Violation v, List<SpeciesRule> species) {
        if (v.field().startsWith("scoring/tags/")) {
            return v.at("scoring/tags");
        }
        String[] path = v.field().split("/");
        return path[0].equals("species") && path.length >= 3
                ? v.at("species/"
                        + species.get(Integer.parseInt(path[1])).species().ordinal() + "/"
                        + FIELDS.getOrDefault(path[path.length - 1], path[path.length - 1]))
                : v;
    }

    private static @Nullable ZoneId zone(Form form) {
        try {
            return form.has("timeZone") ? ZoneId.of(form.value("timeZone")) : null;
        } catch (DateTimeException e) {
            form.fail("timeZone", "rules.time-zone", form.value("timeZone"));
            return null;
        }
    }

    private static List<SpeciesRule> species(Form form) {
        List<SpeciesRule> rules = new ArrayList<>();
        for (Species species : Species.values()) {
            String at = "species/" + species.ordinal() + "/";
            if (form.has(at + "counts")) {
                Double mm = form.quantity(at + "minLengthMm", QuantityText::mm);
                Double grams = form.quantity(at + "minGrams", QuantityText::grams);
                rules.add(new SpeciesRule(
                        species, mm, grams, slot(form, at), form.whole(at + "bagLimit"), entered(form, at)));
            }
        }
        return rules;
    }

    private static SpeciesRule.@Nullable Slot slot(Form form, String at) {
        Double from = form.quantity(at + "slotFrom", QuantityText::mm);
        Double to = form.quantity(at + "slotTo", QuantityText::mm);
        Integer over = form.whole(at + "slotOver");
        if ((from == null) != (to == null)
                && form.errors(at + "slotFrom").isEmpty()
                && form.errors(at + "slotTo").isEmpty()) {
            form.fail(at + (from == null ? "slotFrom" : "slotTo"), "rules.slot-one-end");
        }
        return from == null || to == null ? null : new SpeciesRule.Slot(from, to, over);
    }

    /** Quantities of a species as they were typed. */
    private static Map<String, String> entered(Form form, String at) {
        Map<String, String> entered = new java.util.HashMap<>();
        form.entered().forEach((field, typed) -> {
            if (field.startsWith(at)) {
                entered.put(field.substring(at.length()), typed);
            }
        });
        return entered;
    }

    private static List<CompetitionDay> days(Form form, ZoneId zone) {
        List<CompetitionDay> days = new ArrayList<>();
        for (int i = 0; i < MOST_DAYS; i++) {
            String at = "days/" + i + "/";
            LocalDate date = form.date(at + "date");
            if (date != null) {
                LocalTime start = form.time(at + "start");
                LocalTime checkIn = form.time(at + "checkIn");
                form.needs(at + "start", "rules.start-missing", i + 1);
                form.needs(at + "checkIn", "rules.check-in-missing", i + 1);
                if (start != null && checkIn != null) {
                    // A check-in earlier on the clock than the start is the next morning's: events fish through the
                    // night.
                    LocalDate ends = checkIn.isBefore(start) ? date.plusDays(1) : date;
                    days.add(new CompetitionDay(
                            date,
                            date.atTime(start).atZone(zone).toInstant(),
                            ends.atTime(checkIn).atZone(zone).toInstant()));
                }
            }
        }
        return days;
    }

    private static List<LocalDate> practice(Form form) {
        List<LocalDate> dates = new ArrayList<>();
        for (int i = 0; i < MOST_PRACTICE_DAYS; i++) {
            LocalDate date = form.date("practice/" + i);
            if (date != null) {
                dates.add(date);
            }
        }
        return dates.stream().distinct().sorted().toList();
    }

    private static Boat boat(Form form, Boat before) {
        Double run = form.quantity("runMps", QuantityText::mps);
        Double rough = form.quantity("roughMps", QuantityText::mps);
        Double wind = windLimit(form, "maxWindMps");
        Double runWind = windLimit(form, "maxRunWindMps");
        Double settle = form.number("setUpMinutes");
        if (run != null && !(run >= 0.5 && run <= 60)) {
            form.fail("runMps", "rules.run-speed", form.value("runMps"));
        }
        if (rough != null && !(rough >= 0.5 && rough <= 60)) {
            form.fail("roughMps", "rules.rough-speed", form.value("roughMps"));
        }
        if (settle != null && !(settle >= 0 && settle <= 120)) {
            form.fail("setUpMinutes", "rules.set-up-time", form.value("setUpMinutes"));
        }
        return new Boat(
                run == null ? before.runMps() : run,
                rough == null ? before.roughMps() : rough,
                settle == null ? before.setUpMinutes() : settle,
                wind,
                runWind,
                before.fuelLitres(),
                before.litresPerKm(),
                form.entered("runMps", "roughMps", "maxWindMps", "maxRunWindMps"));
    }

    private static @Nullable Double windLimit(Form form, String field) {
        Double wind = form.quantity(field, QuantityText::mps);
        if (wind != null && !(wind >= 1 && wind <= 40)) {
            form.fail(field, "rules.wind-limit");
        }
        return wind;
    }
}
