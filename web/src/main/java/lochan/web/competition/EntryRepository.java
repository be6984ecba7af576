package lochan.web.competition;

import static lochan.web.db.Tables.COMPETITION_ENTRY;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Coded;
import lochan.core.competition.Entry;
import lochan.core.event.Species;
import lochan.core.practice.Outcome;
import lochan.web.db.tables.records.CompetitionEntryRecord;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.TableRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

@Repository
class EntryRepository {

    private final DSLContext db;

    EntryRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition in(EventKey key) {
        return COMPETITION_ENTRY.EVENT_ID.eq(key.eventId()).and(COMPETITION_ENTRY.ACCOUNT_ID.eq(key.accountId()));
    }

    List<Entry> all(EventKey key) {
        return db.selectFrom(COMPETITION_ENTRY)
                .where(in(key))
                .orderBy(COMPETITION_ENTRY.ORDINAL)
                .fetch(EntryRepository::entry);
    }

    void add(EventKey key, List<Entry> entries) {
        int next = db.select(DSL.coalesce(DSL.max(COMPETITION_ENTRY.ORDINAL), -1))
                        .from(COMPETITION_ENTRY)
                        .where(in(key))
                        .fetchSingle()
                        .value1()
                + 1;
        List<TableRecord<?>> rows = new ArrayList<>();
        for (Entry e : entries) {
            CompetitionEntryRecord row = record(e);
            row.setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(next + rows.size())
                    .setCode(e.id())
                    .setAt(e.at());
            row.touched(COMPETITION_ENTRY.RECEIVED_AT, false);
            rows.add(row);
        }
        db.batchInsert(rows).execute();
    }

    private CompetitionEntryRecord record(Entry entry) {
        CompetitionEntryRecord r = db.newRecord(COMPETITION_ENTRY);
        return switch (entry) {
            case Entry.Catch c ->
                r.setType("catch")
                        .setSpecies(c.species() == null ? null : c.species().code())
                        .setGrams(c.grams())
                        .setMm(c.mm())
                        .setSpotCode(c.spotId())
                        .setPresentationCode(c.presentationId())
                        .setAlive(c.alive())
                        .setTag(c.tag())
                        .setEntered(c.entered());
            case Entry.Balance b -> r.setType("balance").setHeavier(b.heavier()).setLighter(b.lighter());
            case Entry.Died d -> r.setType("died").setTarget(d.catchId());
            case Entry.Correct c ->
                r.setType("correct")
                        .setTarget(c.catchId())
                        .setGrams(c.grams())
                        .setMm(c.mm())
                        .setEntered(c.entered());
            case Entry.Void v -> r.setType("void").setTarget(v.entryId());
            case Entry.Official o ->
                r.setType("official")
                        .setGrams(o.grams())
                        .setMm(o.mm())
                        .setDeadFish(o.deadFish())
                        .setLateMinutes(o.lateMinutes())
                        .setShortFish(o.shortFish())
                        .setOverLimit(o.overLimit())
                        .setPlace(o.place())
                        .setBiggestGrams(o.biggestGrams());
            case Entry.ScaleCheck s ->
                r.setType("scale-check").setKnownGrams(s.knownGrams()).setGrams(s.readGrams());
            case Entry.LivewellReading w -> r.setType("livewell").setCelsius(w.celsius());
            case Entry.Bite s ->
                r.setType("bite")
                        .setSpotCode(s.spotId())
                        .setPresentationCode(s.presentationId())
                        .setOutcome(s.outcome() == null ? null : s.outcome().code());
            case Entry.Fishing f ->
                r.setType("fishing").setSpotCode(f.spotId()).setPresentationCode(f.presentationId());
        };
    }

    private static Entry entry(CompetitionEntryRecord r) {
        return switch (r.getType()) {
            case "catch" ->
                new Entry.Catch(
                        r.getCode(),
                        r.getAt(),
                        r.getSpecies() == null
                                ? null
                                : Coded.find(Species.class, r.getSpecies()).orElseThrow(),
                        r.getGrams(),
                        r.getMm(),
                        r.getSpotCode(),
                        r.getPresentationCode(),
                        r.getAlive(),
                        r.getTag(),
                        r.getEntered());
            case "balance" -> new Entry.Balance(r.getCode(), r.getAt(), r.getHeavier(), r.getLighter());
            case "died" -> new Entry.Died(r.getCode(), r.getAt(), r.getTarget());
            case "correct" ->
                new Entry.Correct(r.getCode(), r.getAt(), r.getTarget(), r.getGrams(), r.getMm(), r.getEntered());
            case "void" -> new Entry.Void(r.getCode(), r.getAt(), r.getTarget());
            case "official" ->
                new Entry.Official(
                        r.getCode(),
                        r.getAt(),
                        r.getGrams(),
                        r.getMm(),
                        r.getDeadFish(),
                        r.getLateMinutes(),
                        r.getShortFish(),
                        r.getOverLimit(),
                        r.getPlace(),
                        r.getBiggestGrams());
            case "scale-check" -> new Entry.ScaleCheck(r.getCode(), r.getAt(), r.getKnownGrams(), r.getGrams());
            case "livewell" -> new Entry.LivewellReading(r.getCode(), r.getAt(), r.getCelsius());
            case "bite" ->
                new Entry.Bite(
                        r.getCode(),
                        r.getAt(),
                        r.getSpotCode(),
                        r.getPresentationCode(),
                        r.getOutcome() == null
                                ? null
                                : Coded.find(Outcome.class, r.getOutcome()).orElseThrow());
            case "fishing" -> new Entry.Fishing(r.getCode(), r.getAt(), r.getSpotCode(), r.getPresentationCode());
            default -> throw new IllegalStateException("unknown type of entry " + r.getType());
        };
    }
}
