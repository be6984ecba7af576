package lochan.web.account;

import static lochan.web.db.Tables.ACCOUNT;

import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

@Repository
class AccountRepository {

    private final DSLContext db;

    AccountRepository(DSLContext db) {
        this.db = db;
    }

    record Stored(long id, String name, String passwordHash) { }

    boolean isEmpty() {
        return !db.fetchExists(ACCOUNT);
    }

    /** Adds the account when it is the first; whoever comes second gets nothing. */
    Optional<Long> addFirst(String name, String passwordHash) {
        int added = db.insertInto(ACCOUNT, ACCOUNT.NAME, ACCOUNT.PASSWORD_HASH)
                .select(DSL.select(DSL.val(name), DSL.val(passwordHash)).whereNotExists(DSL.selectOne().from(ACCOUNT))).execute();
        return added == 0 ? Optional.empty() : find(name).map(Stored::id);
    }

    long add(String name, String passwordHash) {
        return db.insertInto(ACCOUNT).set(ACCOUNT.NAME, name).set(ACCOUNT.PASSWORD_HASH, passwordHash)
                .returningResult(ACCOUNT.ID).fetchSingle().value1();
    }

    Optional<Stored> find(String name) {
        return db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.PASSWORD_HASH).from(ACCOUNT).where(ACCOUNT.NAME.eq(name))
                .fetchOptional(r -> new Stored(r.value1(), r.value2(), r.value3()));
    }

    Optional<String> units(long accountId) {
        return db.select(ACCOUNT.UNITS).from(ACCOUNT).where(ACCOUNT.ID.eq(accountId)).fetchOptional(ACCOUNT.UNITS);
    }

    void setUnits(long accountId, String units) {
        db.update(ACCOUNT).set(ACCOUNT.UNITS, units).where(ACCOUNT.ID.eq(accountId)).execute();
    }
}
