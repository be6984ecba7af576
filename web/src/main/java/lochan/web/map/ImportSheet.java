package lochan.web.map;

import java.util.Base64;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthCells;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.quantity.Units;
import lochan.eventformat.LakeShapes;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What comes of a file, as the browser draws it before anything is kept. */
final class ImportSheet {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** Cells per side of the picture. */
    private static final int PREVIEW_CELLS = 300;

    private ImportSheet() {}

    static String of(ImportReading.Result result, EventData event, Units units) {
        return of(lake(result, event), grid(result), event, units);
    }

    static String of(@Nullable Lake lake, @Nullable DepthGrid grid, EventData event, Units units) {
        ObjectNode node = JSON.createObjectNode();
        if (lake != null) {
            node.set("lake", LakeShapes.of(lake, lake.bodies()));
        }
        node.putArray("places")
                .addObject()
                .put("lat", event.launch().lat())
                .put("lon", event.launch().lon());
        node.putObject("unit")
                .put("code", units.depth().code())
                .put("metres", units.depth().metres());
        if (grid != null) {
            DepthGrid coarse = grid.thinned(PREVIEW_CELLS);
            node.putObject("depths")
                    .put("columns", coarse.columns())
                    .put("rows", coarse.rows())
                    .put("west", coarse.west())
                    .put("north", coarse.south() + coarse.rows() * coarse.cellSize())
                    .put("cell", coarse.cellSize())
                    .put("cells", Base64.getEncoder().encodeToString(new DepthCells(coarse, 0).bytes()));
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

    private static @Nullable DepthGrid grid(ImportReading.Result result) {
        return switch (result) {
            case ImportReading.Result.OfDepths d -> d.grid();
            case ImportReading.Result.OfSoundings s -> s.grid();
            case ImportReading.Result.OfLake l -> null;
            case ImportReading.Result.OfCover c -> null;
        };
    }
}
