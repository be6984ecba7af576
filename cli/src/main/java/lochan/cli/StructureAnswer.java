package lochan.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.Units;
import lochan.eventformat.BoundedLines;
import lochan.wording.Wording;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code structure}: candidates as GeoJSON, in the grid's own coordinates. */
final class StructureAnswer {

    private StructureAnswer() {}

    /** @param crs {@code EPSG:4326} or {@code metres}; null: as the grid's cell size looks */
    static DepthGrid grid(String file, String crs) throws UsageException {
        if (crs != null && !crs.equals("EPSG:4326") && !crs.equals("metres")) {
            throw new UsageException("--crs is " + crs + ": expected EPSG:4326 or metres");
        }
        try (BufferedReader lines = Files.newBufferedReader(Path.of(file), StandardCharsets.UTF_8)) {
            return EsriGrid.read(
                    new BoundedLines(lines),
                    crs == null ? null : Boolean.valueOf(crs.equals("EPSG:4326")),
                    new EsriGrid.Values.Depths());
        } catch (BadGridException e) {
            throw new UsageException(file + ": " + Wording.text(e.reason(), Units.METRIC));
        } catch (NoSuchFileException e) {
            throw new UsageException(file + ": there is no such file");
        } catch (UncheckedIOException e) {
            throw new UsageException(file + ": "
                    + (e.getCause() instanceof MalformedInputException
                            ? "isn't a text file"
                            : "cannot be read (" + e.getMessage() + ")"));
        } catch (IOException | java.nio.file.InvalidPathException e) {
            throw new UsageException(file + ": cannot be read (" + e.getMessage() + ")");
        }
    }

    static ObjectNode json(DepthGrid grid, StructureFinder.Filter wanted) {
        ObjectNode node = JsonNodeFactory.instance.objectNode().put("type", "FeatureCollection");
        ArrayNode features = node.putArray("features");
        StructureFinder.find(grid, wanted).forEach(c -> features.add(feature(grid, c)));
        return node;
    }

    private static ObjectNode feature(DepthGrid grid, Candidate c) {
        ObjectNode feature = JsonNodeFactory.instance.objectNode().put("type", "Feature");
        feature.putObject("geometry")
                .put("type", "Point")
                .putArray("coordinates")
                .add(grid.x(c.cell()))
                .add(grid.y(c.cell()));
        ObjectNode properties = feature.putObject("properties")
                .put("kind", c.kind().code())
                .put("depthM", c.depthM())
                .put("prominenceM", c.prominenceM());
        if (c.kind() == Candidate.Kind.SADDLE) {
            properties.putArray("risesM").add(c.prominenceM()).add(c.otherRiseM());
        }
        properties
                .put("areaM2", c.areaM2())
                .put("deepWaterM", c.deepWaterM())
                .put("why", Wording.text(c.why(), Units.METRIC));
        return feature;
    }
}
