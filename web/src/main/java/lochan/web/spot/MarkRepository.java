package lochan.web.spot;

import static lochan.web.db.Tables.MARK;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Coded;
import lochan.core.event.Position;
import lochan.core.water.Mark;
import lochan.web.brief.EventKey;
import lochan.web.db.tables.records.MarkRecord;
import lochan.web.page.JsonText;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

@Repository
class MarkRepository {

    private final DSLContext db;

    MarkRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return MARK.EVENT_ID.eq(key.eventId()).and(MARK.ACCOUNT_ID.eq(key.accountId()));
    }

    List<Mark> all(EventKey key) {
        return db.selectFrom(MARK).where(in(key)).and(MARK.DELETED_AT.isNull()).orderBy(MARK.ORDINAL).fetch(MarkRepository::mark);
    }

    Optional<Mark> find(EventKey key, String code) {
        return db.selectFrom(MARK).where(in(key)).and(MARK.CODE.eq(code)).and(MARK.DELETED_AT.isNull()).fetchOptional(MarkRepository::mark);
    }

    /** Adds marks; one whose code is there already is there once. */
    void add(EventKey key, List<Mark> marks) {
        int next = db.select(DSL.coalesce(DSL.max(MARK.ORDINAL), -1)).from(MARK).where(in(key)).fetchSingle().value1() + 1;
        db.batch(IntStream.range(0, marks.size()).mapToObj(i -> db.insertInto(MARK).set(filled(marks.get(i)).setEventId(key.eventId())
                .setAccountId(key.accountId()).setOrdinal(next + i).setCode(marks.get(i).id())).onDuplicateKeyIgnore()).toList()).execute();
    }

    void update(EventKey key, Mark mark) {
        db.update(MARK).set(filled(mark)).where(in(key)).and(MARK.CODE.eq(mark.id())).execute();
    }

    boolean setDeleted(EventKey key, String code, Instant at) {
        return db.update(MARK).set(MARK.DELETED_AT, at).where(in(key)).and(MARK.CODE.eq(code)).execute() == 1;
    }

    private MarkRecord filled(Mark m) {
        return db.newRecord(MARK).setAt(m.at()).setLat(m.position().lat()).setLon(m.position().lon()).setSpotCode(m.spotId())
                .setFishDepthM(m.fishDepthM()).setWaterDepthM(m.waterDepthM()).setBottom(m.bottom() == null ? null : m.bottom().code())
                .setBait(m.bait()).setHolding(m.holding() == null ? null : m.holding().code()).setNote(m.note()).setEntered(JsonText.of(m.entered()));
    }

    private static Mark mark(MarkRecord r) {
        return new Mark(r.getCode(), r.getAt(), new Position(r.getLat(), r.getLon()), r.getSpotCode(), r.getFishDepthM(), r.getWaterDepthM(),
                r.getBottom() == null ? null : Coded.find(Mark.Bottom.class, r.getBottom()).orElseThrow(), r.getBait(),
                r.getHolding() == null ? null : Coded.find(Mark.Holding.class, r.getHolding()).orElseThrow(), r.getNote(), JsonText.map(r.getEntered()));
    }
}
