package lochan.web.practice;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.practice.BiteWords;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/**
 * A day of practice as its page shows it.
 *
 * @param stops its stops; empty for a day that is only named
 */
public record PracticeDay(LocalDate date, String title, String hoursFished, String bites, List<Row> stops) {

    /** As many days are shown in full. */
    private static final int LATEST = 3;

    record Row(
            String code,
            String spot,
            String time,
            String length,
            String presentations,
            Map<Outcome, Long> outcomes,
            String sizes,
            boolean countsForNothing) {}

    /**
     * All days, the latest first; the latest ones and one more in full.
     *
     * @param chosen the one more; null: none
     */
    static List<PracticeDay> of(EventData event, List<PracticeStop> stops, @Nullable LocalDate chosen, Units units) {
        ZoneId zone = event.timeZone();
        TreeMap<LocalDate, List<PracticeStop>> days = new TreeMap<>(java.util.Comparator.reverseOrder());
        stops.forEach(s -> days.computeIfAbsent(s.start().atZone(zone).toLocalDate(), d -> new ArrayList<>())
                .add(s));
        List<LocalDate> full = days.keySet().stream().limit(LATEST).toList();
        return days.entrySet().stream()
                .map(e -> day(
                        e.getKey(),
                        e.getValue(),
                        full.contains(e.getKey()) || e.getKey().equals(chosen),
                        event,
                        zone,
                        units))
                .toList();
    }

    private static PracticeDay day(
            LocalDate date, List<PracticeStop> stops, boolean full, EventData event, ZoneId zone, Units units) {
        Duration fished = stops.stream()
                .filter(s -> s.end() != null)
                .map(s -> Duration.between(s.start(), s.end()))
                .reduce(Duration.ZERO, Duration::plus);
        List<Row> rows = !full
                ? List.of()
                : stops.stream()
                        .sorted(java.util.Comparator.comparing(PracticeStop::start))
                        .map(s -> row(s, event, zone, units))
                        .toList();
        return new PracticeDay(
                date,
                Dates.longDay(date),
                length(fished),
                Count.of(stops.stream().mapToInt(s -> s.bites().size()).sum(), "bite"),
                rows);
    }

    private static Row row(PracticeStop s, EventData event, ZoneId zone, Units units) {
        Map<Outcome, Long> outcomes = s.bites().stream()
                .collect(Collectors.groupingBy(
                        b -> b.outcome(), () -> new EnumMap<>(Outcome.class), Collectors.counting()));
        String sizes = s.bites().stream()
                .filter(b -> b.size() != null)
                .map(b -> BiteWords.of(b.size(), units))
                .collect(Collectors.joining(" · "));
        String presentations = s.presentations().stream()
                .map(p -> event.presentation(p.presentationId()).orElseThrow().name() + minutes(p))
                .collect(Collectors.joining(", "));
        String time = Dates.clock(s.start(), zone) + "–" + Dates.clock(s.end(), zone);
        return new Row(
                s.id(),
                event.spot(s.spotId()).orElseThrow().name(),
                time,
                s.end() == null ? "open" : length(Duration.between(s.start(), s.end())),
                presentations,
                outcomes,
                sizes,
                s.presentations().isEmpty());
    }

    private static String minutes(PresentationTime p) {
        return p.minutes() == null ? "" : " " + Math.round(p.minutes()) + " min";
    }

    public static String length(Duration d) {
        long minutes = d.toMinutes();
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h " + String.format("%02d", minutes % 60);
    }
}
