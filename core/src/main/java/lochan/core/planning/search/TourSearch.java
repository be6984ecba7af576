package lochan.core.planning.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import lochan.core.Randoms;
import org.apache.commons.rng.UniformRandomProvider;
import org.jspecify.annotations.Nullable;

/**
 * Greedy insertion from several starts, then ruin and recreate (Schrimpf et al. 2000) with a local search after each that
 * comes near the best, and all of it again from nothing where that leads nowhere. A round's outcome depends on the seed and the rounds before it only: the same seed gives the same tour, and more rounds never a worse one.
 */
public final class TourSearch {

    private static final int WORKERS = 2;
    private static final int STARTS = 3;
    /** A tour that much below the best, as a share of it, is still gone on from; falls to nothing and begins again. */
    private static final double TOLERANCE = 0.03;

    private static final int COOLING_ROUNDS = 150;
    /** When the tolerance has fallen to nothing more often without a better tour, the search begins from nothing. */
    private static final int PATIENCE = 1;

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
    private final List<Visit> tried = new ArrayList<>();
    private Result bestYet;
    private Result current;
    /** The best since the search last began from nothing. */
    private Result leader;

    private boolean fromNothing;
    /** How often the tolerance fell to nothing since the leader was found. */
    private int inVain;

    private int done;

    /** A tour with its worth and what is left of the budget. */
    public record Result(List<Visit> tour, double value, double slack) {

        public Result {
            tour = List.copyOf(tour);
        }

        boolean isBetterThan(Result other) {
            return isBetter(value, slack, other);
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
        this.leader = first;
    }

    /** The best of two searches side by side, from nothing; problems are asked by both at once. */
    public static Result best(Tours tours, long seed, int rounds, IntPredicate goOn) {
        List<Result> found = IntStream.range(0, WORKERS)
                .boxed()
                .parallel()
                .map(w -> new TourSearch(tours, List.of(), seed + w)
                        .rounds(rounds, goOn)
                        .best())
                .toList();
        return found.stream().reduce((a, b) -> b.isBetterThan(a) ? b : a).orElseThrow();
    }

    /**
     * The best tour that small changes of one lead to.
     *
     * @param goOn asked again and again; false ends it with what it has
     */
    public static Result polished(Tours tours, List<Visit> tour, long seed, BooleanSupplier goOn) {
        TourSearch search = new TourSearch(tours, tour, seed);
        return search.improved(search.current, goOn);
    }

    /** Goes on for some rounds, as long as each round, by its number from 0, is allowed. */
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
        Result begin = done < STARTS || fromNothing ? found(given) : found(ruined(current.tour()));
        Result next = recreated(begin);
        next = done < STARTS || next.value() >= leader.value() - tours.near() * Math.abs(leader.value())
                ? improved(next, null)
                : next;
        if (fromNothing) {
            leader = next;
            current = next;
            fromNothing = false;
        }
        if (next.isBetterThan(leader)) {
            leader = next;
            inVain = 0;
        }
        bestYet = leader.isBetterThan(bestYet) ? leader : bestYet;
        double tolerance = TOLERANCE * (1 - done % COOLING_ROUNDS / (double) COOLING_ROUNDS);
        if (done < STARTS
                || next.isBetterThan(current)
                || next.value() >= leader.value() - tolerance * Math.abs(leader.value())) {
            current = next;
        }
        if (++done == STARTS) {
            current = leader;
        } else if (done % COOLING_ROUNDS == 0) {
            current = leader;
            fromNothing = ++inVain > PATIENCE;
            inVain = fromNothing ? 0 : inVain;
        }
    }

