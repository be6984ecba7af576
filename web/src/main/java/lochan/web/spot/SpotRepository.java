package lochan.web.spot;

import static lochan.web.db.Tables.COMPETITION_ENTRY;
import static lochan.web.db.Tables.SPOT;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Coded;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.web.db.tables.records.SpotRecord;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventRevisions;
import lochan.web.shared.JsonText;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class SpotRepository {

    private final DSLContext db;

    private final EventRevisions revisions;

    SpotRepository(DSLContext db, EventRevisions revisions) {
        this.db = db;
        this.revisions = revisions;
    }

    private static Condition in(EventKey key) {
        return SPOT.EVENT_ID.eq(key.eventId()).and(SPOT.ACCOUNT_ID.eq(key.accountId()));
    }

    List<Spot> all(EventKey key) {
        return db.selectFrom(SPOT)
                .where(in(key))
                .and(SPOT.DELETED_AT.isNull())
                .orderBy(SPOT.ORDINAL)
                .fetch(SpotRepository::spot);
    }

    Optional<Spot> find(EventKey key, String code) {
        return db.selectFrom(SPOT)
                .where(in(key))
                .and(SPOT.CODE.eq(code))
                .and(SPOT.DELETED_AT.isNull())
                .fetchOptional(SpotRepository::spot);
    }

    /** Whether a code was ever used, by a deleted spot too. */
    boolean isTaken(EventKey key, String code) {
        return db.fetchExists(SPOT, in(key).and(SPOT.CODE.eq(code)));
    }

    void add(EventKey key, List<Spot> spots) {
        revisions.change(key);
        int next = db.select(DSL.coalesce(DSL.max(SPOT.ORDINAL), -1))
                        .from(SPOT)
                        .where(in(key))
                        .fetchSingle()
                        .value1()
                + 1;
        db.batchInsert(IntStream.range(0, spots.size())
                        .mapToObj(i -> filled(spots.get(i))
                                .setEventId(key.eventId())
                                .setAccountId(key.accountId())
                                .setOrdinal(next + i)
                                .setCode(spots.get(i).id()))
                        .toList())
                .execute();
    }

    void update(EventKey key, Spot spot) {
        revisions.change(key);
        db.update(SPOT)
                .set(filled(spot))
                .where(in(key))
                .and(SPOT.CODE.eq(spot.id()))
                .execute();
    }

    boolean setDeleted(EventKey key, String code, @Nullable Instant at) {
        revisions.change(key);
        return db.update(SPOT)
                        .set(SPOT.DELETED_AT, at)
                        .where(in(key))
                        .and(SPOT.CODE.eq(code))
                        .execute()
                == 1;
    }

    boolean isInCompetition(EventKey key, String code) {
        return db.fetchExists(
                COMPETITION_ENTRY,
                COMPETITION_ENTRY
                        .EVENT_ID
                        .eq(key.eventId())
                        .and(COMPETITION_ENTRY.ACCOUNT_ID.eq(key.accountId()))
                        .and(COMPETITION_ENTRY.SPOT_CODE.eq(code)));
    }

    private SpotRecord filled(Spot spot) {
        return db.newRecord(SPOT)
                .setName(spot.name())
                .setLat(spot.position().lat())
                .setLon(spot.position().lon())
                .setRadiusM(spot.radiusM())
                .setSpotType(spot.spotType())
                .setZone(spot.zone().code())
                .setDepthMinM(spot.depthMinM())
                .setDepthMaxM(spot.depthMaxM())
                .setCrowdRisk(spot.crowdRisk())
                .setStock(spot.stock().code())
                .setShelter(spot.shelter())
                .setSymbol(spot.symbol())
                .setEntered(JsonText.of(spot.entered()));
    }

    private static Spot spot(SpotRecord r) {
        return SpotBuilder.builder()
                .id(r.getCode())
                .name(r.getName())
                .position(new Position(r.getLat(), r.getLon()))
                .radiusM(r.getRadiusM())
                .spotType(r.getSpotType())
                .zone(Coded.get(Zone.class, r.getZone()))
                .depthMinM(r.getDepthMinM())
                .depthMaxM(r.getDepthMaxM())
                .crowdRisk(r.getCrowdRisk())
                .stock(Coded.get(Stock.class, r.getStock()))
                .shelter(r.getShelter())
                .symbol(r.getSymbol())
                .entered(JsonText.map(r.getEntered()))
                .build();
    }
}
