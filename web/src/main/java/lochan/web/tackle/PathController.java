package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.RodFit;
import lochan.core.lures.deck.Setup;
import lochan.core.lures.path.Cast;
import lochan.core.lures.path.LureMotion;
import lochan.core.lures.path.LurePath;
import lochan.core.lures.path.PathCheck;
import lochan.core.lures.path.WaterSlice;
import lochan.core.model.evidence.Situations;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rod;
import lochan.core.tackle.Tackle;
import lochan.offline.form.Form;
import lochan.offline.form.Options;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.DeckWords;
import lochan.web.gear.Tackles;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One cast from the side: a lure and two others at a spot. */
@Controller
class PathController {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final double SLOW = 0.7;
    private static final double FAST = 1.35;
    private static final double LEAST_SPEED_MPS = 0.15;
    /** Where a spot's depth is not known. */
    private static final double USUAL_DEPTH_M = 3;

    private static final double LEAST_DEPTH_M = 0.3;
    private static final double FURTHEST_M = 80;
    private static final Map<Cover, Double> COVER_M = Map.of(
            Cover.BRUSH, 1.2, Cover.SPARSE_GRASS, 0.6, Cover.THICK_GRASS, 1.2, Cover.WOOD, 0.9, Cover.TIMBER, 2.0);

    private final EventBook events;
    private final Accounts accounts;
    private final Tackles tackles;

    PathController(EventBook events, Accounts accounts, Tackles tackles) {
        this.events = events;
        this.accounts = accounts;
        this.tackles = tackles;
    }

    /**
     * What a cast comes to.
     *
     * @param checks what it keeps and what it does not
     */
    @RecordBuilder
    record Row(
            int number,
            String lureId,
            String lure,
            String tied,
            String count,
            String zone,
            String deepest,
            String contact,
            List<CheckLine> checks,
            String turns) {}

    /** One of the rules about a cast, and whether the cast keeps it. */
    record CheckLine(boolean kept, String words) {}

    /** What a path is asked for. */
    private record Request(
            Lure lure,
            LureMotion motion,
            Cast cast,
            @Nullable Rod rod) {}

    @GetMapping("/events/{eventId}/tackle/path")
    String path(
            EventKey key,
            @RequestParam(required = false, name = "spot") String spotId,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(required = false) String at,
            @RequestParam(required = false) String lure,
            @RequestParam Map<String, String> fields,
            Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        Tackle tackle = tackles.tackle(key.accountId());
        PathViewBuilder page = PathViewBuilder.builder().data(event);
        boolean named = spotId != null && !spotId.isEmpty();
        if (event.spots().isEmpty() && !named) {
            return Views.show("tackle/path", model, page.build());
        }
        Spot spot = named
                ? event.spot(spotId).orElseThrow(NotThereException::new)
                : event.spots().getFirst();
        int there = Math.clamp(day, 1, event.days().size());
        var time = LureAdviceController.time(event, there, at);
        Situation situation = new Situations(event, ASSUMPTIONS).at(spot, time);
        List<Lure> wanted = wanted(event, tackle, situation, key, lure, fields);
        boolean sameLure = wanted.getFirst().id().equals(fields.get("of"));
        Form form = sameLure ? new Form(fields, units) : usual(wanted.getFirst(), situation, spot, tackle, units);
        WaterSlice water = water(form, spot);
        Request first = asked(wanted.getFirst(), form, situation, tackle);
        List<Request> all = new ArrayList<>(List.of(first));
        wanted.stream().skip(1).forEach(l -> all.add(other(l, first, situation, tackle)));
        List<LurePath> paths = all.stream()
                .map(x -> LurePath.of(x.motion(), x.cast(), water, ASSUMPTIONS))
                .toList();
        List<Row> rows = new ArrayList<>();
        for (Request x : all) {
            rows.add(row(x, paths.get(rows.size()), rows.size() + 1, water, units));
        }
        page.drawing(PathDrawing.of(
                water,
                ASSUMPTIONS.advice().aboveFishM(),
                paths,
                all.stream().map(Request::cast).toList(),
                units));
        page.aboveFish(units.depth(ASSUMPTIONS.advice().aboveFishM()));
        page.rows(rows);
        page.form(form);
        page.freshCode(java.util.UUID.randomUUID().toString());
        page.spot(spot);
        page.at(lochan.web.shared.Dates.clock(time, event.timeZone()));
        page.day(there);
        page.lure(wanted.getFirst());
        page.others(wanted.stream().skip(1).map(Lure::id).toList());
        page.lures(tackle.lures());
        page.rods(tackle.rodsInBoat());
        page.retrieves(Options.of(wanted.getFirst().retrieves().toArray(Retrieve[]::new)));
        page.observations(tackle.observations().stream()
                .filter(o -> o.lureId().equals(wanted.getFirst().id()))
                .map(o -> seen(o, units))
                .toList());
        page.ownFactor(
                first.motion().ownFactor() == 1
                        ? null
                        : String.format(Locale.ROOT, "%.2f", first.motion().ownFactor()));
        page.diver(wanted.getFirst().motion() instanceof Motion.Dives);
        page.sinker(wanted.getFirst().motion() instanceof Motion.Sinks);
        page.firstLine(first.rod() == null ? null : first.rod().id());
        return Views.show("tackle/path", model, page.build());
    }

