package lochan.offline.practice;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import lochan.core.almanac.Almanac;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.Conditions;
import lochan.core.practice.LureSize;
import lochan.core.practice.Signs;
import lochan.core.practice.TakenOn;
import lochan.core.quantity.Count;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import org.jspecify.annotations.Nullable;

/** Conditions, light and notes as lines people read. */
public final class ConditionWords {

    private static final String BETWEEN = " · ";

    private ConditionWords() {}

    /** Conditions in one line; empty when nothing is known. */
    public static String of(Conditions c, Units units) {
        List<String> words = new ArrayList<>();
        Signs s = c.signs();
        if (c.waterTempC() != null) {
            words.add(units.temperature(c.waterTempC()));
        }
        if (c.visibilityM() != null || s.clarityTrend() != null) {
            words.add("water "
                    + joined(
                            c.visibilityM() == null ? null : "seen " + units.visibility(c.visibilityM()) + " down",
                            s.clarityTrend() == null ? null : s.clarityTrend().code()));
        }
        if (c.windMps() != null || s.windFromDeg() != null || s.surface() != null) {
            words.add(joined(
                    s.windFromDeg() == null ? "wind" : DirectionText.words(s.windFromDeg()),
                    c.windMps() == null ? null : units.speed(c.windMps()),
                    s.surface() == null ? null : s.surface().code()));
        }
        if (c.sky() != null) {
            words.add(c.sky().code());
        }
        if (Boolean.TRUE.equals(s.recentFront())) {
            words.add("after a front");
        }
        if (s.levelTrend() != null) {
            words.add("level " + s.levelTrend().code());
        }
        if (s.current() != null) {
            words.add("current " + s.current().code());
        }
        if (s.baitSeen() != null) {
            words.add(
                    s.baitSeen()
                            ? "bait" + (s.baitDepthM() == null ? "" : " at " + units.depth(s.baitDepthM()))
                            : "no bait");
        }
        if (!s.fish().isEmpty()) {
            words.add(of(s.fish(), units));
        }
        if (c.boatsNear() != null) {
            words.add(Count.of(c.boatsNear(), "boat") + " near");
        }
        return String.join(BETWEEN, words);
    }

    /** Temperature, wind and sky alone; missing values are left out. */
    public static List<String> sky(Conditions c, Units units) {
        List<String> words = new ArrayList<>();
        if (c.waterTempC() != null) {
            words.add(units.temperature(c.waterTempC()));
        }
        if (c.windMps() != null) {
            words.add(joined(
                    c.signs().windFromDeg() == null
                            ? "wind"
                            : DirectionText.words(c.signs().windFromDeg()),
                    units.speed(c.windMps())));
        }
        if (c.sky() != null) {
            words.add(c.sky().code());
        }
        return words;
    }

    private static String joined(@Nullable String... parts) {
        return String.join(
                " ",
                java.util.Arrays.stream(parts)
                        .filter(java.util.Objects::nonNull)
                        .toList());
    }

    /** How a bite came about, in one line; empty when nothing is known. */
    public static String of(BiteNotes n, Units units) {
        List<String> words = new ArrayList<>();
        if (n.retrieve() != null) {
            words.add(n.retrieve());
        }
        if (!n.seen().isEmpty()) {
            words.add(of(n.seen(), units));
        }
        if (n.waterDepthM() != null) {
            words.add("in " + units.depth(n.waterDepthM()));
        }
        if (n.takenOn() != null) {
            words.add(words(n.takenOn()));
        }
        if (n.onRig() != null) {
            words.add("on the " + n.onRig());
        }
        if (n.colour() != null) {
            words.add(n.colour().words() + " colour");
        }
        if (n.size() != null && n.size() != LureSize.USUAL) {
            words.add(n.size().words() + " lure");
        }
        if (n.lossWay() != null) {
            words.add(n.lossWay().words());
        }
        return String.join(BETWEEN, words);
    }

    /** Fish as they were seen, as "many fish off the edge at 22 ft, in a flat layer, bait near"; empty when nothing was noted. */
    public static String of(Sighting s, Units units) {
        if (s.isEmpty()) {
            return "";
        }
        String fish = s.count() == null
                ? "fish"
                : s.count() == FishCount.ONE ? "one fish" : s.count().words() + " fish";
        List<String> words = new ArrayList<>();
        words.add(joined(
                fish,
                s.position() == null ? null : s.position().words(),
                s.depthM() == null ? null : "at " + units.depth(s.depthM())));
        if (s.shape() != null) {
            words.add(
                    s.shape() == FishShape.SCATTERED
                            ? "scattered"
                            : "in a " + s.shape().words());
        }
        if (s.bait() != null) {
            words.add(s.bait() ? "bait near" : "no bait");
        }
        return String.join(", ", words);
    }

    public static String words(TakenOn takenOn) {
        return switch (takenOn) {
            case BOTTOM -> "on bottom";
            case SUSPENDED -> "suspended";
            case FALL -> "on the fall";
            case LIFT -> "on the lift";
            case SWIM -> "while it swam";
        };
    }

    /** Sun and moon of the day of a time, in one line. */
    public static String light(EventData event, Instant time) {
        ZoneId zone = event.timeZone();
        Almanac day = Almanac.of(event.launch(), time.atZone(zone).toLocalDate(), zone);
        List<String> words = new ArrayList<>();
        add(words, "first light ", day.firstLight(), zone);
        add(words, "sunrise ", day.sunrise(), zone);
        add(words, "sunset ", day.sunset(), zone);
        words.add(day.phase().code() + ", " + Math.round(100 * day.moonLit()) + "% lit");
        return String.join(BETWEEN, words);
    }

    private static void add(List<String> words, String what, @Nullable Instant time, ZoneId zone) {
        if (time != null) {
            words.add(what + Times.clock(time, zone));
        }
    }
}
