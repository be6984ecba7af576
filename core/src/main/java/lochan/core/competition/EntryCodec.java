package lochan.core.competition;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import lochan.core.Coded;
import lochan.core.competition.Entry.Balance;
import lochan.core.competition.Entry.Bite;
import lochan.core.competition.Entry.Catch;
import lochan.core.competition.Entry.Correct;
import lochan.core.competition.Entry.Died;
import lochan.core.competition.Entry.Fishing;
import lochan.core.competition.Entry.LivewellReading;
import lochan.core.competition.Entry.Loss;
import lochan.core.competition.Entry.Official;
import lochan.core.competition.Entry.ScaleCheck;
import lochan.core.competition.Entry.Void;
import lochan.core.event.Species;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import org.jspecify.annotations.Nullable;

/**
 * How each kind of entry is named and which fields it has: the same in the event file, on the phone and in the records. A kind stands here
 * once, for reading and for writing.
 */
public final class EntryCodec {

    private static final double LIGHTEST_GRAMS = 1e-6;
    private static final double HEAVIEST_GRAMS = 30_000;
    private static final double SHORTEST_MM = 1e-6;
    private static final double LONGEST_MM = 1500;
    /** A bag's weight in g, or its length in mm. */
    private static final double MOST_OF_A_BAG = 1e9;

    private static final double WARMEST_LIVEWELL_CELSIUS = 40;
    private static final int MOST_FISH = 1000;
    private static final int DAY_MINUTES = 1440;
    private static final int LAST_PLACE = 1_000_000;
    public static final int LONGEST_TAG = 40;
    public static final int LONGEST_ENTERED = 80;

    private static final List<Kind<?>> KINDS = List.of(
            new Kind<>("catch", Catch.class, f -> EntryCatchBuilder.builder()
                    .id(f.id())
                    .at(f.at())
                    .species(f.species(Catch::species))
                    .grams(f.number("grams", LIGHTEST_GRAMS, HEAVIEST_GRAMS, Catch::grams))
                    .mm(f.number("mm", SHORTEST_MM, LONGEST_MM, Catch::mm))
                    .spotId(f.spot(Catch::spotId))
                    .presentationId(f.presentation(Catch::presentationId))
                    .alive(f.trueUnlessSaid("alive", Catch::alive))
                    .tag(f.text("tag", LONGEST_TAG, Catch::tag))
                    .entered(f.text("entered", LONGEST_ENTERED, Catch::entered))
                    .build()),
            new Kind<>(
                    "balance",
                    Balance.class,
                    f -> new Balance(
                            f.id(),
                            f.at(),
                            f.entry("heavier", Balance::heavier),
                            f.entry("lighter", Balance::lighter))),
            new Kind<>("died", Died.class, f -> new Died(f.id(), f.at(), f.entry("catch", Died::catchId))),
            new Kind<>(
                    "correct",
                    Correct.class,
                    f -> new Correct(
                            f.id(),
                            f.at(),
                            f.entry("catch", Correct::catchId),
                            f.number("grams", LIGHTEST_GRAMS, HEAVIEST_GRAMS, Correct::grams),
                            f.number("mm", SHORTEST_MM, LONGEST_MM, Correct::mm),
                            f.text("entered", LONGEST_ENTERED, Correct::entered))),
            new Kind<>("void", Void.class, f -> new Void(f.id(), f.at(), f.entry("entry", Void::entryId))),
            new Kind<>("official", Official.class, f -> EntryOfficialBuilder.builder()
                    .id(f.id())
                    .at(f.at())
                    .grams(f.number("grams", 0, MOST_OF_A_BAG, Official::grams))
                    .mm(f.number("mm", 0, MOST_OF_A_BAG, Official::mm))
                    .deadFish(f.whole("deadFish", 0, MOST_FISH, Official::deadFish))
                    .lateMinutes(f.number("lateMinutes", 0, DAY_MINUTES, Official::lateMinutes))
                    .shortFish(f.whole("shortFish", 0, MOST_FISH, Official::shortFish))
                    .overLimit(f.whole("overLimit", 0, MOST_FISH, Official::overLimit))
                    .place(f.whole("place", 1, LAST_PLACE, Official::place))
                    .biggestGrams(f.number("biggestGrams", 0, HEAVIEST_GRAMS, Official::biggestGrams))
                    .build()),
            new Kind<>(
                    "bite",
                    Bite.class,
                    f -> new Bite(
                            f.id(),
                            f.at(),
                            f.spot(Bite::spotId),
                            f.presentation(Bite::presentationId),
                            f.choice("outcome", Outcome.class, Bite::outcome),
                            f.choiceOrNull("lossWay", LossWay.class, Bite::lossWay))),
            new Kind<>(
                    "loss",
                    Loss.class,
                    f -> new Loss(
                            f.id(),
                            f.at(),
                            f.entry("entry", Loss::entryId),
                            f.choice("lossWay", LossWay.class, Loss::way))),
            new Kind<>(
                    "fishing",
                    Fishing.class,
                    f -> new Fishing(f.id(), f.at(), f.spot(Fishing::spotId), f.presentation(Fishing::presentationId))),
            new Kind<>(
                    "scale-check",
                    ScaleCheck.class,
                    f -> new ScaleCheck(
                            f.id(),
                            f.at(),
                            f.neededNumber("knownGrams", LIGHTEST_GRAMS, HEAVIEST_GRAMS, ScaleCheck::knownGrams),
                            f.neededNumber("readGrams", LIGHTEST_GRAMS, HEAVIEST_GRAMS, ScaleCheck::readGrams))),
            new Kind<>(
                    "livewell",
                    LivewellReading.class,
                    f -> new LivewellReading(
                            f.id(),
                            f.at(),
                            f.neededNumber("celsius", 0, WARMEST_LIVEWELL_CELSIUS, LivewellReading::celsius))));

