package lochan.core.model.ranking;

import java.time.Duration;
import java.util.Map;
import java.util.TreeMap;
import lochan.core.eventdata.EventData;
import lochan.core.practice.PracticeStop;

/** Spots that were fished and gave nothing: knowing them is what an hour without a bite is worth. */
public final class EliminatedWater {

    /** Less fishing says nothing, minutes of a line in the water. */
    private static final double LEAST_MINUTES = 30;

    private EliminatedWater() {}

    /** How long those were fished, by spot. */
    public static Map<String, Duration> of(EventData event) {
        Map<String, Double> minutes = new TreeMap<>();
        for (PracticeStop stop : event.stops()) {
            if (stop.end() != null) {
                minutes.merge(stop.spotId(), stop.fishedMinutes(), Double::sum);
            }
        }
        event.stops().stream().filter(s -> !s.bites().isEmpty()).forEach(s -> minutes.remove(s.spotId()));
        minutes.values().removeIf(m -> m < LEAST_MINUTES);
        Map<String, Duration> gone = new TreeMap<>();
        minutes.forEach((spot, m) -> gone.put(spot, Duration.ofMinutes(Math.round(m))));
        return gone;
    }
}
