package lochan.core.practice.track;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import lochan.core.event.BoatRun;
import lochan.core.practice.Bite;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;

/**
 * Brings practice that was logged by hand together with what a track shows: a logged stop takes over the times of the track's stop that it
 * shares most time with, and bites go by their times to the stop of the track that holds them. Bites without a time, and those no stop
 * of the track holds, stay with the stop they were logged at, whose times then reach as far as they need. Nothing logged is lost.
 */
public final class TrackPlacing {

    private TrackPlacing() {}

    /**
     * The logged stop that each stop of a track corrects: the one it shares most time with, half of the shorter of both at least; a logged stop
     * corrects one stop of the track only.
     *
     * @return by position of the track's stop
     */
    public static Map<Integer, PracticeStop> matches(List<Track.Stop> track, List<PracticeStop> logged) {
        record Pair(int stop, PracticeStop logged, Duration shared) {}
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < track.size(); i++) {
            for (PracticeStop l : logged) {
                Duration shared = shared(track.get(i), l);
                if (l.end() != null
                        && shared.multipliedBy(2).compareTo(shorter(track.get(i), l)) >= 0
                        && shared.isPositive()) {
                    pairs.add(new Pair(i, l, shared));
                }
            }
        }
        pairs.sort(Comparator.comparing(Pair::shared).reversed());
        Map<Integer, PracticeStop> matches = new HashMap<>();
        Set<String> taken = new HashSet<>();
        for (Pair p : pairs) {
            if (!matches.containsKey(p.stop()) && taken.add(p.logged().id())) {
                matches.put(p.stop(), p.logged());
            }
        }
        return matches;
    }

    private static Duration shared(Track.Stop track, PracticeStop logged) {
        Instant to = logged.end() == null || track.end().isBefore(logged.end()) ? track.end() : logged.end();
        Instant from = logged.start().isAfter(track.start()) ? logged.start() : track.start();
        return Duration.between(from, to);
    }

    private static Duration shorter(Track.Stop track, PracticeStop logged) {
        Duration length = Duration.between(logged.start(), logged.end());
        return length.compareTo(track.length()) < 0 ? length : track.length();
    }

    /** A stop without the minutes that the boat ran in it; at least those that the angler took off already. */
    public static PracticeStop withoutRuns(PracticeStop stop, List<BoatRun> runs) {
        if (stop.end() == null) {
            return stop;
        }
        double minutes = 0;
        for (BoatRun r : runs) {
            Instant from = r.start().isBefore(stop.start()) ? stop.start() : r.start();
            Instant to = r.end().isAfter(stop.end()) ? stop.end() : r.end();
            minutes += to.isAfter(from) ? Duration.between(from, to).toMillis() / 60_000.0 : 0;
        }
        return minutes > stop.idleMinutes()
                ? PracticeStopBuilder.builder(stop).idleMinutes(minutes).build()
                : stop;
    }

    /**
     * What taking stops of a track makes of practice.
     *
     * @param stops new or changed ones, with their bites
     * @param moved bites that went from one stop to another
     */
    public record Result(List<PracticeStop> stops, List<BiteMove> moved) {

        public Result {
            stops = List.copyOf(stops);
            moved = List.copyOf(moved);
        }
    }

    /**
     * @param from  the stop it was logged at
     * @param index of the bite there
     * @param to    the stop it belongs to by its time
     */
    public record BiteMove(String from, int index, String to) {}

    /**
     * @param logged all practice of the event
     * @param taken  stops as the track has them, each under the id of the logged stop it corrects, or under a new one
     */
    public static Result place(List<PracticeStop> logged, List<PracticeStop> taken) {
        Map<String, PracticeStop> before = new HashMap<>();
        logged.forEach(l -> before.put(l.id(), l));
        Map<String, List<Bite>> bites = new HashMap<>();
        List<BiteMove> moved = new ArrayList<>();
        for (PracticeStop l : logged) {
            for (int i = 0; i < l.bites().size(); i++) {
                Bite bite = l.bites().get(i);
                String to = taken.stream()
                        .filter(t -> holds(t, bite))
                        .findFirst()
                        .map(PracticeStop::id)
                        .orElse(l.id());
                boolean moves = !to.equals(l.id());
                bites.computeIfAbsent(to, k -> new ArrayList<>()).add(moves ? bite.on(l.presentationOf(bite)) : bite);
                if (moves) {
                    moved.add(new BiteMove(l.id(), i, to));
                }
            }
        }
        List<PracticeStop> changed = new ArrayList<>();
        for (PracticeStop t : taken) {
            PracticeStop base = before.get(t.id());
            changed.add(reaching((base == null ? t : base.withTimes(t.start(), t.end()))
                    .withBites(bites.getOrDefault(t.id(), List.of()))));
        }
        for (PracticeStop l : logged) {
            boolean robbed = moved.stream().anyMatch(m -> m.from().equals(l.id()));
            if (robbed && changed.stream().noneMatch(c -> c.id().equals(l.id()))) {
                changed.add(l.withBites(bites.getOrDefault(l.id(), List.of())));
            }
        }
        return new Result(changed, moved);
    }

    private static boolean holds(PracticeStop stop, Bite bite) {
        return bite.at() != null
                && !bite.at().isBefore(stop.start())
                && bite.at().isBefore(stop.end());
    }

    /** A stop widened as far as its bites need; what they bit on was fished there. */
    private static PracticeStop reaching(PracticeStop stop) {
        List<PresentationTime> fished = new ArrayList<>(stop.presentations());
        stop.bites().stream()
                .map(Bite::presentationId)
                .filter(java.util.Objects::nonNull)
                .distinct()
                .filter(id -> fished.stream().noneMatch(f -> f.presentationId().equals(id)))
                .forEach(id -> fished.add(new PresentationTime(id, null)));
        List<Instant> bites = stop.bites().stream()
                .map(Bite::at)
                .filter(java.util.Objects::nonNull)
                .sorted()
                .toList();
        Instant from = bites.isEmpty() || stop.start().isBefore(bites.getFirst()) ? stop.start() : bites.getFirst();
        Instant end = Objects.requireNonNull(stop.end(), "a stop being fished cannot be placed");
        Instant to = bites.isEmpty() || end.isAfter(bites.getLast())
                ? end
                : bites.getLast().plusSeconds(1);
        return stop.withTimes(from, to).withPresentations(fished);
    }
}
