package lochan.offline.bag;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import java.util.function.Function;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.Verdict;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
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
        Verdict verdict = requireNonNull(row.verdict());
        Fish fish = before.apply(row.fish());
        return switch (verdict.decision()) {
            case KEEP -> new Words(keep(row, event.rules().format()), room(row, event), "keep");
            case CULL -> cull(before.apply(verdict.released()), row, event, units);
            case BALANCE ->
                new Words(
                        Wording.text(
                                "bag.balance",
                                label(before.apply(verdict.first()), row.fish()),
                                label(before.apply(verdict.second()), row.fish())),
                        Wording.text(
                                event.rules().scoring().balanceOnly()
                                        ? "bag.balance-first"
                                        : "bag.scale-cant-separate"),
                        "balance");
            case RELEASE -> new Words(Wording.text("bag.release"), why(verdict, fish, row, event, units), "release");
        };
    }

    private static String keep(BagRow row, Format format) {
        return switch (format) {
            case LIMIT_WEIGHT -> Wording.text("bag.keep", row.tag());
            case EVERY_FISH -> Wording.text("bag.counts-release");
            case LIMIT_LENGTH -> Wording.text("bag.counts-photograph");
        };
    }

    private static String room(BagRow row, Event event) {
        int fish = row.bag().fish().size();
        if (event.rules().format() == Format.EVERY_FISH) {
            return Wording.text("bag.every-fish", fish);
        }
        return event.rules().limit() == null
                ? Wording.text("bag.room", fish)
                : Wording.text("bag.room-of", fish, event.rules().limit());
    }

    private static Words cull(Fish out, BagRow row, Event event, Units units) {
        return event.rules().format() == Format.LIMIT_LENGTH
                ? new Words(
                        Wording.text("bag.cull-by-length", units.length(out.mm())), Wording.text("bag.longer"), "cull")
                : new Words(Wording.text("bag.cull", name(out, units), row.tag()), Wording.text("bag.heavier"), "cull");
    }

    private static String why(Verdict verdict, Fish fish, BagRow row, Event event, Units units) {
        Optional<SpeciesRule> rule = event.rules().rule(fish.species());
        return switch (verdict.reason()) {
            case SHORT ->
                Wording.text(
                        "bag.short",
                        units.length(fish.mm()),
                        units.length(rule.map(SpeciesRule::minLengthMm).orElse(null)),
                        species(fish));
            case TOO_LIGHT -> notBigger(row, event, units);
            case SPECIES_FULL -> Wording.text("bag.species-full", species(fish));
            case NOTHING_TO_CULL -> Wording.text("bag.nothing-to-cull");
            case LIGHT ->
                Wording.text(
                        "bag.light",
                        units.weight(fish.grams()),
                        units.weight(rule.map(SpeciesRule::minGrams).orElse(null)));
            case IN_SLOT -> {
                SpeciesRule.Slot slot = rule.map(SpeciesRule::slot).orElseThrow();
                yield Wording.text(
                        "bag.in-slot", units.length(fish.mm()), units.length(slot.fromMm()), units.length(slot.toMm()));
            }
            case OVER_FULL -> Wording.text("bag.over-slot-full", species(fish));
            case NO_CULLING -> Wording.text("bag.no-culling");
            case ROOM, HEAVIER, TOO_CLOSE -> "";
        };
    }

    private static String notBigger(BagRow row, Event event, Units units) {
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            return Wording.text(
                    "bag.not-longer", units.length(row.bag().length().smallest()));
        }
        return row.bag().smallestGrams() == null
                ? Wording.text("bag.not-heavier")
                : Wording.text("bag.not-heavier-than", units.weight(row.bag().smallestGrams()));
    }

    private static String name(Fish fish, Units units) {
        return fish.tag() + (fish.grams() == null ? "" : " (" + units.weight(fish.grams()) + ")");
    }

    private static @Nullable String label(Fish fish, @Nullable String newFish) {
        return fish.id().equals(newFish) ? Wording.text("bag.the-new-fish") : fish.tag();
    }

    /** An entry of the log in a few words. */
    static String of(Entry entry, Function<String, Fish> fish, Names names, Units units) {
        return switch (entry) {
            case Entry.Catch c ->
                (c.species() == null ? Wording.text("bag.fish") : species(c.species())) + " "
                        + measures(c.grams(), c.mm(), units);
            case Entry.Balance b ->
                Wording.text("bag.entry-balance", tag(fish.apply(b.heavier())), tag(fish.apply(b.lighter())));
            case Entry.Died d -> Wording.text("bag.entry-died", tag(fish.apply(d.catchId())));
            case Entry.Correct c ->
                Wording.text("bag.entry-corrected", tag(fish.apply(c.catchId())), measures(c.grams(), c.mm(), units));
            case Entry.Void v -> Wording.text("bag.entry-void");
            case Entry.Official o ->
                Wording.text(
                        "bag.entry-official",
                        measures(o.grams(), o.mm(), units),
                        o.deadFish() == null || o.deadFish() == 0 ? "" : o.deadFish());
            case Entry.ScaleCheck s ->
                Wording.text("bag.entry-scale", units.weight(s.readGrams()), units.weight(s.knownGrams()));
            case Entry.LivewellReading w -> Wording.text("bag.entry-livewell", units.temperature(w.celsius()));
            case Entry.Fishing f ->
                f.spotId() == null
                        ? Wording.text("bag.entry-under-way")
                        : Wording.text("bag.entry-fishing", names.of(f.spotId(), f.presentationId()));
            case Entry.Loss l -> Wording.text("bag.entry-lost", l.way());
            case Entry.Bite s ->
                Wording.text(
                        "bag.entry-bite",
                        s.outcome() == null ? "" : s.outcome().code(),
                        s.lossWay() == null ? "" : s.lossWay().words());
        };
    }

    private static String measures(@Nullable Double grams, @Nullable Double mm, Units units) {
        return grams == null && mm == null
                ? Wording.text("bag.not-weighed")
                : (grams == null ? "" : units.weight(grams))
                        + (grams == null || mm == null ? "" : ", ")
                        + (mm == null ? "" : units.length(mm));
    }

    private static String tag(Fish fish) {
        return fish == null || fish.tag() == null ? Wording.text("bag.a-fish") : fish.tag();
    }

    /** Returns the species of a fish; one without a species breaks no rule of a species. */
    private static String species(Fish fish) {
        return species(requireNonNull(fish.species()));
    }

    private static String species(Species species) {
        return species.code();
    }
}
