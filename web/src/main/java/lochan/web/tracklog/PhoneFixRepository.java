package lochan.web.tracklog;

import static lochan.web.db.Tables.PHONE_FIX;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.practice.track.Fix;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Tracks that phones recorded. */
@Repository
class PhoneFixRepository {

    private final DSLContext db;

    PhoneFixRepository(DSLContext db) {
        this.db = db;
    }

    /** Adds fixes; of those of one time the first stays. */
    void add(EventKey key, List<Fix> fixes) {
        if (!fixes.isEmpty()) {
            var insert = db.insertInto(
                    PHONE_FIX, PHONE_FIX.EVENT_ID, PHONE_FIX.ACCOUNT_ID, PHONE_FIX.AT, PHONE_FIX.LAT, PHONE_FIX.LON);
            for (Fix fix : fixes) {
                insert = insert.values(
                        key.eventId(),
                        key.accountId(),
                        fix.at(),
                        fix.position().lat(),
                        fix.position().lon());
            }
            insert.onDuplicateKeyUpdate().set(PHONE_FIX.AT, PHONE_FIX.AT).execute();
        }
    }

    /** Days on which something was recorded, the first first. */
    List<LocalDate> days(EventKey key, ZoneId zone) {
        return db.select(PHONE_FIX.AT).from(PHONE_FIX).where(of(key)).orderBy(PHONE_FIX.AT).fetch(PHONE_FIX.AT).stream()
                .map(at -> at.atZone(zone).toLocalDate())
                .distinct()
                .toList();
    }

    /** The track of a day. */
    List<Fix> ofDay(EventKey key, LocalDate day, ZoneId zone) {
        return db.selectFrom(PHONE_FIX)
                .where(of(key).and(within(day, zone)))
                .orderBy(PHONE_FIX.AT)
                .fetch(r -> new Fix(r.getAt(), new Position(r.getLat(), r.getLon())));
    }

    void delete(EventKey key, LocalDate day, ZoneId zone) {
        db.deleteFrom(PHONE_FIX).where(of(key).and(within(day, zone))).execute();
    }

    private static Condition of(EventKey key) {
        return PHONE_FIX.EVENT_ID.eq(key.eventId()).and(PHONE_FIX.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition within(LocalDate day, ZoneId zone) {
        return PHONE_FIX
                .AT
                .ge(day.atStartOfDay(zone).toInstant())
                .and(PHONE_FIX.AT.lt(day.plusDays(1).atStartOfDay(zone).toInstant()));
    }
}
