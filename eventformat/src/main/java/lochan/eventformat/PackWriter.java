package lochan.eventformat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.lake.depth.DepthCells;
import lochan.core.live.Effort;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayNumbers;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes what a phone takes along of an event. Numbers are written whole: the phone is to answer as this would. */
public final class PackWriter {

    private PackWriter() {}

    private static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    /**
     * A competition day of a pack.
     *
     * @param ladder of its plan; null while it is computed
     */
    public record Day(int number, DayNumbers numbers, Backups.@Nullable Ladder ladder) {}

    /**
     * All but the depths, which are added apart.
     *
     * @param notAllowed what the angler's rules say against presentations, by their ids
     */
    public static ObjectNode of(
            EventData event,
            Units units,
            DayRuns runs,
            double factor,
            Effort effort,
            List<Day> days,
            Map<String, String> notAllowed) {
        ObjectNode node = object().put("factor", factor);
        node.set("units", units(units));
        node.putObject("effort")
                .put("outlook", effort.outlook())
                .put("weighed", effort.weighed())
                .put("scenarios", effort.scenarios())
                .put("rounds", effort.rounds())
                .put("seed", effort.seed());
        ObjectNode data = EventFileWriter.day(event);
        if (event.lake() != null) {
            data.set(
                    "lake",
                    LakeShapes.of(event.lake(), Shores.forPhone(event.lake().bodies())));
        }
        node.set("data", data);
        notAllowed.forEach(node.putObject("notAllowed")::put);
        node.set("fished", fished(event));
        EventFileWriter.some(node, "waterC", event.lastWaterC(Instant.MAX).orElse(null));
        ArrayNode deep = node.putArray("deepSpots");
        event.spots().stream().filter(Spot::isDeep).map(Spot::id).forEach(deep::add);
        ArrayNode closed = node.putArray("offLimits");
        event.spots().stream().filter(event::offLimits).map(Spot::id).forEach(closed::add);
        node.set("runs", runs(event, runs));
        ArrayNode list = node.putArray("days");
        for (Day day : days) {
            ObjectNode one = list.addObject().put("day", day.number());
            one.set("model", model(day.numbers()));
            one.set("ladder", day.ladder() == null ? null : ladder(day.ladder(), event));
        }
        return node;
    }

    /** Puts the depths of the lake into a pack: cells as {@link DepthCells} has them, in Base64. */
    public static void addDepths(ObjectNode pack, DepthCells depths) {
        pack.set("depths", LakeShapes.depths(depths.grid()).put("cells", depths.bytes()));
    }

    /** Puts the forecast of an event into a pack that was made with another. */
    public static void setForecast(ObjectNode pack, EventData event) {
        ((ObjectNode) pack.path("data"))
                .set("forecast", EventFileWriter.day(event).path("forecast"));
    }

    /** What practice brought at each spot. */
    private static ArrayNode fished(EventData event) {
        ArrayNode list = JsonNodeFactory.instance.arrayNode();
        for (Spot spot : event.spots()) {
            List<PracticeStop> stops = event.stops().stream()
                    .filter(s -> s.spotId().equals(spot.id()))
                    .toList();
            if (!stops.isEmpty()) {
                list.addObject()
                        .put("spot", spot.id())
                        .put(
                                "minutes",
                                stops.stream()
                                        .mapToLong(s -> s.end() == null
                                                ? 0
                                                : Duration.between(s.start(), s.end())
                                                        .toMinutes())
                                        .sum())
                        .put(
                                "bites",
                                stops.stream().mapToInt(s -> s.bites().size()).sum());
            }
        }
        return list;
    }

    /** Units as the angler reads them. */
    public static ObjectNode units(Units units) {
        return object().put("weight", units.weight().code())
                .put("length", units.length().code())
                .put("depth", units.depth().code())
                .put("temperature", units.temperature().code())
                .put("speed", units.speed().code());
    }

    /** Between all places that a day leads to. */
    private static ObjectNode runs(EventData event, DayRuns runs) {
        Set<Position> places = new LinkedHashSet<>();
        places.add(event.launch());
        places.add(event.checkInAt());
        event.spots().stream().map(Spot::position).forEach(places::add);
        List<Position> all = new ArrayList<>(places);
        ObjectNode node = object();
        ArrayNode list = node.putArray("places");
        all.forEach(p -> list.addArray().add(p.lat()).add(p.lon()));
        table(node.putArray("metres"), all, runs.calm(), Runs.Run::metres);
        table(node.putArray("millis"), all, runs.calm(), r -> r.time().toMillis());
        table(node.putArray("roughMetres"), all, runs.rough(), Runs.Run::metres);
        table(node.putArray("roughMillis"), all, runs.rough(), r -> r.time().toMillis());
        ArrayNode lees = node.putArray("lee");
        runs.inLee().forEach((from, lee) -> {
            ObjectNode one = lees.addObject().put("from", from);
            table(one.putArray("metres"), all, lee, Runs.Run::metres);
            table(one.putArray("millis"), all, lee, r -> r.time().toMillis());
        });
        return node;
    }

