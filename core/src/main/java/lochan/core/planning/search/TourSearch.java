package lochan.core.planning.search;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import lochan.core.Randoms;
import org.apache.commons.rng.UniformRandomProvider;
import org.jspecify.annotations.Nullable;

/**
 * Greedy insertion from several starts, then ruin and recreate (Schrimpf et al. 2000) with a local search after each that
 * comes near the best. A round's outcome depends on the seed and the rounds before it only: the same seed gives the same tour, and more rounds never a worse one.
 */
public final class TourSearch {

    private static final int STARTS = 3;
    /** A tour that much below the best, as a share of it, is still gone on from; falls to nothing and begins again. */
    private static final double TOLERANCE = 0.03;

    private static final int COOLING_ROUNDS = 150;
    /** Items looked at for each insertion. */
    private static final int DRAWN = 10;
    /** Chance to overlook an insertion, so that rounds differ. */
    private static final double BLINK = 0.1;
    /** Visits that a stay is taken from by turns, when not all are tried. */
    private static final int PAIRS = 3;

    private static final int PASSES = 4;
    private static final int MOST_SEEN = 50_000;
    private static final double SAME = 1e-9;
    private static final int[] SHIFTS = {6, 3, 1};

    private final Tours tours;
    private final UniformRandomProvider random;
    private final List<Visit> given;
    private final double[] promises;
    private final Map<List<Visit>, Result> seen = new HashMap<>();
    private Result bestYet;
    private Result current;
    private int done;

    /** A tour with its worth and what is left of the budget. */
    public record Result(List<Visit> tour, double value, double slack) {

        public Result {
            tour = List.copyOf(tour);
        }

        boolean isBetterThan(Result other) {
            double least = SAME * Math.max(1, Math.abs(other.value));
            return value > other.value + least || (value > other.value - least && slack > other.slack + SAME);
        }
    }

    /**
     * @param given the visits every tour begins from, fixed ones and others
     * @throws IllegalArgumentException when those break the budget
     */
    public TourSearch(Tours tours, List<Visit> given, long seed) {
        this.tours = tours;
        this.given = List.copyOf(given);
        this.random = Randoms.quick(seed);
        this.promises = new double[tours.items()];
        for (int i = 0; i < promises.length; i++) {
            promises[i] = tours.promise(i);
        }
        Result first = found(this.given);
        if (first.slack() < 0) {
            throw new IllegalArgumentException("the visits given do not fit into the budget");
        }
        this.bestYet = first;
        this.current = first;
    }

    /** The best tour that small changes of one lead to. */
    public static Result polished(Tours tours, List<Visit> tour, long seed) {
        TourSearch search = new TourSearch(tours, tour, seed);
        return search.improved(search.current, true);
    }

    /** Goes on for some rounds, as long as it is told to before each by its number from 0. */
    public TourSearch rounds(int count, IntPredicate goOn) {
        for (int i = 0; i < count && goOn.test(i); i++) {
            round();
        }
        return this;
    }

    /** The best tour so far. */
    public Result best() {
        return bestYet;
    }

    private void round() {
        Result begin = done < STARTS ? found(given) : found(ruined(current.tour()));
        Result next = recreated(begin);
        next = done < STARTS || next.value() >= bestYet.value() - tours.near() * Math.abs(bestYet.value())
                ? improved(next, false)
                : next;
        bestYet = next.isBetterThan(bestYet) ? next : bestYet;
        double tolerance = TOLERANCE * (1 - done % COOLING_ROUNDS / (double) COOLING_ROUNDS);
        if (done < STARTS
                || next.isBetterThan(current)
                || next.value() >= bestYet.value() - tolerance * Math.abs(bestYet.value())) {
            current = next;
        }
        if (++done == STARTS || done % COOLING_ROUNDS == 0) {
            current = bestYet;
        }
    }

    /** Tours come up again and again: what they are worth is kept for a while. */
    private Result found(List<Visit> tour) {
        Result known = seen.get(tour);
        if (known == null) {
            double slack = tours.slack(tour);
            known = new Result(tour, slack < 0 ? Double.NEGATIVE_INFINITY : tours.value(tour), slack);
            if (seen.size() >= MOST_SEEN) {
                seen.clear();
            }
            seen.put(known.tour(), known);
        }
        return known;
    }

    /** The tour without some of its visits: a stretch of it, or some here and there. */
    private List<Visit> ruined(List<Visit> tour) {
        List<Visit> rest = new ArrayList<>(tour);
        if (rest.isEmpty()) {
            return rest;
        }
        int less = 1 + random.nextInt(rest.size() / 2 + 1);
        boolean stretch = random.nextBoolean();
        int from = random.nextInt(rest.size());
        for (int i = 0; i < less && !rest.isEmpty(); i++) {
            int at = stretch ? Math.min(from, rest.size() - 1) : random.nextInt(rest.size());
            if (!tours.isFixed(rest.get(at).item())) {
                rest.remove(at);
            } else if (stretch) {
                from++;
            }
        }
        return rest;
    }

