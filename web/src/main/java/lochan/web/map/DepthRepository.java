package lochan.web.map;

import static lochan.web.db.Tables.DEPTH_GRID;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterOutputStream;
import lochan.core.lake.structure.DepthGrid;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Keeps depths to the centimetre. */
@Repository
class DepthRepository {

    private static final double CM_PER_M = 100;
    private static final short LAND = -1;

    private final DSLContext db;

    DepthRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return DEPTH_GRID.EVENT_ID.eq(key.eventId()).and(DEPTH_GRID.ACCOUNT_ID.eq(key.accountId()));
    }

    /** What tells one grid from another. */
    Optional<String> checksum(EventKey key) {
        return db.select(DEPTH_GRID.CHECKSUM).from(DEPTH_GRID).where(in(key)).fetchOptional(DEPTH_GRID.CHECKSUM);
    }

    DepthGrid grid(EventKey key) {
        return db.selectFrom(DEPTH_GRID)
                .where(in(key))
                .fetchSingle(r -> new DepthGrid(
                        r.getColumns_(),
                        r.getRows_(),
                        r.getWest(),
                        r.getSouth(),
                        r.getCellSize(),
                        true,
                        unpacked(r.getDepths(), r.getColumns_() * r.getRows_())));
    }

    void put(EventKey key, DepthGrid grid) {
        byte[] packed = packed(grid);
        db.deleteFrom(DEPTH_GRID).where(in(key)).execute();
        db.insertInto(DEPTH_GRID)
                .set(db.newRecord(DEPTH_GRID)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setChecksum(checksum(packed))
                        .setColumns_(grid.columns())
                        .setRows_(grid.rows())
                        .setWest(grid.west())
                        .setSouth(grid.south())
                        .setCellSize(grid.cellSize())
                        .setDepths(packed))
                .execute();
    }

    private static String checksum(byte[] packed) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(packed));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] packed(DepthGrid grid) {
        ByteBuffer cells = ByteBuffer.allocate(2 * grid.size());
        for (int i = 0; i < grid.size(); i++) {
            cells.putShort(
                    grid.isLand(i) ? LAND : (short) Math.min(Short.MAX_VALUE, Math.round(CM_PER_M * grid.depth(i))));
        }
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed)) {
            out.write(cells.array());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return packed.toByteArray();
    }

    private static float[] unpacked(byte[] packed, int cells) {
        ByteArrayOutputStream all = new ByteArrayOutputStream(2 * cells);
        try (InflaterOutputStream out = new InflaterOutputStream(all)) {
            out.write(packed);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        ByteBuffer shorts = ByteBuffer.wrap(all.toByteArray());
        float[] depths = new float[cells];
        for (int i = 0; i < cells; i++) {
            short cm = shorts.getShort();
            depths[i] = cm == LAND ? Float.NaN : (float) (cm / CM_PER_M);
        }
        return depths;
    }
}
