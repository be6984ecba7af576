package lochan.core.model.splits;

/**
 * Practice parted by a question: those pieces that give one answer against those that give any other. Nothing noted is on neither side.
 *
 * @param answer  of the first side
 * @param others  answers of the second, in words
 * @param here    the first side
 * @param there   the second
 * @param ln      what ln of the ratio of both rates is believed to be, all splits looked at together
 * @param low     it is below this with a chance of 10 %
 * @param high    it is above this with a chance of 10 %
 * @param better  chance that the first side is better
 * @param hoursToKnow further angler-hours, half on each side, after which one would be called better if both go on as they are believed to; 0: it can be
 *                called now, NaN: not within a season's days
 */
public record Split(
        Question question,
        String answer,
        String others,
        Side here,
        Side there,
        double ln,
        double low,
        double high,
        double better,
        double hoursToKnow) {

    /**
     * One side of a split, as observed.
     *
     * @param hours    angler-hours
     * @param expected bites by the patterns' rates
     */
    public record Side(double hours, double bites, double expected) {

        Side plus(Piece p) {
            return new Side(hours + p.hours(), bites + p.bites(), expected + p.expected());
        }

        /** Bites an hour; NaN without hours. */
        public double perHour() {
            return hours > 0 ? bites / hours : Double.NaN;
        }
    }

    /** The better side's rate over the other's, as believed. */
    public double ratio() {
        return Math.exp(Math.abs(ln));
    }

    /** By what a rate is multiplied where the first answer holds; elsewhere by {@link #elsewhere}: on average by 1, by the bites expected. */
    public double factor() {
        return Math.exp(ln * there.expected / (here.expected + there.expected));
    }

    /** By what it is multiplied where another answer holds. */
    public double elsewhere() {
        return Math.exp(-ln * here.expected / (here.expected + there.expected));
    }
}
