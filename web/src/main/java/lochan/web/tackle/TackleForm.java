package lochan.web.tackle;

import static java.util.Objects.requireNonNull;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.Coded;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Hooks;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Power;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rig;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.core.tackle.SeasonStage;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** Tackle as forms, and back. */
final class TackleForm {

    private static final int LONGEST_NAME = 80;
    private static final double MM_PER_M = 1000;
    private static final double PERCENT = 100;

    private TackleForm() {}

    static Form rod(@Nullable Rod r, Units units) {
        Form form = new Form(units);
        if (r == null) {
            return form.put("inBoat", "on")
                    .put("power", Power.MEDIUM)
                    .put("action", RodAction.FAST)
                    .put("lineKind", FishingLine.Kind.FLUOROCARBON);
        }
        form.put("name", r.name())
                .put("power", r.power())
                .put("action", r.action())
                .put("lineKind", r.line().kind())
                .put("inBoat", r.inBoat() ? "on" : "");
        form.put("length", r.lengthM(), r.entered(), QuantityText::rodMetres, units.typedRodLength(r.lengthM()));
        form.put(
                "turn",
                r.turnM() == null ? null : MM_PER_M * r.turnM(),
                r.entered(),
                QuantityText::mm,
                units.typedLength(r.turnM() == null ? null : MM_PER_M * r.turnM()));
        form.put(
                "lineKg",
                r.line().strengthKg(),
                r.entered(),
                QuantityText::lineKg,
                units.typedLineStrength(r.line().strengthKg()));
        if (r.leader() != null) {
            form.put("leaderKind", r.leader().kind());
            form.put(
                    "leaderKg",
                    r.leader().strengthKg(),
                    r.entered(),
                    QuantityText::lineKg,
                    units.typedLineStrength(r.leader().strengthKg()));
        }
        return form;
    }

    static Optional<Rod> readRod(Form f, String id) {
        f.needs("name", "tackleforms.rod-name");
        f.needs("length", "tackleforms.rod-length");
        f.needs("lineKg", "tackleforms.line-test");
        String name = f.words("name", "The name", LONGEST_NAME);
        Double length = between(
                f, "length", f.quantity("length", QuantityText::rodMetres), 0.5, 6, "1 ft 8 in to 19 ft (0.5 to 6 m)");
        Double turn = between(f, "turn", f.quantity("turn", QuantityText::mm), 100, 2000, "4 to 78 in (10 to 200 cm)");
        Power power = f.choice("power", Power.class);
        RodAction action = f.choice("action", RodAction.class);
        FishingLine line = line(f, "line");
        FishingLine leader = line(f, "leader");
        if (f.has("leaderKind") && !f.has("leaderKg")) {
            f.fail("leaderKg", "tackleforms.leader-test");
        }
        return f.ok() && line != null && power != null && action != null
                ? Optional.of(RodBuilder.builder()
                        .id(id)
                        .name(name)
                        .lengthM(requireNonNull(length))
                        .power(power)
                        .action(action)
                        .turnM(turn == null ? null : turn / MM_PER_M)
                        .line(line)
                        .leader(leader)
                        .inBoat(f.has("inBoat"))
                        .entered(f.entered())
                        .build())
                : Optional.empty();
    }

    private static @Nullable FishingLine line(Form f, String name) {
        FishingLine.Kind kind = f.choice(name + "Kind", FishingLine.Kind.class);
        Double kg = between(
                f,
                name + "Kg",
                f.quantity(name + "Kg", QuantityText::lineKg),
                0.1,
                100,
                "0.5 to 220 lb (0.1 to 100 kg)");
        return kind == null || kg == null ? null : new FishingLine(kind, kg);
    }

    private static @Nullable Double between(
            Form f, String name, @Nullable Double value, double least, double most, String words) {
        if (value != null && !(value >= least && value <= most)) {
            f.fail(name, "tackleforms.range", words, f.value(name));
            return null;
        }
        return value;
    }

    static Form item(@Nullable BoxItem i, Units units) {
        Form form = new Form(units);
        if (i == null) {
            return form.put("kind", BoxItem.Kind.LURE).put("count", 1).put("inBoat", "on");
        }
        form.put("name", i.name())
                .put("kind", i.kind())
                .put("lure", i.lureId())
                .put("colour", i.colour())
                .put("count", i.count())
                .put("inBoat", i.inBoat() ? "on" : "");
        form.put("grams", i.grams(), i.entered(), QuantityText::lureGrams, units.typedLureWeight(i.grams()));
        if (i.line() != null) {
            form.put("lineKind", i.line().kind());
            form.put(
                    "lineKg",
                    i.line().strengthKg(),
                    i.entered(),
                    QuantityText::lineKg,
                    units.typedLineStrength(i.line().strengthKg()));
        }
        return form;
    }

