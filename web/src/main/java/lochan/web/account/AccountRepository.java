package lochan.web.account;

import static lochan.web.db.Tables.ACCOUNT;
import static lochan.web.db.Tables.INVITATION;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
class AccountRepository {

    private final DSLContext db;

    AccountRepository(DSLContext db) {
        this.db = db;
    }

    record AccountRow(long id, String name, String passwordHash) {}

    boolean isEmpty() {
        return !db.fetchExists(ACCOUNT);
    }

    /** Adds the account when it is the first; the second gets nothing. */
    Optional<Long> addFirst(String name, String passwordHash) {
        int added = db.insertInto(ACCOUNT, ACCOUNT.NAME, ACCOUNT.PASSWORD_HASH)
                .select(DSL.select(DSL.val(name), DSL.val(passwordHash))
                        .whereNotExists(DSL.selectOne().from(ACCOUNT)))
                .execute();
        return added == 0 ? Optional.empty() : find(name).map(AccountRow::id);
    }

    long add(String name, String passwordHash) {
        return db.insertInto(ACCOUNT)
                .set(ACCOUNT.NAME, name)
                .set(ACCOUNT.PASSWORD_HASH, passwordHash)
                .returningResult(ACCOUNT.ID)
                .fetchSingle()
                .value1();
    }

    Optional<AccountRow> find(String name) {
        return fetch(ACCOUNT.NAME.eq(name));
    }

    Optional<AccountRow> find(long accountId) {
        return fetch(ACCOUNT.ID.eq(accountId));
    }

    private Optional<AccountRow> fetch(Condition which) {
        return db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.PASSWORD_HASH)
                .from(ACCOUNT)
                .where(which)
                .fetchOptional(r -> new AccountRow(r.value1(), r.value2(), r.value3()));
    }

    /** The names of all accounts, the oldest first. */
    List<Angler> all() {
        return db.select(ACCOUNT.ID, ACCOUNT.NAME)
                .from(ACCOUNT)
                .orderBy(ACCOUNT.ID)
                .fetch(r -> new Angler(r.value1(), r.value2()));
    }

    /** The oldest account there is. */
    Optional<Long> first() {
        return Optional.ofNullable(
                db.select(DSL.min(ACCOUNT.ID)).from(ACCOUNT).fetchSingle().value1());
    }

    void setPassword(long accountId, @Nullable String passwordHash) {
        db.update(ACCOUNT)
                .set(ACCOUNT.PASSWORD_HASH, passwordHash)
                .where(ACCOUNT.ID.eq(accountId))
                .execute();
    }

    void addInvitation(long accountId, String codeHash, Instant now, Instant until) {
        db.insertInto(INVITATION)
                .set(INVITATION.ACCOUNT_ID, accountId)
                .set(INVITATION.CODE_HASH, codeHash)
                .set(INVITATION.CREATED_AT, now)
                .set(INVITATION.EXPIRES_AT, until)
                .execute();
    }

    /** Takes a code that still holds, so that nobody else can; false when there is none. */
    boolean takeInvitation(String codeHash, Instant now) {
        return db.deleteFrom(INVITATION)
                        .where(INVITATION.CODE_HASH.eq(codeHash))
                        .and(INVITATION.EXPIRES_AT.gt(now))
                        .execute()
                == 1;
    }

    /** When the codes run out that still hold. */
    List<Instant> invitations(long accountId, Instant now) {
        return db.select(INVITATION.EXPIRES_AT)
                .from(INVITATION)
                .where(INVITATION.ACCOUNT_ID.eq(accountId))
                .and(INVITATION.EXPIRES_AT.gt(now))
                .orderBy(INVITATION.EXPIRES_AT)
                .fetch(INVITATION.EXPIRES_AT);
    }

    void deleteInvitations(long accountId) {
        db.deleteFrom(INVITATION).where(INVITATION.ACCOUNT_ID.eq(accountId)).execute();
    }

    Optional<String> units(long accountId) {
        return db.select(ACCOUNT.UNITS)
                .from(ACCOUNT)
                .where(ACCOUNT.ID.eq(accountId))
                .fetchOptional(ACCOUNT.UNITS);
    }

    void setUnits(long accountId, String units) {
        db.update(ACCOUNT)
                .set(ACCOUNT.UNITS, units)
                .where(ACCOUNT.ID.eq(accountId))
                .execute();
    }
}
