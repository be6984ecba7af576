package lochan.web.eventbook;

import static lochan.web.db.Tables.BITE;
import static lochan.web.db.Tables.BOAT_RUN;
import static lochan.web.db.Tables.COMPETITION_ENTRY;
import static lochan.web.db.Tables.EVENT;
import static lochan.web.db.Tables.EVENT_DAY;
import static lochan.web.db.Tables.EVENT_EXTRA;
import static lochan.web.db.Tables.PLAN;
import static lochan.web.db.Tables.PRACTICE_DAY;
import static lochan.web.db.Tables.SPECIES_RULE;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import lochan.core.Coded;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.event.TieBreak;
import lochan.web.db.tables.records.EventDayRecord;
import lochan.web.db.tables.records.EventRecord;
import lochan.web.shared.JsonText;
import lochan.web.shared.NotThereException;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class EventRepository {

    private final DSLContext db;

    EventRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition is(EventKey key) {
        return EVENT.ID.eq(key.eventId()).and(EVENT.ACCOUNT_ID.eq(key.accountId()));
    }

    private EventRecord record(EventKey key) {
        return db.selectFrom(EVENT).where(is(key)).fetchOptional().orElseThrow(NotThereException::new);
    }

    private <T> T value(EventKey key, Field<T> field) {
        return db.select(field).from(EVENT).where(is(key)).fetchOptional(field).orElseThrow(NotThereException::new);
    }

    boolean exists(EventKey key) {
        return db.fetchExists(EVENT, is(key).and(EVENT.DELETED_AT.isNull()));
    }

    /**
     * Holds an event for a write until the transaction ends: other writers wait.
     *
     * @throws NotThereException when there is none any more
     */
    void hold(EventKey key) {
        int held = db.update(EVENT)
                .set(EVENT.WRITES, EVENT.WRITES.plus(1))
                .where(is(key))
                .execute();
        if (held == 0) {
            // It went with its account.
            throw new NotThereException();
        }
    }

    /** How often it was written to; the same as long as nothing of it changed. */
    long writes(EventKey key) {
        return value(key, EVENT.WRITES);
    }

    List<EventKey> all(long accountId) {
        return db.select(EVENT.ID)
                .from(EVENT)
                .where(EVENT.ACCOUNT_ID.eq(accountId))
                .and(EVENT.DELETED_AT.isNull())
                .orderBy(EVENT.ID)
                .fetch(r -> new EventKey(accountId, r.value1()));
    }

    List<Events.Head> heads(long accountId) {
        Map<Long, List<CompetitionDay>> days = db.selectFrom(EVENT_DAY)
                .where(EVENT_DAY.ACCOUNT_ID.eq(accountId))
                .orderBy(EVENT_DAY.EVENT_ID, EVENT_DAY.ORDINAL)
                .fetchGroups(EVENT_DAY.EVENT_ID, EventRepository::day);
        return db.select(EVENT.ID, EVENT.NAME, EVENT.TIME_ZONE)
                .from(EVENT)
                .where(EVENT.ACCOUNT_ID.eq(accountId))
                .and(EVENT.DELETED_AT.isNull())
                .orderBy(EVENT.ID)
                .fetch(r -> new Events.Head(
                        new EventKey(accountId, r.value1()),
                        r.value2(),
                        ZoneId.of(r.value3()),
                        days.getOrDefault(r.value1(), List.of())));
    }

    private static CompetitionDay day(EventDayRecord r) {
        return new CompetitionDay(r.getDate(), r.getStartAt(), r.getCheckInAt());
    }

    List<Events.Deleted> deleted(long accountId, Instant since) {
        return db.selectFrom(EVENT)
                .where(EVENT.ACCOUNT_ID.eq(accountId))
                .and(EVENT.DELETED_AT.ge(since))
                .orderBy(EVENT.DELETED_AT.desc())
                .fetch(r -> new Events.Deleted(r.getId(), r.getName(), r.getDeletedAt()));
    }

    /** Events that were deleted before a time. */
    List<EventKey> deletedBefore(Instant time) {
        return db.select(EVENT.ACCOUNT_ID, EVENT.ID)
                .from(EVENT)
                .where(EVENT.DELETED_AT.lt(time))
                .fetch(r -> new EventKey(r.value1(), r.value2()));
    }

    Event event(EventKey key) {
        EventRecord e = record(key);
        List<SpeciesRule> species = db.selectFrom(SPECIES_RULE)
                .where(SPECIES_RULE.EVENT_ID.eq(key.eventId()))
                .and(SPECIES_RULE.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(SPECIES_RULE.ORDINAL)
                .fetch(r -> new SpeciesRule(
                        Coded.get(Species.class, r.getSpecies()),
                        r.getMinLengthMm(),
                        r.getMinGrams(),
                        r.getSlotFromMm() == null
                                ? null
                                : new SpeciesRule.Slot(r.getSlotFromMm(), r.getSlotToMm(), r.getSlotOver()),
                        r.getBagLimit(),
                        JsonText.map(r.getEntered())));
        List<LocalDate> practice = db.selectFrom(PRACTICE_DAY)
                .where(PRACTICE_DAY.EVENT_ID.eq(key.eventId()))
                .and(PRACTICE_DAY.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(PRACTICE_DAY.ORDINAL)
                .fetch(PRACTICE_DAY.DATE);
        List<CompetitionDay> days = db.selectFrom(EVENT_DAY)
                .where(EVENT_DAY.EVENT_ID.eq(key.eventId()))
                .and(EVENT_DAY.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(EVENT_DAY.ORDINAL)
                .fetch(EventRepository::day);
        return new Event(
                e.getName(),
                ZoneId.of(e.getTimeZone()),
                e.getAnglers(),
                practice,
                days,
                new Event.Ramp(
                        new Position(e.getLaunchLat(), e.getLaunchLon()),
                        new Position(e.getCheckInLat(), e.getCheckInLon())),
                rules(e, species),
                JsonText.map(e.getEntered()));
    }

    private static Rules rules(EventRecord e, List<SpeciesRule> species) {
        return new Rules(
                Coded.get(Format.class, e.getFormat()),
                e.getBagLimit(),
                e.getTargetGrams(),
                e.getScaleGrams(),
                species,
                scoring(e),
                new Penalties(
                        e.getDeadFishGrams(),
                        e.getLateGramsPerMinute(),
                        e.getLateDisqualifyMinutes(),
                        e.getShortFishGrams(),
                        e.getOverLimitGrams()),
                new Gear(
                        e.getMaxHooksPerRig(),
                        JsonText.list(e.getBannedGear()),
                        e.getMaxRods(),
                        e.getLiveBaitAllowed()));
    }

    private static Scoring scoring(EventRecord e) {
        Scoring.Cut cut = e.getCutAfterDay() == null ? null : new Scoring.Cut(e.getCutAfterDay(), e.getCutPlaces());
        return new Scoring(
                e.getCulling(),
                e.getBalanceOnly(),
                e.getLengthStepMm(),
                Coded.get(TieBreak.class, e.getTieBreak()),
                cut,
                e.getTags() == null ? List.of() : JsonText.list(e.getTags()));
    }

    private static void fill(EventRecord record, Scoring scoring) {
        Scoring.Cut cut = scoring.cut();
        record.setCulling(scoring.culling())
                .setBalanceOnly(scoring.balanceOnly())
                .setLengthStepMm(scoring.lengthStepMm())
                .setTieBreak(scoring.tieBreak().code())
                .setCutAfterDay(cut == null ? null : cut.afterDay())
                .setCutPlaces(cut == null ? null : cut.places())
                .setTags(JsonText.of(scoring.tags()));
    }

    String name(EventKey key) {
        return value(key, EVENT.NAME);
    }

    Boat boat(EventKey key) {
        EventRecord e = record(key);
        return new Boat(
                e.getRunMps(),
                e.getRoughMps(),
                e.getSetUpMinutes(),
                e.getMaxWindMps(),
                e.getMaxRunWindMps(),
                e.getFuelLitres(),
                e.getLitresPerKm(),
                JsonText.map(e.getBoatEntered()));
    }

    EventKey add(long accountId, Event event, Boat boat) {
        EventRecord record = db.newRecord(EVENT);
        record.setAccountId(accountId);
        fill(record, event);
        fill(record, boat);
        EventKey key = new EventKey(
                accountId,
                db.insertInto(EVENT)
                        .set(record)
                        .returningResult(EVENT.ID)
                        .fetchSingle()
                        .value1());
        addLists(key, event);
        return key;
    }

    void update(EventKey key, Event event) {
        EventRecord record = db.newRecord(EVENT);
        fill(record, event);
        db.update(EVENT).set(record).where(is(key)).execute();
        db.deleteFrom(EVENT_DAY)
                .where(EVENT_DAY.EVENT_ID.eq(key.eventId()))
                .and(EVENT_DAY.ACCOUNT_ID.eq(key.accountId()))
                .execute();
        db.deleteFrom(PRACTICE_DAY)
                .where(PRACTICE_DAY.EVENT_ID.eq(key.eventId()))
                .and(PRACTICE_DAY.ACCOUNT_ID.eq(key.accountId()))
                .execute();
        db.deleteFrom(SPECIES_RULE)
                .where(SPECIES_RULE.EVENT_ID.eq(key.eventId()))
                .and(SPECIES_RULE.ACCOUNT_ID.eq(key.accountId()))
                .execute();
        addLists(key, event);
    }

    void updateBoat(EventKey key, Boat boat) {
        EventRecord record = db.newRecord(EVENT);
        fill(record, boat);
        db.update(EVENT).set(record).where(is(key)).execute();
    }

    long revision(EventKey key) {
        return db.select(EVENT.REVISION)
                .from(EVENT)
                .where(is(key))
                .fetchSingle()
                .value1();
    }

    long changeRevision(EventKey key) {
        long revision = ThreadLocalRandom.current().nextLong();
        db.update(EVENT).set(EVENT.REVISION, revision).where(is(key)).execute();
        return revision;
    }

    List<BoatRun> runs(EventKey key) {
        return db.selectFrom(BOAT_RUN)
                .where(BOAT_RUN.EVENT_ID.eq(key.eventId()))
                .and(BOAT_RUN.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(BOAT_RUN.START_AT)
                .fetch(r -> new BoatRun(r.getStartAt(), r.getEndAt(), r.getMetres(), r.getMps(), r.getWindMps()));
    }

    void addRuns(EventKey key, List<BoatRun> runs) {
        db.batch(runs.stream()
                        .map(r -> db.insertInto(BOAT_RUN)
                                .set(db.newRecord(BOAT_RUN)
                                        .setEventId(key.eventId())
                                        .setAccountId(key.accountId())
                                        .setStartAt(r.start())
                                        .setEndAt(r.end())
                                        .setMetres(r.metres())
                                        .setMps(r.mps())
                                        .setWindMps(r.windMps()))
                                .onDuplicateKeyUpdate()
                                .set(BOAT_RUN.MPS, BOAT_RUN.MPS))
                        .toList())
                .execute();
    }

    private static void fill(EventRecord record, Event event) {
        fill(record, event.rules().scoring());
        record.setName(event.name())
                .setTimeZone(event.timeZone().getId())
                .setFormat(event.rules().format().code())
                .setBagLimit(event.rules().limit())
                .setAnglers(event.anglers())
                .setTargetGrams(event.rules().targetGrams())
                .setScaleGrams(event.rules().scaleGrams())
                .setDeadFishGrams(event.rules().penalties().deadFishGrams())
                .setLateGramsPerMinute(event.rules().penalties().lateGramsPerMinute())
                .setLateDisqualifyMinutes(event.rules().penalties().lateDisqualifyMinutes())
                .setShortFishGrams(event.rules().penalties().shortFishGrams())
                .setOverLimitGrams(event.rules().penalties().overLimitGrams())
                .setMaxHooksPerRig(event.rules().gear().maxHooksPerRig())
                .setBannedGear(JsonText.of(event.rules().gear().banned()))
                .setMaxRods(event.rules().gear().maxRods())
                .setLiveBaitAllowed(event.rules().gear().liveBaitAllowed())
                .setLaunchLat(event.launch().lat())
                .setLaunchLon(event.launch().lon())
                .setCheckInLat(event.checkInAt().lat())
                .setCheckInLon(event.checkInAt().lon())
                .setEntered(JsonText.of(event.entered()));
    }

    private static void fill(EventRecord record, Boat boat) {
        record.setRunMps(boat.runMps())
                .setRoughMps(boat.roughMps())
                .setSetUpMinutes(boat.setUpMinutes())
                .setMaxWindMps(boat.maxWindMps())
                .setMaxRunWindMps(boat.maxRunWindMps())
                .setFuelLitres(boat.fuelLitres())
                .setLitresPerKm(boat.litresPerKm())
                .setBoatEntered(JsonText.of(boat.entered()));
    }

    private void addLists(EventKey key, Event event) {
        List<org.jooq.TableRecord<?>> rows = new ArrayList<>();
        for (int i = 0; i < event.days().size(); i++) {
            CompetitionDay day = event.days().get(i);
            rows.add(db.newRecord(EVENT_DAY)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(i)
                    .setDate(day.date())
                    .setStartAt(day.start())
                    .setCheckInAt(day.checkIn()));
        }
        for (int i = 0; i < event.practice().size(); i++) {
            rows.add(db.newRecord(PRACTICE_DAY)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(i)
                    .setDate(event.practice().get(i)));
        }
        for (int i = 0; i < event.rules().species().size(); i++) {
            SpeciesRule rule = event.rules().species().get(i);
            rows.add(db.newRecord(SPECIES_RULE)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(i)
                    .setSpecies(rule.species().code())
                    .setMinLengthMm(rule.minLengthMm())
                    .setBagLimit(rule.bagLimit())
                    .setMinGrams(rule.minGrams())
                    .setSlotFromMm(rule.slot() == null ? null : rule.slot().fromMm())
                    .setSlotToMm(rule.slot() == null ? null : rule.slot().toMm())
                    .setSlotOver(rule.slot() == null ? null : rule.slot().over())
                    .setEntered(JsonText.of(rule.entered())));
        }
        db.batchInsert(rows).execute();
    }

    boolean setDeleted(EventKey key, @Nullable Instant at) {
        return db.update(EVENT).set(EVENT.DELETED_AT, at).where(is(key)).execute() == 1;
    }

    Map<String, String> extras(EventKey key) {
        return db.selectFrom(EVENT_EXTRA)
                .where(EVENT_EXTRA.EVENT_ID.eq(key.eventId()))
                .and(EVENT_EXTRA.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(EVENT_EXTRA.POINTER)
                .fetchMap(EVENT_EXTRA.POINTER, EVENT_EXTRA.VALUE);
    }

    void addExtras(EventKey key, Map<String, String> extras) {
        db.batchInsert(extras.entrySet().stream()
                        .map(e -> db.newRecord(EVENT_EXTRA)
                                .setEventId(key.eventId())
                                .setAccountId(key.accountId())
                                .setPointer(e.getKey())
                                .setValue(e.getValue()))
                        .toList())
                .execute();
    }

    /** Species that practice or the competition log name. */
    Set<String> speciesInUse(EventKey key) {
        return db.selectDistinct(BITE.SPECIES)
                .from(BITE)
                .where(BITE.EVENT_ID.eq(key.eventId()))
                .and(BITE.ACCOUNT_ID.eq(key.accountId()))
                .and(BITE.SPECIES.isNotNull())
                .union(db.selectDistinct(COMPETITION_ENTRY.SPECIES)
                        .from(COMPETITION_ENTRY)
                        .where(COMPETITION_ENTRY.EVENT_ID.eq(key.eventId()))
                        .and(COMPETITION_ENTRY.ACCOUNT_ID.eq(key.accountId()))
                        .and(COMPETITION_ENTRY.SPECIES.isNotNull()))
                .fetchSet(0, String.class);
    }

    /** The last day that a plan is for, 0 without plans. */
    int lastPlannedDay(EventKey key) {
        return db.select(DSL.coalesce(DSL.max(PLAN.DAY), 0))
                .from(PLAN)
                .where(PLAN.EVENT_ID.eq(key.eventId()))
                .and(PLAN.ACCOUNT_ID.eq(key.accountId()))
                .and(PLAN.DELETED_AT.isNull())
                .fetchSingle()
                .value1();
    }

    Optional<String> latestZone(long accountId) {
        return db.select(EVENT.TIME_ZONE)
                .from(EVENT)
                .where(EVENT.ACCOUNT_ID.eq(accountId))
                .orderBy(EVENT.ID.desc())
                .limit(1)
                .fetchOptional(EVENT.TIME_ZONE);
    }
}