    static Optional<BoxItem> readItem(Form f, String id, List<Lure> lures) {
        f.needs("name", "tackleforms.item-name");
        BoxItem.Kind kind = f.choice("kind", BoxItem.Kind.class);
        f.needs("kind", "tackleforms.item-kind");
        if (kind == BoxItem.Kind.LURE) {
            f.needs("lure", "tackleforms.item-lure");
        }
        if (f.has("lure") && lures.stream().noneMatch(l -> l.id().equals(f.value("lure")))) {
            f.fail("lure", "tackleforms.not-in-catalog", f.value("lure"));
        }
        String name = f.words("name", "The name", LONGEST_NAME);
        Double grams = between(
                f, "grams", f.quantity("grams", QuantityText::lureGrams), 0.1, 1000, "1/256 to 35 oz (0.1 to 1000 g)");
        ColourFamily colour = f.choice("colour", ColourFamily.class);
        Integer count = f.whole("count");
        if (count != null && (count < 0 || count > 10_000)) {
            f.fail("count", "tackleforms.range", "0 to 10000", f.value("count"));
        }
        FishingLine line = line(f, "line");
        return f.ok()
                ? Optional.of(BoxItemBuilder.builder()
                        .id(id)
                        .kind(kind)
                        .name(name)
                        .lureId(f.has("lure") ? f.value("lure") : null)
                        .grams(grams)
                        .colour(colour)
                        .line(line)
                        .count(count == null ? 1 : count)
                        .inBoat(f.has("inBoat"))
                        .entered(f.entered())
                        .build())
                : Optional.empty();
    }

    static Form lure(@Nullable Lure l, Units units) {
        Form f = new Form(units);
        if (l == null) {
            return f.put("hooks", Hooks.SINGLE)
                    .put("hookCount", 1)
                    .put("teasers", 0)
                    .put("motion", "sinks")
                    .put("sight", 50)
                    .put("power", "power")
                    .put("pace", "search");
        }
        f.put("name", l.name())
                .put("family", l.family())
                .put("power", l.power() ? "power" : "finesse")
                .put("pace", l.search() ? "search" : "pick")
                .put("hooks", l.hooking().kind())
                .put("hookCount", l.hooking().count())
                .put("teasers", l.hooking().teasers())
                .put("depthFrom", units.typedDepth(l.depth().from()))
                .put("depthTo", units.typedDepth(l.depth().to()))
                .put("sight", Math.round(PERCENT * l.sight()))
                .put("tempFrom", units.typedTemperature(l.temperature().from()))
                .put("tempTo", units.typedTemperature(l.temperature().to()))
                .put("speed", units.typedSpeed(l.speedMps()))
                .put("weights", l.weights().stream().map(units::typedLureWeight).collect(Collectors.joining(", ")))
                .put("lineFrom", units.typedLineStrength(l.tackle().strengthKg().from()))
                .put("lineTo", units.typedLineStrength(l.tackle().strengthKg().to()))
                .put("action", l.tackle().action());
        if (l.rig() != null) {
            f.put("hookStyle", l.rig().hook())
                    .put("hookSizes", String.join(", ", l.rig().hookSizes()))
                    .put("trailer", l.rig().trailer())
                    .put(
                            "lengths",
                            l.rig().lengthsMm().stream().map(units::typedLength).collect(Collectors.joining(", ")));
        }
        switch (l.motion()) {
            case Motion.Surface s -> f.put("motion", "surface");
            case Motion.Dives d ->
                f.put("motion", "dives")
                        .put("dive", units.typedDepth(d.depthM()))
                        .put("along", units.typedDepth(d.alongM()))
                        .put("floats", d.floats() ? "on" : "");
            case Motion.Sinks s ->
                f.put("motion", "sinks")
                        .put("fall", units.typedDepth(s.fallMps()))
                        .put("hold", units.typedSpeed(s.holdMps()));
        }
        tick(f, "retrieve", l.retrieves());
        tick(f, "cover", l.cover());
        tick(f, "stage", l.stages());
        tick(f, "mood", l.moods());
        tick(f, "forage", l.forage());
        tick(f, "line", l.tackle().lines());
        tick(f, "rod", l.tackle().powers());
        f.put("first", l.retrieves().getFirst());
        return f;
    }

