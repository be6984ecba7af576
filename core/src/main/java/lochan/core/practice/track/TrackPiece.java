package lochan.core.practice.track;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.event.Position;

/** A piece without gaps, on a plane of metres around its first fix. */
final class TrackPiece {

    final List<Fix> fixes;
    final double[] seconds;
    final double[] x;
    final double[] y;

    TrackPiece(List<Fix> fixes) {
        this.fixes = fixes;
        int n = fixes.size();
        seconds = new double[n];
        x = new double[n];
        y = new double[n];
        Position first = fixes.getFirst().position();
        double east = Position.metresPerDegreeEast(first.lat());
        for (int i = 0; i < n; i++) {
            seconds[i] =
                    Duration.between(fixes.getFirst().at(), fixes.get(i).at()).toMillis() / 1000.0;
            x[i] = (fixes.get(i).position().lon() - first.lon()) * east;
            y[i] = (fixes.get(i).position().lat() - first.lat()) * Position.METRES_PER_DEGREE;
        }
    }

    /** Speed at each fix between the means of the windows before and after it, both holding the fix itself. */
    double[] speeds(double window) {
        int n = seconds.length;
        double[] sumX = new double[n + 1];
        double[] sumY = new double[n + 1];
        double[] sumT = new double[n + 1];
        for (int i = 0; i < n; i++) {
            sumX[i + 1] = sumX[i] + x[i];
            sumY[i + 1] = sumY[i] + y[i];
            sumT[i + 1] = sumT[i] + seconds[i];
        }
        double[] speeds = new double[n];
        int from = 0;
        int to = 0;
        for (int i = 0; i < n; i++) {
            while (seconds[from] < seconds[i] - window) {
                from++;
            }
            while (to < n && seconds[to] <= seconds[i] + window) {
                to++;
            }
            int before = Math.min(from, Math.max(0, i - 1));
            int after = Math.max(to, Math.min(n, i + 2));
            double time = mean(sumT, i, after) - mean(sumT, before, i + 1);
            speeds[i] = time <= 0
                    ? 0
                    : Math.hypot(
                                    mean(sumX, i, after) - mean(sumX, before, i + 1),
                                    mean(sumY, i, after) - mean(sumY, before, i + 1))
                            / time;
        }
        return speeds;
    }

    private static double mean(double[] sums, int from, int to) {
        return (sums[to] - sums[from]) / (to - from);
    }

    double metres(int from, int to) {
        double sum = 0;
        for (int i = from + 1; i <= to; i++) {
            sum += Math.hypot(x[i] - x[i - 1], y[i] - y[i - 1]);
        }
        return sum;
    }

    /** The speed at or below which half of the way was run. */
    double cruise(double[] speeds, int from, int to) {
        List<Integer> bySpeed = IntStream.range(from + 1, to + 1)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> speeds[i]))
                .toList();
        double half = metres(from, to) / 2;
        double way = 0;
        for (int i : bySpeed) {
            way += metres(i - 1, i);
            if (way >= half) {
                return speeds[i];
            }
        }
        return speeds[to];
    }

    Position position(double atX, double atY) {
        Position first = fixes.getFirst().position();
        return new Position(
                first.lat() + atY / Position.METRES_PER_DEGREE,
                first.lon() + atX / Position.metresPerDegreeEast(first.lat()));
    }

    double straight(int from, int to) {
        return Math.hypot(x[to] - x[from], y[to] - y[from]);
    }
}
