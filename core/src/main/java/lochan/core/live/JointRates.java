package lochan.core.live;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Cell;

/**
 * The bite rates of all cells, which move together ({@code model.md} §10): ln rates are jointly normal with means θ and covariance Σ, and bites seen
 * at one cell teach of its like. Before any evidence, with [x] = 1 where both cells share x,
 * <pre>
 * Σ_cc' = .10 + .15[presentation] + .10[type] + .15[type, presentation] + .10[zone, presentation] + .35[spot] + .15[c = c'],   θ_c = ln mean − Σ_cc/2
 * </pre>
 * and b bites where a rate of 1 would have brought e are learnt by a gamma update matched in its moments:
 * <pre>
 * S = Σ_cc,  A = 1/(exp S − 1),  r = exp(θ_c + S/2),  A' = A + b,  r' = A'/(A/r + e),  S' = ln(1 + 1/A'),  g = Σ_·c/S
 * θ += g·(ln r' − S'/2 − θ_c),   Σ −= (1 − S'/S)·g·Σ_c·
 * </pre>
 * For one cell alone it is the exact gamma rule. n² operations an update.
 */
final class JointRates {

    private final double[] theta;
    private final double[][] sigma;

    private JointRates(double[] theta, double[][] sigma) {
        this.theta = theta;
        this.sigma = sigma;
    }

    /** A cell with what it shares with others. */
    record Kin(Cell cell, String spotType, Zone zone) {

        private double covariance(Kin other, Assumptions.JointRates a) {
            boolean presentation = cell.presentationId().equals(other.cell.presentationId());
            boolean type = spotType.equals(other.spotType);
            boolean spot = cell.spotId().equals(other.cell.spotId());
            return a.lake()
                    + (presentation ? a.presentation() : 0)
                    + (type ? a.type() : 0)
                    + (type && presentation ? a.pattern() : 0)
                    + (zone == other.zone && presentation ? a.zone() : 0)
                    + (spot ? a.spot() : 0)
                    + (spot && presentation ? a.cell() : 0);
        }
    }

    /**
     * Before any evidence.
     *
     * @param mean of every rate
     */
    static JointRates prior(List<Kin> cells, double mean, Assumptions.JointRates a) {
        int n = cells.size();
        double[][] sigma = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                sigma[i][j] = cells.get(i).covariance(cells.get(j), a);
                sigma[j][i] = sigma[i][j];
            }
        }
        return new JointRates(new double[n], sigma).meaning(mean);
    }

    /** Returns the covariance with every mean rate as given. */
    private JointRates meaning(double mean) {
        for (int c = 0; c < theta.length; c++) {
            theta[c] = Math.log(mean) - sigma[c][c] / 2;
        }
        return this;
    }

    /**
     * A new day: how well rates are known stays, what is learnt from now on is by what they are multiplied, 1 at first.
     *
     * @param ofDay variance that each cell's own good and bad days add
     */
    JointRates morning(double ofDay) {
        JointRates day = copy();
        for (int c = 0; c < theta.length; c++) {
            day.sigma[c][c] += ofDay;
        }
        return day.meaning(1);
    }

    JointRates copy() {
        double[][] rows = new double[sigma.length][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = sigma[i].clone();
        }
        return new JointRates(theta.clone(), rows);
    }

    /** Learns of a cell that it brought so many bites where a rate of 1 would have brought {@code expected}. */
    void learn(int cell, double bites, double expected) {
        if (bites == 0 && expected == 0) {
            return;
        }
        double variance = sigma[cell][cell];
        double shape = 1 / Math.expm1(variance);
        double rate = mean(cell);
        double learntShape = shape + bites;
        double learntRate = learntShape / (shape / rate + expected);
        double learntVariance = Math.log1p(1 / learntShape);
        double step = (Math.log(learntRate) - learntVariance / 2 - theta[cell]) / variance;
        double less = (1 - learntVariance / variance) / variance;
        double[] of = sigma[cell].clone();
        for (int i = 0; i < theta.length; i++) {
            theta[i] += of[i] * step;
            double[] row = sigma[i];
            double taken = less * of[i];
            for (int j = 0; j < row.length; j++) {
                row[j] -= taken * of[j];
            }
        }
    }

    /** The mean rate of a cell. */
    double mean(int cell) {
        return Math.exp(theta[cell] + sigma[cell][cell] / 2);
    }

    /** Σ_cc. */
    double variance(int cell) {
        return sigma[cell][cell];
    }
}
