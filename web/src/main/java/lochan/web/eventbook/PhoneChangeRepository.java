package lochan.web.eventbook;

import static lochan.web.db.Tables.PHONE_CHANGE;

import lochan.web.shared.Inserts;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Changes that phones sent, by the ids that they gave them: each is taken once. */
@Repository
class PhoneChangeRepository {

    private final DSLContext db;

    PhoneChangeRepository(DSLContext db) {
        this.db = db;
    }

    /** Notes that a change is taken; false when it was before. */
    boolean takes(EventKey key, String id) {
        return Inserts.once(db.insertInto(PHONE_CHANGE)
                .set(PHONE_CHANGE.EVENT_ID, key.eventId())
                .set(PHONE_CHANGE.ACCOUNT_ID, key.accountId())
                .set(PHONE_CHANGE.CODE, id)::execute);
    }
}