    /** Returns the observation in words. */
    record ObservationLine(String id, String words) {}

    private static ObservationLine seen(LureObservation o, Units units) {
        String how = o.saw() == LureObservation.Saw.DIVE || o.seconds() == null
                ? "came to " + units.depth(o.depthM())
                        + (o.castM() == null ? "" : " on a cast of " + units.reach(o.castM()))
                : "took " + Units.USUAL.typedDepth(o.seconds() * Units.Depth.FT.metres()) + " s to "
                        + units.depth(o.depthM());
        return new ObservationLine(
                o.id(),
                how + (o.grams() == null ? "" : ", " + units.lureWeight(o.grams())) + ", on "
                        + DeckWords.line(o.line(), units));
    }

    /** The lure asked for and two others: those asked for, else the best that are fished another way. */
    private List<Lure> wanted(
            EventData event, Tackle tackle, Situation at, EventKey key, String lure, Map<String, String> fields) {
        List<Lure> ranked =
                LureAdvice.ranked(tackle.lures(), at, tackles.weights(key.accountId()), ASSUMPTIONS.advice()).stream()
                        .map(LureAdvice::lure)
                        .filter(l -> event.presentation(l.id()).isPresent()
                                || !tackle.inBoat(l.id()).isEmpty()
                                || event.presentations().isEmpty())
                        .toList();
        Lure best = ranked.isEmpty() ? tackle.lures().getFirst() : ranked.getFirst();
        Lure first = lure == null || lure.isEmpty() ? best : tackle.lure(lure).orElseThrow(NotThereException::new);
        List<Lure> wanted = new ArrayList<>(List.of(first));
        Stream.of("second", "third")
                .map(fields::get)
                .filter(Objects::nonNull)
                .flatMap(id -> tackle.lure(id).stream())
                .filter(l -> !wanted.contains(l))
                .forEach(wanted::add);
        ranked.stream()
                .filter(l -> wanted.size() < 3
                        && wanted.stream()
                                .noneMatch(w -> w.id().equals(l.id())
                                        || (w.retrieves().getFirst()
                                                        == l.retrieves().getFirst()
                                                && w.motion().getClass()
                                                        == l.motion().getClass())))
                .forEach(l -> {
                    if (wanted.size() < 3) {
                        wanted.add(l);
                    }
                });
        return wanted;
    }

    private static Form usual(Lure lure, Situation at, Spot spot, Tackle tackle, Units units) {
        Setup setup = Setup.of(lure, at, tackle, ASSUMPTIONS.advice());
        double near = spot.depthMaxM() == null ? USUAL_DEPTH_M : spot.depthMaxM();
        double far = spot.depthMinM() == null ? near : spot.depthMinM();
        return new Form(units)
                .put("grams", units.typedLureWeight(setup.grams()))
                .put("rod", rod(lure, tackle).map(Rod::id).orElse(""))
                .put("cast", whole(ASSUMPTIONS.lurePath().usualCastM(), units))
                .put("retrieve", lure.retrieves().getFirst())
                .put("speed", "usual")
                .put("count", "")
                .put("near", whole(near, units))
                .put("far", whole(far, units))
                .put("fish", at.suspended() && at.fishDepthM() != null ? whole(at.fishDepthM(), units) : "")
                .put("cover", whole(COVER_M.getOrDefault(Cover.of(spot.spotType()), 0.0), units));
    }

    /** As typed, in whole feet or tenths of a metre. */
    private static String whole(double metres, Units units) {
        double step = units.depth() == Units.Depth.FT ? units.depth().metres() : 0.1;
        return units.typedDepth(Math.round(metres / step) * step);
    }

    /** The rod in the boat that carries a lure best. */
    private static Optional<Rod> rod(Lure lure, Tackle tackle) {
        return tackle.rodsInBoat().stream().max(java.util.Comparator.comparingDouble(r -> RodFit.of(r, lure)
                .share()));
    }

