package lochan.core.planning.valuation;

/**
 * Competition days drawn fish by fish.
 *
 * @param totals   their bags, g
 * @param lightest by day: what a fish must be heavier than to help in the end, g; 0 where there was room
 * @param byHour   by day, then hour from the start of the day: the bag at its end, g
 */
public record DrawnDays(double[] totals, double[] lightest, double[][] byHour) {}
