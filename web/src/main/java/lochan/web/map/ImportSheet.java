package lochan.web.map;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthCells;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.quantity.Units;
import lochan.eventformat.LakeShapes;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Draws the result of a file in the browser before it is imported. */
final class ImportSheet {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** Cells per side of the picture. */
    private static final int PREVIEW_CELLS = 300;

    private ImportSheet() {}

    /** @param depths that come of it; null: none do */
    static String of(ImportReading.Result result, @Nullable DepthGrid depths, EventData event, Units units) {
        return of(lake(result, event), depths, event, units);
    }

    static String of(@Nullable Lake lake, @Nullable DepthGrid grid, EventData event, Units units) {
        ObjectNode node = LakeShapes.sheet(lake, List.of(event.launch()), units.depth());
        if (grid != null) {
            DepthGrid coarse = grid.thinned(PREVIEW_CELLS);
            node.set("depths", LakeShapes.depths(coarse).put("cells", new DepthCells(coarse, 0).bytes()));
        }
        return JSON.writeValueAsString(node);
    }

    private static @Nullable Lake lake(ImportReading.Result result, EventData event) {
        return switch (result) {
            case ImportReading.Result.OfLake l -> l.lake();
            case ImportReading.Result.OfCover c -> c.lake();
            case ImportReading.Result.OfDepths d -> d.shore() == null ? event.lake() : d.shore();
            case ImportReading.Result.OfSoundings s -> event.lake();
        };
    }
}