    /** Insertions by what they gain for the time they take, until none gains. */
    private Result recreated(Result begin) {
        Result now = begin;
        boolean gains = true;
        while (gains) {
            Result best = now;
            double bestRate = 0;
            for (int item : drawn(now.tour())) {
                int[] stays = tours.stays(item);
                int[] some = stays.length <= 2
                        ? stays
                        : new int[] {stays[random.nextInt(stays.length)], stays[random.nextInt(stays.length)]};
                for (int stay : some) {
                    Result with = inserted(now, new Visit(item, stay));
                    double rate = with == null
                            ? 0
                            : (with.value() - now.value()) / Math.max(SAME, now.slack() - with.slack());
                    if (with != null && rate > bestRate && random.nextDouble() >= BLINK) {
                        best = with;
                        bestRate = rate;
                    }
                }
            }
            gains = bestRate > 0;
            now = best;
        }
        return now;
    }

    /** Items that may join the tour, drawn by their promise without putting back (Efraimidis and Spirakis 2006). */
    private List<Integer> drawn(List<Visit> tour) {
        record Key(int item, double key) {}
        List<Key> keys = new ArrayList<>();
        for (int item = 0; item < promises.length; item++) {
            if (promises[item] > 0 && tours.mayJoin(item, tour)) {
                keys.add(new Key(item, Math.log(1 - random.nextDouble()) / promises[item]));
            }
        }
        keys.sort(Comparator.comparingDouble(Key::key).reversed());
        return keys.stream().limit(DRAWN).map(Key::item).toList();
    }

    /** The tour with a visit where it takes least time, or at times at a place drawn; null when it fits nowhere. */
    private @Nullable Result inserted(Result now, Visit visit) {
        List<Visit> best = null;
        double bestSlack = -1;
        int places = now.tour().size() + 1;
        boolean anywhere = random.nextInt(4) == 0;
        int only = anywhere ? random.nextInt(places) : -1;
        for (int at = 0; at < places; at++) {
            if (!anywhere || at == only) {
                List<Visit> with = new ArrayList<>(now.tour());
                with.add(at, visit);
                double slack = tours.slack(with);
                if (slack >= 0 && slack > bestSlack) {
                    best = with;
                    bestSlack = slack;
                }
            }
        }
        return best == null ? null : found(best);
    }

    /**
     * A better tour that small changes lead to, one after the other.
     *
     * @param thorough whether until no change helps; else a few times over
     */
    private Result improved(Result begin, boolean thorough) {
        Result now = begin;
        Result before;
        int passes = 0;
        do {
            before = now;
            now = moved(stretched(exchanged(now), thorough));
            passes++;
        } while (now.isBetterThan(before) && (thorough || passes < PASSES));
        return now;
    }

    /** Stays longer, shorter, or longer at one for shorter at another. */
    private Result stretched(Result begin, boolean thorough) {
        Result now = begin;
        for (int by : SHIFTS) {
            boolean better = true;
            while (better) {
                better = false;
                for (int i = 0; i < now.tour().size(); i++) {
                    int tries = thorough
                            ? now.tour().size() + 1
                            : Math.min(now.tour().size() + 1, PAIRS);
                    for (int k = 0; k < tries; k++) {
                        int j = k == 0
                                ? -1
                                : thorough ? k - 1 : random.nextInt(now.tour().size());
                        Result next = i == j ? null : shifted(now, j, i, by);
                        if (next != null && next.isBetterThan(now)) {
                            now = next;
                            better = thorough;
                        }
                    }
                }
            }
        }
        return now;
    }

    /** @param from the visit that gets shorter; -1: none */
    private @Nullable Result shifted(Result now, int from, int to, int by) {
        List<Visit> tour = new ArrayList<>(now.tour());
        if (!changeable(tour.get(to))
                || (from >= 0
                        && (!changeable(tour.get(from))
                                || tour.get(from).stay() - by
                                        < tours.shortestStay(tour.get(from).item())))) {
            return null;
        }
        tour.set(to, new Visit(tour.get(to).item(), tour.get(to).stay() + by));
        if (from >= 0) {
            tour.set(from, new Visit(tour.get(from).item(), tour.get(from).stay() - by));
        }
        return found(tour);
    }

    private boolean changeable(Visit visit) {
        return !tours.isFixed(visit.item()) && visit.stay() > 0;
    }

    /** Other items in the place of one, for as long. */
    private Result exchanged(Result begin) {
        Result now = begin;
        for (int i = 0; i < now.tour().size(); i++) {
            if (tours.isFixed(now.tour().get(i).item())) {
                continue;
            }
            List<Visit> others = new ArrayList<>(now.tour());
            others.remove(i);
            for (int item : drawn(others)) {
                List<Visit> tour = new ArrayList<>(now.tour());
                tour.set(
                        i,
                        new Visit(
                                item,
                                tour.get(i).stay() == 0
                                        ? 0
                                        : Math.max(tour.get(i).stay(), tours.shortestStay(item))));
                Result next = found(tour);
                if (next.isBetterThan(now)) {
                    now = next;
                }
            }
        }
        return now;
    }

    /** Visits at another time of the tour, and stretches of it turned round. */
    private Result moved(Result begin) {
        Result now = begin;
        for (int i = 0; i < now.tour().size(); i++) {
            for (int j = 0; j < now.tour().size(); j++) {
                if (i == j) {
                    continue;
                }
                List<Visit> tour = new ArrayList<>(now.tour());
                if (i < j) {
                    Collections.reverse(tour.subList(i, j + 1));
                } else {
                    tour.add(j, tour.remove(i));
                }
                Result next = found(tour);
                if (next.isBetterThan(now)) {
                    now = next;
                }
            }
        }
        return now;
    }
}
