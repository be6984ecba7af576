package lochan.core.lake;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.lake.LocalPlane.Point;
import org.jspecify.annotations.Nullable;

/**
 * Which banks the wind blows onto, by the lake's outline: a bank is the nearest shore of a place. With β the angle between where the wind goes and
 * where the bank lies, a bank is blown up to 60° with open water upwind, sheltered from 120° on, and slick where besides hardly any open water lies
 * upwind, or there is no wind at all. Safe for several threads.
 */
public final class BankWind {

    private final Lake lake;
    private final Assumptions.Bank a;
    private final Map<Position, Optional<Double>> banks = new ConcurrentHashMap<>();
    private final Map<Wind, Optional<BankSide>> sides = new ConcurrentHashMap<>();

    private record Wind(Position place, double fromDeg) {}

    public BankWind(Lake lake, Assumptions.Bank a) {
        this.lake = lake;
        this.a = a;
    }

    /**
     * Returns how the wind meets the bank of a place.
     *
     * @param mps     null: unknown
     * @param fromDeg direction the wind comes from, degrees from north; null: unknown
     * @return null where the wind is unknown, blows along the bank, or no bank is near
     */
    public @Nullable BankSide side(Position place, @Nullable Double mps, @Nullable Double fromDeg) {
        if (mps != null && mps < a.calmBelowMps()) {
            return bankDeg(place).isPresent() ? BankSide.SLICK : null;
        }
        return mps == null || fromDeg == null
                ? null
                : sides.computeIfAbsent(new Wind(place, fromDeg), w -> Optional.ofNullable(side(place, fromDeg)))
                        .orElse(null);
    }

    private @Nullable BankSide side(Position place, double fromDeg) {
        Double bank = bankDeg(place).orElse(null);
        if (bank == null) {
            return null;
        }
        double off = Math.abs(Math.IEEEremainder(fromDeg + 180 - bank, 360));
        if (off <= a.blownWithinDeg()) {
            return Fetch.isOver(lake, place, fromDeg, a.blownFetchM()) ? BankSide.BLOWN : null;
        }
        if (off < 180 - a.blownWithinDeg()) {
            return null;
        }
        return Fetch.isOver(lake, place, fromDeg, a.slickFetchM()) ? BankSide.SHELTERED : BankSide.SLICK;
    }

    /** Direction of the bank from a place, degrees from north; empty where no shore is near. */
    public Optional<Double> bankDeg(Position place) {
        return banks.computeIfAbsent(place, this::nearest);
    }

    private Optional<Double> nearest(Position place) {
        LocalPlane plane = new LocalPlane(place);
        Point here = new Point(0, 0);
        Point nearest = null;
        boolean inWater = false;
        for (Lake.Body body : lake.bodies()) {
            inWater |= body.holds(place);
            for (List<Position> ring : body.rings()) {
                for (int i = 0; i < ring.size(); i++) {
                    Point shore =
                            Edges.nearest(here, plane.point(ring.get(i)), plane.point(ring.get((i + 1) % ring.size())));
                    nearest = nearest == null || shore.length() < nearest.length() ? shore : nearest;
                }
            }
        }
        if (nearest == null || nearest.length() > a.withinM() || nearest.length() == 0) {
            return Optional.empty();
        }
        double deg = Math.toDegrees(Math.atan2(nearest.x(), nearest.y())) + (inWater ? 0 : 180);
        return Optional.of((deg + 360) % 360);
    }
}
