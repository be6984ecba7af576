package lochan.core.event;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lochan.core.Violation;
import org.jspecify.annotations.Nullable;

/** Checks the rules of an event against each other; all violations are found at once. */
public final class EventCheck {

    private static final int MAX_ANGLERS = 2;
    private static final int MAX_LIMIT = 100;
    private static final int MAX_TAG = 20;
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
            add("name", "The event has no name: give it one.");
        } else if (name.length() > 120) {
            add("name", "The name has " + name.length() + " characters: 120 at most.");
        }
    }

    private void counting(Event event) {
        if (event.rules().format() != Format.EVERY_FISH && event.rules().limit() == null) {
            add("limit", "The limit is missing: give the number of fish that count, usually 5.");
        } else if (event.rules().limit() != null
                && (event.rules().limit() < 1 || event.rules().limit() > MAX_LIMIT)) {
            add("limit", "The limit is " + event.rules().limit() + ": expected 1 to " + MAX_LIMIT + " fish.");
        }
        if (event.anglers() < 1 || event.anglers() > MAX_ANGLERS) {
            add("anglers", "Anglers is " + event.anglers() + ": expected 1, or 2 for a team.");
        }
        positive("targetGrams", "The target", event.rules().targetGrams());
        positive("scaleGrams", "The scale's resolution", event.rules().scaleGrams());
    }

    private void species(List<SpeciesRule> species) {
        if (species.isEmpty()) {
            add("species", "No species counts: choose at least one.");
        }
        Set<Species> seen = new HashSet<>();
        for (int i = 0; i < species.size(); i++) {
            SpeciesRule rule = species.get(i);
            if (!seen.add(rule.species())) {
                add(
                        "species/" + i + "/code",
                        "The species " + rule.species().code() + " stands twice: keep one rule for it.");
            }
            if (rule.minLengthMm() != null && !(rule.minLengthMm() > 0 && rule.minLengthMm() <= MAX_LENGTH_MM)) {
                add(
                        "species/" + i + "/minLengthMm",
                        "The minimum length is " + rule.minLengthMm()
                                + " mm: expected more than 0 and at most 1500 mm (59 in), or nothing when every length is legal.");
            }
            if (rule.minGrams() != null && !(rule.minGrams() > 0)) {
                add(
                        "species/" + i + "/minGrams",
                        "The least weight is " + rule.minGrams()
                                + " g: expected more than 0, or nothing when every weight is legal.");
            }
            if (rule.slot() != null) {
                slot("species/" + i + "/slot", rule.slot());
            }
            if (rule.bagLimit() != null && rule.bagLimit() < 0) {
                add(
                        "species/" + i + "/bagLimit",
                        "The species limit is " + rule.bagLimit() + ": expected 0 or more, or nothing.");
            }
        }
    }

    private void slot(String at, SpeciesRule.Slot slot) {
        if (!(slot.fromMm() > 0 && slot.fromMm() <= slot.toMm() && slot.toMm() <= MAX_LENGTH_MM)) {
            add(
                    at + "/toMm",
                    "The slot runs from " + slot.fromMm() + " to " + slot.toMm()
                            + " mm: expected two lengths above 0, the shorter first, at most 1500 mm (59 in).");
        }
        if (slot.over() != null && slot.over() < 0) {
            add(
                    at + "/over",
                    "Fish over the slot is " + slot.over()
                            + ": expected 0 or more, or nothing when they have no limit of their own.");
        }
    }

    private void penalties(Penalties penalties) {
        notNegative("penalties/deadFishGrams", "The dead-fish penalty", penalties.deadFishGrams());
        notNegative("penalties/lateGramsPerMinute", "The penalty per minute late", penalties.lateGramsPerMinute());
        notNegative(
                "penalties/lateDisqualifyMinutes",
                "The minutes until a late bag counts nothing",
                penalties.lateDisqualifyMinutes());
        notNegative("penalties/shortFishGrams", "The short-fish penalty", penalties.shortFishGrams());
        notNegative("penalties/overLimitGrams", "The penalty for a fish above the limit", penalties.overLimitGrams());
    }

    private void scoring(Event event) {
        Scoring scoring = event.rules().scoring();
        positive("scoring/lengthStepMm", "The step of lengths", scoring.lengthStepMm());
        Scoring.Cut cut = scoring.cut();
        if (cut != null
                && !(cut.afterDay() >= 1 && cut.afterDay() < event.days().size())) {
            add(
                    "scoring/cut/afterDay",
                    "The cut is after day " + cut.afterDay() + " of "
                            + event.days().size() + ": expected a day that another one follows.");
        }
        if (cut != null && cut.places() < 1) {
            add("scoring/cut/places", "Boats that go on after the cut is " + cut.places() + ": expected 1 or more.");
        }
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < scoring.tags().size(); i++) {
            String tag = scoring.tags().get(i);
            if (tag.isBlank() || tag.length() > MAX_TAG) {
                add(
                        "scoring/tags/" + i,
                        "A tag has " + tag.strip().length() + " characters: expected 1 to " + MAX_TAG + ".");
            } else if (!seen.add(tag.strip().toLowerCase(java.util.Locale.ROOT))) {
                add("scoring/tags/" + i, "The tag " + tag + " stands twice: every tag needs a name of its own.");
            }
        }
    }

    private void gear(Gear gear) {
        if (gear.maxHooksPerRig() != null && !(gear.maxHooksPerRig() >= 0 && gear.maxHooksPerRig() <= MAX_LIMIT)) {
            add(
                    "gear/maxHooksPerRig",
                    "Hooks on one rig is " + gear.maxHooksPerRig()
                            + ": expected 0 to 100, or nothing when it is not limited.");
        }
        if (gear.maxRods() != null && !(gear.maxRods() >= 1 && gear.maxRods() <= MAX_LIMIT)) {
            add(
                    "gear/maxRods",
                    "Rods on deck is " + gear.maxRods() + ": expected 1 to 100, or nothing when they are not limited.");
        }
    }

    private void days(Event event) {
        List<CompetitionDay> days = event.days();
        if (days.isEmpty()) {
            add("days", "The event has no competition day: add at least one.");
        }
        LocalDate previous = null;
        for (int i = 0; i < days.size(); i++) {
            CompetitionDay day = days.get(i);
            String at = "days/" + i + "/";
            if (!day.start().atZone(event.timeZone()).toLocalDate().equals(day.date())) {
                add(
                        at + "start",
                        "Day " + (i + 1) + " starts on another date than " + day.date()
                                + ": correct the date or the start.");
            }
            if (!day.checkIn().isAfter(day.start())) {
                add(at + "checkIn", "Check-in of day " + (i + 1) + " is not after its start: give a later time.");
            } else if (Duration.between(day.start(), day.checkIn()).compareTo(LONGEST_DAY) > 0) {
                add(
                        at + "checkIn",
                        "Check-in of day " + (i + 1) + " is more than 24 hours after its start: give an earlier time.");
            }
            if (previous != null && !day.date().isAfter(previous)) {
                add(at + "date", "Day " + (i + 1) + " is not after day " + i + ": put the days in order, each once.");
            }
            previous = day.date();
        }
    }

    private void positive(String field, String what, @Nullable Double value) {
        if (value != null && !(value > 0)) {
            add(field, what + " is " + value + ": expected more than 0, or nothing.");
        }
    }

    private void notNegative(String field, String what, @Nullable Double value) {
        if (value != null && !(value >= 0)) {
            add(field, what + " is " + value + ": expected 0 or more, or nothing.");
        }
    }

    private void add(String field, String message) {
        violations.add(new Violation(field, message));
    }
}
