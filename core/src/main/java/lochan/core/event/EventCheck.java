package lochan.core.event;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lochan.core.Measure;
import lochan.core.ReasonCode;
import lochan.core.Violation;
import org.jspecify.annotations.Nullable;

/** Checks the rules of an event against each other; all violations are found at once. */
public final class EventCheck {

    private static final int MAX_ANGLERS = 2;
    private static final int MAX_LIMIT = 100;
    private static final int MAX_TAG = 20;
    private static final int MAX_NAME = 120;
    private static final double MAX_LENGTH_MM = 1500;
    private static final Duration LONGEST_DAY = Duration.ofHours(24);

    private final List<Violation> violations = new ArrayList<>();

    private EventCheck() {}

    public static List<Violation> check(Event event) {
        EventCheck rules = new EventCheck();
        rules.name(event.name());
        rules.counting(event);
        rules.species(event.rules().species());
        rules.penalties(event.rules().penalties());
        rules.gear(event.rules().gear());
        rules.scoring(event);
        rules.days(event);
        return List.copyOf(rules.violations);
    }

    private void name(String name) {
        if (name == null || name.isBlank()) {
            add("name", RuleProblem.NAME_MISSING);
        } else if (name.length() > MAX_NAME) {
            add("name", RuleProblem.NAME_LONG, name.length(), MAX_NAME);
        }
    }

    private void counting(Event event) {
        if (event.rules().format() != Format.EVERY_FISH && event.rules().limit() == null) {
            add("limit", RuleProblem.LIMIT_MISSING);
        } else if (event.rules().limit() != null
                && (event.rules().limit() < 1 || event.rules().limit() > MAX_LIMIT)) {
            add("limit", RuleProblem.LIMIT_RANGE, event.rules().limit(), MAX_LIMIT);
        }
        if (event.anglers() < 1 || event.anglers() > MAX_ANGLERS) {
            add("anglers", RuleProblem.ANGLERS_RANGE, event.anglers());
        }
        positive("targetGrams", RuleField.TARGET, event.rules().targetGrams());
        positive("scaleGrams", RuleField.SCALE_PRECISION, event.rules().scaleGrams());
    }

    private void species(List<SpeciesRule> species) {
        if (species.isEmpty()) {
            add("species", RuleProblem.NO_SPECIES);
        }
        Set<Species> seen = new HashSet<>();
        for (int i = 0; i < species.size(); i++) {
            SpeciesRule rule = species.get(i);
            if (!seen.add(rule.species())) {
                add("species/" + i + "/code", RuleProblem.SPECIES_TWICE, rule.species());
            }
            if (rule.minLengthMm() != null && !(rule.minLengthMm() > 0 && rule.minLengthMm() <= MAX_LENGTH_MM)) {
                add(
                        "species/" + i + "/minLengthMm",
                        RuleProblem.MIN_LENGTH_RANGE,
                        Measure.length(rule.minLengthMm()),
                        Measure.length(MAX_LENGTH_MM));
            }
            if (rule.minGrams() != null && !(rule.minGrams() > 0)) {
                add("species/" + i + "/minGrams", RuleProblem.MIN_WEIGHT_RANGE, rule.minGrams());
            }
            if (rule.slot() != null) {
                slot("species/" + i + "/slot", rule.slot());
            }
            if (rule.bagLimit() != null && rule.bagLimit() < 0) {
                add("species/" + i + "/bagLimit", RuleProblem.SPECIES_LIMIT_RANGE, rule.bagLimit());
            }
        }
    }

    private void slot(String at, SpeciesRule.Slot slot) {
        if (!(slot.fromMm() > 0 && slot.fromMm() <= slot.toMm() && slot.toMm() <= MAX_LENGTH_MM)) {
            add(
                    at + "/toMm",
                    RuleProblem.SLOT_ORDER,
                    Measure.length(slot.fromMm()),
                    Measure.length(slot.toMm()),
                    Measure.length(MAX_LENGTH_MM));
        }
        if (slot.over() != null && slot.over() < 0) {
            add(at + "/over", RuleProblem.OVER_SLOT_RANGE, slot.over());
        }
    }

