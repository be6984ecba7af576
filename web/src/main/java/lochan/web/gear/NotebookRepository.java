package lochan.web.gear;

import static lochan.web.db.Tables.CARRIED_RATE;
import static lochan.web.db.Tables.EVENT;
import static lochan.web.db.Tables.KNOWN_FISH;
import static lochan.web.db.Tables.KNOWN_FISH_TRY;
import static lochan.web.db.Tables.SETUP_CHANGE;
import static lochan.web.db.Tables.TRIAL;
import static lochan.web.db.Tables.TRIAL_ROUND;

import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.event.Species;
import lochan.core.notebook.CarriedRate;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.core.practice.Hooks;
import lochan.web.db.tables.records.KnownFishRecord;
import lochan.web.db.tables.records.KnownFishTryRecord;
import lochan.web.db.tables.records.TrialRoundRecord;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Inserts;
import lochan.web.shared.JsonText;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class NotebookRepository {

    private final DSLContext db;

    NotebookRepository(DSLContext db) {
        this.db = db;
    }

    private static Table<?> table(NotebookKind kind) {
        return switch (kind) {
            case FISH -> KNOWN_FISH;
            case TRIAL -> TRIAL;
            case CHANGE -> SETUP_CHANGE;
        };
    }

    private static Condition in(NotebookKind kind, EventKey key) {
        return switch (kind) {
            case FISH -> KNOWN_FISH.EVENT_ID.eq(key.eventId()).and(KNOWN_FISH.ACCOUNT_ID.eq(key.accountId()));
            case TRIAL -> TRIAL.EVENT_ID.eq(key.eventId()).and(TRIAL.ACCOUNT_ID.eq(key.accountId()));
            case CHANGE -> SETUP_CHANGE.EVENT_ID.eq(key.eventId()).and(SETUP_CHANGE.ACCOUNT_ID.eq(key.accountId()));
        };
    }

    private static Field<String> code(NotebookKind kind) {
        return switch (kind) {
            case FISH -> KNOWN_FISH.CODE;
            case TRIAL -> TRIAL.CODE;
            case CHANGE -> SETUP_CHANGE.CODE;
        };
    }

    private static Field<Integer> ordinal(NotebookKind kind) {
        return switch (kind) {
            case FISH -> KNOWN_FISH.ORDINAL;
            case TRIAL -> TRIAL.ORDINAL;
            case CHANGE -> SETUP_CHANGE.ORDINAL;
        };
    }

    private static Field<Instant> deletedAt(NotebookKind kind) {
        return switch (kind) {
            case FISH -> KNOWN_FISH.DELETED_AT;
            case TRIAL -> TRIAL.DELETED_AT;
            case CHANGE -> SETUP_CHANGE.DELETED_AT;
        };
    }

    private static Condition fishIn(EventKey key) {
        return in(NotebookKind.FISH, key);
    }

    private static Condition triesIn(EventKey key) {
        return KNOWN_FISH_TRY.EVENT_ID.eq(key.eventId()).and(KNOWN_FISH_TRY.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition roundsIn(EventKey key) {
        return TRIAL_ROUND.EVENT_ID.eq(key.eventId()).and(TRIAL_ROUND.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition carriedIn(EventKey key) {
        return CARRIED_RATE.EVENT_ID.eq(key.eventId()).and(CARRIED_RATE.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition eventIs(EventKey key) {
        return EVENT.ID.eq(key.eventId()).and(EVENT.ACCOUNT_ID.eq(key.accountId()));
    }

    private int next(NotebookKind kind, EventKey key) {
        return db.select(DSL.coalesce(DSL.max(ordinal(kind)), -1))
                        .from(table(kind))
                        .where(in(kind, key))
                        .fetchSingle()
                        .value1()
                + 1;
    }

    boolean isTaken(NotebookKind kind, EventKey key, String code) {
        return db.fetchExists(table(kind), in(kind, key).and(code(kind).eq(code)));
    }

    boolean setDeleted(NotebookKind kind, EventKey key, String code, @Nullable Instant at) {
        return db.update(table(kind))
                        .set(deletedAt(kind), at)
                        .where(in(kind, key))
                        .and(code(kind).eq(code))
                        .execute()
                == 1;
    }

    Notebook notebook(EventKey key) {
        var priors = db.select(EVENT.PRIORS_BY_ADVICE, EVENT.PRIORS_BY_HISTORY, EVENT.FINER_PATTERNS)
                .from(EVENT)
                .where(eventIs(key))
                .fetchSingle();
        List<CarriedRate> carried = db.selectFrom(CARRIED_RATE)
                .where(carriedIn(key))
                .orderBy(CARRIED_RATE.PRESENTATION_CODE)
                .fetch(r -> new CarriedRate(r.getPresentationCode(), r.getRatio(), r.getAnglerHours(), r.getBites()));
        return new Notebook(
                fish(key),
                trials(key),
                changes(key),
                carried,
                new Notebook.Priors(priors.value1(), priors.value2(), JsonText.list(priors.value3())));
    }

    private List<KnownFish> fish(EventKey key) {
        Map<String, List<KnownFish.Try>> tries = db.selectFrom(KNOWN_FISH_TRY)
                .where(triesIn(key))
                .and(KNOWN_FISH_TRY.DELETED_AT.isNull())
                .orderBy(KNOWN_FISH_TRY.ORDINAL)
                .fetchGroups(KNOWN_FISH_TRY.FISH_CODE, NotebookRepository::tried);
        return db.selectFrom(KNOWN_FISH)
                .where(fishIn(key))
                .and(KNOWN_FISH.DELETED_AT.isNull())
                .orderBy(KNOWN_FISH.ORDINAL)
                .fetch(r -> fish(r, tries.getOrDefault(r.getCode(), List.of())));
    }

    private static KnownFish.Try tried(KnownFishTryRecord r) {
        return new KnownFish.Try(
                r.getAt(), Coded.get(KnownFish.Reaction.class, r.getReaction()), r.getPresentationCode());
    }

    private static KnownFish fish(KnownFishRecord r, List<KnownFish.Try> tries) {
        return KnownFishBuilder.builder()
                .id(r.getCode())
                .spotId(r.getSpotCode())
                .where(r.getWhereabouts())
                .kind(Coded.get(KnownFish.Kind.class, r.getKind()))
                .species(Coded.getOrNull(Species.class, r.getSpecies()))
                .guessGrams(r.getGuessGrams())
                .from(clock(r.getFromTime()))
                .to(clock(r.getToTime()))
                .maxWindMps(r.getMaxWindMps())
                .nextVisit(r.getNextVisit())
                .gone(r.getGone())
                .note(r.getNote())
                .tries(tries)
                .entered(JsonText.map(r.getEntered()))
                .build();
    }

    private static @Nullable LocalTime clock(String stored) {
        return stored == null ? null : LocalTime.parse(stored);
    }

    /** Adds a fish with its tries, or changes one; its tries are added on their own then. */
    void put(EventKey key, KnownFish f) {
        KnownFishRecord record = db.newRecord(KNOWN_FISH)
                .setEventId(key.eventId())
                .setAccountId(key.accountId())
                .setCode(f.id())
                .setSpotCode(f.spotId())
                .setWhereabouts(f.where())
                .setKind(f.kind().code())
                .setSpecies(f.species() == null ? null : f.species().code())
                .setGuessGrams(f.guessGrams())
                .setFromTime(f.from() == null ? null : f.from().toString())
                .setToTime(f.to() == null ? null : f.to().toString())
                .setMaxWindMps(f.maxWindMps())
                .setNextVisit(f.nextVisit())
                .setGone(f.gone())
                .setNote(f.note())
                .setEntered(JsonText.of(f.entered()));
        if (isTaken(NotebookKind.FISH, key, f.id())) {
            db.update(KNOWN_FISH)
                    .set(KNOWN_FISH.SPOT_CODE, record.getSpotCode())
                    .set(KNOWN_FISH.WHEREABOUTS, record.getWhereabouts())
                    .set(KNOWN_FISH.KIND, record.getKind())
                    .set(KNOWN_FISH.SPECIES, record.getSpecies())
                    .set(KNOWN_FISH.GUESS_GRAMS, record.getGuessGrams())
                    .set(KNOWN_FISH.FROM_TIME, record.getFromTime())
                    .set(KNOWN_FISH.TO_TIME, record.getToTime())
                    .set(KNOWN_FISH.MAX_WIND_MPS, record.getMaxWindMps())
                    .set(KNOWN_FISH.NEXT_VISIT, record.getNextVisit())
                    .set(KNOWN_FISH.GONE, record.getGone())
                    .set(KNOWN_FISH.NOTE, record.getNote())
                    .set(KNOWN_FISH.ENTERED, record.getEntered())
                    .where(fishIn(key))
                    .and(KNOWN_FISH.CODE.eq(f.id()))
                    .execute();
        } else {
            record.setOrdinal(next(NotebookKind.FISH, key)).insert();
            for (int i = 0; i < f.tries().size(); i++) {
                addTry(key, f.id(), "t" + i, f.tries().get(i));
            }
        }
    }

    /** Adds a try, once for its code. */
    void addTry(EventKey key, String fish, String code, KnownFish.Try t) {
        int next = db.select(DSL.coalesce(DSL.max(KNOWN_FISH_TRY.ORDINAL), -1))
                        .from(KNOWN_FISH_TRY)
                        .where(triesIn(key))
                        .and(KNOWN_FISH_TRY.FISH_CODE.eq(fish))
                        .fetchSingle()
                        .value1()
                + 1;
        Inserts.once(db.insertInto(KNOWN_FISH_TRY)
                .set(db.newRecord(KNOWN_FISH_TRY)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setFishCode(fish)
                        .setOrdinal(next)
                        .setCode(code)
                        .setAt(t.at())
                        .setReaction(t.reaction().code())
                        .setPresentationCode(t.presentationId()))::execute);
    }

    /** Takes a try back or brings it again. */
    boolean setTryDeleted(EventKey key, String fish, String code, @Nullable Instant at) {
        return db.update(KNOWN_FISH_TRY)
                        .set(KNOWN_FISH_TRY.DELETED_AT, at)
                        .where(triesIn(key))
                        .and(KNOWN_FISH_TRY.FISH_CODE.eq(fish))
                        .and(KNOWN_FISH_TRY.CODE.eq(code))
                        .execute()
                == 1;
    }

    private List<Trial> trials(EventKey key) {
        Map<String, List<Trial.Round>> rounds = db.selectFrom(TRIAL_ROUND)
                .where(roundsIn(key))
                .and(TRIAL_ROUND.DELETED_AT.isNull())
                .orderBy(TRIAL_ROUND.ORDINAL)
                .fetchGroups(TRIAL_ROUND.TRIAL_CODE, NotebookRepository::round);
        return db.selectFrom(TRIAL)
                .where(in(NotebookKind.TRIAL, key))
                .and(TRIAL.DELETED_AT.isNull())
                .orderBy(TRIAL.ORDINAL)
                .fetch(r -> new Trial(
                        r.getCode(),
                        Coded.get(Trial.Subject.class, r.getSubject()),
                        r.getFirstWay(),
                        r.getSecondWay(),
                        rounds.getOrDefault(r.getCode(), List.of())));
    }

    private static Trial.Round round(TrialRoundRecord r) {
        return new Trial.Round(r.getAt(), r.getOfFirst(), r.getMinutes(), r.getBites(), r.getLanded());
    }

    void add(EventKey key, Trial t) {
        Inserts.once(db.insertInto(TRIAL)
                .set(db.newRecord(TRIAL)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setOrdinal(next(NotebookKind.TRIAL, key))
                        .setCode(t.id())
                        .setSubject(t.of().code())
                        .setFirstWay(t.first())
                        .setSecondWay(t.second()))::execute);
        for (int i = 0; i < t.rounds().size(); i++) {
            addRound(key, t.id(), "r" + i, t.rounds().get(i));
        }
    }

    /** Adds a round, once for its code. */
    void addRound(EventKey key, String trial, String code, Trial.Round r) {
        int next = db.select(DSL.coalesce(DSL.max(TRIAL_ROUND.ORDINAL), -1))
                        .from(TRIAL_ROUND)
                        .where(roundsIn(key))
                        .and(TRIAL_ROUND.TRIAL_CODE.eq(trial))
                        .fetchSingle()
                        .value1()
                + 1;
        Inserts.once(db.insertInto(TRIAL_ROUND)
                .set(db.newRecord(TRIAL_ROUND)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setTrialCode(trial)
                        .setOrdinal(next)
                        .setCode(code)
                        .setAt(r.at())
                        .setOfFirst(r.ofFirst())
                        .setMinutes(r.minutes())
                        .setBites(r.bites())
                        .setLanded(r.landed()))::execute);
    }

    boolean setRoundDeleted(EventKey key, String trial, String code, @Nullable Instant at) {
        return db.update(TRIAL_ROUND)
                        .set(TRIAL_ROUND.DELETED_AT, at)
                        .where(roundsIn(key))
                        .and(TRIAL_ROUND.TRIAL_CODE.eq(trial))
                        .and(TRIAL_ROUND.CODE.eq(code))
                        .execute()
                == 1;
    }

    private List<SetupChange> changes(EventKey key) {
        return db.selectFrom(SETUP_CHANGE)
                .where(in(NotebookKind.CHANGE, key))
                .and(SETUP_CHANGE.DELETED_AT.isNull())
                .orderBy(SETUP_CHANGE.ORDINAL)
                .fetch(r -> new SetupChange(
                        r.getCode(),
                        r.getPresentationCode(),
                        r.getAt(),
                        r.getWhat(),
                        Coded.getOrNull(Hooks.class, r.getHooks())));
    }

    void add(EventKey key, SetupChange c) {
        Inserts.once(db.insertInto(SETUP_CHANGE)
                .set(db.newRecord(SETUP_CHANGE)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setOrdinal(next(NotebookKind.CHANGE, key))
                        .setCode(c.id())
                        .setPresentationCode(c.presentationId())
                        .setAt(c.at())
                        .setWhat(c.what())
                        .setHooks(c.hooks() == null ? null : c.hooks().code()))::execute);
    }

    void setCarried(EventKey key, List<CarriedRate> carried) {
        db.deleteFrom(CARRIED_RATE).where(carriedIn(key)).execute();
        db.batchInsert(carried.stream()
                        .map(c -> db.newRecord(CARRIED_RATE)
                                .setEventId(key.eventId())
                                .setAccountId(key.accountId())
                                .setPresentationCode(c.presentationId())
                                .setRatio(c.ratio())
                                .setAnglerHours(c.anglerHours())
                                .setBites(c.bites()))
                        .toList())
                .execute();
    }

    void setPriors(EventKey key, Notebook.Priors priors) {
        db.update(EVENT)
                .set(EVENT.PRIORS_BY_ADVICE, priors.byAdvice())
                .set(EVENT.PRIORS_BY_HISTORY, priors.byHistory())
                .set(EVENT.FINER_PATTERNS, JsonText.of(priors.finer()))
                .where(eventIs(key))
                .execute();
    }

    List<String> packed(EventKey key) {
        return JsonText.list(db.select(EVENT.PACKED)
                .from(EVENT)
                .where(eventIs(key))
                .fetchSingle()
                .value1());
    }

    void setPacked(EventKey key, List<String> packed) {
        db.update(EVENT)
                .set(EVENT.PACKED, JsonText.of(packed))
                .where(eventIs(key))
                .execute();
    }
}