    private EntryCodec() {}

    /**
     * A kind of entry.
     *
     * @param type   its name wherever it is written
     * @param fields makes the entry of its fields, asking for each of them once
     */
    public record Kind<E extends Entry>(String type, Class<E> of, Function<EntryFields<E>, E> fields) {

        private E read(EntryFields.Source from) {
            return fields.apply(new Reading<>(from));
        }
    }

    /** The kind that is called so; empty when none is. */
    public static Optional<Kind<?>> kind(String type) {
        return KINDS.stream().filter(k -> k.type().equals(type)).findFirst();
    }

    /** The names of all kinds, for messages. */
    public static String types() {
        return KINDS.stream().map(Kind::type).collect(Collectors.joining(", "));
    }

    /**
     * An entry of what was written by {@link #write}.
     *
     * @throws IllegalArgumentException when its type is none
     */
    public static Entry read(String type, EntryFields.Source from) {
        return kind(type)
                .orElseThrow(() -> new IllegalArgumentException(
                        "The type of an entry is \"" + type + "\": expected one of " + types() + "."))
                .read(from);
    }

    /** Writes the fields of an entry, without its type. */
    public static void write(Entry entry, EntryFields.Sink to) {
        write(kind(entry), entry, to);
    }

    private static <E extends Entry> void write(Kind<E> kind, Entry entry, EntryFields.Sink to) {
        Entry written = kind.fields().apply(new Writing<>(kind.of().cast(entry), to));
        if (!written.equals(entry)) {
            throw new IllegalStateException("The fields written of " + entry + " make another entry: " + written);
        }
    }

