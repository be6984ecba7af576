package lochan.web.shared;

import org.springframework.dao.DuplicateKeyException;

/**
 * Rows that are added once, however often they are sent. The database's own way of passing over duplicates would pass
 * over wrong values too.
 */
public final class Inserts {

    private Inserts() {}

    /** Adds a row; false: one of its key is there already, and stays as it is. */
    public static boolean once(Runnable insert) {
        try {
            insert.run();
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
    }
}
