package lochan.web.lake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.zip.GZIPOutputStream;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthCells;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.quantity.Units;
import lochan.eventformat.LakeShapes;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What a map is drawn from, as the browser takes it: made once for each lake and each level of it, compressed. */
@Service
class MapSheets {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** Cells per side that are drawn; more are no sharper on a screen. */
    private static final int DRAWN_CELLS = 1000;

    private static final int KEPT = 8;
    private static final double CM_PER_M = 100;

    private final Lakes lakes;
    private final Accounts accounts;
    private final Clock clock;
    private final Cache<Depths, byte[]> cells =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<Sheet, byte[]> sheets =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    MapSheets(Lakes lakes, Accounts accounts, Clock clock) {
        this.lakes = lakes;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** Depths at a level, cm above the reference. */
    private record Depths(String checksum, int levelCm) {}

    private record Sheet(
            @Nullable Lake lake,
            List<Position> places,
            @Nullable Depths depths,
            Units.Depth unit,
            String root) {}

    /**
     * Shores, zones, cover and where the depths come from, as compressed JSON.
     *
     * @param outline of the event, without its lake
     */
    byte[] sheet(EventKey key, EventData outline) {
        Lake lake = lakes.lake(key);
        EventData event = outline.toBuilder().lake(lake).build();
        Depths depths = lakes.checksum(key)
                .map(sum -> new Depths(sum, cm(event.aboveReferenceM(clock.instant()))))
                .orElse(null);
        return sheets.get(
                new Sheet(
                        lake,
                        List.of(event.launch(), event.checkInAt()),
                        depths,
                        accounts.units(key.accountId()).depth(),
                        "/events/" + key.eventId() + "/map"),
                s -> made(key, s));
    }

    private static int cm(double metres) {
        return (int) Math.round(CM_PER_M * metres);
    }

    private byte[] made(EventKey key, Sheet s) {
        ObjectNode node = LakeShapes.sheet(s.lake(), s.places(), s.unit());
        if (s.depths() != null) {
            String from = s.root() + "/cells?of=" + s.depths().checksum() + "&level="
                    + s.depths().levelCm();
            node.set("depths", LakeShapes.depths(drawn(key)).put("from", from));
        }
        return compressed(JSON.writeValueAsString(node).getBytes(StandardCharsets.UTF_8));
    }

    /** The depths of a sheet, two bytes a cell, the low one first, compressed; empty where they are not these any more. */
    Optional<byte[]> cells(EventKey key, String checksum, int levelCm) {
        return lakes.checksum(key)
                .filter(checksum::equals)
                .map(sum -> cells.get(
                        new Depths(sum, levelCm),
                        d -> compressed(new DepthCells(drawn(key), d.levelCm() / CM_PER_M).bytes())));
    }

    private DepthGrid drawn(EventKey key) {
        return lakes.depths(key).orElseThrow().thinned(DRAWN_CELLS);
    }

    private static byte[] compressed(byte[] bytes) {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(packed)) {
            out.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return packed.toByteArray();
    }
}
