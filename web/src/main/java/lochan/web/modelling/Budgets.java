package lochan.web.modelling;

/**
 * How much is computed for an answer: more says it more surely and takes longer. The counts are judgements, made so that what a person waits
 * for comes within seconds on two cores.
 *
 * @param valuation     scenarios of a plan's value
 * @param simulatedDays days simulated for the range of a plan's bag
 * @param review        scenarios of a finished day beside its plan
 * @param rankings      what each row adds to the best plan: a plan for each
 * @param backups       a plan for each other pattern
 * @param nextCheck     a plan for each result that half an hour of practice may have
 * @param restOfDay     the rest of a competition day, planned while the angler waits
 * @param search        the search for a day's plan
 */
public record Budgets(
        int valuation,
        int simulatedDays,
        int review,
        Planning rankings,
        Planning backups,
        Planning nextCheck,
        Planning restOfDay,
        Search search) {

    public static final Budgets USUAL = new Budgets(
            500,
            10_000,
            200,
            new Planning(160, 3),
            new Planning(200, 3),
            new Planning(24, 3),
            new Planning(300, 9),
            new Search(27, 243));

    /** Of all that is drawn: a page asked for again says the same. */
    public static final long SEED = 1;

    /**
     * @param scenarios that plans are compared in
     * @param rounds    of the search for each plan
     */
    public record Planning(int scenarios, int rounds) {}

    /**
     * @param quick    rounds of the search that takes seconds
     * @param thorough rounds of the one that takes a minute
     */
    public record Search(int quick, int thorough) {}
}
