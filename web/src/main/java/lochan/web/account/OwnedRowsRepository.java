package lochan.web.account;

import static lochan.web.db.Tables.ACCOUNT;
import static lochan.web.db.Tables.EVENT;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import lochan.web.db.DefaultSchema;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.ForeignKey;
import org.jooq.Table;
import org.springframework.stereotype.Repository;

/** Removes rows for good, in the order that their foreign keys ask for: a table that is added later is found by its own. */
@Repository
class OwnedRowsRepository {

    private static final String ACCOUNT_ID = "account_id";
    private static final String EVENT_ID = "event_id";

    private final DSLContext db;

    OwnedRowsRepository(DSLContext db) {
        this.db = db;
    }

    void deleteAccount(long accountId) {
        childrenFirst().stream().filter(t -> t.field(ACCOUNT_ID) != null).forEach(t -> db.deleteFrom(t)
                .where(id(t, ACCOUNT_ID).eq(accountId))
                .execute());
        db.deleteFrom(ACCOUNT).where(ACCOUNT.ID.eq(accountId)).execute();
    }

    void deleteEvent(long accountId, long eventId) {
        childrenFirst().stream()
                .filter(t -> t.field(ACCOUNT_ID) != null && t.field(EVENT_ID) != null)
                .forEach(t -> db.deleteFrom(t)
                        .where(id(t, ACCOUNT_ID).eq(accountId))
                        .and(id(t, EVENT_ID).eq(eventId))
                        .execute());
        db.deleteFrom(EVENT)
                .where(EVENT.ID.eq(eventId))
                .and(EVENT.ACCOUNT_ID.eq(accountId))
                .execute();
    }

    private static Field<Long> id(Table<?> table, String name) {
        return table.field(name, Long.class);
    }

    /** All tables, each behind those that point at it. */
    private static List<Table<?>> childrenFirst() {
        Set<Table<?>> done = new LinkedHashSet<>();
        DefaultSchema.DEFAULT_SCHEMA.getTables().forEach(t -> add(t, done, new ArrayList<>()));
        return List.copyOf(done);
    }

    private static void add(Table<?> table, Set<Table<?>> done, List<Table<?>> above) {
        if (done.contains(table) || above.contains(table)) {
            return;
        }
        above.add(table);
        DefaultSchema.DEFAULT_SCHEMA.getTables().stream()
                .filter(t -> t.getReferences().stream().map(ForeignKey::getKey).anyMatch(k -> k.getTable()
                        .equals(table)))
                .forEach(t -> add(t, done, above));
        above.removeLast();
        done.add(table);
    }
}
