package lochan.web.gear;

import static java.util.Objects.requireNonNull;
import static lochan.web.db.Tables.BOX_ITEM;
import static lochan.web.db.Tables.LURE_OBSERVATION;
import static lochan.web.db.Tables.LURE_SHEET;
import static lochan.web.db.Tables.ROD;
import static lochan.web.db.Tables.RULE_WEIGHT;

import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.lures.advice.Rule;
import lochan.core.practice.ColourFamily;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Power;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.eventformat.TackleFile;
import lochan.web.db.tables.records.BoxItemRecord;
import lochan.web.db.tables.records.RodRecord;
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
class TackleRepository {

    private final DSLContext db;

    TackleRepository(DSLContext db) {
        this.db = db;
    }

    private static Table<?> table(TackleKind kind) {
        return switch (kind) {
            case ROD -> ROD;
            case ITEM -> BOX_ITEM;
            case LURE -> LURE_SHEET;
            case OBSERVATION -> LURE_OBSERVATION;
        };
    }

    private static Condition is(TackleKind kind, long accountId, String code) {
        return switch (kind) {
            case ROD -> ROD.ACCOUNT_ID.eq(accountId).and(ROD.CODE.eq(code));
            case ITEM -> BOX_ITEM.ACCOUNT_ID.eq(accountId).and(BOX_ITEM.CODE.eq(code));
            case LURE -> LURE_SHEET.ACCOUNT_ID.eq(accountId).and(LURE_SHEET.CODE.eq(code));
            case OBSERVATION -> LURE_OBSERVATION.ACCOUNT_ID.eq(accountId).and(LURE_OBSERVATION.CODE.eq(code));
        };
    }

    private static Field<Instant> deletedAt(TackleKind kind) {
        return switch (kind) {
            case ROD -> ROD.DELETED_AT;
            case ITEM -> BOX_ITEM.DELETED_AT;
            case LURE -> LURE_SHEET.DELETED_AT;
            case OBSERVATION -> LURE_OBSERVATION.DELETED_AT;
        };
    }

    boolean isTaken(TackleKind kind, long accountId, String code) {
        return db.fetchExists(table(kind), is(kind, accountId, code));
    }

    /** Whether there was one to delete or bring back. */
    boolean setDeleted(TackleKind kind, long accountId, String code, @Nullable Instant at) {
        return db.update(table(kind))
                        .set(deletedAt(kind), at)
                        .where(is(kind, accountId, code))
                        .execute()
                == 1;
    }

    List<Rod> rods(long accountId) {
        return db.selectFrom(ROD)
                .where(ROD.ACCOUNT_ID.eq(accountId))
                .and(ROD.DELETED_AT.isNull())
                .orderBy(ROD.ORDINAL)
                .fetch(TackleRepository::rod);
    }

    void put(long accountId, Rod rod) {
        RodRecord record = db.newRecord(ROD)
                .setAccountId(accountId)
                .setOrdinal(next(ROD, ROD.ORDINAL, ROD.ACCOUNT_ID.eq(accountId)))
                .setCode(rod.id())
                .setName(rod.name())
                .setLengthM(rod.lengthM())
                .setPower(rod.power().code())
                .setAction_(rod.action().code())
                .setTurnM(rod.turnM())
                .setLineKind(rod.line().kind().code())
                .setLineKg(rod.line().strengthKg())
                .setLeaderKind(rod.leader() == null ? null : rod.leader().kind().code())
                .setLeaderKg(rod.leader() == null ? null : rod.leader().strengthKg())
                .setInBoat(rod.inBoat())
                .setEntered(JsonText.of(rod.entered()));
        if (db.update(ROD)
                        .set(ROD.NAME, record.getName())
                        .set(ROD.LENGTH_M, record.getLengthM())
                        .set(ROD.POWER, record.getPower())
                        .set(ROD.ACTION_, record.getAction_())
                        .set(ROD.TURN_M, record.getTurnM())
                        .set(ROD.LINE_KIND, record.getLineKind())
                        .set(ROD.LINE_KG, record.getLineKg())
                        .set(ROD.LEADER_KIND, record.getLeaderKind())
                        .set(ROD.LEADER_KG, record.getLeaderKg())
                        .set(ROD.IN_BOAT, record.getInBoat())
                        .set(ROD.ENTERED, record.getEntered())
                        .where(ROD.ACCOUNT_ID.eq(accountId))
                        .and(ROD.CODE.eq(rod.id()))
                        .execute()
                == 0) {
            record.insert();
        }
    }

