package lochan.web.rules;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.practice.track.RunSpeeds;
import lochan.core.quantity.Units;

/**
 * How fast the boat ran by its tracks, as pages show it.
 *
 * @param runMps   calm speed learned, m/s; that of the rules where no track tells
 * @param roughMps rough-water speed; never above the calm one
 * @param words    both in words
 * @param news     whether they differ from the rules's by more than can be seen
 */
public record BoatSpeeds(List<Row> rows, double runMps, double roughMps, String words, boolean news) {

    private static final double SEEN_MPS = 0.3;

    /** A class of wind. */
    public record Row(String wind, String speed, int runs, String way) {}

    public static BoatSpeeds of(List<BoatRun> runs, Boat boat, Units units) {
        RunSpeeds speeds = RunSpeeds.of(runs, Assumptions.DEFAULTS.planning().roughWindMps());
        double run = speeds.calmMps() == null ? boat.runMps() : speeds.calmMps();
        double rough = Math.min(run, speeds.roughMps() == null ? boat.roughMps() : speeds.roughMps());
        String words = units.speed(run) + " on calm water" + (speeds.calmMps() == null ? " as your rules say" : "")
                + ", " + units.speed(rough) + " on rough"
                + (speeds.roughMps() == null ? " as your rules say: no run in such wind yet" : "");
        return new BoatSpeeds(
                speeds.classes().stream()
                        .map(c -> new Row(wind(c, units), units.speed(c.mps()), c.runs(), units.distance(c.metres())))
                        .toList(),
                run,
                rough,
                words,
                Math.abs(run - boat.runMps()) > SEEN_MPS || Math.abs(rough - boat.roughMps()) > SEEN_MPS);
    }

    private static String wind(RunSpeeds.WindClass c, Units units) {
        if (c.toMps() == null) {
            return units.speed(c.fromMps()) + " and more";
        }
        if (c.fromMps() == 0) {
            return "under " + units.speed(c.toMps());
        }
        return units.speed(c.fromMps()) + " to " + units.speed(c.toMps());
    }
}
