package lochan.web.clock;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;

/** The moments the demo's clock can be set to. */
public enum DemoMoments {
    LAST_PRACTICE_EVENING("Last practice evening", "2027-06-04T20:15"),
    DAY_1_MORNING("Day 1, 09:40", "2027-06-05T09:40"),
    AFTER_WEIGH_IN("After the weigh-in", "2027-06-06T17:30");

    /** The zone of the demo's lake. */
    public static final ZoneId ZONE = ZoneId.of("America/Boise");

    private final String label;
    private final LocalDateTime local;

    DemoMoments(String label, String local) {
        this.label = label;
        this.local = LocalDateTime.parse(local);
    }

    public String label() {
        return label;
    }

    public Instant instant() {
        return local.atZone(ZONE).toInstant();
    }
}
