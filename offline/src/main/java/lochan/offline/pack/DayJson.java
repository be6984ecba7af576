package lochan.offline.pack;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayNumbers;
import lochan.core.model.scenario.DayNumbersBuilder;
import lochan.core.model.scenario.KnownFishChance;
import lochan.core.model.scenario.RestoredDayModel;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.SpeciesMix;
import lochan.core.notebook.KnownFish;
import lochan.core.planning.backups.Backups;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.offline.json.Fields;

/** Writes and reads the model of a competition day as a pack has it. */
final class DayJson {

    private DayJson() {}

    static RestoredDayModel model(Fields f, int day, EventData event) {
        List<Pattern> patterns = new ArrayList<>();
        Map<Pattern, double[]> means = new HashMap<>();
        Map<Pattern, int[]> landed = new HashMap<>();
        Map<Pattern, Double> strengths = new HashMap<>();
        for (Fields p : f.list("patterns", x -> x)) {
            Pattern pattern = pattern(p);
            patterns.add(pattern);
            if (p.has("perHour")) {
                means.put(pattern, p.numbers("perHour"));
            }
            if (p.has("landed")) {
                landed.put(pattern, whole(p.numbers("landed")));
            }
            if (p.has("strength")) {
                strengths.put(pattern, p.needed("strength", p::number));
            }
        }
        Map<String, double[]> lures = new HashMap<>();
        f.list("lures", l -> lures.put(l.needed("lure", l::text), l.numbers("perHour")));
        List<Cell> cells = new ArrayList<>();
        Map<Cell, List<BiteRates.Evidence>> evidence = new HashMap<>();
        for (Fields c : f.list("cells", x -> x)) {
            Cell cell = new Cell(c.needed("spot", c::text), c.needed("lure", c::text));
            cells.add(cell);
            if (c.has("hours")) {
                evidence.put(cell, evidence(c));
            }
        }
        Map<String, LandingChance> landing = new LinkedHashMap<>();
        f.list(
                "landing",
                l -> landing.put(
                        l.needed("lure", l::text),
                        new LandingChance(l.needed("alpha", l::number), l.needed("beta", l::number))));
        Fields sizes = f.needed("sizes", f::object);
        Map<String, KnownFish> fish = new HashMap<>();
        event.notebook().fish().forEach(k -> fish.put(k.id(), k));
        DayNumbers numbers = DayNumbersBuilder.builder()
                .bins(bins(f.numbers("bins"), f.numbers("sunrise"), day, event))
                .cells(cells)
                .patternMeans(means)
                .presentationMeans(lures)
                .lakeMeans(f.numbers("lakePerHour"))
                .evidence(evidence)
                .landing(landing)
                .mix(new SpeciesMix.Numbers(whole(f.numbers("landed")), landed))
                .sizes(new SizeModel.Numbers(
                        patterns.stream()
                                .limit(sizes.needed("patterns", sizes::whole))
                                .toList(),
                        sizes.numbers("mean"),
                        sizes.numbers("root")))
                .knownFish(f.list(
                        "fish",
                        k -> new KnownFishChance(
                                requireNonNull(fish.get(k.needed("id", k::text))),
                                k.needed("grams", k::number),
                                k.needed("chance", k::number))))
                .leftByWind(bySpot(f, "leftByWind"))
                .standing(bySpot(f, "standing"))
                .finer(bySpot(f, "finer"))
                .strengths(strengths)
                .build();
        return new RestoredDayModel(event, day, Assumptions.DEFAULTS, numbers);
    }

    private static Map<String, double[]> bySpot(Fields f, String name) {
        Map<String, double[]> factors = new HashMap<>();
        f.list(name, w -> factors.put(w.needed("spot", w::text), w.numbers("share")));
        return factors;
    }

    private static int[] whole(double[] numbers) {
        int[] whole = new int[numbers.length];
        for (int i = 0; i < whole.length; i++) {
            whole[i] = (int) numbers[i];
        }
        return whole;
    }

    private static List<BiteRates.Evidence> evidence(Fields cell) {
        double[] hours = cell.numbers("hours");
        double[] bites = cell.numbers("bites");
        List<BiteRates.Evidence> evidence = new ArrayList<>();
        for (int i = 0; i < hours.length; i++) {
            evidence.add(new BiteRates.Evidence(hours[i], bites[i]));
        }
        return evidence;
    }

    /**
     * Bins that touch.
     *
     * @param borders ms of the epoch, one more than bins
     * @param sunrise hours of each bin's middle after it
     */
    private static List<Bin> bins(double[] borders, double[] sunrise, int day, EventData event) {
        List<Bin> bins = new ArrayList<>();
        for (int i = 0; i + 1 < borders.length; i++) {
            Instant start = Instant.ofEpochMilli((long) borders[i]);
            Instant end = Instant.ofEpochMilli((long) borders[i + 1]);
            Instant middle = Instant.ofEpochMilli((long) (borders[i] + borders[i + 1]) / 2);
            bins.add(new Bin(
                    event.day(day).date(),
                    start,
                    end,
                    sunrise[i],
                    event.forecast().stream()
                            .filter(p -> p.holds(middle))
                            .findFirst()
                            .map(ForecastPeriod::conditions)
                            .orElse(Conditions.UNKNOWN),
                    Map.of()));
        }
        return bins;
    }

    /** Where to go when the main pattern dies. */
    static Backups.Ladder ladder(Fields f) {
        Fields main = f.object("main");
        return new Backups.Ladder(
                main == null ? null : pattern(main),
                f.list(
                        "backups",
                        b -> new Backups.Backup(
                                pattern(b),
                                b.needed("grams", b::number),
                                b.list("stops", EventJson::planStop),
                                b.list(
                                        "triggers",
                                        t -> new Backups.Trigger(
                                                t.needed("spot", t::text),
                                                t.needed("at", t::time),
                                                t.needed("bitesBelow", t::whole))))));
    }

    private static Pattern pattern(Fields f) {
        return new Pattern(f.needed("type", f::text), f.needed("lure", f::text));
    }
}