    /** Tours come up again and again: what they are worth is kept for a while where it is dear to compute. */
    private Result found(List<Visit> tour) {
        if (!tours.isDear()) {
            double slack = tours.slack(tour);
            return new Result(tour, slack < 0 ? Double.NEGATIVE_INFINITY : tours.value(tour), slack);
        }
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

    /** A tour that is tried, where it is better than one; null where it is not. */
    private @Nullable Result better(Result now, List<Visit> tour) {
        if (!tours.isDear()) {
            double slack = tours.slack(tour);
            if (slack < 0 || !isBetter(tours.value(tour), slack, now)) {
                return null;
            }
        }
        Result next = found(tour);
        return next.isBetterThan(now) ? next : null;
    }

    private static boolean isBetter(double value, double slack, Result other) {
        double least = SAME * Math.max(1, Math.abs(other.value));
        return value > other.value + least || (value > other.value - least && slack > other.slack + SAME);
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

    /** Items that may join the tour, drawn by their promise without putting back (Efraimidis and Spirakis 2006), the first drawn first. */
    private int[] drawn(List<Visit> tour) {
        int[] items = new int[DRAWN];
        double[] keys = new double[DRAWN];
        int count = 0;
        int[] visits = new int[promises.length];
        for (int i = 0; i < tour.size(); i++) {
            visits[tour.get(i).item()]++;
        }
        for (int item = 0; item < promises.length; item++) {
            if (promises[item] > 0 && visits[item] < tours.mostVisits(item)) {
                double key = Math.log(1 - random.nextDouble()) / promises[item];
                if (count < DRAWN || key > keys[DRAWN - 1]) {
                    int at = count < DRAWN ? count++ : DRAWN - 1;
                    for (; at > 0 && keys[at - 1] < key; at--) {
                        keys[at] = keys[at - 1];
                        items[at] = items[at - 1];
                    }
                    keys[at] = key;
                    items[at] = item;
                }
            }
        }
        return Arrays.copyOf(items, count);
    }

    /** The tour with a visit where it takes least time, or at times at a place drawn; null when it fits nowhere. */
    private @Nullable Result inserted(Result now, Visit visit) {
        int places = now.tour().size() + 1;
        boolean anywhere = random.nextInt(4) == 0;
        int only = anywhere ? random.nextInt(places) : -1;
        int best = -1;
        double bestSlack = -1;
        for (int at = 0; at < places; at++) {
            if (!anywhere || at == only) {
                double slack = tours.slackWith(now.tour(), now.slack(), at, visit);
                if (slack >= 0 && slack > bestSlack) {
                    best = at;
                    bestSlack = slack;
                }
            }
        }
        if (best < 0) {
            return null;
        }
        List<Visit> with = tryOf(now.tour());
        with.add(best, visit);
        return found(with);
    }

    /** The visits of a tour in a list that is used again for each try: what is found of it is kept as a copy. */
    private List<Visit> tryOf(List<Visit> tour) {
        tried.clear();
        tried.addAll(tour);
        return tried;
    }

    /**
     * A better tour that small changes lead to, one after the other.
     *
     * @param goOn whether to go on until no change helps; null: a few times over
     */
    private Result improved(Result begin, @Nullable BooleanSupplier goOn) {
        Result now = begin;
        Result before;
        int passes = 0;
        do {
            before = now;
            now = moved(stretched(exchanged(now), goOn));
            passes++;
        } while (now.isBetterThan(before) && (goOn == null ? passes < PASSES : goOn.getAsBoolean()));
        return now;
    }

    /** Stays longer, shorter, or longer at one for shorter at another. */
    private Result stretched(Result begin, @Nullable BooleanSupplier goOn) {
        boolean thorough = goOn != null;
        Result now = begin;
        for (int by : SHIFTS) {
            boolean better = true;
            while (better && (goOn == null || goOn.getAsBoolean())) {
                better = false;
                for (int i = 0; i < now.tour().size(); i++) {
                    if (!changeable(now.tour().get(i))) {
                        continue;
                    }
                    int tries = thorough
                            ? now.tour().size() + 1
                            : Math.min(now.tour().size() + 1, PAIRS);
                    for (int k = 0; k < tries; k++) {
                        int j = k == 0
                                ? -1
                                : thorough ? k - 1 : random.nextInt(now.tour().size());
                        Result next = i == j ? null : shifted(now, j, i, by);
                        if (next != null) {
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
        List<Visit> tour = tryOf(now.tour());
        if (from >= 0
                && (!changeable(tour.get(from))
                        || tour.get(from).stay() - by
                                < tours.shortestStay(tour.get(from).item()))) {
            return null;
        }
        tour.set(to, new Visit(tour.get(to).item(), tour.get(to).stay() + by));
        if (from >= 0) {
            tour.set(from, new Visit(tour.get(from).item(), tour.get(from).stay() - by));
        }
        return better(now, tour);
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
                List<Visit> tour = tryOf(now.tour());
                tour.set(
                        i,
                        new Visit(
                                item,
                                tour.get(i).stay() == 0
                                        ? 0
                                        : Math.max(tour.get(i).stay(), tours.shortestStay(item))));
                Result next = better(now, tour);
                now = next == null ? now : next;
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
                List<Visit> tour = tryOf(now.tour());
                if (i < j) {
                    Collections.reverse(tour.subList(i, j + 1));
                } else {
                    tour.add(j, tour.remove(i));
                }
                Result next = better(now, tour);
                now = next == null ? now : next;
            }
        }
        return now;
    }
}
