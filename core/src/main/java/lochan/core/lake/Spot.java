package lochan.core.lake;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * A place to fish.
 *
 * @param id         unique in its event
 * @param name       what the angler calls it
 * @param position   its middle
 * @param radiusM    how far it reaches, m
 * @param spotType spot type, as {@code grass-edge}
 * @param zone       depth zone
 * @param depthMinM  shallowest water fished, m at the lake's reference level; null: unknown
 * @param depthMaxM  deepest water fished, m at the lake's reference level; null: unknown
 * @param crowdRisk  chance that another boat got there first, 0 to 1
 * @param stock      how fast it is fished down
 * @param shelter    whether the boat can wait there, ashore or under cover, for the end of lightning: the angler says so
 * @param symbol     sign that a plotter had for it, kept for the way back; null: none
 * @param entered    quantities as they were typed, by field name
 */
@RecordBuilder
public record Spot(
        String id,
        String name,
        Position position,
        double radiusM,
        String spotType,
        Zone zone,
        @Nullable Double depthMinM,
        @Nullable Double depthMaxM,
        double crowdRisk,
        Stock stock,
        boolean shelter,
        @Nullable String symbol,
        Map<String, String> entered) {

    public static final double USUAL_RADIUS_M = 60;
    /** A fish from below may not be able to go down again, m: 25 ft. */
    private static final double DEEP_M = 7.6;

    public Spot {
        entered = Map.copyOf(entered);
    }

    /** Whether fish are brought up from deep water there. */
    public boolean isDeep() {
        return depthMaxM != null && depthMaxM >= DEEP_M;
    }

    /** Returns the spot with another chance that a boat got there first. */
    public Spot withCrowdRisk(double risk) {
        return SpotBuilder.builder(this).crowdRisk(risk).build();
    }

    /** Returns the spot with the water higher than the reference level, m; dry ground has depth 0. */
    public Spot deeperBy(double metres) {
        return metres == 0
                ? this
                : SpotBuilder.builder(this)
                        .depthMinM(depthMinM == null ? null : Double.valueOf(Math.max(0, depthMinM + metres)))
                        .depthMaxM(depthMaxM == null ? null : Double.valueOf(Math.max(0, depthMaxM + metres)))
                        .build();
    }

    /** A new spot of which only the place is known, in shallow water until told otherwise. */
    public static Spot fresh(String id, String name, Position position, String spotType) {
        return SpotBuilder.builder()
                .id(id)
                .name(name)
                .position(position)
                .radiusM(USUAL_RADIUS_M)
                .spotType(spotType)
                .zone(Zone.SHALLOW)
                .crowdRisk(0)
                .stock(Stock.GENERAL)
                .entered(Map.of())
                .build();
    }
}