    private void penalties(Penalties penalties) {
        notNegative("penalties/deadFishGrams", RuleField.DEAD_FISH_PENALTY, penalties.deadFishGrams());
        notNegative("penalties/lateGramsPerMinute", RuleField.LATE_PENALTY, penalties.lateGramsPerMinute());
        notNegative("penalties/lateDisqualifyMinutes", RuleField.LATE_DISQUALIFIED, penalties.lateDisqualifyMinutes());
        notNegative("penalties/shortFishGrams", RuleField.SHORT_FISH_PENALTY, penalties.shortFishGrams());
        notNegative("penalties/overLimitGrams", RuleField.OVER_LIMIT_PENALTY, penalties.overLimitGrams());
    }

    private void scoring(Event event) {
        Scoring scoring = event.rules().scoring();
        positive("scoring/lengthStepMm", RuleField.LENGTH_ROUNDING, scoring.lengthStepMm());
        Scoring.Cut cut = scoring.cut();
        if (cut != null
                && !(cut.afterDay() >= 1 && cut.afterDay() < event.days().size())) {
            add(
                    "scoring/cut/afterDay",
                    RuleProblem.CUT_DAY,
                    cut.afterDay(),
                    event.days().size());
        }
        if (cut != null && cut.places() < 1) {
            add("scoring/cut/places", RuleProblem.CUT_BOATS, cut.places());
        }
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < scoring.tags().size(); i++) {
            String tag = scoring.tags().get(i);
            if (tag.isBlank() || tag.length() > MAX_TAG) {
                add("scoring/tags/" + i, RuleProblem.TAG_LENGTH, tag.strip().length(), MAX_TAG);
            } else if (!seen.add(tag.strip().toLowerCase(java.util.Locale.ROOT))) {
                add("scoring/tags/" + i, RuleProblem.TAG_TWICE, tag);
            }
        }
    }

    private void gear(Gear gear) {
        if (gear.maxHooksPerRig() != null && !(gear.maxHooksPerRig() >= 0 && gear.maxHooksPerRig() <= MAX_LIMIT)) {
            add("gear/maxHooksPerRig", RuleProblem.HOOKS_RANGE, gear.maxHooksPerRig(), MAX_LIMIT);
        }
        if (gear.maxRods() != null && !(gear.maxRods() >= 1 && gear.maxRods() <= MAX_LIMIT)) {
            add("gear/maxRods", RuleProblem.RODS_RANGE, gear.maxRods(), MAX_LIMIT);
        }
    }

    private void days(Event event) {
        List<CompetitionDay> days = event.days();
        if (days.isEmpty()) {
            add("days", RuleProblem.NO_DAYS);
        }
        LocalDate previous = null;
        for (int i = 0; i < days.size(); i++) {
            CompetitionDay day = days.get(i);
            String at = "days/" + i + "/";
            if (!day.start().atZone(event.timeZone()).toLocalDate().equals(day.date())) {
                add(at + "start", RuleProblem.START_ON_OTHER_DATE, i + 1, day.date());
            }
            if (!day.checkIn().isAfter(day.start())) {
                add(at + "checkIn", RuleProblem.CHECK_IN_BEFORE_START, i + 1);
            } else if (Duration.between(day.start(), day.checkIn()).compareTo(LONGEST_DAY) > 0) {
                add(at + "checkIn", RuleProblem.DAY_TOO_LONG, i + 1);
            }
            if (previous != null && !day.date().isAfter(previous)) {
                add(at + "date", RuleProblem.DAYS_OUT_OF_ORDER, i + 1, i);
            }
            previous = day.date();
        }
    }

    private void positive(String field, RuleField figure, @Nullable Double value) {
        if (value != null && !(value > 0)) {
            add(field, RuleProblem.NOT_POSITIVE, figure, value);
        }
    }

    private void notNegative(String field, RuleField figure, @Nullable Double value) {
        if (value != null && !(value >= 0)) {
            add(field, RuleProblem.NEGATIVE, figure, value);
        }
    }

    private void add(String field, ReasonCode code, Object... values) {
        violations.add(new Violation(field, code, values));
    }
}
