package lochan.mapfiles;

/** A file that cannot be read: what is wrong with it, where, and what to do, in one line. */
public final class MapFileException extends Exception {

    private static final long serialVersionUID = 1L;

    MapFileException(String message) {
        super(message);
    }
}
