package lochan.web.practice;

import static lochan.web.db.Tables.BITE;
import static lochan.web.db.Tables.PRESENTATION;
import static lochan.web.db.Tables.SPOT;
import static lochan.web.db.Tables.STOP;
import static lochan.web.db.Tables.STOP_PRESENTATION;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import lochan.core.Coded;
import lochan.core.event.Species;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Conditions;
import lochan.core.practice.Current;
import lochan.core.practice.FishSize;
import lochan.core.practice.Hooks;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.LossWay;
import lochan.core.practice.LureSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Signs;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.web.db.tables.records.BiteRecord;
import lochan.web.db.tables.records.StopRecord;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventRevisions;
import lochan.web.shared.Inserts;
import lochan.web.shared.JsonText;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.TableRecord;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class PracticeRepository {

    /** As many stops are written in one go as fit well into memory with their bites. */
    private static final int STOPS_AT_ONCE = 50;

    private final DSLContext db;
    private final EventRevisions revisions;

    PracticeRepository(DSLContext db, EventRevisions revisions) {
        this.db = db;
        this.revisions = revisions;
    }

    private static Condition stopIn(EventKey key) {
        return STOP.EVENT_ID.eq(key.eventId()).and(STOP.ACCOUNT_ID.eq(key.accountId()));
    }

    private static Condition biteIn(EventKey key) {
        return BITE.EVENT_ID.eq(key.eventId()).and(BITE.ACCOUNT_ID.eq(key.accountId()));
    }

    List<Presentation> presentations(EventKey key) {
        return db.selectFrom(PRESENTATION)
                .where(PRESENTATION.EVENT_ID.eq(key.eventId()))
                .and(PRESENTATION.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(PRESENTATION.ORDINAL)
                .fetch(r -> new Presentation(r.getCode(), r.getName(), Coded.get(Hooks.class, r.getHooks())));
    }

    void addPresentations(EventKey key, List<Presentation> presentations) {
        int next = next(
                PRESENTATION,
                PRESENTATION.ORDINAL,
                PRESENTATION.EVENT_ID.eq(key.eventId()).and(PRESENTATION.ACCOUNT_ID.eq(key.accountId())));
        List<TableRecord<?>> rows = new ArrayList<>();
        for (Presentation p : presentations) {
            rows.add(db.newRecord(PRESENTATION)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(next + rows.size())
                    .setCode(p.id())
                    .setName(p.name())
                    .setHooks(p.hooks().code()));
        }
        db.batchInsert(rows).execute();
    }

    /** The stops at spots that are still there, in the order they were logged. */
    List<LoggedStop> stops(EventKey key) {
        return stops(key, STOP.DELETED_AT.isNull());
    }

    Optional<LoggedStop> stop(EventKey key, String code) {
        return stops(key, List.of(code)).stream().findFirst();
    }

    List<LoggedStop> stops(EventKey key, Collection<String> codes) {
        return stops(key, STOP.CODE.in(codes).and(STOP.DELETED_AT.isNull()));
    }

    /** The revision of each stop by its code, in the order they were logged. */
    Map<String, Long> revisions(EventKey key) {
        return db.select(STOP.CODE, STOP.REVISION)
                .from(STOP)
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(stopIn(key))
                .and(STOP.DELETED_AT.isNull())
                .and(SPOT.DELETED_AT.isNull())
                .orderBy(STOP.ORDINAL)
                .fetchMap(STOP.CODE, STOP.REVISION);
    }

    /** Says that stops or their bites were written. */
    private void touch(EventKey key, Condition which) {
        long revision = revisions.change(key);
        db.update(STOP)
                .set(STOP.REVISION, revision)
                .where(stopIn(key))
                .and(which)
                .execute();
    }

    /** The stop of a bite. */
    private static Condition holds(EventKey key, String bite) {
        return STOP.CODE.in(
                DSL.select(BITE.STOP_CODE).from(BITE).where(biteIn(key)).and(BITE.CODE.eq(bite)));
    }

    private List<LoggedStop> stops(EventKey key, Condition which) {
        Condition stops = stopIn(key).and(which).and(SPOT.DELETED_AT.isNull());
        Map<String, List<PresentationTime>> presentations = db.select(STOP_PRESENTATION.fields())
                .from(STOP_PRESENTATION)
                .join(STOP)
                .on(STOP.EVENT_ID.eq(STOP_PRESENTATION.EVENT_ID), STOP.CODE.eq(STOP_PRESENTATION.STOP_CODE))
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(stops)
                .orderBy(STOP_PRESENTATION.ORDINAL)
                .fetchGroups(
                        r -> r.get(STOP_PRESENTATION.STOP_CODE),
                        r -> new PresentationTime(
                                r.get(STOP_PRESENTATION.PRESENTATION_CODE),
                                r.get(STOP_PRESENTATION.MINUTES),
                                r.get(STOP_PRESENTATION.RETRIEVE),
                                coded(ColourFamily.class, r.get(STOP_PRESENTATION.COLOUR))));
        Map<String, List<LoggedBite>> bites = db.select(BITE.fields())
                .from(BITE)
                .join(STOP)
                .on(STOP.EVENT_ID.eq(BITE.EVENT_ID), STOP.CODE.eq(BITE.STOP_CODE))
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(stops)
                .and(BITE.DELETED_AT.isNull())
                .orderBy(BITE.ORDINAL)
                .fetchGroups(r -> r.get(BITE.STOP_CODE), r -> bite(r.into(BITE)));
        return db.select(STOP.fields())
                .from(STOP)
                .join(SPOT)
                .on(SPOT.EVENT_ID.eq(STOP.EVENT_ID), SPOT.CODE.eq(STOP.SPOT_CODE))
                .where(stops)
                .orderBy(STOP.ORDINAL)
                .fetch(r -> stop(
                        r.into(STOP),
                        presentations.getOrDefault(r.get(STOP.CODE), List.of()),
                        bites.getOrDefault(r.get(STOP.CODE), List.of())));
    }

    private static LoggedStop stop(StopRecord r, List<PresentationTime> presentations, List<LoggedBite> bites) {
        Conditions conditions = new Conditions(
                r.getWaterTempC(),
                r.getVisibilityM(),
                r.getWindMps(),
                coded(Sky.class, r.getSky()),
                r.getBoatsNear(),
                signs(r),
                JsonText.map(r.getEntered()));
        return new LoggedStop(
                PracticeStopBuilder.builder()
                        .id(r.getCode())
                        .spotId(r.getSpotCode())
                        .start(r.getStartAt())
                        .end(r.getEndAt())
                        .anglers(r.getAnglers())
                        .idleMinutes(r.getIdleMinutes())
                        .presentations(presentations)
                        .follows(r.getFollows())
                        .bycatch(r.getBycatch())
                        .bites(bites.stream().map(LoggedBite::bite).toList())
                        .conditions(conditions)
                        .build(),
                bites);
    }

    private static Signs signs(StopRecord r) {
        return new Signs(
                coded(ClarityTrend.class, r.getClarityTrend()),
                r.getWindFromDeg(),
                coded(Surface.class, r.getSurface()),
                r.getRecentFront(),
                coded(LevelTrend.class, r.getLevelTrend()),
                coded(Current.class, r.getWaterCurrent()),
                r.getBaitSeen(),
                r.getBaitDepthM(),
                new Sighting(
                        coded(FishPosition.class, r.getSeenPosition()),
                        r.getSeenDepthM(),
                        null,
                        coded(FishCount.class, r.getSeenCount()),
                        coded(FishShape.class, r.getSeenShape())));
    }

    private static <E extends Enum<E> & Coded> @Nullable E coded(Class<E> type, String code) {
        return Coded.getOrNull(type, code);
    }

    private static LoggedBite bite(BiteRecord r) {
        FishSize size = r.getSizeHow() == null
                ? null
                : new FishSize(
                        Coded.get(FishSize.How.class, r.getSizeHow()),
                        r.getGrams(),
                        r.getLoGrams(),
                        r.getHiGrams(),
                        r.getMm(),
                        r.getGuessGrams(),
                        r.getEntered());
        Species species = coded(Species.class, r.getSpecies());
        return new LoggedBite(
                r.getCode(),
                new Bite(
                        r.getAt(),
                        Coded.get(Outcome.class, r.getOutcome()),
                        r.getPresentationCode(),
                        species,
                        size,
                        notes(r)));
    }

    private static BiteNotes notes(BiteRecord r) {
        return new BiteNotes(
                r.getRetrieve(),
                new Sighting(
                        coded(FishPosition.class, r.getFishPosition()),
                        r.getFishDepthM(),
                        r.getBaitNear(),
                        coded(FishCount.class, r.getFishCount()),
                        coded(FishShape.class, r.getFishShape())),
                r.getWaterDepthM(),
                coded(TakenOn.class, r.getTakenOn()),
                r.getOnRig(),
                coded(ColourFamily.class, r.getColour()),
                coded(LureSize.class, r.getLureSize()),
                coded(LossWay.class, r.getLossWay()),
                JsonText.map(r.getNotesEntered()));
    }

    /** Adds stops with all that hangs on them. */
    void add(EventKey key, List<PracticeStop> stops) {
        long revision = revisions.change(key);
        int next = next(STOP, STOP.ORDINAL, stopIn(key));
        for (int from = 0; from < stops.size(); from += STOPS_AT_ONCE) {
            List<TableRecord<?>> rows = new ArrayList<>();
            List<PracticeStop> some = stops.subList(from, Math.min(from + STOPS_AT_ONCE, stops.size()));
            for (PracticeStop stop : some) {
                rows.add(filled(stop)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setOrdinal(next++)
                        .setCode(stop.id())
                        .setRevision(revision));
            }
            some.forEach(stop -> rows.addAll(presentationRows(key, stop)));
            some.forEach(stop -> rows.addAll(biteRows(key, stop)));
            db.batchInsert(rows).execute();
        }
    }

    private List<TableRecord<?>> biteRows(EventKey key, PracticeStop stop) {
        List<TableRecord<?>> rows = new ArrayList<>();
        for (Bite bite : stop.bites()) {
            rows.add(filled(bite)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setStopCode(stop.id())
                    .setOrdinal(rows.size())
                    .setCode(stop.id().length() > 50 ? UUID.randomUUID().toString() : stop.id() + "/" + rows.size()));
        }
        return rows;
    }

    void update(EventKey key, PracticeStop stop) {
        touch(key, STOP.CODE.eq(stop.id()));
        db.update(STOP)
                .set(filled(stop))
                .where(stopIn(key))
                .and(STOP.CODE.eq(stop.id()))
                .execute();
        db.deleteFrom(STOP_PRESENTATION)
                .where(STOP_PRESENTATION.EVENT_ID.eq(key.eventId()))
                .and(STOP_PRESENTATION.ACCOUNT_ID.eq(key.accountId()))
                .and(STOP_PRESENTATION.STOP_CODE.eq(stop.id()))
                .execute();
        db.batchInsert(presentationRows(key, stop)).execute();
    }

    private List<TableRecord<?>> presentationRows(EventKey key, PracticeStop stop) {
        List<TableRecord<?>> rows = new ArrayList<>();
        for (PresentationTime p : stop.presentations()) {
            rows.add(db.newRecord(STOP_PRESENTATION)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setStopCode(stop.id())
                    .setOrdinal(rows.size())
                    .setPresentationCode(p.presentationId())
                    .setMinutes(p.minutes())
                    .setRetrieve(p.retrieve())
                    .setColour(Coded.codeOrNull(p.colour())));
        }
        return rows;
    }

    private StopRecord filled(PracticeStop stop) {
        Conditions c = stop.conditions();
        Signs signs = c.signs();
        return db.newRecord(STOP)
                .setSpotCode(stop.spotId())
                .setStartAt(stop.start())
                .setEndAt(stop.end())
                .setAnglers(stop.anglers())
                .setIdleMinutes(stop.idleMinutes())
                .setFollows(stop.follows())
                .setBycatch(stop.bycatch())
                .setWaterTempC(c.waterTempC())
                .setVisibilityM(c.visibilityM())
                .setWindMps(c.windMps())
                .setSky(Coded.codeOrNull(c.sky()))
                .setBoatsNear(c.boatsNear())
                .setClarityTrend(Coded.codeOrNull(signs.clarityTrend()))
                .setWindFromDeg(signs.windFromDeg())
                .setSurface(Coded.codeOrNull(signs.surface()))
                .setRecentFront(signs.recentFront())
                .setLevelTrend(Coded.codeOrNull(signs.levelTrend()))
                .setWaterCurrent(Coded.codeOrNull(signs.current()))
                .setBaitSeen(signs.baitSeen())
                .setBaitDepthM(signs.baitDepthM())
                .setSeenPosition(Coded.codeOrNull(signs.fish().position()))
                .setSeenDepthM(signs.fish().depthM())
                .setSeenCount(Coded.codeOrNull(signs.fish().count()))
                .setSeenShape(Coded.codeOrNull(signs.fish().shape()))
                .setEntered(JsonText.of(c.entered()));
    }

    private BiteRecord filled(Bite bite) {
        FishSize s = bite.size();
        BiteNotes n = bite.notes();
        return db.newRecord(BITE)
                .setAt(bite.at())
                .setOutcome(bite.outcome().code())
                .setPresentationCode(bite.presentationId())
                .setSpecies(Coded.codeOrNull(bite.species()))
                .setSizeHow(s == null ? null : s.how().code())
                .setGrams(s == null ? null : s.grams())
                .setLoGrams(s == null ? null : s.loGrams())
                .setHiGrams(s == null ? null : s.hiGrams())
                .setMm(s == null ? null : s.mm())
                .setGuessGrams(s == null ? null : s.guessGrams())
                .setEntered(s == null ? null : s.entered())
                .setRetrieve(n.retrieve())
                .setFishDepthM(n.fishDepthM())
                .setWaterDepthM(n.waterDepthM())
                .setTakenOn(Coded.codeOrNull(n.takenOn()))
                .setOnRig(n.onRig())
                .setFishPosition(Coded.codeOrNull(n.seen().position()))
                .setBaitNear(n.seen().bait())
                .setFishCount(Coded.codeOrNull(n.seen().count()))
                .setFishShape(Coded.codeOrNull(n.seen().shape()))
                .setColour(Coded.codeOrNull(n.colour()))
                .setLureSize(Coded.codeOrNull(n.size()))
                .setLossWay(Coded.codeOrNull(n.lossWay()))
                .setNotesEntered(JsonText.of(n.entered()));
    }

    /** Takes a bite to another stop, behind those there. */
    void moveBite(EventKey key, String bite, String toStop) {
        touch(key, holds(key, bite).or(STOP.CODE.eq(toStop)));
        int next = next(BITE, BITE.ORDINAL, biteIn(key).and(BITE.STOP_CODE.eq(toStop)));
        db.update(BITE)
                .set(BITE.STOP_CODE, toStop)
                .set(BITE.ORDINAL, next)
                .where(biteIn(key))
                .and(BITE.CODE.eq(bite))
                .execute();
    }

    /** Adds a bite unless one of that code is there already. */
    void addBite(EventKey key, String stopCode, LoggedBite bite) {
        touch(key, STOP.CODE.eq(stopCode));
        int next = next(BITE, BITE.ORDINAL, biteIn(key).and(BITE.STOP_CODE.eq(stopCode)));
        Inserts.once(db.insertInto(BITE)
                .set(filled(bite.bite())
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setStopCode(stopCode)
                        .setOrdinal(next)
                        .setCode(bite.code()))::execute);
    }

    void updateBite(EventKey key, LoggedBite bite) {
        touch(key, holds(key, bite.code()));
        db.update(BITE)
                .set(filled(bite.bite()))
                .where(biteIn(key))
                .and(BITE.CODE.eq(bite.code()))
                .execute();
    }

    boolean setBiteDeleted(EventKey key, String code, @Nullable Instant at) {
        touch(key, holds(key, code));
        return db.update(BITE)
                        .set(BITE.DELETED_AT, at)
                        .where(biteIn(key))
                        .and(BITE.CODE.eq(code))
                        .execute()
                == 1;
    }

    boolean setStopDeleted(EventKey key, String code, @Nullable Instant at) {
        revisions.change(key);
        return db.update(STOP)
                        .set(STOP.DELETED_AT, at)
                        .where(stopIn(key))
                        .and(STOP.CODE.eq(code))
                        .execute()
                == 1;
    }

    int setBatchDeleted(EventKey key, String begin, Instant at) {
        revisions.change(key);
        return db.update(STOP)
                .set(STOP.DELETED_AT, at)
                .where(stopIn(key))
                .and(STOP.CODE.startsWith(begin))
                .and(STOP.DELETED_AT.isNull())
                .execute();
    }

    private int next(Table<?> table, Field<Integer> ordinal, Condition where) {
        return db.select(DSL.coalesce(DSL.max(ordinal), -1))
                        .from(table)
                        .where(where)
                        .fetchSingle()
                        .value1()
                + 1;
    }
}