    private static void tick(Form f, String group, Iterable<? extends Coded> values) {
        values.forEach(v -> f.put(group + "/" + v.code(), "on"));
    }

    private static <E extends Enum<E> & Coded> List<E> ticked(
            Form f, String group, Class<E> type, @Nullable String need) {
        List<E> ticked = Arrays.stream(type.getEnumConstants())
                .filter(v -> f.has(group + "/" + v.code()))
                .toList();
        if (ticked.isEmpty() && need != null) {
            f.fail(group, need);
        }
        return ticked;
    }

    static Optional<Lure> readLure(Form f, String id) {
        f.needs("name", "tackleforms.lure-name");
        String name = f.words("name", "The name", LONGEST_NAME);
        Family family = f.choice("family", Family.class);
        f.needs("family", "tackleforms.family");
        Hooking hooking = hooking(f);
        Lure.Range depth = range(f, "depth", QuantityText::metres, true);
        Lure.Range temperature = range(f, "temp", QuantityText::celsius, true);
        Lure.Range strength = range(f, "line", QuantityText::lineKg, true);
        Motion motion = motion(f);
        Double speed = between(f, "speed", f.quantity("speed", QuantityText::mps), 0, 5, "0 to 11 mph (18 km/h)");
        Double sight = between(f, "sight", f.number("sight"), 0, PERCENT, "0 to 100 %");
        List<Retrieve> retrieves = ticked(f, "retrieve", Retrieve.class, "tackleforms.retrieve");
        Retrieve first = f.choice("first", Retrieve.class);
        Set<Cover> cover = Set.copyOf(ticked(f, "cover", Cover.class, "tackleforms.cover"));
        Set<Mood> moods = Set.copyOf(ticked(f, "mood", Mood.class, "tackleforms.mood"));
        Set<SeasonStage> stages = Set.copyOf(ticked(f, "stage", SeasonStage.class, null));
        Set<Forage> forage = Set.copyOf(ticked(f, "forage", Forage.class, null));
        List<FishingLine.Kind> lines = ticked(f, "line", FishingLine.Kind.class, "tackleforms.line-kind");
        List<Power> powers = ticked(f, "rod", Power.class, "tackleforms.power");
        RodAction action = f.choice("action", RodAction.class);
        f.needs("action", "tackleforms.action");
        List<Double> weights = weights(f);
        Rig rig = rig(f);
        if (!f.ok() || motion == null) {
            return Optional.empty();
        }
        List<Retrieve> ordered = retrieves.stream()
                .sorted(java.util.Comparator.comparing(r -> r != first))
                .toList();
        return Optional.of(LureBuilder.builder()
                .id(id)
                .name(name)
                .family(family)
                .power(f.value("power").equals("power"))
                .search(f.value("pace").equals("search"))
                .hooking(hooking)
                .depth(depth)
                .motion(motion)
                .speedMps(speed == null ? 0 : speed)
                .retrieves(ordered)
                .sight(sight == null ? 0.5 : sight / PERCENT)
                .cover(cover)
                .temperature(temperature)
                .stages(stages)
                .moods(moods)
                .forage(forage)
                .weights(weights)
                .rig(rig)
                .tackle(new Lure.Outfit(
                        lines, requireNonNull(strength), EnumSet.copyOf(powers), requireNonNull(action)))
                .build());
    }

    private static @Nullable Hooking hooking(Form f) {
        Hooks kind = f.choice("hooks", Hooks.class);
        f.needs("hooks", "tackleforms.hooks");
        Integer count = f.whole("hookCount");
        Integer teasers = f.whole("teasers");
        if ((count != null && (count < 1 || count > 20)) || (teasers != null && (teasers < 0 || teasers > 20))) {
            f.fail("hookCount", "tackleforms.hook-count");
            return null;
        }
        return kind == null ? null : new Hooking(kind, count == null ? 1 : count, teasers == null ? 0 : teasers);
    }

    private static Lure.@Nullable Range range(Form f, String name, Form.Reader reader, boolean needed) {
        if (needed) {
            f.needs(name + "From", "tackleforms.range-from");
            f.needs(name + "To", "tackleforms.range-to");
        }
        Double from = f.quantity(name + "From", reader);
        Double to = f.quantity(name + "To", reader);
        if (from != null && to != null && from > to) {
            f.fail(name + "To", "tackleforms.range-reversed");
            return null;
        }
        return from == null || to == null ? null : new Lure.Range(from, to);
    }

