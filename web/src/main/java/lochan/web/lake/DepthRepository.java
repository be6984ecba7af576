package lochan.web.lake;

import static lochan.web.db.Tables.DEPTH_GRID;

import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.BitSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import lochan.core.lake.depth.DepthGrid;
import lochan.web.db.tables.records.DepthGridRecord;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Deflated;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
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

    /** Which depths. */
    enum Layer {
        /** As a file of the map gave them. */
        MAP("map"),
        /** All that is known, with soundings in them. */
        ALL("all"),
        /** Those of the map before the last import, for undo. */
        FORMER("former");

        private final String code;

        Layer(String code) {
            this.code = code;
        }
    }

    private static Condition in(EventKey key, Layer layer) {
        return DEPTH_GRID
                .EVENT_ID
                .eq(key.eventId())
                .and(DEPTH_GRID.ACCOUNT_ID.eq(key.accountId()))
                .and(DEPTH_GRID.LAYER.eq(layer.code));
    }

    /** What tells one grid from another. */
    Optional<String> checksum(EventKey key) {
        return db.select(DEPTH_GRID.CHECKSUM)
                .from(DEPTH_GRID)
                .where(in(key, Layer.ALL))
                .fetchOptional(DEPTH_GRID.CHECKSUM);
    }

    /** The file that depths came from; empty where there are none. */
    Optional<String> source(EventKey key, Layer layer) {
        return db.select(DEPTH_GRID.SOURCE)
                .from(DEPTH_GRID)
                .where(in(key, layer))
                .fetchOptional(DEPTH_GRID.SOURCE);
    }

    Optional<DepthGrid> grid(EventKey key, Layer layer) {
        return db.selectFrom(DEPTH_GRID).where(in(key, layer)).fetchOptional(r -> new DepthGrid(
                        r.getColumns_(),
                        r.getRows_(),
                        r.getWest(),
                        r.getSouth(),
                        r.getCellSize(),
                        true,
                        unpacked(r.getDepths(), r.getColumns_() * r.getRows_()))
                .withGuessed(
                        r.getGuessed() == null ? new BitSet() : BitSet.valueOf(Deflated.unpacked(r.getGuessed()))));
    }

    /** Puts one layer in the place of another, as it is; where there is none, none is left. */
    void move(EventKey key, Layer from, Layer to) {
        db.deleteFrom(DEPTH_GRID).where(in(key, to)).execute();
        db.update(DEPTH_GRID)
                .set(DEPTH_GRID.LAYER, to.code)
                .where(in(key, from))
                .execute();
    }

    /** Copies one layer to another. */
    void copy(EventKey key, Layer from, Layer to) {
        db.deleteFrom(DEPTH_GRID).where(in(key, to)).execute();
        db.selectFrom(DEPTH_GRID).where(in(key, from)).fetchOptional().ifPresent(r -> {
            DepthGridRecord copy = db.newRecord(DEPTH_GRID, r);
            copy.setLayer(to.code);
            copy.insert();
        });
    }

    /** @param grid null leaves none */
    void put(EventKey key, Layer layer, @Nullable DepthGrid grid, String source) {
        db.deleteFrom(DEPTH_GRID).where(in(key, layer)).execute();
        if (grid == null) {
            return;
        }
        byte[] packed = packed(grid);
        BitSet guessed = grid.guessed();
        byte[] unsure = guessed.isEmpty() ? null : Deflated.packed(guessed.toByteArray());
        db.insertInto(DEPTH_GRID)
                .set(db.newRecord(DEPTH_GRID)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setLayer(layer.code)
                        .setSource(source)
                        .setChecksum(checksum(packed, unsure))
                        .setColumns_(grid.columns())
                        .setRows_(grid.rows())
                        .setWest(grid.west())
                        .setSouth(grid.south())
                        .setCellSize(grid.cellSize())
                        .setDepths(packed)
                        .setGuessed(unsure))
                .execute();
    }

    /** Takes over depths that another event of the account has; without such there are none. */
    void copy(EventKey key, String checksum) {
        db.selectFrom(DEPTH_GRID)
                .where(DEPTH_GRID.ACCOUNT_ID.eq(key.accountId()))
                .and(DEPTH_GRID.CHECKSUM.eq(checksum))
                .and(DEPTH_GRID.EVENT_ID.ne(key.eventId()))
                .and(DEPTH_GRID.LAYER.eq(Layer.ALL.code))
                .limit(1)
                .fetchOptional()
                .ifPresent(r -> {
                    for (Layer layer : List.of(Layer.MAP, Layer.ALL)) {
                        DepthGridRecord copy = db.newRecord(DEPTH_GRID, r);
                        copy.setEventId(key.eventId());
                        copy.setLayer(layer.code);
                        copy.insert();
                    }
                });
    }

    private static String checksum(byte[] packed, byte @Nullable [] guessed) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(packed);
            if (guessed != null) {
                digest.update(guessed);
            }
            return HexFormat.of().formatHex(digest.digest());
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
        return Deflated.packed(cells.array());
    }

    private static float[] unpacked(byte[] packed, int cells) {
        ByteBuffer shorts = ByteBuffer.wrap(Deflated.unpacked(packed));
        float[] depths = new float[cells];
        for (int i = 0; i < cells; i++) {
            short cm = shorts.getShort();
            depths[i] = cm == LAND ? Float.NaN : (float) (cm / CM_PER_M);
        }
        return depths;
    }
}
