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
 * @param hindsight     scenarios of each set that a finished day is looked back on in
 * @param boat          a competition day under way, on a phone
 * @param search        the search for a day's plan
 */
public record Budgets(
        int valuation,
        int simulatedDays,
        int review,
        Planning rankings,
        Planning backups,
        Planning nextCheck,
        int hindsight,
        Boat boat,
        Search search) {

    public static final Budgets USUAL = new Budgets(
            500,
            10_000,
            200,
            new Planning(160, 3),
            new Planning(200, 3),
            new Planning(24, 3),
            20_000,
            new Boat(3_000, 500, new Planning(48, 1)),
            new Search(27, 243));

    /** Too few to plan a day by, and answered at once: what the pages do with an answer is tried with it. */
    static final Budgets SMALL = new Budgets(
            60,
            500,
            40,
            new Planning(16, 1),
            new Planning(16, 1),
            new Planning(6, 1),
            600,
            new Boat(300, 150, new Planning(24, 1)),
            new Search(3, 9));

    /** Of all that is drawn: a page asked for again says the same. */
    public static final long SEED = 1;

    /**
     * @param scenarios that plans are compared in
     * @param rounds    of the search for each plan
     */
    public record Planning(int scenarios, int rounds) {}

    /**
     * @param outlook scenarios of each set that outlooks are drawn in
     * @param weighed scenarios weighed by what was seen, of which the rest of the day is planned in the likely ones
     * @param rest    the rest of the day, planned while the angler waits
     */
    public record Boat(int outlook, int weighed, Planning rest) {}

    /**
     * @param quick    rounds of the search that takes seconds
     * @param thorough rounds of the one that takes a minute
     */
    public record Search(int quick, int thorough) {}
}
