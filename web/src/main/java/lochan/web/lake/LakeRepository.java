package lochan.web.lake;

import static lochan.web.db.Tables.LAKE;

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

    void put(EventKey key, String geoJson) {
        db.deleteFrom(LAKE).where(in(key)).execute();
        db.insertInto(LAKE)
                .set(LAKE.EVENT_ID, key.eventId())
                .set(LAKE.ACCOUNT_ID, key.accountId())
                .set(LAKE.GEO_JSON, geoJson)
                .execute();
    }
}
