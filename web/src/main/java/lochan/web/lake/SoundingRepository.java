package lochan.web.lake;

import static lochan.web.db.Tables.SOUNDING_SURVEY;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.sounding.Sounding;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Deflated;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Keeps soundings, by the file they came in. */
@Repository
class SoundingRepository {

    private static final double PER_DEGREE = 1e7;
    private static final double CM_PER_M = 100;
    private static final int BYTES = 12;

    private final DSLContext db;

    SoundingRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return SOUNDING_SURVEY.EVENT_ID.eq(key.eventId()).and(SOUNDING_SURVEY.ACCOUNT_ID.eq(key.accountId()));
    }

    List<DepthSources.Survey> surveys(EventKey key) {
        return db.selectFrom(SOUNDING_SURVEY)
                .where(in(key))
                .and(SOUNDING_SURVEY.DELETED_AT.isNull())
                .orderBy(SOUNDING_SURVEY.KEPT_AT)
                .fetch(r -> new DepthSources.Survey(
                        r.getCode(), r.getFileName(), r.getTakenOn(), r.getCount_(), r.getLeftOut()));
    }

    /** Of all files together. */
    List<Sounding> soundings(EventKey key) {
        return soundings(key, SOUNDING_SURVEY.DELETED_AT.isNull());
    }

    /** Of all files but one. */
    List<Sounding> soundingsBut(EventKey key, String code) {
        return soundings(key, SOUNDING_SURVEY.DELETED_AT.isNull().and(SOUNDING_SURVEY.CODE.ne(code)));
    }

    /** Of all files, and of one that was deleted. */
    List<Sounding> soundingsAnd(EventKey key, String code) {
        return soundings(key, SOUNDING_SURVEY.DELETED_AT.isNull().or(SOUNDING_SURVEY.CODE.eq(code)));
    }

    private List<Sounding> soundings(EventKey key, Condition which) {
        List<Sounding> all = new ArrayList<>();
        db.select(SOUNDING_SURVEY.SOUNDINGS)
                .from(SOUNDING_SURVEY)
                .where(in(key))
                .and(which)
                .orderBy(SOUNDING_SURVEY.KEPT_AT)
                .fetch(SOUNDING_SURVEY.SOUNDINGS)
                .forEach(packed -> all.addAll(unpacked(packed)));
        return all;
    }

    void add(EventKey key, DepthSources.Survey survey, List<Sounding> soundings, Instant now) {
        db.insertInto(SOUNDING_SURVEY)
                .set(db.newRecord(SOUNDING_SURVEY)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setCode(survey.code())
                        .setFileName(survey.fileName())
                        .setTakenOn(survey.takenOn())
                        .setCount_(survey.count())
                        .setLeftOut(survey.leftOut())
                        .setSoundings(packed(soundings))
                        .setKeptAt(now))
                .execute();
    }

    /** @param at null takes it back */
    boolean setDeleted(EventKey key, String code, @Nullable Instant at) {
        return db.update(SOUNDING_SURVEY)
                        .set(SOUNDING_SURVEY.DELETED_AT, at)
                        .where(in(key))
                        .and(SOUNDING_SURVEY.CODE.eq(code))
                        .execute()
                == 1;
    }

    private static byte[] packed(List<Sounding> soundings) {
        ByteBuffer bytes = ByteBuffer.allocate(BYTES * soundings.size());
        for (Sounding s : soundings) {
            bytes.putInt((int) Math.round(PER_DEGREE * s.position().lat()))
                    .putInt((int) Math.round(PER_DEGREE * s.position().lon()))
                    .putInt((int) Math.round(CM_PER_M * s.depthM()));
        }
        return Deflated.packed(bytes.array());
    }

    private static List<Sounding> unpacked(byte[] packed) {
        ByteBuffer bytes = ByteBuffer.wrap(Deflated.unpacked(packed));
        List<Sounding> soundings = new ArrayList<>(bytes.limit() / BYTES);
        while (bytes.hasRemaining()) {
            Position at = new Position(bytes.getInt() / PER_DEGREE, bytes.getInt() / PER_DEGREE);
            soundings.add(new Sounding(at, bytes.getInt() / CM_PER_M));
        }
        return soundings;
    }
}
