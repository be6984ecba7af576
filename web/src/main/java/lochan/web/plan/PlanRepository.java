package lochan.web.plan;

import static lochan.web.db.Tables.PLAN;
import static lochan.web.db.Tables.PLAN_CHANGE;
import static lochan.web.db.Tables.PLAN_STOP;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.web.db.tables.records.PlanChangeRecord;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record1;
import org.jooq.TableRecord;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

@Repository
class PlanRepository {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final int MOST_CHANGES = 200;

    private final DSLContext db;

    PlanRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return PLAN.EVENT_ID.eq(key.eventId()).and(PLAN.ACCOUNT_ID.eq(key.accountId()));
    }

    List<StoredPlan> all(EventKey key) {
        Map<Long, List<PlanStop>> stops = db.selectFrom(PLAN_STOP)
                .where(PLAN_STOP.EVENT_ID.eq(key.eventId()))
                .and(PLAN_STOP.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(PLAN_STOP.PLAN_ID, PLAN_STOP.ORDINAL)
                .fetchGroups(
                        PLAN_STOP.PLAN_ID,
                        r -> new PlanStop(
                                r.getSpotCode(),
                                r.getPresentationCode(),
                                r.getArriveAt(),
                                r.getLeaveAt(),
                                r.getLocked()));
        Map<Long, ? extends List<PlanChangeRecord>> changes = db.select(PLAN_CHANGE.fields())
                .from(PLAN_CHANGE)
                .join(PLAN)
                .on(PLAN.ID.eq(PLAN_CHANGE.PLAN_ID))
                .where(in(key))
                .and(PLAN_CHANGE.ORDINAL.between(PLAN.CHANGES_DONE, PLAN.CHANGES_DONE.plus(1)))
                .fetchInto(PLAN_CHANGE)
                .intoGroups(PLAN_CHANGE.PLAN_ID);
        return db.selectFrom(PLAN)
                .where(in(key))
                .and(PLAN.DELETED_AT.isNull())
                .orderBy(PLAN.ORDINAL)
                .fetch(r -> new StoredPlan(
                        r.getId(),
                        r.getFollowedAt(),
                        new Plan(r.getDay(), r.getName(), stops.getOrDefault(r.getId(), List.of())),
                        change(changes.get(r.getId()), r.getChangesDone()),
                        change(changes.get(r.getId()), r.getChangesDone() + 1)));
    }

    private static StoredPlan.@Nullable Change change(@Nullable List<PlanChangeRecord> changes, int ordinal) {
        return changes == null
                ? null
                : changes.stream()
                        .filter(c -> c.getOrdinal() == ordinal)
                        .findFirst()
                        .map(c -> new StoredPlan.Change(
                                ordinal,
                                c.getWords(),
                                c.getNameBefore(),
                                c.getNameAfter(),
                                stops(c.getStopsBefore()),
                                stops(c.getStopsAfter())))
                        .orElse(null);
    }

    private static List<PlanStop> stops(String json) {
        return JSON.readValue(json, new TypeReference<List<PlanStop>>() {});
    }

    /** When a plan was last marked as the one to follow; empty: none was. */
    Optional<Instant> lastMarkedAt(EventKey key) {
        return db.select(DSL.max(PLAN.FOLLOWED_AT))
                .from(PLAN)
                .where(in(key))
                .fetchOptional()
                .map(Record1::value1);
    }

    void follow(EventKey key, long id, Instant now) {
        db.update(PLAN)
                .set(PLAN.FOLLOWED_AT, now)
                .where(in(key))
                .and(PLAN.ID.eq(id))
                .execute();
    }

    long add(EventKey key, Plan plan) {
        int next = db.select(DSL.coalesce(DSL.max(PLAN.ORDINAL), -1))
                        .from(PLAN)
                        .where(in(key))
                        .fetchSingle()
                        .value1()
                + 1;
        long id = db.insertInto(PLAN)
                .set(PLAN.EVENT_ID, key.eventId())
                .set(PLAN.ACCOUNT_ID, key.accountId())
                .set(PLAN.ORDINAL, next)
                .set(PLAN.DAY, plan.day())
                .set(PLAN.NAME, plan.name())
                .returningResult(PLAN.ID)
                .fetchSingle()
                .value1();
        addStops(key, id, plan.stops());
        return id;
    }

    private void addStops(EventKey key, long plan, List<PlanStop> stops) {
        List<TableRecord<?>> rows = new ArrayList<>();
        for (PlanStop s : stops) {
            rows.add(db.newRecord(PLAN_STOP)
                    .setPlanId(plan)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(rows.size())
                    .setSpotCode(s.spotId())
                    .setPresentationCode(s.presentationId())
                    .setArriveAt(s.arrive())
                    .setLeaveAt(s.leave())
                    .setLocked(s.locked()));
        }
        db.batchInsert(rows).execute();
    }

    /** Puts the stops of a plan on another date. Changes before it are forgotten: they were of the date that is gone. */
    void moved(EventKey key, StoredPlan plan, List<PlanStop> stops) {
        db.deleteFrom(PLAN_CHANGE)
                .where(PLAN_CHANGE.PLAN_ID.eq(plan.id()))
                .and(PLAN_CHANGE.ACCOUNT_ID.eq(key.accountId()))
                .execute();
        put(key, plan.id(), plan.plan().name(), stops, 0);
    }

    /** Puts other stops into a plan and keeps the change; changes that were undone are forgotten. */
    void change(EventKey key, StoredPlan plan, String words, @Nullable String name, List<PlanStop> stops) {
        int ordinal = plan.last() == null ? 1 : plan.last().ordinal() + 1;
        db.deleteFrom(PLAN_CHANGE)
                .where(PLAN_CHANGE.PLAN_ID.eq(plan.id()))
                .and(PLAN_CHANGE.ACCOUNT_ID.eq(key.accountId()))
                .and(PLAN_CHANGE.ORDINAL.ge(ordinal).or(PLAN_CHANGE.ORDINAL.lt(ordinal - MOST_CHANGES)))
                .execute();
        db.insertInto(PLAN_CHANGE)
                .set(PLAN_CHANGE.PLAN_ID, plan.id())
                .set(PLAN_CHANGE.ACCOUNT_ID, key.accountId())
                .set(PLAN_CHANGE.ORDINAL, ordinal)
                .set(PLAN_CHANGE.WORDS, words)
                .set(PLAN_CHANGE.NAME_BEFORE, plan.plan().name())
                .set(PLAN_CHANGE.NAME_AFTER, name)
                .set(
                        PLAN_CHANGE.STOPS_BEFORE,
                        JSON.writeValueAsString(plan.plan().stops()))
                .set(PLAN_CHANGE.STOPS_AFTER, JSON.writeValueAsString(stops))
                .execute();
        put(key, plan.id(), name, stops, ordinal);
    }

    /** @param changesDone how many of its changes are in force then */
    void put(EventKey key, long id, @Nullable String name, List<PlanStop> stops, int changesDone) {
        db.update(PLAN)
                .set(PLAN.NAME, name)
                .set(PLAN.CHANGES_DONE, changesDone)
                .where(in(key))
                .and(PLAN.ID.eq(id))
                .execute();
        db.deleteFrom(PLAN_STOP)
                .where(PLAN_STOP.PLAN_ID.eq(id))
                .and(PLAN_STOP.ACCOUNT_ID.eq(key.accountId()))
                .execute();
        addStops(key, id, stops);
    }

    boolean setDeleted(EventKey key, long id, @Nullable Instant at) {
        return db.update(PLAN)
                        .set(PLAN.DELETED_AT, at)
                        .where(in(key))
                        .and(PLAN.ID.eq(id))
                        .execute()
                == 1;
    }
}
