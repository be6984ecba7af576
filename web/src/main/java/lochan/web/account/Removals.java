package lochan.web.account;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Removes what an account owns, for good. */
@Service
public class Removals {

    private final OwnedRowsRepository rows;

    Removals(OwnedRowsRepository rows) {
        this.rows = rows;
    }

    /** Removes an account with everything that is its own. */
    @Transactional
    public void account(long accountId) {
        rows.deleteAccount(accountId);
    }

    /** Removes an event with everything that belongs to it. */
    @Transactional
    public void event(long accountId, long eventId) {
        rows.deleteEvent(accountId, eventId);
    }
}