    private static FishingLine line(Lure lure, @Nullable Rod rod) {
        return rod != null
                ? rod.end()
                : new FishingLine(
                        lure.tackle().lines().getFirst(),
                        (lure.tackle().strengthKg().from()
                                        + lure.tackle().strengthKg().to())
                                / 2);
    }

    private static WaterSlice water(Form form, Spot spot) {
        Double near = form.depth("near", "The depth under the boat");
        Double far = form.depth("far", "The depth at the end of the cast");
        Double cover = form.depth("cover", "The height of the cover");
        Double fish = form.depth("fish", "The depth of the fish");
        double usual = spot.depthMaxM() == null ? USUAL_DEPTH_M : spot.depthMaxM();
        double under = near == null ? usual : Math.max(LEAST_DEPTH_M, near);
        double end = far == null ? under : Math.max(LEAST_DEPTH_M, far);
        return new WaterSlice(
                under,
                end,
                cover == null ? 0 : Math.min(cover, Math.max(under, end)),
                fish == null || fish <= 0 ? null : fish);
    }

    private static Request asked(Lure lure, Form form, Situation at, Tackle tackle) {
        Double grams = form.quantity("grams", QuantityText::lureGrams);
        Rod rod = tackle.rodsInBoat().stream()
                .filter(r -> r.id().equals(form.value("rod")))
                .findFirst()
                .orElse(rod(lure, tackle).orElse(null));
        Double castM = form.depth("cast", "The cast");
        Double count = form.number("count");
        Retrieve retrieve = form.choice("retrieve", Retrieve.class);
        if (grams != null && grams <= 0) {
            form.error("grams", "The weight is 0: expected more, or nothing for the usual one.");
        }
        if (count != null && (count < 0 || count > 300)) {
            form.error("count", "The count is " + form.value("count") + " s: expected 0 to 300.");
        }
        Cast cast = new Cast(
                castM == null ? ASSUMPTIONS.lurePath().usualCastM() : Math.clamp(castM, 2, FURTHEST_M),
                retrieve == null ? lure.retrieves().getFirst() : retrieve,
                speed(lure) * factor(form.value("speed")),
                count == null || count < 0 || count > 300 ? null : count,
                form.has("tight"));
        Double weight = grams == null || grams <= 0
                ? Double.valueOf(
                        Setup.of(lure, at, tackle, ASSUMPTIONS.advice()).grams())
                : grams;
        return new Request(
                lure,
                new LureMotion(lure, weight, line(lure, rod), tackle.observations(), ASSUMPTIONS.lurePath()),
                cast,
                rod);
    }

    private static double factor(String speed) {
        if (speed.equals("slow")) {
            return SLOW;
        }
        if (speed.equals("fast")) {
            return FAST;
        }
        return 1;
    }

    private static double speed(Lure lure) {
        return Math.max(LEAST_SPEED_MPS, lure.speedMps());
    }

    /** Another lure on the same cast, worked its usual way. */
    private static Request other(Lure lure, Request like, Situation at, Tackle tackle) {
        Rod rod = rod(lure, tackle).orElse(null);
        double grams = Setup.of(lure, at, tackle, ASSUMPTIONS.advice()).grams();
        return new Request(
                lure,
                new LureMotion(lure, grams, line(lure, rod), tackle.observations(), ASSUMPTIONS.lurePath()),
                new Cast(like.cast().castM(), lure.retrieves().getFirst(), speed(lure), null, false),
                rod);
    }

    private static Row row(Request x, LurePath path, int number, WaterSlice water, Units units) {
        boolean sinks = x.lure().motion() instanceof Motion.Sinks;
        String turns = x.rod() == null || x.rod().turnM() == null || x.lure().speedMps() == 0
                ? ""
                : String.format(
                        Locale.ROOT,
                        "%.1f turns of the handle a second",
                        x.cast().speedMps() / x.rod().turnM());
        return PathControllerRowBuilder.builder()
                .number(number)
                .lureId(x.lure().id())
                .lure(x.lure().name())
                .tied(units.lureWeight(x.motion().grams()) + " on "
                        + DeckWords.line(x.motion().line(), units) + ", "
                        + x.cast().retrieve().words() + " at "
                        + units.lureSpeed(x.cast().speedMps()))
                .count(sinks ? "count " + Math.round(path.countSeconds()) : "–")
                .zone(Math.round(100 * path.zoneShare()) + " %")
                .deepest(units.depth(path.deepestM()))
                .contact(Double.isNaN(path.contactToM()) ? "never" : "to " + units.reach(path.contactToM()))
                .checks(PathCheck.of(x.motion(), x.cast(), water, path, ASSUMPTIONS).stream()
                        .map(c -> new CheckLine(c.kept(), Wording.text(c.reason(), units)))
                        .toList())
                .turns(turns)
                .build();
    }
}
