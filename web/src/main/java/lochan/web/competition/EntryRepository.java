package lochan.web.competition;

import static lochan.web.db.Tables.COMPETITION_ENTRY;

import java.util.ArrayList;
import java.util.List;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
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
            row.setEventId(key.eventId()).setAccountId(key.accountId()).setOrdinal(next + rows.size());
            row.touched(COMPETITION_ENTRY.RECEIVED_AT, false);
            rows.add(row);
        }
        db.batchInsert(rows).execute();
    }

    private CompetitionEntryRecord record(Entry entry) {
        CompetitionEntryRecord row = db.newRecord(COMPETITION_ENTRY);
        EntryCodec.write(entry, new EntryRow(row));
        return row.setType(EntryCodec.kind(entry).type());
    }

    private static Entry entry(CompetitionEntryRecord row) {
        return EntryCodec.read(row.getType(), new EntryRow(row));
    }
}
