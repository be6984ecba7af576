package lochan.mapfiles;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Bounds;

/** Readings as they are read: where there are more than fit, every second, fourth … of them all over the file. */
final class Readings {

    /** A reading, and what is made of it when soundings become depths. */
    private static final int BYTES_EACH = 320;

    private static final int MOST = 1_000_000;

    private final int most = Bounds.most(BYTES_EACH, MOST);
    private final List<MapFile.Reading> kept = new ArrayList<>();
    private int every = 1;
    private long seen;

    void add(MapFile.Reading reading) {
        if (seen++ % every != 0) {
            return;
        }
        kept.add(reading);
        if (kept.size() < most) {
            return;
        }
        every *= 2;
        List<MapFile.Reading> half = new ArrayList<>(most);
        for (int i = 0; i < kept.size(); i += 2) {
            half.add(kept.get(i));
        }
        kept.clear();
        kept.addAll(half);
        seen = (long) every * kept.size();
    }

    boolean isEmpty() {
        return kept.isEmpty();
    }

    /** How many there were in the file. */
    long seen() {
        return seen;
    }

    List<MapFile.Reading> kept() {
        return kept;
    }

    /** Returns a note about them. */
    String thinned() {
        return every == 1 ? "" : ", every " + every + "th reading";
    }
}
