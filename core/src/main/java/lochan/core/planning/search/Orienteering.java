package lochan.core.planning.search;

import java.util.List;

/**
 * The orienteering problem (Tsiligirides 1984): from a start to an end within a length, by nodes whose scores add up to the most. Items are
 * the nodes between start and end.
 *
 * @param budget greatest length
 * @param nodes  start, end, then the others
 */
public record Orienteering(double budget, List<Node> nodes) implements Tours {

    private static final int[] NO_STAY = {0};
    /** Lengths that differ by less are one: budgets are met exactly at times. */
    private static final double ROUNDING = 1e-9;

    /** A point of the plane with its score. */
    public record Node(double x, double y, double score) {

        double to(Node other) {
            return Math.hypot(x - other.x, y - other.y);
        }
    }

    /** @throws IllegalArgumentException without a start and an end, or when the end cannot be reached */
    public Orienteering {
        nodes = List.copyOf(nodes);
        if (nodes.size() < 2) {
            throw new IllegalArgumentException("a start and an end are needed");
        }
        if (!(nodes.get(0).to(nodes.get(1)) <= budget + ROUNDING)) {
            throw new IllegalArgumentException("the end lies farther from the start than the budget allows");
        }
    }

    /** Length of a tour with its way from the start and to the end. */
    public double length(List<Visit> tour) {
        double length = 0;
        Node here = nodes.get(0);
        for (Visit v : tour) {
            Node next = nodes.get(v.item() + 2);
            length += here.to(next);
            here = next;
        }
        return length + here.to(nodes.get(1));
    }

    @Override
    public int items() {
        return nodes.size() - 2;
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
    public boolean mayJoin(int item, List<Visit> tour) {
        return tour.stream().noneMatch(v -> v.item() == item);
    }

    @Override
    public double slack(List<Visit> tour) {
        double left = budget - length(tour);
        return left < 0 && left >= -ROUNDING ? 0 : left;
    }

    @Override
    public double value(List<Visit> tour) {
        return tour.stream().mapToDouble(v -> nodes.get(v.item() + 2).score()).sum();
    }

    @Override
    public double promise(int item) {
        return Math.max(0, nodes.get(item + 2).score());
    }
}
