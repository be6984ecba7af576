package lochan.core.planning.search;

import java.util.List;

/**
 * The orienteering problem (Tsiligirides 1984): from a start to an end within a length, by nodes whose scores add up to the most. Items are
 * the nodes between start and end.
 */
public final class Orienteering implements Tours {

    private static final int START = 0;
    private static final int END = 1;
    private static final int[] NO_STAY = {0};
    /** Lengths that differ by less are one: budgets are met exactly at times. */
    private static final double ROUNDING = 1e-9;

    /** A point of the plane with its score. */
    public record Node(double x, double y, double score) {

        double to(Node other) {
            return Math.hypot(x - other.x, y - other.y);
        }
    }

    private final double budget;
    private final double[] scores;
    /** From node to node. */
    private final double[][] lengths;

    /**
     * @param budget greatest length
     * @param nodes  start, end, then the others
     * @throws IllegalArgumentException without a start and an end, or when the end cannot be reached
     */
    public Orienteering(double budget, List<Node> nodes) {
        if (nodes.size() < 2) {
            throw new IllegalArgumentException("a start and an end are needed");
        }
        if (!(nodes.get(START).to(nodes.get(END)) <= budget + ROUNDING)) {
            throw new IllegalArgumentException("the end lies farther from the start than the budget allows");
        }
        this.budget = budget;
        this.scores = nodes.stream().mapToDouble(Node::score).toArray();
        this.lengths = new double[scores.length][scores.length];
        for (int i = 0; i < scores.length; i++) {
            for (int j = 0; j < scores.length; j++) {
                lengths[i][j] = nodes.get(i).to(nodes.get(j));
            }
        }
    }

    /** Length of a tour with its way from the start and to the end. */
    public double length(List<Visit> tour) {
        double length = 0;
        int here = START;
        for (int i = 0; i < tour.size(); i++) {
            int next = node(tour.get(i));
            length += lengths[here][next];
            here = next;
        }
        return length + lengths[here][END];
    }

    private static int node(Visit visit) {
        return visit.item() + 2;
    }

    @Override
    public int items() {
        return scores.length - 2;
    }

    @Override
    public int[] stays(int item) {
        return NO_STAY.clone();
    }

    @Override
    public int shortestStay(int item) {
        return 0;
    }

    @Override
    public boolean isFixed(int item) {
        return false;
    }

    @Override
    public int mostVisits(int item) {
        return 1;
    }

    @Override
    public double slack(List<Visit> tour) {
        return rounded(budget - length(tour));
    }

    private static double rounded(double left) {
        return left < 0 && left >= -ROUNDING ? 0 : left;
    }

    /** The detour alone. */
    @Override
    public double slackWith(List<Visit> tour, double slack, int at, Visit visit) {
        int before = at == 0 ? START : node(tour.get(at - 1));
        int after = at == tour.size() ? END : node(tour.get(at));
        int node = node(visit);
        return rounded(slack - lengths[before][node] - lengths[node][after] + lengths[before][after]);
    }

    @Override
    public double value(List<Visit> tour) {
        double sum = 0;
        for (int i = 0; i < tour.size(); i++) {
            sum += scores[node(tour.get(i))];
        }
        return sum;
    }

    @Override
    public boolean isDear() {
        return false;
    }

    @Override
    public double promise(int item) {
        return Math.max(0, scores[item + 2]);
    }
}
