package lochan.core.lake.structure;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Zone;
import lochan.core.lake.depth.DepthGrid;
import org.jspecify.annotations.Nullable;

/**
 * What a map tells of a place that somebody marked.
 *
 * @param depthM   m at the reference level; null: not known there
 * @param spotType what kind of place it seems to be, by cover first, then by the shape of the bottom; null: nothing tells
 */
public record MapPlace(@Nullable Double depthM, @Nullable String spotType) {

    /** Structure this near is what was marked, m. */
    private static final double NEAR_M = 60;
    /** How far above and below its depth a place is fished, m. */
    public static final double FISHED_AROUND_M = 1;

    private static final Map<LakeCover.Kind, String> COVERS = Map.of(
            LakeCover.Kind.TIMBER, "standing-timber",
            LakeCover.Kind.GRASS, "grass-edge",
            LakeCover.Kind.DOCKS, "dock-row");

    /** @param grid null: no depths are known */
    public static MapPlace of(
            Position place, @Nullable DepthGrid grid, List<Candidate> candidates, @Nullable Lake lake) {
        int cell = grid == null ? -1 : grid.cellAt(place.lon(), place.lat());
        Double depth = grid == null || cell < 0 || grid.isLand(cell) ? null : Double.valueOf(grid.depth(cell));
        LakeCover.Kind cover =
                lake == null ? null : LakeCover.at(lake.covers(), place).orElse(null);
        return new MapPlace(
                depth, cover == null ? shape(place, grid, candidates) : COVERS.getOrDefault(cover, cover.code()));
    }

    private static @Nullable String shape(Position place, @Nullable DepthGrid grid, List<Candidate> candidates) {
        if (grid == null) {
            return null;
        }
        return candidates.stream()
                .filter(c -> metres(place, grid, c) <= NEAR_M)
                .min(Comparator.comparingDouble(c -> metres(place, grid, c)))
                .map(c -> c.kind().spotType())
                .orElse(null);
    }

    private static double metres(Position place, DepthGrid grid, Candidate c) {
        return place.metresTo(new Position(grid.y(c.cell()), grid.x(c.cell())));
    }

    /** A spot with what it leaves open filled in: depths, their zone, and its type where it has none. */
    public Spot fill(Spot spot, boolean isTypeKnown) {
        SpotBuilder filled = SpotBuilder.builder(spot);
        if (depthM != null && spot.depthMinM() == null && spot.depthMaxM() == null) {
            filled.depthMinM(Math.max(0, depthM - FISHED_AROUND_M))
                    .depthMaxM(depthM + FISHED_AROUND_M)
                    .zone(Zone.at(depthM));
        }
        if (spotType != null && !isTypeKnown) {
            filled.spotType(spotType);
        }
        return filled.build();
    }
}
