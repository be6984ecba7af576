package lochan.instruments.standin;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;

/** A boat that fishes the first plan of a competition day, as its instruments tell it: sentences of NMEA 0183 for each second. */
public final class DrivenDay {

    private static final double KNOTS_PER_MPS = 3600 / 1852.0;
    private static final double FEET_PER_M = 1 / 0.3048;
    private static final double MINUTES = 60;
    private static final double USUAL_WATER_C = 20;
    private static final double LEAST_DEPTH_M = 1.2;
    private static final double DEPTH_PER_M = 0.03;
    private static final double MOST_DEPTH_M = 14;
    private static final double LOOK_M = 25;

    private final EventData event;
    private final List<Leg> legs = new ArrayList<>();

    /** Under way from a place to another, or staying where both are one. */
    private record Leg(Instant from, Instant to, Position start, Position end) {}

    /** @throws IllegalArgumentException when the event has no plan for the day */
    public DrivenDay(EventData event, int day) {
        this.event = event;
        Assumptions.Planning planning = Assumptions.DEFAULTS.planning();
        if (event.planOf(day).isEmpty()) {
            throw new IllegalArgumentException("the event has no plan for day " + day);
        }
        DayRuns runs = DayRuns.of(event, planning);
        Instant now = event.day(day).start();
        for (PlanCheck.Leg leg : PlanCheck.legs(event, new Plan(day, null, event.planOf(day)), planning, runs)) {
            for (PlanCheck.Passage run : leg.runs()) {
                stay(now, run.leaving(), run.start());
                now = drive(run, runs);
            }
        }
    }

    private void stay(Instant from, Instant to, Position at) {
        if (to.isAfter(from)) {
            legs.add(new Leg(from, to, at, at));
        }
    }

    private Instant drive(PlanCheck.Passage run, DayRuns runs) {
        List<Position> way = runs.route(run.start(), run.end(), run.leaving()).orElse(List.of(run.start(), run.end()));
        Duration time = runs.between(run.start(), run.end(), run.leaving())
                .map(r -> r.time())
                .orElse(Duration.ofMinutes(1));
        double metres = 0;
        for (int i = 1; i < way.size(); i++) {
            metres += way.get(i - 1).metresTo(way.get(i));
        }
        Instant now = run.leaving();
        for (int i = 1; i < way.size() && metres > 0; i++) {
            double share = way.get(i - 1).metresTo(way.get(i)) / metres;
            Instant then = now.plusMillis((long) (time.toMillis() * share));
            legs.add(new Leg(now, then, way.get(i - 1), way.get(i)));
            now = then;
        }
        return now;
    }

    public Instant start() {
        return legs.getFirst().from;
    }

    public Instant end() {
        return legs.getLast().to;
    }

    /** Where the boat is; at check-in once the day is over. */
    public Position position(Instant time) {
        Leg leg = leg(time);
        long length = Duration.between(leg.from, leg.to).toMillis();
        double share =
                length == 0 ? 1 : Math.clamp(Duration.between(leg.from, time).toMillis() / (double) length, 0, 1);
        return new Position(
                leg.start.lat() + share * (leg.end.lat() - leg.start.lat()),
                leg.start.lon() + share * (leg.end.lon() - leg.start.lon()));
    }

    private Leg leg(Instant time) {
        return legs.stream().filter(l -> l.to.isAfter(time)).findFirst().orElse(legs.getLast());
    }

    /** The sentences of a second: position and speed, depth, temperature, wind. */
    public List<String> sentences(Instant time) {
        Position at = position(time);
        Leg leg = leg(time);
        double seconds = Math.max(1, Duration.between(leg.from, leg.to).toMillis() / 1000.0);
        double knots = leg.start.metresTo(leg.end) / seconds * KNOTS_PER_MPS;
        double north = leg.end.lat() - leg.start.lat();
        double east = (leg.end.lon() - leg.start.lon()) * Math.cos(Math.toRadians(at.lat()));
        double course = (Math.toDegrees(Math.atan2(east, north)) + 360) % 360;
        ZonedDateTime utc = time.atZone(ZoneOffset.UTC);
        String clock = text("%02d%02d%02d.00", utc.getHour(), utc.getMinute(), utc.getSecond());
        String place = angle(at.lat(), 2, "N", "S") + "," + angle(at.lon(), 3, "E", "W");
        double depth = depth(at);
        ForecastPeriod weather =
                event.forecast().stream().filter(f -> f.holds(time)).findFirst().orElse(null);
        List<String> lines = new ArrayList<>();
        lines.add(text(
                "GPRMC,%s,A,%s,%.1f,%.1f,%02d%02d%02d,,,A",
                clock, place, knots, course, utc.getDayOfMonth(), utc.getMonthValue(), utc.getYear() % 100));
        lines.add(text("GPGGA,%s,%s,1,09,0.9,300.0,M,-20.0,M,,", clock, place));
        lines.add(text("GPVTG,%.1f,T,,M,%.1f,N,%.1f,K,A", course, knots, knots * 1.852));
        lines.add(text("SDDPT,%.1f,0.3", depth - 0.3));
        lines.add(text("SDDBT,%.1f,f,%.1f,M,%.1f,F", depth * FEET_PER_M, depth, depth * FEET_PER_M / 6));
        lines.add(text(
                "YXMTW,%.1f,C",
                weather != null && weather.waterTempC() != null ? weather.waterTempC() : USUAL_WATER_C));
        if (weather != null && weather.windMps() != null && weather.windFromDeg() != null) {
            lines.add(text(
                    "WIMWD,%.1f,T,%.1f,M,%.1f,N,%.1f,M",
                    weather.windFromDeg(),
                    weather.windFromDeg(),
                    weather.windMps() * KNOTS_PER_MPS,
                    weather.windMps()));
        }
        return lines.stream().map(DrivenDay::summed).toList();
    }

    /** Deeper the farther from land: the shape of the bottom is not in an event's file. */
    private double depth(Position at) {
        if (event.lake() == null) {
            return MOST_DEPTH_M / 2;
        }
        double metres = 0;
        for (double away = LOOK_M; away < MOST_DEPTH_M / DEPTH_PER_M; away += LOOK_M) {
            for (int k = 0; k < 8; k++) {
                Position there = new Position(
                        at.lat() + away * Math.cos(k * Math.PI / 4) / Position.METRES_PER_DEGREE,
                        at.lon() + away * Math.sin(k * Math.PI / 4) / Position.metresPerDegreeEast(at.lat()));
                if (!event.lake().holds(there)) {
                    return Math.clamp(LEAST_DEPTH_M + DEPTH_PER_M * metres, LEAST_DEPTH_M, MOST_DEPTH_M);
                }
            }
            metres = away;
        }
        return MOST_DEPTH_M;
    }

    private static String angle(double degrees, int digits, String positive, String negative) {
        double size = Math.abs(degrees);
        int whole = (int) size;
        return text("%0" + digits + "d%07.4f,%s", whole, (size - whole) * MINUTES, degrees < 0 ? negative : positive);
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    /** With its beginning and its sum. */
    static String summed(String body) {
        int sum = 0;
        for (int i = 0; i < body.length(); i++) {
            sum ^= body.charAt(i);
        }
        return text("$%s*%02X", body, sum);
    }
}
