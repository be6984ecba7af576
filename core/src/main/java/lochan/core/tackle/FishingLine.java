package lochan.core.tackle;

import lochan.core.Coded;

/**
 * Line on a reel, or a leader.
 *
 * @param kind       what it is made of
 * @param strengthKg load it is sold for, kg, more than 0
 */
public record FishingLine(Kind kind, double strengthKg) {

    public FishingLine {
        if (!(strengthKg > 0)) {
            throw new IllegalArgumentException("line strength is " + strengthKg + " kg, expected more than 0");
        }
    }

    /** What a line is made of. */
    public enum Kind implements Coded {
        FLUOROCARBON(0.127),
        MONOFILAMENT(0.129),
        BRAID(0.066);

        private final double mmPerRootKg;

        Kind(double mmPerRootKg) {
            this.mmPerRootKg = mmPerRootKg;
        }

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }

    /** Usual diameter, mm: strength grows with the section, so d = c·√kg, c by what it is made of (0.30 mm for 12 lb fluorocarbon). */
    public double diameterMm() {
        return kind.mmPerRootKg * Math.sqrt(strengthKg);
    }
}
