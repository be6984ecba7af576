package lochan.core.lures.deck;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Rule;
import lochan.core.lures.advice.Situation;
import lochan.core.model.evidence.Situations;
import lochan.core.plan.PlanStop;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Rod;
import lochan.core.tackle.Tackle;
import org.jspecify.annotations.Nullable;

/**
 * The rods to rig for a plan so that its stops and backups are fished without retying.
 *
 * @param rows      rigged rods in the order they are first used
 * @param demands   what has to be covered, the plan's stops in their order, then the backups
 * @param without   what is lost without each rod of the rows
 * @param noSheet   presentations of the plan that neither catalogue nor angler has a sheet for
 */
public record DeckList(List<Row> rows, List<Demand> demands, List<Without> without, List<String> noSheet) {

    /**
     * A rigged rod.
     *
     * @param stops demands it is for, by their numbers from 0
     */
    public record Row(Rod rod, Setup setup, RodFit fit, List<Integer> stops) {}

    /**
     * A stop or a backup that wants a presentation.
     *
     * @param stop      of the plan; a backup's first one
     * @param isBackup  whether it is a backup
     * @param wanted    what it wants
     * @param row       the row that does it; null: none can
     * @param share     what is left of its worth with that, 0 to 1
     */
    public record Demand(
            PlanStop stop,
            boolean isBackup,
            Setup wanted,
            @Nullable Integer row,
            double share) {}

    /**
     * One rod fewer.
     *
     * @param row     which
     * @param hours   of the plan that it costs
     * @param suffers numbers of the demands that suffer
     */
    public record Without(int row, double hours, List<Integer> suffers) {}

    public DeckList {
        rows = List.copyOf(rows);
        demands = List.copyOf(demands);
        without = List.copyOf(without);
        noSheet = List.copyOf(noSheet);
    }

    /**
     * The best deck.
     *
     * @param backups the first stop of each backup plan
     * @param weights of the rules the angler gave other weights
     */
    public static DeckList of(
            EventData event,
            List<PlanStop> plan,
            List<PlanStop> backups,
            Tackle tackle,
            Map<Rule, Double> weights,
            Assumptions a) {
        Finder finder = new Finder(event, tackle, weights, a);
        plan.forEach(s -> finder.want(s, false));
        backups.forEach(s -> finder.want(s, true));
        return finder.list();
    }

    private static final class Finder {

        private record Want(PlanStop stop, boolean isBackup, Situation at, Setup setup) {}

        private final EventData event;
        private final Tackle tackle;
        private final Map<Rule, Double> weights;
        private final Assumptions a;
        private final Situations situations;
        private final List<Want> wants = new ArrayList<>();
        private final List<Setup> setups = new ArrayList<>();
        private final List<String> noSheet = new ArrayList<>();

        Finder(EventData event, Tackle tackle, Map<Rule, Double> weights, Assumptions a) {
            this.event = event;
            this.tackle = tackle;
            this.weights = weights;
            this.a = a;
            this.situations = new Situations(event, a);
        }

        void want(PlanStop stop, boolean isBackup) {
            Optional<Lure> lure = tackle.lure(stop.presentationId());
            if (lure.isEmpty()) {
                if (!noSheet.contains(stop.presentationId())) {
                    noSheet.add(stop.presentationId());
                }
                return;
            }
            Situation at = event.spot(stop.spotId())
                    .map(s -> situations.at(s, stop.arrive()))
                    .orElse(Situation.UNKNOWN);
            Setup setup = Setup.of(lure.get(), at, tackle, a.advice());
            wants.add(new Want(stop, isBackup, at, setup));
            if (setups.stream().noneMatch(setup::isLike)) {
                setups.add(setup);
            }
        }

        DeckList list() {
            List<Rod> rods = tackle.rodsInBoat();
            fewer();
            RodChoice.Problem problem = problem(rods);
            RodChoice best = RodChoice.best(problem);
            int[] order = IntStream.range(0, rods.size())
                    .filter(r -> best.setupOfRod()[r] >= 0)
                    .boxed()
                    .sorted(Comparator.comparing((Integer r) -> firstUse(best, problem, best.setupOfRod()[r])))
                    .mapToInt(Integer::intValue)
                    .toArray();
            Map<Integer, Integer> rowOfSetup = new HashMap<>();
            IntStream.range(0, order.length).forEach(i -> rowOfSetup.put(best.setupOfRod()[order[i]], i));
            List<Demand> demands = new ArrayList<>();
            List<List<Integer>> stopsOfRow = new ArrayList<>(IntStream.range(0, order.length)
                    .mapToObj(i -> (List<Integer>) new ArrayList<Integer>())
                    .toList());
            for (int d = 0; d < wants.size(); d++) {
                int setup = carrier(best, problem, d);
                Want w = wants.get(d);
                Integer row = setup < 0 ? null : rowOfSetup.get(setup);
                demands.add(
                        new Demand(w.stop(), w.isBackup(), w.setup(), row, setup < 0 ? 0 : problem.cover()[d][setup]));
                if (row != null) {
                    stopsOfRow.get(row).add(d);
                }
            }
            List<Row> rows = IntStream.range(0, order.length)
                    .mapToObj(i -> {
                        Setup setup = setups.get(best.setupOfRod()[order[i]]);
                        return new Row(
                                rods.get(order[i]),
                                setup,
                                RodFit.of(rods.get(order[i]), setup.lure()),
                                List.copyOf(stopsOfRow.get(i)));
                    })
                    .toList();
            List<Without> without = IntStream.range(0, order.length)
                    .mapToObj(i -> without(i, order[i], best, problem))
                    .toList();
            return new DeckList(rows, demands, without, noSheet);
        }