    /** What kind an entry is of. */
    public static Kind<?> kind(Entry entry) {
        return KINDS.stream()
                .filter(k -> k.of().isInstance(entry))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(entry.getClass() + " has no kind here"));
    }

    private record Reading<E extends Entry>(EntryFields.Source from) implements EntryFields<E> {

        @Override
        public String id() {
            return needed("id", from.text("id"));
        }

        @Override
        public Instant at() {
            return needed("at", from.time("at"));
        }

        @Override
        public String entry(String name, Function<E, String> of) {
            return needed(name, from.text(name));
        }

        @Override
        public @Nullable String spot(Function<E, String> of) {
            return from.text("spot");
        }

        @Override
        public @Nullable String presentation(Function<E, String> of) {
            return from.text("presentation");
        }

        @Override
        public @Nullable Species species(Function<E, Species> of) {
            return coded("species", Species.class);
        }

        @Override
        public @Nullable Double number(String name, double least, double most, Function<E, Double> of) {
            return from.number(name);
        }

        @Override
        public double neededNumber(String name, double least, double most, Function<E, Double> of) {
            return needed(name, from.number(name));
        }

        @Override
        public @Nullable Integer whole(String name, int least, int most, Function<E, Integer> of) {
            return from.whole(name);
        }

        @Override
        public boolean trueUnlessSaid(String name, Function<E, Boolean> of) {
            return !Boolean.FALSE.equals(from.truth(name));
        }

        @Override
        public @Nullable String text(String name, int longest, Function<E, String> of) {
            return from.text(name);
        }

        @Override
        public <C extends Enum<C> & Coded> C choice(String name, Class<C> type, Function<E, C> of) {
            return needed(name, coded(name, type));
        }

        @Override
        public <C extends Enum<C> & Coded> @Nullable C choiceOrNull(
                String name, Class<C> type, Function<E, @Nullable C> of) {
            return coded(name, type);
        }

        private <C extends Enum<C> & Coded> @Nullable C coded(String name, Class<C> type) {
            String code = from.text(name);
            return code == null
                    ? null
                    : Coded.find(type, code)
                            .orElseThrow(() -> new IllegalArgumentException("The " + name + " of an entry is \"" + code
                                    + "\": expected one of " + Coded.choices(type) + "."));
        }

        private static <T> T needed(String name, @Nullable T value) {
            if (value == null) {
                throw new IllegalArgumentException("An entry has no \"" + name + "\": expected one.");
            }
            return value;
        }
    }

    private record Writing<E extends Entry>(E entry, EntryFields.Sink to) implements EntryFields<E> {

        @Override
        public String id() {
            to.put("id", entry.id());
            return entry.id();
        }

        @Override
        public Instant at() {
            to.put("at", entry.at());
            return entry.at();
        }

        @Override
        public String entry(String name, Function<E, String> of) {
            return written(name, of.apply(entry));
        }

        @Override
        public @Nullable String spot(Function<E, String> of) {
            return written("spot", of.apply(entry));
        }

        @Override
        public @Nullable String presentation(Function<E, String> of) {
            return written("presentation", of.apply(entry));
        }

        @Override
        public @Nullable Species species(Function<E, Species> of) {
            Species value = of.apply(entry);
            to.put("species", value == null ? null : value.code());
            return value;
        }

        @Override
        public @Nullable Double number(String name, double least, double most, Function<E, Double> of) {
            Double value = of.apply(entry);
            to.put(name, value);
            return value;
        }

        @Override
        public double neededNumber(String name, double least, double most, Function<E, Double> of) {
            double value = of.apply(entry);
            to.put(name, value);
            return value;
        }

        @Override
        public @Nullable Integer whole(String name, int least, int most, Function<E, Integer> of) {
            Integer value = of.apply(entry);
            to.put(name, value);
            return value;
        }

        @Override
        public boolean trueUnlessSaid(String name, Function<E, Boolean> of) {
            Boolean value = of.apply(entry);
            to.put(name, value);
            return value;
        }

        @Override
        public @Nullable String text(String name, int longest, Function<E, String> of) {
            return written(name, of.apply(entry));
        }

        @Override
        public <C extends Enum<C> & Coded> C choice(String name, Class<C> type, Function<E, C> of) {
            C value = of.apply(entry);
            to.put(name, value.code());
            return value;
        }

        @Override
        public <C extends Enum<C> & Coded> @Nullable C choiceOrNull(
                String name, Class<C> type, Function<E, @Nullable C> of) {
            C value = of.apply(entry);
            if (value != null) {
                to.put(name, value.code());
            }
            return value;
        }

        private String written(String name, String value) {
            to.put(name, value);
            return value;
        }
    }
}
