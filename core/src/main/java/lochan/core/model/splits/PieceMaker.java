package lochan.core.model.splits;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import lochan.core.Coded;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.lures.advice.Light;
import lochan.core.model.evidence.FishStanding;
import lochan.core.model.evidence.Situations;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.Cell;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Sky;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Mood;
import org.jspecify.annotations.Nullable;

/**
 * Parts practice by each question. What holds of a whole stop (bank, depth, light …) takes its slices whole. Retrieve and colour take a slice whole where
 * they were noted of the lure at the stop; else, and for where on the rig and how large, a slice is shared equally by the answers that its lure's bites at
 * the stop gave: where no bite gave any, it is unknown, and left out.
 */
public final class PieceMaker {

    private final EventData event;
    private final Situations situations;
    private final Map<String, @Nullable String> bottoms = new ConcurrentHashMap<>();

    public PieceMaker(EventData event, Situations situations) {
        this.event = event;
        this.situations = situations;
    }

    /**
     * The pieces of all practice.
     *
     * @param mean bites an hour of a cell's pattern
     */
    public List<Piece> pieces(List<Slice> slices, ToDoubleFunction<Cell> mean) {
        List<Piece> pieces = new ArrayList<>();
        for (Slice slice : slices) {
            double expected =
                    slice.effortAnglerHours() * mean.applyAsDouble(new Cell(slice.spotId(), slice.presentationId()));
            for (Question q : Question.values()) {
                String whole = ofStop(q, slice);
                if (whole != null) {
                    pieces.add(new Piece(q, whole, slice.effortAnglerHours(), slice.bites(), expected));
                } else {
                    ofBites(q, slice, expected, pieces);
                }
            }
        }
        return pieces;
    }

    private @Nullable String ofStop(Question q, Slice slice) {
        Conditions c = slice.conditions();
        return switch (q) {
            case BANK -> bank(slice.bank());
            case DEPTH, BOTTOM, COVER, LIGHT ->
                before(
                        q,
                        event.spot(slice.spotId()).orElseThrow(),
                        slice.start(),
                        c.windMps(),
                        c.signs().windFromDeg(),
                        c.sky());
            case POSITION -> mood(FishStanding.mood(c.signs().sighting()));
            case BAIT -> c.signs().baitSeen() == null ? null : c.signs().baitSeen() ? "yes" : "no";
            case RETRIEVE -> lure(slice, PresentationTime::retrieve);
            case COLOUR ->
                lure(slice, p -> p.colour() == null ? null : p.colour().words());
            case ARM, SIZE -> null;
        };
    }

    /** The answer that is known of a spot and time beforehand; null: unknown. */
    @Nullable
    String before(
            Question q,
            Spot spot,
            Instant time,
            @Nullable Double windMps,
            @Nullable Double windFromDeg,
            @Nullable Sky sky) {
        return switch (q) {
            case BANK -> bank(situations.bank(spot, windMps, windFromDeg));
            case DEPTH -> spot.zone().words();
            case BOTTOM -> bottoms.computeIfAbsent(spot.id(), this::bottom);
            case COVER -> Cover.of(spot.spotType()).words();
            case LIGHT -> light(situations.light(time, sky));
            case POSITION, BAIT, RETRIEVE, COLOUR, ARM, SIZE -> null;
        };
    }

    private static @Nullable String bank(@Nullable BankSide side) {
        return side == null ? null : side.isCalm() ? "sheltered" : "blown";
    }

    private static @Nullable String light(@Nullable Light light) {
        return light == null ? null : light == Light.LOW ? "low" : "bright";
    }

    private static @Nullable String mood(@Nullable Mood mood) {
        return mood == Mood.ACTIVE ? "feeding" : mood == Mood.INACTIVE ? "not feeding" : null;
    }

    private @Nullable String bottom(String spotId) {
        return event.waypoints().stream()
                .filter(w -> spotId.equals(w.spotId()))
                .map(Waypoint::bottom)
                .filter(Objects::nonNull)
                .findFirst()
                .map(Coded::words)
                .orElse(null);
    }

    private static @Nullable String lure(Slice slice, Function<PresentationTime, @Nullable String> of) {
        return slice.stop().presentations().stream()
                .filter(p -> p.presentationId().equals(slice.presentationId()))
                .map(of)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** A slice shared by the answers of its lure's bites at the stop; each bite with its answer, those without shared equally. */
    private static void ofBites(Question q, Slice slice, double expected, List<Piece> pieces) {
        Map<String, Double> bites = new LinkedHashMap<>();
        double all = 0;
        for (Bite b : slice.stop().bites()) {
            if (slice.presentationId().equals(slice.stop().presentationOf(b))) {
                all++;
                String answer = ofBite(q, b);
                if (answer != null) {
                    bites.merge(answer, 1.0, Double::sum);
                }
            }
        }
        double noted = bites.values().stream().mapToDouble(Double::doubleValue).sum();
        if (noted == 0) {
            return;
        }
        double slicesShare = slice.bites() / all;
        double unnoted = (all - noted) / bites.size();
        bites.forEach((answer, n) -> pieces.add(new Piece(
                q,
                answer,
                slice.effortAnglerHours() / bites.size(),
                slicesShare * (n + unnoted),
                expected / bites.size())));
    }

    private static @Nullable String ofBite(Question q, Bite b) {
        return switch (q) {
            case RETRIEVE -> b.notes().retrieve();
            case COLOUR ->
                b.notes().colour() == null ? null : b.notes().colour().words();
            case ARM -> b.notes().onRig();
            case SIZE -> b.notes().size() == null ? null : b.notes().size().words();
            case BANK, DEPTH, BOTTOM, COVER, LIGHT, POSITION, BAIT -> null;
        };
    }
}
