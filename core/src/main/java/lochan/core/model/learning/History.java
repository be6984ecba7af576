package lochan.core.model.learning;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.Situations;
import lochan.core.model.evidence.Slice;
import lochan.core.notebook.CarriedRate;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/** What all seasons of an angler say: practice of every event, hour by hour. */
public final class History {

    /** Launches nearer than this are of one lake, m. */
    static final double SAME_LAKE_M = 20_000;

    private static final double LEAST_HOURS = 1;

    private final List<Entry> entries;
    private final Assumptions assumptions;

    /**
     * Some time with one presentation.
     *
     * @param lake           the lake, told by the first event on it
     * @param stage          null: temperature unknown
     * @param waterTempC     null: unknown
     * @param hours          angler-hours
     * @param expected       bites that its event as a whole would have brought in these hours
     */
    @RecordBuilder
    public record Entry(
            String event,
            String lake,
            LocalDate date,
            @Nullable SeasonStage stage,
            @Nullable Double waterTempC,
            String presentationId,
            String name,
            String spotType,
            double hours,
            double bites,
            double expected) {}

    /**
     * What a group of entries comes to.
     *
     * @param ratio bites over what their events as a whole would have brought, shrunk towards 1
     */
    public record Line(double hours, double bites, double expected, double ratio, int days) {

        public double perHour() {
            return bites / hours;
        }
    }

    /** A day of practice by its bites. */
    public record Day(LocalDate date, String event, double hours, int bites, int landed) {}

    private History(List<Entry> entries, Assumptions assumptions) {
        this.entries = List.copyOf(entries);
        this.assumptions = assumptions;
    }

    /** Of events in the order of their first day. */
    public static History of(List<EventData> events, Assumptions a) {
        List<Entry> entries = new ArrayList<>();
        Map<String, Position> lakes = new LinkedHashMap<>();
        for (EventData event : events) {
            String lake = lake(event, lakes);
            List<Slice> slices = Slice.of(event, a);
            double perHour = slices.stream().mapToDouble(Slice::bites).sum()
                    / Math.max(
                            1e-9,
                            slices.stream()
                                    .mapToDouble(Slice::effortAnglerHours)
                                    .sum());
            Situations situations = new Situations(event, a);
            for (Slice s : slices) {
                Double temp = s.conditions().waterTempC();
                entries.add(HistoryEntryBuilder.builder()
                        .event(event.name())
                        .lake(lake)
                        .date(s.start().atZone(event.timeZone()).toLocalDate())
                        .stage(situations.stage(temp, s.start()))
                        .waterTempC(temp)
                        .presentationId(s.presentationId())
                        .name(event.presentation(s.presentationId())
                                .orElseThrow()
                                .name())
                        .spotType(event.spot(s.spotId()).orElseThrow().spotType())
                        .hours(s.effortAnglerHours())
                        .bites(s.bites())
                        .expected(perHour * s.effortAnglerHours())
                        .build());
            }
        }
        return new History(entries, a);
    }

    private static String lake(EventData event, Map<String, Position> lakes) {
        Position launch = event.launch();
        return lakes.entrySet().stream()
                .filter(l -> l.getValue().metresTo(launch) < SAME_LAKE_M)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseGet(() -> {
                    lakes.put(event.name(), launch);
                    return event.name();
                });
    }

    public List<Entry> entries() {
        return entries;
    }

    /** A part of it. */
    public History only(java.util.function.Predicate<Entry> which) {
        return new History(entries.stream().filter(which).toList(), assumptions);
    }

    /** Entries put together by something of them, most bites for their hours first; those of which it is unknown are left out. */
    public <K> Map<K, Line> by(Function<Entry, K> key) {
        Map<K, List<Entry>> groups = new LinkedHashMap<>();
        for (Entry e : entries) {
            K of = key.apply(e);
            if (of != null) {
                groups.computeIfAbsent(of, k -> new ArrayList<>()).add(e);
            }
        }
        Map<K, Line> lines = new LinkedHashMap<>();
        groups.entrySet().stream()
                .map(g -> Map.entry(g.getKey(), line(g.getValue())))
                .sorted(Comparator.comparingDouble(
                        (Map.Entry<K, Line> l) -> -l.getValue().ratio()))
                .forEach(l -> lines.put(l.getKey(), l.getValue()));
        return lines;
    }

    /** ratio = (5 + Σ bites) / (5 + Σ expected): few bites leave it near 1. */
    private Line line(List<Entry> group) {
        double bites = group.stream().mapToDouble(Entry::bites).sum();
        double expected = group.stream().mapToDouble(Entry::expected).sum();
        double prior = assumptions.notebook().historyBites();
        return new Line(
                group.stream().mapToDouble(Entry::hours).sum(),
                bites,
                expected,
                (prior + bites) / (prior + expected),
                (int) group.stream().map(Entry::date).distinct().count());
    }

    /** Returns what similar events say about each presentation, weighted, to be carried into this one. */
    public static List<CarriedRate> carried(List<LikeEvent> like, Assumptions a) {
        List<Entry> entries = new ArrayList<>();
        for (LikeEvent l : like) {
            if (l.counts()) {
                of(List.of(l.event()), a).entries.stream()
                        .map(e -> HistoryEntryBuilder.builder(e)
                                .hours(e.hours() * l.weight())
                                .bites(e.bites() * l.weight())
                                .expected(e.expected() * l.weight())
                                .build())
                        .forEach(entries::add);
            }
        }
        return new History(entries, a).rates();
    }

    /** Returns what this event says about each presentation. */
    public List<CarriedRate> rates() {
        return by(Entry::presentationId).entrySet().stream()
                .map(e -> new CarriedRate(
                        e.getKey(), e.getValue().ratio(), e.getValue().hours(), (int)
                                Math.round(e.getValue().bites())))
                .toList();
    }

    /** The days with most bites an hour among those fished a angler-hour or more, best first. */
    public static List<Day> bestDays(List<EventData> events, int most) {
        List<Day> days = new ArrayList<>();
        for (EventData event : events) {
            Map<LocalDate, List<PracticeStop>> byDate = new LinkedHashMap<>();
            event.stops().stream().filter(s -> s.end() != null).forEach(s -> byDate.computeIfAbsent(
                            s.start().atZone(event.timeZone()).toLocalDate(), d -> new ArrayList<>())
                    .add(s));
            byDate.forEach((date, stops) -> {
                List<Bite> bites =
                        stops.stream().flatMap(s -> s.bites().stream()).toList();
                double hours = stops.stream()
                        .mapToDouble(s -> s.anglers() * s.fishedMinutes() / 60)
                        .sum();
                if (hours >= LEAST_HOURS) {
                    days.add(new Day(date, event.name(), hours, bites.size(), (int) bites.stream()
                            .filter(b -> b.outcome() == Outcome.LANDED)
                            .count()));
                }
            });
        }
        return days.stream()
                .sorted(Comparator.comparingDouble((Day d) -> -d.bites() / d.hours()))
                .limit(most)
                .toList();
    }
}
