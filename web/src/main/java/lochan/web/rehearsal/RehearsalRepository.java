package lochan.web.rehearsal;

import static lochan.web.db.Tables.REHEARSAL;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Step;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Deflated;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@Repository
class RehearsalRepository {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** All but what was known and what is true, which are large. */
    private static final List<Field<?>> SHOWN = List.of(
            REHEARSAL.ID,
            REHEARSAL.DAY,
            REHEARSAL.PLAN_NAME,
            REHEARSAL.NUMBER,
            REHEARSAL.BEGAN_AT,
            REHEARSAL.STEPS,
            REHEARSAL.ADVICE,
            REHEARSAL.ADVISED,
            REHEARSAL.OUTCOME);

    private final DSLContext db;

    RehearsalRepository(DSLContext db) {
        this.db = db;
    }

    /** What a day is drawn from: packs of what is known of it and of the weather as it comes. */
    record Basis(JsonNode known, JsonNode actual) {}

    private static Condition in(EventKey key) {
        return REHEARSAL.EVENT_ID.eq(key.eventId()).and(REHEARSAL.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition there(EventKey key, long id) {
        return in(key).and(REHEARSAL.ID.eq(id)).and(REHEARSAL.DELETED_AT.isNull());
    }

    /** The last one first. */
    List<StoredRehearsal> all(EventKey key) {
        return db.select(SHOWN)
                .from(REHEARSAL)
                .where(in(key))
                .and(REHEARSAL.DELETED_AT.isNull())
                .orderBy(REHEARSAL.ID.desc())
                .fetch(RehearsalRepository::stored);
    }

    Optional<StoredRehearsal> find(EventKey key, long id) {
        return db.select(SHOWN).from(REHEARSAL).where(there(key, id)).fetchOptional(RehearsalRepository::stored);
    }

    private static StoredRehearsal stored(Record r) {
        return new StoredRehearsal(
                r.get(REHEARSAL.ID),
                r.get(REHEARSAL.DAY),
                r.get(REHEARSAL.PLAN_NAME),
                r.get(REHEARSAL.NUMBER),
                r.get(REHEARSAL.BEGAN_AT),
                Steps.list(r.get(REHEARSAL.STEPS)),
                r.get(REHEARSAL.ADVICE),
                r.get(REHEARSAL.ADVISED),
                outcome(r.get(REHEARSAL.OUTCOME)));
    }

    private static @Nullable Outcome outcome(@Nullable String json) {
        return json == null ? null : JSON.readValue(json, Outcome.class);
    }

    Optional<Basis> basis(EventKey key, long id) {
        return db.select(REHEARSAL.KNOWN, REHEARSAL.ACTUAL)
                .from(REHEARSAL)
                .where(there(key, id))
                .fetchOptional(r -> new Basis(json(r.value1()), json(r.value2())));
    }

    long add(EventKey key, int day, @Nullable String planName, int number, boolean advice, Instant now, Basis basis) {
        return add(key, day, planName, number, advice, now, bytes(basis.known()), bytes(basis.actual()));
    }

    private long add(
            EventKey key,
            int day,
            @Nullable String planName,
            int number,
            boolean advice,
            Instant now,
            byte[] known,
            byte[] actual) {
        return db.insertInto(REHEARSAL)
                .set(REHEARSAL.EVENT_ID, key.eventId())
                .set(REHEARSAL.ACCOUNT_ID, key.accountId())
                .set(REHEARSAL.DAY, day)
                .set(REHEARSAL.PLAN_NAME, planName)
                .set(REHEARSAL.NUMBER, number)
                .set(REHEARSAL.BEGAN_AT, now)
                .set(REHEARSAL.KNOWN, known)
                .set(REHEARSAL.ACTUAL, actual)
                .set(REHEARSAL.STEPS, Steps.text(List.of()))
                .set(REHEARSAL.STEPS_TAKEN, 0)
                .set(REHEARSAL.ADVICE, advice)
                .set(REHEARSAL.ADVISED, advice)
                .returningResult(REHEARSAL.ID)
                .fetchSingle()
                .value1();
    }

    /** Begins the day of a rehearsal from its beginning. */
    long addAgain(EventKey key, StoredRehearsal of, Instant now) {
        Record r = db.select(REHEARSAL.KNOWN, REHEARSAL.ACTUAL)
                .from(REHEARSAL)
                .where(there(key, of.id()))
                .fetchSingle();
        return add(
                key,
                of.day(),
                of.planName(),
                of.number(),
                of.advice(),
                now,
                r.get(REHEARSAL.KNOWN),
                r.get(REHEARSAL.ACTUAL));
    }

    /**
     * Adds a step.
     *
     * @param before steps that were taken when it was decided
     * @return false, and nothing is kept, when others were taken meanwhile
     */
    boolean take(EventKey key, long id, List<Step> steps, int before) {
        return db.update(REHEARSAL)
                        .set(REHEARSAL.STEPS, Steps.text(steps))
                        .set(REHEARSAL.STEPS_TAKEN, steps.size())
                        .where(there(key, id))
                        .and(REHEARSAL.STEPS_TAKEN.eq(before))
                        .execute()
                == 1;
    }

    void showAdvice(EventKey key, long id, boolean shown) {
        db.update(REHEARSAL)
                .set(REHEARSAL.ADVICE, shown)
                .set(REHEARSAL.ADVISED, shown ? DSL.val(Boolean.TRUE) : REHEARSAL.ADVISED)
                .where(there(key, id))
                .execute();
    }

    void end(EventKey key, long id, Outcome outcome) {
        db.update(REHEARSAL)
                .set(REHEARSAL.OUTCOME, JSON.writeValueAsString(outcome))
                .where(there(key, id))
                .execute();
    }

    boolean setDeleted(EventKey key, long id, @Nullable Instant at) {
        return db.update(REHEARSAL)
                        .set(REHEARSAL.DELETED_AT, at)
                        .where(in(key))
                        .and(REHEARSAL.ID.eq(id))
                        .execute()
                == 1;
    }

    private static byte[] bytes(JsonNode json) {
        return Deflated.packed(json.toString().getBytes(StandardCharsets.UTF_8));
    }

    private static JsonNode json(byte[] bytes) {
        return JSON.readTree(Deflated.unpacked(bytes));
    }
}
