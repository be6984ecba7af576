package lochan.web.lake;

import static lochan.web.db.Tables.FORMER_LAKE;
import static lochan.web.db.Tables.LAKE;

import java.time.Instant;
import java.util.Optional;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
class LakeRepository {

    private final DSLContext db;

    LakeRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return LAKE.EVENT_ID.eq(key.eventId()).and(LAKE.ACCOUNT_ID.eq(key.accountId()));
    }

    Optional<String> geoJson(EventKey key) {
        return db.select(LAKE.GEO_JSON).from(LAKE).where(in(key)).fetchOptional(LAKE.GEO_JSON);
    }

    /** Keeps the lake as it is now, for undo. */
    void keepFormer(EventKey key, Instant now) {
        db.deleteFrom(FORMER_LAKE).where(isFormer(key)).execute();
        db.insertInto(FORMER_LAKE)
                .set(FORMER_LAKE.EVENT_ID, key.eventId())
                .set(FORMER_LAKE.ACCOUNT_ID, key.accountId())
                .set(FORMER_LAKE.GEO_JSON, geoJson(key).orElse(null))
                .set(FORMER_LAKE.REPLACED_AT, now)
                .execute();
    }

    /** The lake that was kept; empty too where there was none to keep. */
    Optional<String> former(EventKey key) {
        return db.select(FORMER_LAKE.GEO_JSON)
                .from(FORMER_LAKE)
                .where(isFormer(key))
                .fetchOptional(FORMER_LAKE.GEO_JSON);
    }

    /** Takes the former lake back in the place of the one there is; false: none was kept. */
    boolean takeFormer(EventKey key) {
        Optional<String> former = former(key);
        if (db.deleteFrom(FORMER_LAKE).where(isFormer(key)).execute() == 0) {
            return false;
        }
        db.deleteFrom(LAKE).where(in(key)).execute();
        former.ifPresent(lake -> put(key, lake));
        return true;
    }

    private static Condition isFormer(EventKey key) {
        return FORMER_LAKE.EVENT_ID.eq(key.eventId()).and(FORMER_LAKE.ACCOUNT_ID.eq(key.accountId()));
    }

    void put(EventKey key, String geoJson) {
        db.deleteFrom(LAKE).where(in(key)).execute();
        db.insertInto(LAKE)
                .set(LAKE.EVENT_ID, key.eventId())
                .set(LAKE.ACCOUNT_ID, key.accountId())
                .set(LAKE.GEO_JSON, geoJson)
                .execute();
    }
}
