package lochan.core.planning.runs;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import org.jspecify.annotations.Nullable;

/**
 * How the boat gets from one place of a day to the next: straight on, or over a shelter where it waits for the end of lightning hours. It runs, sets up and
 * fishes outside of them alone; who is caught out by them makes for the nearest shelter. Times are epoch ms.
 */
public final class Passages {

    /** When something cannot be. */
    public static final long NEVER = Long.MAX_VALUE / 4;

    private final RunTable table;
    private final long origin;
    private final long grid;
    private final long[][] lightning;

    /**
     * A wait at a shelter.
     *
     * @param arrive when the boat gets there; it stays until {@code until}
     */
    public record Wait(Shelter at, Instant arrive, Instant until) {}

    /**
     * @param origin     from where the grid is counted
     * @param gridMillis stays begin on it; 1: at any time
     */
    public Passages(EventData event, Assumptions.Planning planning, RunTable table, Instant origin, long gridMillis) {
        this.table = table;
        this.origin = origin.toEpochMilli();
        this.grid = gridMillis;
        this.lightning = LightningHours.of(event.forecast(), planning).spans().stream()
                .map(s -> new long[] {s.from().toEpochMilli(), s.to().toEpochMilli()})
                .toArray(long[][]::new);
    }

    /** The grid of plans, counted from where the day begins. */
    public static Passages onGrid(EventData event, Assumptions.Planning planning, RunTable table, Instant origin) {
        return new Passages(
                event,
                planning,
                table,
                origin,
                Duration.ofMinutes(planning.gridMinutes()).toMillis());
    }

    /**
     * When a stay at a spot begins.
     *
     * @param notBefore a boat that is there earlier waits on the water, or ashore where lightning comes between
     * @param stay      how long, ms
     * @param waits     to which waits are added; null: nobody asks
     * @return {@link #NEVER} where no way is open, or none leads ashore in time
     */
    public long begin(int from, long leaving, int to, long notBefore, long stay, @Nullable List<Wait> waits) {
        return passed(from, leaving, to, true, notBefore, stay, waits);
    }

    /** When the boat is at check-in, where it is ashore. */
    public long home(int from, long leaving, @Nullable List<Wait> waits) {
        return passed(from, leaving, RunTable.CHECK_IN, false, leaving, 0, waits);
    }

    private long passed(
            int from, long leaving, int to, boolean fishing, long notBefore, long stay, @Nullable List<Wait> waits) {
        int here = from;
        long time = leaving;
        for (int waited = 0; waited <= lightning.length; waited++) {
            long run = fishing ? table.runAndSetUp(here, to, time) : table.run(here, to, time);
            if (run >= DayRuns.NONE) {
                return NEVER;
            }
            long ready = fishing ? Math.max(onGrid(time + run), notBefore) : time + run;
            long[] storm = first(time, ready + stay);
            if (storm == null) {
                return ready;
            }
            int shelter = shelter(here, time, to, storm);
            if (shelter < 0) {
                return NEVER;
            }
            int place = table.shelterPlace(shelter);
            long ashore = time + table.run(here, place, time);
            if (!fishing && table.run(place, to, ashore) == 0) {
                return ashore;
            }
            if (waits != null) {
                waits.add(new Wait(
                        table.shelters().get(shelter), Instant.ofEpochMilli(ashore), Instant.ofEpochMilli(storm[1])));
            }
            here = place;
            time = storm[1];
        }
        return NEVER;
    }

    private long onGrid(long time) {
        return origin + Math.ceilDiv(time - origin, grid) * grid;
    }

    private long @Nullable [] first(long from, long to) {
        for (long[] span : lightning) {
            if (span[0] < to && span[1] > from) {
                return span;
            }
        }
        return null;
    }

    /** The shelter to wait at: of those that are reached before the lightning the one from which the boat is soonest there; −1: none is. */
    private int shelter(int here, long time, int to, long[] storm) {
        int best = -1;
        long soonest = NEVER;
        long nearest = NEVER;
        boolean caught = time > storm[0];
        for (int s = 0; s < table.shelters().size(); s++) {
            int place = table.shelterPlace(s);
            long run = table.run(here, place, time);
            if (run < DayRuns.NONE && (caught || time + run <= storm[0])) {
                long onwards = caught ? 0 : table.run(place, to, storm[1]);
                if (onwards < soonest || (onwards == soonest && run < nearest)) {
                    best = s;
                    soonest = onwards;
                    nearest = run;
                }
            }
        }
        return best;
    }
}
