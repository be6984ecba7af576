package lochan.core.live;

import java.util.List;
import lochan.core.event.Species;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.SizeModel;
import org.jspecify.annotations.Nullable;

/**
 * Learns the sizes of all cells from the day's fish ({@code model.md} §10): with y the mean ln grams of a cell by
 * practice and C its covariance
 * over the cells, species weighed by the pattern's mix, a landed fish of w grams at c moves the shifts τ,
 * <pre>k = C_·c/(C_cc + 0.42²),   τ += k·(ln w − y_kc − τ_c),   C −= k·C_c·</pre>
 */
final class JointSizes {

    /** Species, spot and pattern. */
    private static final int EFFECTS_WITH_PATTERN = 3;

    private final DayModel model;
    private final List<Cell> cells;
    private final double[][] covariance;
    private final double[] shifts;

    private JointSizes(DayModel model, List<Cell> cells, double[][] covariance, double[] shifts) {
        this.model = model;
        this.cells = cells;
        this.covariance = covariance;
        this.shifts = shifts;
    }

    /** As practice says, every shift 0. */
    static JointSizes of(DayModel model, List<Cell> cells) {
        List<Weighted> all = cells.stream().map(c -> Weighted.of(c, model)).toList();
        double[][] covariance = new double[all.size()][all.size()];
        for (int i = 0; i < all.size(); i++) {
            for (int j = 0; j <= i; j++) {
                covariance[i][j] = all.get(i)
                        .covariance(
                                all.get(j),
                                model.sizes(),
                                model.assumptions().size().patternSd());
                covariance[j][i] = covariance[i][j];
            }
        }
        return new JointSizes(model, cells, covariance, new double[all.size()]);
    }

    /**
     * A cell's mean ln grams as a weighted sum of the size model's effects.
     *
     * @param unseen its pattern, where no size is known of it: its effect is none of the model's; null else
     */
    private record Weighted(
            int[] effects, double[] weights, @Nullable Pattern unseen) {

        static Weighted of(Cell cell, DayModel model) {
            List<Species> species = model.mix().species();
            double[] shares = model.mix().of(model.pattern(cell));
            int[] common = model.sizes().effects(species.getFirst(), model.pattern(cell), cell.spotId());
            int[] effects = new int[species.size() + common.length - 1];
            double[] weights = new double[effects.length];
            for (int k = 0; k < species.size(); k++) {
                effects[k] = model.sizes().effects(species.get(k), model.pattern(cell), cell.spotId())[0];
                weights[k] = shares[k];
            }
            for (int i = 1; i < common.length; i++) {
                effects[species.size() + i - 1] = common[i];
                weights[species.size() + i - 1] = 1;
            }
            return new Weighted(effects, weights, common.length == EFFECTS_WITH_PATTERN ? null : model.pattern(cell));
        }

        double covariance(Weighted other, SizeModel sizes, double patternSd) {
            double sum = unseen != null && unseen.equals(other.unseen) ? patternSd * patternSd : 0;
            for (int i = 0; i < effects.length; i++) {
                for (int j = 0; j < other.effects.length; j++) {
                    sum += weights[i] * other.weights[j] * sizes.covariance(effects[i], other.effects[j]);
                }
            }
            return sum;
        }
    }

    JointSizes copy() {
        double[][] rows = new double[covariance.length][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = covariance[i].clone();
        }
        return new JointSizes(model, cells, rows, shifts.clone());
    }

    /**
     * Learns of a landed fish, short or not.
     *
     * @param species null: not known, taken as the lake's most common one
     */
    void learn(int cell, @Nullable Species species, double grams) {
        Cell of = cells.get(cell);
        double practice = model.sizes()
                .predictive(species == null ? model.mix().mostCommon() : species, model.pattern(of), of.spotId())
                .mean();
        double fishSd = model.assumptions().size().fishSd();
        double step = 1 / (covariance[cell][cell] + fishSd * fishSd);
        double surprise = Math.log(grams) - practice - shifts[cell];
        double[] row = covariance[cell].clone();
        for (int i = 0; i < shifts.length; i++) {
            shifts[i] += row[i] * step * surprise;
            for (int j = 0; j < row.length; j++) {
                covariance[i][j] -= row[i] * step * row[j];
            }
        }
    }

    /** τ of a cell: by what its mean ln grams is more than practice said. */
    double shift(int cell) {
        return shifts[cell];
    }
}