        /** Leaves out the setups that cover least where there are more than can be looked at: other weights of a presentation go first. */
        private void fewer() {
            while (setups.size() > RodChoice.MOST_SETUPS) {
                Setup least = setups.stream()
                        .min(Comparator.comparingDouble((Setup s) -> setups.stream()
                                                        .filter(o -> o.lure()
                                                                .id()
                                                                .equals(s.lure().id()))
                                                        .count()
                                                > 1
                                        ? 0
                                        : 1.0)
                                .thenComparingDouble(this::hoursOf))
                        .orElseThrow();
                setups.remove(least);
            }
        }

        private double hoursOf(Setup setup) {
            return wants.stream()
                    .filter(w -> w.setup().isLike(setup))
                    .mapToDouble(this::worth)
                    .sum();
        }

        /** Hours of the stop; of a backup half. */
        private double worth(Want w) {
            double hours = Duration.between(w.stop().arrive(), w.stop().leave()).toMinutes() / 60.0;
            return w.isBackup() ? a.deck().backupShare() * hours : hours;
        }

        private RodChoice.Problem problem(List<Rod> rods) {
            double[] worth = wants.stream().mapToDouble(this::worth).toArray();
            double[][] cover = new double[wants.size()][setups.size()];
            for (int d = 0; d < cover.length; d++) {
                Want w = wants.get(d);
                LureAdvice own = advice(w.setup().lure(), w.at());
                for (int s = 0; s < setups.size(); s++) {
                    cover[d][s] = cover(w, own, setups.get(s));
                }
            }
            double[][] fit = new double[rods.size()][setups.size()];
            for (int r = 0; r < fit.length; r++) {
                for (int s = 0; s < setups.size(); s++) {
                    double share = RodFit.of(rods.get(r), setups.get(s).lure()).share();
                    fit[r][s] = share < a.deck().poorestRod() ? 0 : share;
                }
            }
            return new RodChoice.Problem(worth, cover, fit);
        }

        private LureAdvice advice(Lure lure, Situation at) {
            return LureAdvice.of(lure, at, weights, a.advice());
        }

        private double cover(Want w, LureAdvice own, Setup by) {
            if (by.isLike(w.setup())) {
                return 1;
            }
            if (by.lure().id().equals(w.setup().lure().id())) {
                return a.deck().otherWeight();
            }
            LureAdvice other = advice(by.lure(), w.at());
            return other.ruledOut()
                    ? 0
                    : a.deck().otherLure() * Math.min(1, other.suitability(a.advice()) / own.suitability(a.advice()));
        }

        /** The rigged setup that covers a demand best; −1 when none does. */
        private static int carrier(RodChoice choice, RodChoice.Problem problem, int demand) {
            return IntStream.of(choice.setupOfRod())
                    .filter(s -> s >= 0 && problem.cover()[demand][s] > 0)
                    .boxed()
                    .max(Comparator.comparingDouble((Integer s) -> problem.cover()[demand][s]))
                    .orElse(-1);
        }

        private Instant firstUse(RodChoice best, RodChoice.Problem problem, int setup) {
            return IntStream.range(0, wants.size())
                    .filter(d -> carrier(best, problem, d) == setup)
                    .mapToObj(d -> wants.get(d))
                    .map(w -> w.isBackup() ? Instant.MAX : w.stop().arrive())
                    .min(Comparator.naturalOrder())
                    .orElse(Instant.MAX);
        }

        private Without without(int row, int rod, RodChoice best, RodChoice.Problem problem) {
            RodChoice rest = RodChoice.best(problem.withoutRod(rod));
            List<Integer> suffers = IntStream.range(0, wants.size())
                    .filter(d -> kept(rest, problem, d) < kept(best, problem, d) - 1e-9)
                    .boxed()
                    .toList();
            return new Without(row, best.covered() - rest.covered(), suffers);
        }

        private static double kept(RodChoice choice, RodChoice.Problem problem, int demand) {
            int by = carrier(choice, problem, demand);
            return by < 0 ? 0 : problem.cover()[demand][by];
        }
    }
}
