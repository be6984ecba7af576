package lochan.core.model.splits;

import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.Cell;

/**
 * How much bites come in clumps: one means more, and the same cast again brings another of the school. A good spot is no clump, so bites are compared
 * within their cell alone: with b_i bites in slice i and E_i = e_i·Σb/Σe of its cell,
 * <pre>φ = (ν₀ + Σ (b_i − E_i)²/E_i) / (ν₀ + Σ (slices of a cell − 1)), at least 1</pre>
 * 1 where bites come singly (Pearson's statistic; McCullagh and Nelder 1989). Intervals hold as if a share 1/φ of bites and hours had been seen.
 *
 * @param phi     φ
 * @param degrees what it rests on
 */
public record Dispersion(double phi, int degrees) {

    public static Dispersion of(List<Slice> slices, Assumptions.Splits a) {
        double squares = a.evenSlices();
        int degrees = 0;
        Collection<List<Slice>> cells = slices.stream()
                .filter(s -> s.effortAnglerHours() > 0)
                .collect(Collectors.groupingBy(s -> new Cell(s.spotId(), s.presentationId())))
                .values();
        for (List<Slice> cell : cells) {
            double bites = cell.stream().mapToDouble(Slice::bites).sum();
            double hours = cell.stream().mapToDouble(Slice::effortAnglerHours).sum();
            if (bites > 0 && cell.size() > 1) {
                degrees += cell.size() - 1;
                for (Slice s : cell) {
                    double expected = s.effortAnglerHours() * bites / hours;
                    squares += (s.bites() - expected) * (s.bites() - expected) / expected;
                }
            }
        }
        return new Dispersion(Math.max(1, squares / (a.evenSlices() + degrees)), degrees);
    }
}
