package lochan.mapfiles;

import lochan.core.Bounds;

/** What reading a file takes of the memory, counted before it is allocated. */
final class Meter {

    /** A position and its place in a list. */
    static final int PLACE = 48;
    /** A shape without its places and properties. */
    static final int SHAPE = 200;
    /** A named value without its letters. */
    static final int PROPERTY = 120;

    private static final int LETTER = 2;

    private final long most;
    private long taken;

    Meter() {
        this.most = Bounds.workBytes();
    }

    /** @throws MapFileException when the file takes more memory than there is for one */
    void take(long bytes) throws MapFileException {
        if (bytes < 0 || bytes > most - taken) {
            throw new MapFileException(
                    "the file holds more than fits into memory: cut out this lake, or save it with less detail");
        }
        taken += bytes;
    }

    void places(long count) throws MapFileException {
        if (count < 0 || count > most / PLACE) {
            take(-1);
        }
        take(count * PLACE);
    }

    void property(String name, String value) throws MapFileException {
        take(PROPERTY + (long) LETTER * (name.length() + value.length()));
    }
}