    private static void table(ArrayNode to, List<Position> places, Runs runs, ToDoubleFunction<Runs.Run> of) {
        for (Position a : places) {
            for (Position b : places) {
                number(to, runs.between(a, b).map(of::applyAsDouble).orElse(-1.0));
            }
        }
    }

    private static ObjectNode model(DayNumbers n) {
        ObjectNode node = object();
        ArrayNode bins = node.putArray("bins");
        n.bins().forEach(b -> bins.add(b.start().toEpochMilli()));
        bins.add(n.bins().getLast().end().toEpochMilli());
        numbers(
                node,
                "sunrise",
                n.bins().stream().mapToDouble(b -> b.hoursAfterSunrise()).toArray());
        ObjectNode sizes =
                node.putObject("sizes").put("patterns", n.sizes().patterns().size());
        numbers(sizes, "mean", n.sizes().mean());
        numbers(sizes, "root", n.sizes().root());
        whole(node, "landed", n.mix().landed());
        // Those of the sizes first, in their order.
        Set<Pattern> patterns = new LinkedHashSet<>(n.sizes().patterns());
        patterns.addAll(n.patternMeans().keySet());
        patterns.addAll(n.mix().byPattern().keySet());
        patterns.addAll(n.strengths().keySet());
        ArrayNode ofPatterns = node.putArray("patterns");
        for (Pattern p : patterns) {
            ObjectNode one = pattern(p);
            numbers(one, "perHour", n.patternMeans().get(p));
            whole(one, "landed", n.mix().byPattern().get(p));
            EventFileWriter.some(one, "strength", n.strengths().get(p));
            ofPatterns.add(one);
        }
        ArrayNode lures = node.putArray("lures");
        n.presentationMeans().forEach((lure, mean) -> numbers(lures.addObject().put("lure", lure), "perHour", mean));
        numbers(node, "lakePerHour", n.lakeMeans());
        ArrayNode cells = node.putArray("cells");
        for (Cell c : n.cells()) {
            ObjectNode one = cells.addObject().put("spot", c.spotId()).put("lure", c.presentationId());
            List<BiteRates.Evidence> own = n.evidence().get(c);
            if (own != null) {
                numbers(
                        one,
                        "hours",
                        own.stream()
                                .mapToDouble(BiteRates.Evidence::anglerHours)
                                .toArray());
                numbers(
                        one,
                        "bites",
                        own.stream().mapToDouble(BiteRates.Evidence::bites).toArray());
            }
        }
        ArrayNode landing = node.putArray("landing");
        n.landing().forEach((lure, l) -> landing.addObject()
                .put("lure", lure)
                .put("alpha", l.alpha())
                .put("beta", l.beta()));
        bySpot(node, "leftByWind", n.leftByWind());
        bySpot(node, "standing", n.standing());
        bySpot(node, "finer", n.finer());
        ArrayNode fish = node.putArray("fish");
        n.knownFish().forEach(k -> fish.addObject()
                .put("id", k.fish().id())
                .put("grams", k.grams())
                .put("chance", k.chance()));
        return node;
    }

    private static ObjectNode pattern(Pattern p) {
        return object().put("type", p.spotType()).put("lure", p.presentationId());
    }

    private static void numbers(ObjectNode node, String name, double @Nullable [] numbers) {
        if (numbers != null) {
            ArrayNode list = node.putArray(name);
            for (double x : numbers) {
                number(list, x);
            }
        }
    }

    private static void number(ArrayNode list, double x) {
        if (x == Math.rint(x) && Math.abs(x) < 1e15) {
            list.add((long) x);
        } else {
            list.add(x);
        }
    }

    private static void whole(ObjectNode node, String name, int @Nullable [] numbers) {
        if (numbers != null) {
            ArrayNode list = node.putArray(name);
            IntStream.of(numbers).forEach(list::add);
        }
    }

    private static ObjectNode ladder(Backups.Ladder ladder, EventData event) {
        ObjectNode node = object();
        if (ladder.main() != null) {
            node.set("main", pattern(ladder.main()));
        }
        ArrayNode backups = node.putArray("backups");
        for (Backups.Backup b : ladder.backups()) {
            ObjectNode one = pattern(b.pattern()).put("grams", b.grams());
            ArrayNode stops = one.putArray("stops");
            b.stops().forEach(s -> stops.add(EventFileWriter.planStop(s, event.timeZone())));
            ArrayNode triggers = one.putArray("triggers");
            b.triggers().forEach(t -> triggers.addObject()
                    .put("spot", t.spotId())
                    .put("at", t.at().toString())
                    .put("bitesBelow", t.bitesBelow()));
            backups.add(one);
        }
        return node;
    }

    private static void bySpot(ObjectNode node, String name, Map<String, double[]> factors) {
        ArrayNode list = node.putArray(name);
        factors.forEach((spot, share) -> numbers(list.addObject().put("spot", spot), "share", share));
    }
}
