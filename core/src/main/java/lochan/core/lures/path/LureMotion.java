package lochan.core.lures.path;

import static java.util.Objects.requireNonNull;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.LureObservation.Saw;
import lochan.core.tackle.Motion;
import org.jspecify.annotations.Nullable;

/**
 * How a lure of some weight moves on some line. With w its weight, w₀ its usual one, δ the line's diameter and δ₀ the rated one:
 * <pre>
 * fall     v = v₀ · (w/w₀)^½ · (δ₀/δ)^0.4 · c_fall        m/s on slack line, × 0.7 on tight line
 * dive     D = D₀ · (δ₀/δ)^0.4 · c_dive                   m, after a long pull; D·(1 − e^(−s/ℓ)) after a pull of s
 * near     d ≤ x · tan φ, tan φ = 0.577·(w/w₀)^½          a lure x from the boat is lifted by its line
 * </pre>
 * The root is the drag balance of a body whose size does not change; the other powers and the angle are judgements ({@code Assumptions.LureWays}).
 * The c are what the angler saw over what the sheet says, ln c = Σ ln(seen/told) / (2 + n): a few sights move the sheet, one does not make it.
 */
public final class LureMotion {

    private final Lure lure;
    private final double grams;
    private final FishingLine line;
    private final Assumptions.LureWays a;
    private final double fallFactor;
    private final double diveFactor;

    /**
     * @param grams weight of the lure or its sinker, g, more than 0; null: its usual one
     * @param line  it is tied to
     * @param seen  what the angler saw lures do; those of other lures say nothing here
     */
    public LureMotion(
            Lure lure, @Nullable Double grams, FishingLine line, List<LureObservation> seen, Assumptions.LureWays a) {
        if (grams != null && !(grams > 0)) {
            throw new IllegalArgumentException("weight is " + grams + " g, expected more than 0");
        }
        this.lure = lure;
        this.grams = grams == null ? lure.usualGrams() : grams;
        this.line = line;
        this.a = a;
        List<LureObservation> own =
                seen.stream().filter(o -> o.lureId().equals(lure.id())).toList();
        this.fallFactor = factor(own.stream()
                .filter(o -> o.saw() == Saw.FALL && o.seconds() != null && lure.motion() instanceof Motion.Sinks)
                .map(o -> o.depthM() / requireNonNull(o.seconds()) / told(o).fallMps(false))
                .toList());
        this.diveFactor = factor(own.stream()
                .filter(o -> o.saw() == Saw.DIVE && lure.motion() instanceof Motion.Dives)
                .map(o -> o.depthM() / told(o).diveM(o.castM() == null ? a.usualCastM() : o.castM()))
                .toList());
    }

    /** Returns what the sheet alone predicts for an observed lure. */
    private LureMotion told(LureObservation o) {
        return new LureMotion(lure, o.grams(), o.line(), List.of(), a);
    }

    private double factor(List<Double> ratios) {
        return Math.exp(ratios.stream().mapToDouble(Math::log).sum() / (a.priorObservations() + ratios.size()));
    }

    public Lure lure() {
        return lure;
    }

    public double grams() {
        return grams;
    }

    public FishingLine line() {
        return line;
    }

    /** By what the angler's own sights change what the sheet tells: of falls for what sinks, of dives for what dives, 1 without any. */
    public double ownFactor() {
        return lure.motion() instanceof Motion.Dives ? diveFactor : fallFactor;
    }

    private double lineEffect(double power) {
        return Math.pow(a.ratedLineMm() / line.diameterMm(), power);
    }

    private double weightEffect() {
        return Math.pow(grams / lure.usualGrams(), a.fallWeightPower());
    }

    /** Rate of fall, m/s; 0 of what does not sink. */
    public double fallMps(boolean tightLine) {
        return lure.motion() instanceof Motion.Sinks s
                ? s.fallMps()
                        * weightEffect()
                        * lineEffect(a.fallLinePower())
                        * fallFactor
                        * (tightLine ? a.tightFall() : 1)
                : 0;
    }

    /** Seconds to fall to a depth, m: depth ÷ rate of fall; infinite for what does not sink. */
    public double countTo(double depthM, boolean tightLine) {
        return depthM / fallMps(tightLine);
    }

    /** Depth a long pull brings it to, m; 0 of what does not dive. */
    public double longDiveM() {
        return lure.motion() instanceof Motion.Dives d ? d.depthM() * lineEffect(a.diveLinePower()) * diveFactor : 0;
    }

    /** Deepest point of a dive on a cast of some length, m: still diving at D·(1 − e^(−s/ℓ)) until the line lifts it at (cast − s)·tan φ. */
    public double diveM(double castM) {
        if (!(lure.motion() instanceof Motion.Dives d)) {
            return 0;
        }
        double low = 0;
        double high = castM;
        for (int i = 0; i < 60; i++) {
            double s = (low + high) / 2;
            if (longDiveM() * -Math.expm1(-s / d.alongM()) < (castM - s) * steepest()) {
                low = s;
            } else {
                high = s;
            }
        }
        return (castM - high) * steepest();
    }

    /** Tangent of the steepest line it stays down on. */
    public double steepest() {
        return a.steepestLine() * (lure.motion() instanceof Motion.Sinks ? weightEffect() : 1);
    }
}
