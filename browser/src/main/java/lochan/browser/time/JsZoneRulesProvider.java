package lochan.browser.time;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.zone.ZoneOffsetTransition;
import java.time.zone.ZoneRules;
import java.time.zone.ZoneRulesException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** {@link java.time.zone.ZoneRulesProvider} of the zones that the browser knows: when their clocks are set, in the years around now. */
public final class JsZoneRulesProvider {

    private static final Map<String, ZoneRules> KNOWN = new HashMap<>();

    /** Clocks are set at whole quarters of an hour. */
    private static final int QUARTER_SECONDS = 15 * 60;

    private static final int DAY_QUARTERS = 24 * 4;
    private static final int YEAR_QUARTERS = 366 * DAY_QUARTERS;
    private static final int YEARS_BACK = 6;
    private static final int YEARS_AHEAD = 3;
    /** Shorter than any time between two changes of a clock. */
    private static final int STEP_QUARTERS = 20 * DAY_QUARTERS;

    private JsZoneRulesProvider() {}

    /** The browser's clock of a zone, as a format of dates; null: it knows no such zone. */
    @JSBody(
            params = {"zone"},
            script =
                    "try { return new Intl.DateTimeFormat('en-US', { timeZone: zone, hourCycle: 'h23', year: 'numeric',"
                            + " month: 'numeric', day: 'numeric', hour: 'numeric', minute: 'numeric', second: 'numeric' }); }"
                            + " catch (unknown) { return null; }")
    private static native JSObject clock(String zone);

    @JSBody(
            params = {"clock", "quarters"},
            script = "var p = clock.format(new Date(quarters * 900000)).match(/\\d+/g);"
                    + " return Date.UTC(p[2], p[0] - 1, p[1], p[3], p[4], p[5]) / 1000 - quarters * 900;")
    private static native int offsetSeconds(JSObject clock, int quarters);

    /** @throws ZoneRulesException where the browser does not know the zone */
    public static ZoneRules getRules(String zone, boolean forCaching) {
        return KNOWN.computeIfAbsent(zone, JsZoneRulesProvider::rules);
    }

    private static ZoneRules rules(String zone) {
        JSObject clock = clock(zone);
        if (clock == null) {
            throw new ZoneRulesException("unknown time zone " + zone);
        }
        int now = (int) (System.currentTimeMillis() / 1000 / QUARTER_SECONDS);
        int from = now - YEARS_BACK * YEAR_QUARTERS;
        int first = offsetSeconds(clock, from);
        List<ZoneOffsetTransition> changes = new ArrayList<>();
        int before = first;
        for (int at = from; at < now + YEARS_AHEAD * YEAR_QUARTERS; at += STEP_QUARTERS) {
            int after = offsetSeconds(clock, at + STEP_QUARTERS);
            if (after != before) {
                changes.add(change(clock, at, at + STEP_QUARTERS, before, after));
                before = after;
            }
        }
        ZoneOffset standing = ZoneOffset.ofTotalSeconds(first);
        return ZoneRules.of(standing, standing, List.of(), changes, List.of());
    }

    /** The change of a clock between two times. */
    private static ZoneOffsetTransition change(JSObject clock, int from, int to, int before, int after) {
        int early = from;
        int late = to;
        while (late - early > 1) {
            int middle = early + (late - early) / 2;
            if (offsetSeconds(clock, middle) == before) {
                early = middle;
            } else {
                late = middle;
            }
        }
        ZoneOffset was = ZoneOffset.ofTotalSeconds(before);
        return ZoneOffsetTransition.of(
                LocalDateTime.ofEpochSecond((long) QUARTER_SECONDS * late, 0, was),
                was,
                ZoneOffset.ofTotalSeconds(after));
    }
}
