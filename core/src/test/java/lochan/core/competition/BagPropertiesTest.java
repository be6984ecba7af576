package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import lochan.core.Sample;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every log, on seeded logs of all shapes. */
@Tag("slow")
class BagPropertiesTest {

    private static final int LOGS = Boolean.getBoolean("lochan.long") ? 300 : 120;
    private static final double GRAM = 1e-6;
    private static final List<Species> SPECIES = List.of(Species.LARGEMOUTH, Species.SMALLMOUTH, Species.SPOTTED);

    static IntStream seeds() {
        return IntStream.range(0, LOGS);
    }

    /** A limit of 1 to 6, and for each species perhaps a minimum length, a least weight, a slot and a limit of its own. */
    private static Event event(Random random, Double scaleGrams) {
        List<SpeciesRule> rules = SPECIES.stream()
                .map(s -> new SpeciesRule(
                        s,
                        random.nextBoolean() ? 300.0 : null,
                        random.nextInt(4) == 0 ? 400.0 : null,
                        random.nextBoolean()
                                ? new SpeciesRule.Slot(320, 345, random.nextBoolean() ? random.nextInt(3) : null)
                                : null,
                        random.nextBoolean() ? random.nextInt(4) : null,
                        java.util.Map.of()))
                .toList();
        return Sample.tournament(Format.LIMIT_WEIGHT, 1 + random.nextInt(6), rules, scaleGrams);
    }

    private static List<Entry.Catch> catches(Random random, int most) {
        List<Integer> grams = new ArrayList<>(
                IntStream.range(0, most).map(i -> 300 + 37 * i).boxed().toList());
        Collections.shuffle(grams, random);
        return IntStream.range(0, 1 + random.nextInt(most))
                .mapToObj(i -> Sample.fish(
                        "c" + i,
                        SPECIES.get(random.nextInt(3)),
                        (double) grams.get(i),
                        random.nextInt(3) == 0 ? null : 250.0 + random.nextInt(150)))
                .toList();
    }

