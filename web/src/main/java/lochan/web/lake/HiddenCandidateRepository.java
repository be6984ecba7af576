package lochan.web.lake;

import static lochan.web.db.Tables.HIDDEN_CANDIDATE;

import java.util.List;
import lochan.core.event.Position;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
class HiddenCandidateRepository {

    private final DSLContext db;

    HiddenCandidateRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return HIDDEN_CANDIDATE.EVENT_ID.eq(key.eventId()).and(HIDDEN_CANDIDATE.ACCOUNT_ID.eq(key.accountId()));
    }

    List<HiddenCandidates.Hidden> all(EventKey key) {
        return db.selectFrom(HIDDEN_CANDIDATE)
                .where(in(key))
                .fetch(r -> new HiddenCandidates.Hidden(r.getKind(), new Position(r.getLat(), r.getLon())));
    }

    void add(EventKey key, HiddenCandidates.Hidden one) {
        db.insertInto(HIDDEN_CANDIDATE)
                .set(db.newRecord(HIDDEN_CANDIDATE)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setKind(one.kind())
                        .setLat(one.at().lat())
                        .setLon(one.at().lon()))
                .execute();
    }

    void delete(EventKey key, HiddenCandidates.Hidden one) {
        db.deleteFrom(HIDDEN_CANDIDATE)
                .where(in(key))
                .and(HIDDEN_CANDIDATE.KIND.eq(one.kind()))
                .and(HIDDEN_CANDIDATE.LAT.eq(one.at().lat()))
                .and(HIDDEN_CANDIDATE.LON.eq(one.at().lon()))
                .execute();
    }

    void deleteAll(EventKey key) {
        db.deleteFrom(HIDDEN_CANDIDATE).where(in(key)).execute();
    }
}
