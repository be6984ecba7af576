package lochan.web.app;

import static lochan.web.db.Tables.BITE;
import static lochan.web.db.Tables.SPOT;
import static lochan.web.db.Tables.STOP;

import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** How much there is of each event of an account, without reading it. */
@Repository
class EventCountsRepository {

    private final DSLContext db;

    EventCountsRepository(DSLContext db) {
        this.db = db;
    }

    /** Spots by event. */
    Map<Long, Integer> spots(long accountId) {
        return db.select(SPOT.EVENT_ID, DSL.count())
                .from(SPOT)
                .where(SPOT.ACCOUNT_ID.eq(accountId))
                .and(SPOT.DELETED_AT.isNull())
                .groupBy(SPOT.EVENT_ID)
                .fetchMap(SPOT.EVENT_ID, r -> r.value2());
    }

    /** Stops at spots that are still there, by event. */
    Map<Long, Integer> stops(long accountId) {
        return db.select(STOP.EVENT_ID, DSL.count())
                .from(STOP)
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(valid(accountId))
                .groupBy(STOP.EVENT_ID)
                .fetchMap(STOP.EVENT_ID, r -> r.value2());
    }

    /** Bites of these stops, by event. */
    Map<Long, Integer> bites(long accountId) {
        return db.select(BITE.EVENT_ID, DSL.count())
                .from(BITE)
                .join(STOP)
                .on(STOP.EVENT_ID.eq(BITE.EVENT_ID), STOP.CODE.eq(BITE.STOP_CODE))
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(valid(accountId))
                .and(BITE.DELETED_AT.isNull())
                .groupBy(BITE.EVENT_ID)
                .fetchMap(BITE.EVENT_ID, r -> r.value2());
    }

    private static Condition valid(long accountId) {
        return STOP.ACCOUNT_ID.eq(accountId).and(STOP.DELETED_AT.isNull()).and(SPOT.DELETED_AT.isNull());
    }
}
