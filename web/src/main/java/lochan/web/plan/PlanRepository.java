package lochan.web.plan;

import static lochan.web.db.Tables.PLAN;
import static lochan.web.db.Tables.PLAN_STOP;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.web.brief.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.TableRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

@Repository
class PlanRepository {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final DSLContext db;

    PlanRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return PLAN.EVENT_ID.eq(key.eventId()).and(PLAN.ACCOUNT_ID.eq(key.accountId()));
    }

    List<StoredPlan> all(EventKey key) {
        Map<Long, List<PlanStop>> stops = db.selectFrom(PLAN_STOP)
                .where(PLAN_STOP.EVENT_ID.eq(key.eventId())).and(PLAN_STOP.ACCOUNT_ID.eq(key.accountId()))
                .orderBy(PLAN_STOP.PLAN_ID, PLAN_STOP.ORDINAL)
                .fetchGroups(PLAN_STOP.PLAN_ID, r -> new PlanStop(r.getSpotCode(), r.getPresentationCode(), r.getArriveAt(), r.getLeaveAt()));
        return db.selectFrom(PLAN).where(in(key)).and(PLAN.DELETED_AT.isNull()).orderBy(PLAN.ORDINAL)
                .fetch(r -> new StoredPlan(r.getId(), new Plan(r.getDay(), r.getName(), stops.getOrDefault(r.getId(), List.of())),
                        r.getBeforeChange() != null));
    }

    long add(EventKey key, Plan plan) {
        int next = db.select(DSL.coalesce(DSL.max(PLAN.ORDINAL), -1)).from(PLAN).where(in(key)).fetchSingle().value1() + 1;
        long id = db.insertInto(PLAN).set(PLAN.EVENT_ID, key.eventId()).set(PLAN.ACCOUNT_ID, key.accountId()).set(PLAN.ORDINAL, next)
                .set(PLAN.DAY, plan.day()).set(PLAN.NAME, plan.name()).returningResult(PLAN.ID).fetchSingle().value1();
        addStops(key, id, plan.stops());
        return id;
    }

    private void addStops(EventKey key, long plan, List<PlanStop> stops) {
        List<TableRecord<?>> rows = new ArrayList<>();
        for (PlanStop s : stops) {
            rows.add(db.newRecord(PLAN_STOP).setPlanId(plan).setEventId(key.eventId()).setAccountId(key.accountId()).setOrdinal(rows.size())
                    .setSpotCode(s.spotId()).setPresentationCode(s.presentationId()).setArriveAt(s.arrive()).setLeaveAt(s.leave()));
        }
        db.batchInsert(rows).execute();
    }

    /** Puts other stops into a plan and keeps those it had, for undo. */
    void replace(EventKey key, long id, String name, List<PlanStop> before, List<PlanStop> stops) {
        db.update(PLAN).set(PLAN.NAME, name).set(PLAN.BEFORE_CHANGE, JSON.writeValueAsString(before)).where(in(key)).and(PLAN.ID.eq(id)).execute();
        db.deleteFrom(PLAN_STOP).where(PLAN_STOP.PLAN_ID.eq(id)).and(PLAN_STOP.ACCOUNT_ID.eq(key.accountId())).execute();
        addStops(key, id, stops);
    }

    List<PlanStop> beforeChange(EventKey key, long id) {
        String json = db.select(PLAN.BEFORE_CHANGE).from(PLAN).where(in(key)).and(PLAN.ID.eq(id)).fetchSingle().value1();
        return json == null ? List.of() : JSON.readValue(json, new TypeReference<List<PlanStop>>() { });
    }

    boolean setDeleted(EventKey key, long id, Instant at) {
        return db.update(PLAN).set(PLAN.DELETED_AT, at).where(in(key)).and(PLAN.ID.eq(id)).execute() == 1;
    }
}