    private static double total(BagLog log) {
        return log.bag(1).totalGrams();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void inAnyOrderTheLivewellHoldsTheBestLegalFish(int seed) {
        Random random = new Random(seed);
        Event event = event(random, null);
        List<Entry.Catch> catches = new ArrayList<>(catches(random, 10));
        double best = bestLegal(event, catches);

        for (int order = 0; order < 5; order++) {
            Collections.shuffle(catches, random);
            assertThat(total(BagLog.replay(event, List.copyOf(catches)))).isCloseTo(best, within(GRAM));
        }
    }

    /** The heaviest set of legal fish within all limits, by trying them all. */
    private static double bestLegal(Event event, List<Entry.Catch> catches) {
        double best = 0;
        for (int set = 0; set < 1 << catches.size(); set++) {
            int chosen = set;
            List<Entry.Catch> fish = IntStream.range(0, catches.size())
                    .filter(i -> (chosen >> i & 1) == 1)
                    .mapToObj(catches::get)
                    .toList();
            if (fish.size() <= event.rules().limit()
                    && fish.stream().allMatch(f -> isLegal(event, f))
                    && keepsSpeciesLimits(event, fish)) {
                best = Math.max(
                        best, fish.stream().mapToDouble(Entry.Catch::grams).sum());
            }
        }
        return best;
    }

    private static boolean isLegal(Event event, Entry.Catch fish) {
        SpeciesRule rule = event.rules().rule(fish.species()).orElseThrow();
        boolean longEnough = rule.minLengthMm() == null || fish.mm() == null || fish.mm() >= rule.minLengthMm();
        boolean heavyEnough = rule.minGrams() == null || fish.grams() >= rule.minGrams();
        return longEnough
                && heavyEnough
                && !(rule.slot() != null && fish.mm() != null && rule.slot().holds(fish.mm()));
    }

    private static boolean keepsSpeciesLimits(Event event, List<Entry.Catch> fish) {
        return event.rules().species().stream()
                        .allMatch(r -> r.bagLimit() == null
                                || fish.stream()
                                                .filter(f -> f.species() == r.species())
                                                .count()
                                        <= r.bagLimit())
                && event.rules().species().stream()
                        .allMatch(r -> r.slot() == null
                                || r.slot().over() == null
                                || fish.stream()
                                                .filter(f -> f.species() == r.species()
                                                        && f.mm() != null
                                                        && f.mm() > r.slot().toMm())
                                                .count()
                                        <= r.slot().over());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noEntryBringsTheLivewellOverAnyLimitOrBringsAReleasedFishBack(int seed) {
        Random random = new Random(seed);
        Event event = event(random, random.nextBoolean() ? 40.0 : null);
        BagLog log = new BagLog(event);
        Set<String> released = new HashSet<>();
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            Verdict pending = log.bag(1).pending();
            Entry entry = pending != null && random.nextBoolean()
                    ? new Entry.Balance("e" + i, Sample.at("06-05T08:00"), pending.first(), pending.second())
                    : anyEntry("e" + i, ids, random);
            if (log.append(entry).isPresent()) {
                continue;
            }
            ids.add(entry.id());
            BagRow row = log.rows().getLast();
            if (row.verdict() != null && row.verdict().released() != null) {
                released.add(row.verdict().released());
            }
            List<Fish> fish = row.bag().fish();
            assertThat(fish.size()).isLessThanOrEqualTo(event.rules().limit());
            assertThat(fish).extracting(Fish::id).doesNotHaveDuplicates().noneMatch(released::contains);
            assertThat(fish).extracting(Fish::tag).doesNotHaveDuplicates().doesNotContainNull();
            event.rules().species().forEach(r -> assertThat(fish.stream()
                            .filter(f -> f.species() == r.species())
                            .count())
                    .isLessThanOrEqualTo(r.bagLimit() == null ? Long.MAX_VALUE : r.bagLimit()));
        }
        assertThat(ids).hasSizeGreaterThan(10);
    }

    private static Entry anyEntry(String id, List<String> ids, Random random) {
        String some = ids.isEmpty() ? "none" : ids.get(random.nextInt(ids.size()));
        String other = ids.isEmpty() ? "none" : ids.get(random.nextInt(ids.size()));
        return switch (random.nextInt(8)) {
            case 0 -> new Entry.Died(id, Sample.at("06-05T08:00"), some);
            case 1 -> new Entry.Correct(id, Sample.at("06-05T08:00"), some, 300.0 + random.nextInt(2000), null, null);
            case 2 -> new Entry.Void(id, Sample.at("06-05T08:00"), some);
            case 3 -> new Entry.Balance(id, Sample.at("06-05T08:00"), some, other);
            default ->
                Sample.fish(
                        id,
                        SPECIES.get(random.nextInt(3)),
                        random.nextInt(6) == 0 ? null : 300.0 + random.nextInt(2000),
                        null);
        };
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void loggingAFishNeverMakesTheBagLighter(int seed) {
        Random random = new Random(seed);
        BagLog log = new BagLog(event(random, null));
        double before = 0;
        for (Entry.Catch fish : catches(random, 30)) {
            assertThat(log.append(fish)).isEmpty();
            assertThat(total(log)).isGreaterThanOrEqualTo(before);
            before = total(log);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aBalanceAloneFindsTheHeaviestFishToo(int seed) {
        Random random = new Random(seed);
        int limit = 1 + random.nextInt(4);
        Event event = Sample.tournament(limit, List.of(Sample.LARGEMOUTH));
        List<Integer> truth = new ArrayList<>(IntStream.range(0, 8).boxed().toList());
        Collections.shuffle(truth, random);
        BagLog log = new BagLog(event);
        for (int i = 0; i < truth.size(); i++) {
            assertThat(log.append(Sample.fish("c" + i, Species.LARGEMOUTH, null, null)))
                    .isEmpty();
            for (int asked = 0; log.bag(1).pending() != null; asked++) {
                Verdict pending = log.bag(1).pending();
                boolean first = truth.get(number(pending.first())) > truth.get(number(pending.second()));
                assertThat(log.append(new Entry.Balance(
                                "b" + i + "-" + asked,
                                Sample.at("06-05T08:00"),
                                first ? pending.first() : pending.second(),
                                first ? pending.second() : pending.first())))
                        .isEmpty();
                assertThat(asked).as("weighings for one fish").isLessThan(2 * limit);
            }
        }
        assertThat(log.bag(1).fish().stream()
                        .map(f -> truth.get(number(f.id())))
                        .sorted()
                        .toList())
                .isEqualTo(IntStream.range(8 - limit, 8).boxed().toList());
    }

    private static int number(String id) {
        return Integer.parseInt(id.substring(1));
    }
}
