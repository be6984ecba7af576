package lochan.web.spot;

import static lochan.web.db.Tables.WAYPOINT;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Coded;
import lochan.core.event.Position;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.web.db.tables.records.WaypointRecord;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.JsonText;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class WaypointRepository {

    private final DSLContext db;

    WaypointRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return WAYPOINT.EVENT_ID.eq(key.eventId()).and(WAYPOINT.ACCOUNT_ID.eq(key.accountId()));
    }

    List<Waypoint> all(EventKey key) {
        return db.selectFrom(WAYPOINT)
                .where(in(key))
                .and(WAYPOINT.DELETED_AT.isNull())
                .orderBy(WAYPOINT.ORDINAL)
                .fetch(WaypointRepository::waypoint);
    }

    Optional<Waypoint> find(EventKey key, String code) {
        return db.selectFrom(WAYPOINT)
                .where(in(key))
                .and(WAYPOINT.CODE.eq(code))
                .and(WAYPOINT.DELETED_AT.isNull())
                .fetchOptional(WaypointRepository::waypoint);
    }

    /** Adds waypoints; one whose code is there already is there once. */
    void add(EventKey key, List<Waypoint> waypoints) {
        int next = db.select(DSL.coalesce(DSL.max(WAYPOINT.ORDINAL), -1))
                        .from(WAYPOINT)
                        .where(in(key))
                        .fetchSingle()
                        .value1()
                + 1;
        db.batch(IntStream.range(0, waypoints.size())
                        .mapToObj(i -> db.insertInto(WAYPOINT)
                                .set(filled(waypoints.get(i))
                                        .setEventId(key.eventId())
                                        .setAccountId(key.accountId())
                                        .setOrdinal(next + i)
                                        .setCode(waypoints.get(i).id()))
                                .onDuplicateKeyUpdate()
                                .set(WAYPOINT.CODE, WAYPOINT.CODE))
                        .toList())
                .execute();
    }

    void update(EventKey key, Waypoint waypoint) {
        db.update(WAYPOINT)
                .set(filled(waypoint))
                .where(in(key))
                .and(WAYPOINT.CODE.eq(waypoint.id()))
                .execute();
    }

    boolean setDeleted(EventKey key, String code, @Nullable Instant at) {
        return db.update(WAYPOINT)
                        .set(WAYPOINT.DELETED_AT, at)
                        .where(in(key))
                        .and(WAYPOINT.CODE.eq(code))
                        .execute()
                == 1;
    }

    private WaypointRecord filled(Waypoint m) {
        return db.newRecord(WAYPOINT)
                .setAt(m.at())
                .setLat(m.position().lat())
                .setLon(m.position().lon())
                .setSpotCode(m.spotId())
                .setFishDepthM(m.fish().depthM())
                .setWaterDepthM(m.waterDepthM())
                .setBottom(m.bottom() == null ? null : m.bottom().code())
                .setBait(m.fish().bait())
                .setFishPosition(Coded.codeOrNull(m.fish().position()))
                .setFishCount(Coded.codeOrNull(m.fish().count()))
                .setFishShape(Coded.codeOrNull(m.fish().shape()))
                .setNote(m.note())
                .setEntered(JsonText.of(m.entered()));
    }

    private static Waypoint waypoint(WaypointRecord r) {
        return WaypointBuilder.builder()
                .id(r.getCode())
                .at(r.getAt())
                .position(new Position(r.getLat(), r.getLon()))
                .spotId(r.getSpotCode())
                .fish(new Sighting(
                        Coded.getOrNull(FishPosition.class, r.getFishPosition()),
                        r.getFishDepthM(),
                        r.getBait(),
                        Coded.getOrNull(FishCount.class, r.getFishCount()),
                        Coded.getOrNull(FishShape.class, r.getFishShape())))
                .waterDepthM(r.getWaterDepthM())
                .bottom(Coded.getOrNull(Waypoint.Bottom.class, r.getBottom()))
                .note(r.getNote())
                .entered(JsonText.map(r.getEntered()))
                .build();
    }
}
