package lochan.offline.bag;

import static java.util.Objects.requireNonNull;

import java.util.function.Function;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.Verdict;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.SpeciesRule;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * A decision in words, large enough to act on at arm's length.
 *
 * @param act  what to do
 * @param why  the rule behind it
 * @param tone {@code keep}, {@code cull}, {@code release} or {@code balance}: the look of it
 */
public record Words(String act, String why, String tone) {

    /** What a row's verdict says, given the fish as the log knew them before it. */
    static Words of(BagRow row, Function<String, Fish> before, Event event, Units units) {
        Verdict verdict = requireNonNull(row.verdict(), "the entry decided nothing");
        Fish fish = before.apply(row.fish());
        return switch (verdict.decision()) {
            case KEEP -> new Words(keep(row, event.rules().format()), room(row, event), "keep");
            case CULL -> cull(before.apply(verdict.released()), row, event, units);
            case BALANCE ->
                new Words(
                        "Put " + label(before.apply(verdict.first()), row.fish()) + " and "
                                + label(before.apply(verdict.second()), row.fish()) + " on the balance.",
                        (event.rules().scoring().balanceOnly() ? "" : "The scale cannot tell them apart. ")
                                + "Decide this before logging anything else.",
                        "balance");
            case RELEASE -> new Words("Release the new fish.", why(verdict, fish, row, event, units), "release");
        };
    }

    private static String keep(BagRow row, Format format) {
        return switch (format) {
            case LIMIT_WEIGHT -> "Keep it. Tag " + row.tag() + ".";
            case EVERY_FISH -> "It counts. Release it.";
            case LIMIT_LENGTH -> "It counts. Photograph it, then release it.";
        };
    }

    private static String room(BagRow row, Event event) {
        int fish = row.bag().fish().size();
        return event.rules().format() == Format.EVERY_FISH
                ? "Every fish counts: " + fish + " so far. Let it go at once."
                : "There is room: fish " + fish
                        + (event.rules().limit() == null
                                ? "."
                                : " of " + event.rules().limit() + ".");
    }

    private static Words cull(Fish out, BagRow row, Event event, Units units) {
        return event.rules().format() == Format.LIMIT_LENGTH
                ? new Words(
                        "It counts instead of the " + units.length(out.mm()) + ". Photograph it, then release it.",
                        "The new fish is the longer one.",
                        "cull")
                : new Words(
                        "Cull " + name(out, units) + ". Put " + row.tag() + " on the new fish.",
                        "The new fish is the heavier one.",
                        "cull");
    }

    private static String why(Verdict verdict, Fish fish, BagRow row, Event event, Units units) {
        boolean byLength = event.rules().format() == Format.LIMIT_LENGTH;
        String least = byLength ? "the shortest that counts" : "the lightest fish of the bag";
        return switch (verdict.reason()) {
            case SHORT ->
                "Short: " + units.length(fish.mm()) + ", your rules say "
                        + units.length(event.rules()
                                .rule(fish.species())
                                .map(SpeciesRule::minLengthMm)
                                .orElse(null)) + " at least for "
                        + code(fish) + ".";
            case TOO_LIGHT ->
                "It does not beat " + least
                        + (byLength
                                ? after(units.length(row.bag().length().smallest()))
                                : row.bag().smallestGrams() == null
                                        ? "."
                                        : after(units.weight(row.bag().smallestGrams())));
            case SPECIES_FULL ->
                "Your limit for " + code(fish) + " is full, and it is no better than the smallest of them.";
            case NOTHING_TO_CULL ->
                "The limit is full and every fish in the livewell is dead: a dead fish cannot be culled.";
            case LIGHT ->
                "Light: " + units.weight(fish.grams()) + ", your rules say "
                        + units.weight(event.rules()
                                .rule(fish.species())
                                .map(SpeciesRule::minGrams)
                                .orElse(null)) + " at least.";
            case IN_SLOT -> {
                SpeciesRule.Slot slot = event.rules()
                        .rule(fish.species())
                        .map(SpeciesRule::slot)
                        .orElseThrow();
                yield "In the slot: " + units.length(fish.mm()) + ", your rules protect " + units.length(slot.fromMm())
                        + " to " + units.length(slot.toMm()) + ".";
            }
            case OVER_FULL ->
                "Your rules allow no more " + code(fish)
                        + " over the slot, and it is no better than the smallest of them.";
            case NO_CULLING -> "The limit is full, and your rules do not allow culling.";
            case ROOM, HEAVIER, TOO_CLOSE -> "";
        };
    }

    private static String after(String measure) {
        return ", " + measure + ".";
    }

    private static String name(Fish fish, Units units) {
        return fish.tag() + (fish.grams() == null ? "" : " (" + units.weight(fish.grams()) + ")");
    }

    private static @Nullable String label(Fish fish, @Nullable String newFish) {
        return fish.id().equals(newFish) ? "the new fish" : fish.tag();
    }

    /** An entry of the log in a few words. */
    static String of(Entry entry, Function<String, Fish> fish, Names names, Units units) {
        return switch (entry) {
            case Entry.Catch c ->
                (c.species() == null ? "Fish" : c.species().code()) + " " + measures(c.grams(), c.mm(), units);
            case Entry.Balance b ->
                "Balance: " + tag(fish.apply(b.heavier())) + " heavier than " + tag(fish.apply(b.lighter()));
            case Entry.Died d -> tag(fish.apply(d.catchId())) + " died";
            case Entry.Correct c ->
                "Corrected " + tag(fish.apply(c.catchId())) + " to " + measures(c.grams(), c.mm(), units);
            case Entry.Void v -> "Voided an entry";
            case Entry.Official o ->
                "Official " + measures(o.grams(), o.mm(), units)
                        + (o.deadFish() == null || o.deadFish() == 0 ? "" : ", " + o.deadFish() + " dead");
            case Entry.ScaleCheck s ->
                "Scale reads " + units.weight(s.readGrams()) + " for " + units.weight(s.knownGrams());
            case Entry.LivewellReading w -> "Livewell " + units.temperature(w.celsius());
            case Entry.Fishing f ->
                f.spotId() == null ? "Under way" : "Fishing " + names.of(f.spotId(), f.presentationId());
            case Entry.Loss l -> "Lost: " + l.way().words();
            case Entry.Bite s ->
                "Bite " + (s.outcome() == null ? "" : s.outcome().code())
                        + (s.lossWay() == null ? "" : ", " + s.lossWay().words());
        };
    }

    private static String measures(@Nullable Double grams, @Nullable Double mm, Units units) {
        return grams == null && mm == null
                ? "not weighed"
                : (grams == null ? "" : units.weight(grams))
                        + (grams == null || mm == null ? "" : ", ")
                        + (mm == null ? "" : units.length(mm));
    }

    private static String tag(Fish fish) {
        return fish == null || fish.tag() == null ? "a fish" : fish.tag();
    }

    /** Its species; a fish whose species is not told breaks no rule of one. */
    private static String code(Fish fish) {
        return requireNonNull(fish.species()).code();
    }
}
