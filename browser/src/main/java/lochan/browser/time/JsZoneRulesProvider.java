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

/** {@link java.time.zone.ZoneRulesProvider} of the zones that the browser knows: when their clocks are set, of the years that events are in. */
public final class JsZoneRulesProvider {

    private static final Map<String, ZoneRules> KNOWN = new HashMap<>();

    private static final int DAY_MINUTES = 24 * 60;
    private static final int YEAR_MINUTES = 366 * DAY_MINUTES;
    /** So many years before now, and as many after. */
    private static final int YEARS = 10;
    /** Shorter than any time between two changes of a clock in those years. */
    private static final int STEP_MINUTES = 20 * DAY_MINUTES;

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
            params = {"clock", "minutes"},
            script =
                    "var p = {}; clock.formatToParts(new Date(minutes * 60000)).forEach(function(one) { p[one.type] = +one.value; });"
                            + " return Date.UTC(p.year, p.month - 1, p.day, p.hour, p.minute, p.second) / 1000 - minutes * 60;")
    private static native int offsetSeconds(JSObject clock, int minutes);

    /** @throws ZoneRulesException where the browser does not know the zone */
    public static ZoneRules getRules(String zone, boolean forCaching) {
        return KNOWN.computeIfAbsent(zone, JsZoneRulesProvider::rules);
    }

    private static ZoneRules rules(String zone) {
        JSObject clock = clock(zone);
        if (clock == null) {
            throw new ZoneRulesException("unknown time zone " + zone);
        }
        int now = (int) (System.currentTimeMillis() / 60_000);
        int from = now - YEARS * YEAR_MINUTES;
        int first = offsetSeconds(clock, from);
        List<ZoneOffsetTransition> changes = new ArrayList<>();
        int before = first;
        for (int at = from; at < now + YEARS * YEAR_MINUTES; at += STEP_MINUTES) {
            int after = offsetSeconds(clock, at + STEP_MINUTES);
            if (after != before) {
                changes.add(change(clock, at, at + STEP_MINUTES, before, after));
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
                LocalDateTime.ofEpochSecond(60L * late, 0, was), was, ZoneOffset.ofTotalSeconds(after));
    }
}
