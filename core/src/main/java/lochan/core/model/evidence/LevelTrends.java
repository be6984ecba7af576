package lochan.core.model.evidence;

import java.time.Instant;
import lochan.core.eventdata.EventData;
import lochan.core.practice.LevelTrend;
import org.jspecify.annotations.Nullable;

/** Finds which way the water level goes, where it was not noted, from the lake's levels. */
final class LevelTrends {

    /** Less a day is steady, m: gauges are read to about an inch. */
    private static final double STEADY_M_PER_DAY = 0.03;

    private LevelTrends() {}

    /** @param noted what was seen on the water, which counts before any reading; null: nothing was */
    static @Nullable LevelTrend of(@Nullable LevelTrend noted, EventData event, Instant time) {
        if (noted != null || event.lake() == null) {
            return noted;
        }
        Double rise = event.lake().levels().risePerDayM(event.dateAt(time));
        if (rise == null) {
            return null;
        }
        if (Math.abs(rise) < STEADY_M_PER_DAY) {
            return LevelTrend.STEADY;
        }
        return rise > 0 ? LevelTrend.RISING : LevelTrend.FALLING;
    }
}
