package lochan.offline.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lochan.core.event.Position;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/**
 * A practice day as the phone shows it, in words.
 *
 * @param clock  the time now
 * @param open   the stop being fished; null: none
 * @param today  the stops of the day that have ended, the last first
 * @param spots  where a stop may start, the nearest first, else by name
 * @param lures  ids of what the latest stop fished, to be carried on
 * @param sum    what the day has brought so far; empty: nothing yet
 */
public record PracticeScreen(
        String clock, @Nullable Open open, List<Line> today, List<Near> spots, List<String> lures, String sum) {

    private static final double METRES_PER_KILOMETRE = 1000;
    private static final double METRES_PER_MILE = 1609.344;
    private static final double FAR_M = 400;
    private static final double METRES_PER_YARD = 0.9144;

    public PracticeScreen {
        today = List.copyOf(today);
        spots = List.copyOf(spots);
        lures = List.copyOf(lures);
    }

    /**
     * The stop being fished.
     *
     * @param spot          its name
     * @param since         how long, in words
     * @param presentations ids of what is fished
     * @param usual         what the last bite came on, else what is fished first; null: not noted
     * @param follows       those and bycatch, in words
     * @param conditions    in words; empty: not noted
     * @param fields        of its form, as typed
     * @param bites         the last first
     */
    public record Open(
            String id,
            String spot,
            String since,
            List<String> presentations,
            @Nullable String usual,
            String follows,
            String conditions,
            Map<String, String> fields,
            List<BiteLine> bites) {}

    /** @param fields of its form, as typed */
    public record BiteLine(String id, String time, String words, Map<String, String> fields) {}

    /** A stop that has ended: from and to, where, and what it brought. */
    public record Line(String id, String time, String spot, String words, Map<String, String> fields) {}

    /** @param away how far; empty: the phone's position is not known */
    public record Near(String id, String name, String away) {}

    /**
     * The screen at a time.
     *
     * @param boat   where the boat is; null: not known
     */
    public static PracticeScreen of(PracticeLog log, Instant now, @Nullable Position boat, Units units) {
        ZoneId zone = log.zone();
        boolean metric = units.length() == Units.Length.CM;
        LocalDate day = now.atZone(zone).toLocalDate();
        List<PracticeLog.Stop> today = log.stops().stream()
                .filter(s -> s.start().atZone(zone).toLocalDate().equals(day))
                .toList();
        return new PracticeScreen(
                Times.clock(now, zone),
                log.open().map(s -> open(s, log, now, units)).orElse(null),
                today.reversed().stream()
                        .filter(s -> s.end() != null)
                        .map(s -> line(s, log, units))
                        .toList(),
                near(log, boat, metric),
                log.stops().isEmpty() ? List.of() : log.stops().getLast().presentations(),
                sum(today));
    }

    private static Open open(PracticeLog.Stop stop, PracticeLog log, Instant now, Units units) {
        Form form = stop.form(log.zone(), units);
        Duration since = Duration.between(stop.start(), now);
        String usual = stop.bites().isEmpty() ? null : stop.bites().getLast().presentation();
        return new Open(
                stop.id(),
                name(stop, log),
                Times.span(since.isNegative() ? Duration.ZERO : since),
                stop.presentations(),
                usual == null && !stop.presentations().isEmpty()
                        ? stop.presentations().getFirst()
                        : usual,
                String.join(", ", extras(stop)),
                ConditionWords.of(StopForm.conditions(form), units),
                form.all(),
                stop.bites().reversed().stream()
                        .map(b -> new BiteLine(b.id(), Times.clock(b.at(), log.zone()), b.words(), b.fields()))
                        .toList());
    }

    private static String name(PracticeLog.Stop stop, PracticeLog log) {
        return log.names().spots().getOrDefault(stop.spotId(), stop.spotId());
    }

    private static Line line(PracticeLog.Stop stop, PracticeLog log, Units units) {
        List<String> words = new ArrayList<>();
        if (!stop.presentations().isEmpty()) {
            words.add(stop.presentations().stream()
                    .map(p -> log.names().presentations().getOrDefault(p, p))
                    .collect(Collectors.joining(", ")));
        }
        words.add(stop.bites().isEmpty() ? "no bite" : Count.of(stop.bites().size(), "bite"));
        words.addAll(extras(stop));
        return new Line(
                stop.id(),
                Times.clock(stop.start(), log.zone()) + "–" + Times.clock(stop.end(), log.zone()),
                name(stop, log),
                String.join(" · ", words),
                stop.form(log.zone(), units).all());
    }

    private static List<String> extras(PracticeLog.Stop stop) {
        List<String> words = new ArrayList<>();
        if (stop.follows() > 0) {
            words.add(Count.of(stop.follows(), "follow"));
        }
        if (stop.bycatch() > 0) {
            words.add(stop.bycatch() + " bycatch");
        }
        return words;
    }

    private static String sum(List<PracticeLog.Stop> today) {
        int bites = today.stream().mapToInt(s -> s.bites().size()).sum();
        return today.isEmpty() ? "" : Count.of(today.size(), "stop") + ", " + Count.of(bites, "bite");
    }

    private static List<Near> near(PracticeLog log, @Nullable Position boat, boolean metric) {
        Comparator<Map.Entry<String, String>> byName = Map.Entry.comparingByValue();
        Comparator<Map.Entry<String, String>> order = boat == null
                ? byName
                : Comparator.comparingDouble((Map.Entry<String, String> e) -> metres(log, e.getKey(), boat))
                        .thenComparing(byName);
        return log.names().spots().entrySet().stream()
                .sorted(order)
                .map(e -> new Near(e.getKey(), e.getValue(), away(metres(log, e.getKey(), boat), metric)))
                .toList();
    }

    private static double metres(PracticeLog log, String spot, @Nullable Position boat) {
        Position place = log.places().get(spot);
        return boat == null || place == null ? Double.POSITIVE_INFINITY : boat.metresTo(place);
    }

    private static String away(double metres, boolean metric) {
        if (!Double.isFinite(metres)) {
            return "";
        }
        if (metres < FAR_M) {
            return metric ? Math.round(metres) + " m" : Math.round(metres / METRES_PER_YARD) + " yd";
        }
        double far = metres / (metric ? METRES_PER_KILOMETRE : METRES_PER_MILE);
        return Math.round(far * 10) / 10.0 + (metric ? " km" : " mi");
    }
}