    private int next(Table<?> table, Field<Integer> ordinal, Condition where) {
        return db.select(DSL.coalesce(DSL.max(ordinal), -1))
                        .from(table)
                        .where(where)
                        .fetchSingle()
                        .value1()
                + 1;
    }

    private static Rod rod(RodRecord r) {
        return RodBuilder.builder()
                .id(r.getCode())
                .name(r.getName())
                .lengthM(r.getLengthM())
                .power(Coded.get(Power.class, r.getPower()))
                .action(Coded.get(RodAction.class, r.getAction_()))
                .turnM(r.getTurnM())
                .line(line(r.getLineKind(), r.getLineKg()))
                .leader(line(r.getLeaderKind(), r.getLeaderKg()))
                .inBoat(r.getInBoat())
                .entered(JsonText.map(r.getEntered()))
                .build();
    }

    private static @Nullable FishingLine line(String kind, Double kg) {
        return kind == null || kg == null ? null : new FishingLine(Coded.get(FishingLine.Kind.class, kind), kg);
    }

    List<BoxItem> box(long accountId) {
        return db.selectFrom(BOX_ITEM)
                .where(BOX_ITEM.ACCOUNT_ID.eq(accountId))
                .and(BOX_ITEM.DELETED_AT.isNull())
                .orderBy(BOX_ITEM.ORDINAL)
                .fetch(TackleRepository::item);
    }

    void put(long accountId, BoxItem item) {
        BoxItemRecord record = db.newRecord(BOX_ITEM)
                .setAccountId(accountId)
                .setOrdinal(next(BOX_ITEM, BOX_ITEM.ORDINAL, BOX_ITEM.ACCOUNT_ID.eq(accountId)))
                .setCode(item.id())
                .setKind(item.kind().code())
                .setName(item.name())
                .setLureCode(item.lureId())
                .setGrams(item.grams())
                .setColour(item.colour() == null ? null : item.colour().code())
                .setLineKind(item.line() == null ? null : item.line().kind().code())
                .setLineKg(item.line() == null ? null : item.line().strengthKg())
                .setItems(item.count())
                .setInBoat(item.inBoat())
                .setEntered(JsonText.of(item.entered()));
        if (db.update(BOX_ITEM)
                        .set(BOX_ITEM.KIND, record.getKind())
                        .set(BOX_ITEM.NAME, record.getName())
                        .set(BOX_ITEM.LURE_CODE, record.getLureCode())
                        .set(BOX_ITEM.GRAMS, record.getGrams())
                        .set(BOX_ITEM.COLOUR, record.getColour())
                        .set(BOX_ITEM.LINE_KIND, record.getLineKind())
                        .set(BOX_ITEM.LINE_KG, record.getLineKg())
                        .set(BOX_ITEM.ITEMS, record.getItems())
                        .set(BOX_ITEM.IN_BOAT, record.getInBoat())
                        .set(BOX_ITEM.ENTERED, record.getEntered())
                        .where(BOX_ITEM.ACCOUNT_ID.eq(accountId))
                        .and(BOX_ITEM.CODE.eq(item.id()))
                        .execute()
                == 0) {
            record.insert();
        }
    }