    private static @Nullable Motion motion(Form f) {
        switch (f.value("motion")) {
            case "surface" -> {
                return new Motion.Surface();
            }
            case "dives" -> {
                f.needs("dive", "tackleforms.dive");
                f.needs("along", "tackleforms.along");
                Double depth = between(
                        f, "dive", f.quantity("dive", QuantityText::metres), 0.1, 100, "4 in to 300 ft (0.1 to 100 m)");
                Double along = between(
                        f,
                        "along",
                        f.quantity("along", QuantityText::metres),
                        0.1,
                        100,
                        "4 in to 300 ft (0.1 to 100 m)");
                return depth == null || along == null ? null : new Motion.Dives(depth, along, f.has("floats"));
            }
            case "sinks" -> {
                f.needs("fall", "tackleforms.fall");
                f.needs("hold", "tackleforms.hold");
                Double fall = between(
                        f,
                        "fall",
                        f.quantity("fall", QuantityText::metres),
                        0.01,
                        10,
                        "0.03 to 33 ft (0.01 to 10 m) a second");
                Double hold = between(f, "hold", f.quantity("hold", QuantityText::mps), 0.01, 10, "0.1 to 22 mph");
                return fall == null || hold == null ? null : new Motion.Sinks(fall, hold);
            }
            default -> {
                f.fail("motion", "tackleforms.motion");
                return null;
            }
        }
    }

    private static List<Double> weights(Form f) {
        f.needs("weights", "tackleforms.weights");
        try {
            List<Double> weights = new java.util.ArrayList<>();
            for (String one : f.value("weights").split(",")) {
                if (!one.isBlank()) {
                    weights.add(QuantityText.lureGrams(one, f.units()));
                }
            }
            return weights.stream().filter(w -> w > 0).distinct().sorted().toList();
        } catch (BadQuantityException e) {
            f.fail("weights", e.reason());
            return List.of();
        }
    }

    /** Sizes, hook and trailer; null: nothing was said of them, or something is wrong. */
    private static @Nullable Rig rig(Form f) {
        if (!f.has("hookStyle") && !f.has("lengths") && !f.has("hookSizes")) {
            return null;
        }
        f.needs("hookStyle", "tackleforms.hook-style");
        Rig.HookStyle hook = f.choice("hookStyle", Rig.HookStyle.class);
        Rig.Trailer trailer = f.choice("trailer", Rig.Trailer.class);
        List<Double> lengths = new java.util.ArrayList<>();
        try {
            for (String one : f.value("lengths").split(",")) {
                lengths.add(QuantityText.mm(one, f.units()));
            }
            List<String> sizes = Arrays.stream(f.value("hookSizes").split(","))
                    .map(h -> h.strip().replace("#", ""))
                    .toList();
            return hook == null ? null : new Rig(lengths, hook, sizes, trailer);
        } catch (BadQuantityException e) {
            f.fail("lengths", e.reason());
        } catch (IllegalArgumentException e) {
            f.fail("hookSizes", "tackleforms.three-sizes");
        }
        return null;
    }

    /** Reads an observation of a lure; empty when something is wrong. */
    static Optional<LureObservation> readObservation(Form f, String id, String lureId, FishingLine line) {
        LureObservation.Saw saw = f.choice("saw", LureObservation.Saw.class);
        f.needs("saw", "tackleforms.observation");
        f.needs("seenDepth", "tackleforms.depth");
        Double depth = between(
                f,
                "seenDepth",
                f.quantity("seenDepth", QuantityText::metres),
                0.1,
                100,
                "4 in to 300 ft (0.1 to 100 m)");
        Double seconds = between(f, "seenSeconds", f.number("seenSeconds"), 0.1, 600, "0.1 to 600 s");
        if (saw == LureObservation.Saw.FALL && !f.has("seenSeconds")) {
            f.fail("seenSeconds", "tackleforms.seconds");
        }
        Double cast = between(f, "cast", f.quantity("cast", QuantityText::metres), 1, 100, "3 to 330 ft (1 to 100 m)");
        Double grams = between(f, "grams", f.quantity("grams", QuantityText::lureGrams), 0.1, 1000, "0.1 to 1000 g");
        return f.ok()
                ? Optional.of(new LureObservation(
                        id,
                        lureId,
                        requireNonNull(saw),
                        requireNonNull(depth),
                        saw == LureObservation.Saw.FALL ? seconds : null,
                        cast,
                        grams,
                        line))
                : Optional.empty();
    }
}
