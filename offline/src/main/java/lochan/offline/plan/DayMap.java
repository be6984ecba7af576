package lochan.offline.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlooks;
import lochan.core.live.Today;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.offline.pack.Pack;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/** Makes the Map screen of a day. */
final class DayMap {

    private static final long DAY_MILLIS = Duration.ofDays(1).toMillis();

    private final Pack pack;
    private final EventData event;
    private final int day;
    private final @Nullable DayModel model;
    /** By bin, then spot: they change with the time alone. */
    private final Map<Integer, Map<String, SpotWorth.Best>> kept = new HashMap<>();

    /** @param model null: practice says nothing */
    DayMap(Pack pack, int day, @Nullable DayModel model) {
        this.pack = pack;
        this.event = pack.event();
        this.day = day;
        this.model = model;
    }

    MapScreen screen(MoveAdvice.State standing) {
        Position from = standing.place(event);
        Map<String, SpotWorth.Best> best = model == null
                ? Map.of()
                : kept.computeIfAbsent(
                        bin(standing.now(), model.bins()), bin -> SpotWorth.best(event, model, bin, this::isAllowed));
        double most =
                best.values().stream().mapToDouble(SpotWorth.Best::grams).max().orElse(0);
        record Near(MapScreen.Place place, double metres) {}
        List<MapScreen.Place> places = event.spots().stream()
                .map(s -> new Near(
                        place(s, event.offLimits(s) ? null : best.get(s.id()), most, from, standing),
                        from.metresTo(s.position())))
                .sorted(Comparator.comparingDouble(Near::metres))
                .map(Near::place)
                .toList();
        List<PlanStop> rest = Outlooks.rest(event.planOf(day), standing.now()).stream()
                .filter(s -> event.spot(s.spotId()).isPresent())
                .toList();
        return new MapScreen(places, route(from, rest, standing.now()), beads(rest));
    }

    private boolean isAllowed(Cell cell) {
        return !pack.notAllowed().containsKey(cell.presentationId());
    }

    /** The bin that holds a time; on another day the one of that time of day, or the nearest. */
    private static int bin(Instant now, List<Bin> bins) {
        long first = bins.getFirst().start().toEpochMilli();
        long length = bins.getLast().end().toEpochMilli() - first;
        long since = Math.floorMod(now.toEpochMilli() - first, DAY_MILLIS);
        for (int i = 0; i < bins.size(); i++) {
            if (since < bins.get(i).end().toEpochMilli() - first) {
                return i;
            }
        }
        return since < (DAY_MILLIS + length) / 2 ? bins.size() - 1 : 0;
    }

    private MapScreen.Place place(
            Spot spot, SpotWorth.@Nullable Best best, double most, Position from, MoveAdvice.State standing) {
        Units units = pack.units();
        return MapScreenPlaceBuilder.builder()
                .id(spot.id())
                .name(spot.name())
                .position(spot.position())
                .stones(
                        model == null
                                ? 1
                                : SpotWorth.stones(spot.id(), model, bin(standing.now(), model.bins()), c -> true))
                .share(best == null || most == 0 ? 0 : best.grams() / most)
                .kind(kind(spot, units))
                .best(
                        best == null
                                ? null
                                : Wording.text(
                                        "spotmap.best-now",
                                        event.presentation(best.cell().presentationId())
                                                .orElseThrow()
                                                .name(),
                                        Math.round(10 * best.bites()) / 10.0,
                                        best.keeperGrams() > 0 ? units.weight(best.keeperGrams()) : ""))
                .fished(fished(spot, standing.today()))
                .run(run(from, spot.position(), standing.now(), units))
                .caution(event.offLimits(spot) ? Wording.text("spotmap.off-limits") : null)
                .lure(best == null ? null : best.cell().presentationId())
                .build();
    }

    private static String kind(Spot spot, Units units) {
        String type = SpotType.words(spot.spotType());
        if (spot.depthMinM() == null || spot.depthMaxM() == null) {
            return type;
        }
        return Wording.text("spotmap.kind", type, units.depth(spot.depthMinM()), units.depth(spot.depthMaxM()));
    }

    private String fished(Spot spot, Today today) {
        Pack.Fished practice = pack.fished().get(spot.id());
        String before = practice == null
                ? Wording.text("spotmap.not-fished")
                : Wording.text(
                        "spotmap.practice",
                        Times.span(Duration.ofMinutes(practice.minutes())),
                        bites(practice.bites()));
        long had = today.bites().stream()
                .filter(b -> b.cell().spotId().equals(spot.id()))
                .count();
        boolean fished =
                today.efforts().stream().anyMatch(e -> e.cell().spotId().equals(spot.id()));
        return had > 0 || fished ? Wording.text("spotmap.today", before, bites(had)) : before;
    }

    private static String bites(long count) {
        return Wording.text(count == 0 ? "spotmap.no-bite" : "spotmap.bites", count);
    }

    private @Nullable String run(Position from, Position to, Instant now, Units units) {
        return pack.runs()
                .between(from, to, now)
                .map(r -> r.time().compareTo(Runs.SAME_PLACE) < 0
                        ? Wording.text("spotmap.here")
                        : Wording.text(
                                "spotmap.run",
                                units.distance(r.metres()),
                                Times.span(r.time().plusSeconds(59))))
                .orElse(null);
    }

    private List<Position> route(Position from, List<PlanStop> rest, Instant now) {
        List<Position> all = new ArrayList<>();
        List<Position> stops = Stream.concat(
                        Stream.of(from),
                        Stream.concat(
                                rest.stream().map(s -> event.spot(s.spotId())
                                        .orElseThrow()
                                        .position()),
                                Stream.of(event.checkInAt())))
                .toList();
        for (int i = 1; i < stops.size() && !rest.isEmpty(); i++) {
            if (!stops.get(i).equals(stops.get(i - 1))) {
                pack.runs().route(stops.get(i - 1), stops.get(i), now).ifPresent(all::addAll);
            }
        }
        return all;
    }

    private List<MapScreen.Bead> beads(List<PlanStop> rest) {
        return rest.stream()
                .map(s -> new MapScreen.Bead(
                        event.spot(s.spotId()).orElseThrow().position(), Times.clock(s.arrive(), event.timeZone())))
                .toList();
    }
}