    private static BoxItem item(BoxItemRecord r) {
        return BoxItemBuilder.builder()
                .id(r.getCode())
                .kind(Coded.get(BoxItem.Kind.class, r.getKind()))
                .name(r.getName())
                .lureId(r.getLureCode())
                .grams(r.getGrams())
                .colour(Coded.getOrNull(ColourFamily.class, r.getColour()))
                .line(line(r.getLineKind(), r.getLineKg()))
                .count(r.getItems())
                .inBoat(r.getInBoat())
                .entered(JsonText.map(r.getEntered()))
                .build();
    }

    /** Sheets the angler changed or added, by their codes. */
    List<Lure> sheets(long accountId) {
        return db.selectFrom(LURE_SHEET)
                .where(LURE_SHEET.ACCOUNT_ID.eq(accountId))
                .and(LURE_SHEET.DELETED_AT.isNull())
                .orderBy(LURE_SHEET.CODE)
                .fetch(r -> TackleFile.lure(r.getSheet()));
    }

    void put(long accountId, Lure lure) {
        db.insertInto(LURE_SHEET)
                .set(LURE_SHEET.ACCOUNT_ID, accountId)
                .set(LURE_SHEET.CODE, lure.id())
                .set(LURE_SHEET.SHEET, TackleFile.json(lure))
                .onDuplicateKeyUpdate()
                .set(LURE_SHEET.SHEET, TackleFile.json(lure))
                .setNull(LURE_SHEET.DELETED_AT)
                .execute();
    }

    List<LureObservation> observations(long accountId) {
        return db.selectFrom(LURE_OBSERVATION)
                .where(LURE_OBSERVATION.ACCOUNT_ID.eq(accountId))
                .and(LURE_OBSERVATION.DELETED_AT.isNull())
                .orderBy(LURE_OBSERVATION.ORDINAL)
                .fetch(r -> new LureObservation(
                        r.getCode(),
                        r.getLureCode(),
                        Coded.get(LureObservation.Saw.class, r.getSaw()),
                        r.getDepthM(),
                        r.getSeconds(),
                        r.getCastM(),
                        r.getGrams(),
                        requireNonNull(line(r.getLineKind(), r.getLineKg()))));
    }

    /** Adds one, once for its code. */
    void add(long accountId, LureObservation o) {
        Inserts.once(db.insertInto(LURE_OBSERVATION)
                .set(db.newRecord(LURE_OBSERVATION)
                        .setAccountId(accountId)
                        .setOrdinal(next(
                                LURE_OBSERVATION, LURE_OBSERVATION.ORDINAL, LURE_OBSERVATION.ACCOUNT_ID.eq(accountId)))
                        .setCode(o.id())
                        .setLureCode(o.lureId())
                        .setSaw(o.saw().code())
                        .setDepthM(o.depthM())
                        .setSeconds(o.seconds())
                        .setCastM(o.castM())
                        .setGrams(o.grams())
                        .setLineKind(o.line().kind().code())
                        .setLineKg(o.line().strengthKg()))::execute);
    }

    Map<Rule, Double> weights(long accountId) {
        Map<Rule, Double> weights = new EnumMap<>(Rule.class);
        db.selectFrom(RULE_WEIGHT)
                .where(RULE_WEIGHT.ACCOUNT_ID.eq(accountId))
                .fetch()
                .forEach(r -> Coded.find(Rule.class, r.getRule()).ifPresent(rule -> weights.put(rule, r.getWeight())));
        return weights;
    }

    void setWeights(long accountId, Map<Rule, Double> weights) {
        db.deleteFrom(RULE_WEIGHT).where(RULE_WEIGHT.ACCOUNT_ID.eq(accountId)).execute();
        db.batchInsert(weights.entrySet().stream()
                        .map(w -> db.newRecord(RULE_WEIGHT)
                                .setAccountId(accountId)
                                .setRule(w.getKey().code())
                                .setWeight(w.getValue()))
                        .toList())
                .execute();
    }
}
