package lochan.core.planning.runs;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Lookup;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;

/** Runs between the numbered places of a day, each found once, when it is first asked for. Several threads may share one. */
public final class RunTable {

    /** Where the day, or what is left of it, begins. */
    public static final int BEGIN = 0;

    public static final int CHECK_IN = 1;
    private static final int UNKNOWN = -1;

    private final DayRuns runs;
    private final Map<String, Integer> spots = new HashMap<>();
    private final List<Position> positions;
    private final List<Shelter> shelters;
    private final int[] shelterPlaces;
    /** By kind of runs, from place to place, ms: each is written whole, so all threads find the same. */
    private final int[][] millis;

    private final long setUp;
    private final long samePlace = Runs.SAME_PLACE.toMillis();

    /** @param from where the day begins */
    public RunTable(EventData event, DayRuns runs, Position from) {
        this.runs = runs;
        this.positions = new ArrayList<>(List.of(from, event.checkInAt()));
        for (Spot s : event.spots()) {
            spots.put(s.id(), positions.size());
            positions.add(s.position());
        }
        this.shelters = Shelter.of(event);
        this.shelterPlaces =
                shelters.stream().mapToInt(s -> place(s.position())).toArray();
        this.millis = new int[runs.kinds().size()][positions.size() * positions.size()];
        for (int[] table : millis) {
            Arrays.fill(table, UNKNOWN);
        }
        this.setUp = runs.calm().setUpTime().toMillis();
    }

    public RunTable(EventData event, DayRuns runs) {
        this(event, runs, event.launch());
    }

    private int place(Position position) {
        int at = positions.indexOf(position);
        if (at < 0) {
            positions.add(position);
            return positions.size() - 1;
        }
        return at;
    }

    /** Number of a spot's place. */
    public int place(String spot) {
        return Lookup.of(spots, spot);
    }

    List<Shelter> shelters() {
        return shelters;
    }

    /** Number of a shelter's place. */
    int shelterPlace(int shelter) {
        return shelterPlaces[shelter];
    }

    /** Whether a place is a shelter. */
    boolean isShelter(int place) {
        Position at = positions.get(place);
        return shelters.stream().anyMatch(s -> s.position().equals(at));
    }

    /**
     * A run.
     *
     * @param leaving epoch ms
     * @return ms under way; {@link DayRuns#NONE} or more: there is none
     */
    public long run(int from, int to, long leaving) {
        return millis(runs.taken(leaving, k -> millis(k, from, to)), from, to);
    }

    /** Returns the time with set-up, where the run leaves the place. */
    public long runAndSetUp(int from, int to, long leaving) {
        long run = run(from, to, leaving);
        return run < samePlace ? 0 : run + setUp;
    }

    private int millis(int kind, int from, int to) {
        int[] table = millis[kind];
        int at = from * positions.size() + to;
        if (table[at] == UNKNOWN) {
            Position a = positions.get(from);
            Position b = positions.get(to);
            table[at] = a.equals(b)
                    ? 0
                    : runs.kinds()
                            .get(kind)
                            .between(a, b)
                            .map(r -> (int) Math.min(DayRuns.NONE, r.time().toMillis()))
                            .orElse(DayRuns.NONE);
        }
        return table[at];
    }
}
