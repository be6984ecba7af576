package lochan.core;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Every constant of the model in one place, with its meaning. The defaults are those the worked cases were computed with.
 *
 * @param relevance  how much an hour of practice counts for an hour of competition
 * @param biteRate how bite rates are shrunk towards their pattern, presentation and lake
 * @param landing    prior landing chances by kind of hook
 * @param size       the mixed model of ln grams and the legal length
 * @param day        what makes days differ
 * @param depletion  how fast a spot is fished down
 * @param planning   the grid and margins of a day's plan
 * @param together   how bite rates of a day move together
 * @param standing   what it says of bites how fish were seen to stand
 * @param bank       which banks the wind blows onto
 * @param splits     what bites have in common
 * @param projection how far a plan's value is scaled where it is shown
 * @param advice     what the rules of advice go by
 * @param lurePath   how lures move
 * @param deck       what a rod that is not rigged for a stop is worth there
 * @param notebook   what the angler's notes beside the practice log say
 */
@RecordBuilder
public record Assumptions(
        Relevance relevance,
        BiteRate biteRate,
        Landing landing,
        Size size,
        DayEffect day,
        Depletion depletion,
        Planning planning,
        JointRates together,
        Standing standing,
        Bank bank,
        Splits splits,
        Projection projection,
        LureAdvice advice,
        LureWays lurePath,
        DeckCover deck,
        Notes notebook) {

    public static final Assumptions DEFAULTS = AssumptionsBuilder.builder()
            .relevance(AssumptionsRelevanceBuilder.builder()
                    .recencyHalfLifeDays(5)
                    .timeOfDaySdHours(3)
                    .timeOfDayFloor(0.4)
                    .temperatureSdC(5)
                    .claritySdLn(1)
                    .windSdMps(5)
                    .conditionFloor(0.6)
                    .skyStep(0.93)
                    .signStep(0.93)
                    .sliceMinutes(30)
                    .build())
            .biteRate(new BiteRate(0.8, 2, 3, 3, 0.7))
            .landing(new Landing(8, 0.80, 0.68, 0.72))
            .size(AssumptionsSizeBuilder.builder()
                    .speciesMean(Math.log(800))
                    .speciesSd(0.45)
                    .patternSd(0.20)
                    .spotSd(0.25)
                    .biasMean(0.05)
                    .biasSd(0.10)
                    .fishSd(0.42)
                    .guessSd(0.15)
                    .lengthSd(0.12)
                    .pairSd(0.15)
                    .relativeWeight(0.93)
                    .legalLengthSd(0.04)
                    .lakeMixFish(4)
                    .build())
            .day(new DayEffect(0.5, 0.25, 0.25, 0.5, 0.8, 0.25))
            .depletion(new Depletion(0.97, 0.93, 0.70, 0.6))
            .planning(AssumptionsPlanningBuilder.builder()
                    .binMinutes(30)
                    .gridMinutes(5)
                    .minDwellMinutes(10)
                    .checkInMarginMinutes(15)
                    .straightRunFactor(1.25)
                    .roughWindMps(6.7)
                    .exposedFetchM(1000)
                    .afterLightningMinutes(30)
                    .priceOfMoving(1.1)
                    .restOfDay(0.5)
                    .restOfDayInCosts(1.5)
                    .build())
            .together(AssumptionsJointRatesBuilder.builder()
                    .lake(0.10)
                    .presentation(0.15)
                    .type(0.10)
                    .pattern(0.15)
                    .zone(0.10)
                    .spot(0.35)
                    .cell(0.15)
                    .ofDay(0.2)
                    .build())
            .standing(new Standing(Math.log(1.3), 0.25, Math.log(2), 2, 0.5, 2))
            .bank(new Bank(150, 60, 200, 100, 1))
            .splits(new Splits(0.3, 0.9, 0.5, 40, 20))
            .projection(new Projection(4, 0.8))
            .advice(AssumptionsLureAdviceBuilder.builder()
                    .lnPerPoint(0.12)
                    .leastSuitability(0.6)
                    .mostSuitability(1.5)
                    .muddyM(0.3)
                    .clearM(1.2)
                    .aboveFishM(0.6)
                    .missedDepthM(1.5)
                    .missedTempC(6)
                    .comeUpStainedM(0.5)
                    .comeUpPerSeen(1)
                    .mostComeUpM(5)
                    .comeUpCalmLow(1.3)
                    .verticalFromM(3.66)
                    .skinnyM(1.5)
                    .heaviestFromM(10)
                    .heavierInWind(0.6)
                    .heavierOnRock(0.6)
                    .lighterForUnwilling(0.6)
                    .shallowM(1)
                    .deepM(4)
                    .lowLightHours(0.8)
                    .steadyTempC(1)
                    .pressuredFrom(0.35)
                    .pressuredBoats(2)
                    .moodFromHours(0.5)
                    .activeBitesPerHour(2.5)
                    .smallFishG(700)
                    .bigFishG(1800)
                    .deepDiverM(3.5)
                    .bigSwimbaitG(40)
                    .heaviestLeaderKg(9.1)
                    .spinningToKg(5.5)
                    .seasons(new Seasons(9, 15, 20, 24, 6, 9))
                    .build())
            .lurePath(AssumptionsLureWaysBuilder.builder()
                    .ratedLineMm(0.30)
                    .usualCastM(30)
                    .diveLinePower(0.4)
                    .steepestLine(0.577)
                    .tightFall(0.7)
                    .fallLinePower(0.4)
                    .fallWeightPower(0.5)
                    .priorObservations(2)
                    .hopM(0.15)
                    .liftM(0.6)
                    .build())
            .deck(new DeckCover(0.85, 0.5, 0.2, 0.5))
            .notebook(AssumptionsNotesBuilder.builder()
                    .fishVisits(2)
                    .fishChance(0.35)
                    .fishLook(0.3)
                    .rerigged(0.5)
                    .historyHours(1)
                    .historyBites(5)
                    .trialShape(0.7)
                    .sure(0.9)
                    .sureOfLosses(0.8)
                    .losses(5)
                    .trialHours(25)
                    .build())
            .build();

    /**
     * @param recencyHalfLifeDays    days after which an hour of practice counts half
     * @param timeOfDaySdHours       spread of the time-of-day factor, hours after sunrise
     * @param timeOfDayFloor         the least the time-of-day factor becomes, since a spot keeps something of its worth all day
     * @param temperatureSdC         spread of the water-temperature factor
     * @param claritySdLn            spread of the clarity factor, ln of visibility
     * @param windSdMps              spread of the wind factor
     * @param conditionFloor         the least the temperature, clarity and wind factors become
     * @param skyStep                factor for each step of sky cover
     * @param signStep               factor for each step that clarity trend, level, current, front or bait are apart
     * @param sliceMinutes           longest slice a stop is cut into
     */
    @RecordBuilder
    public record Relevance(
            double recencyHalfLifeDays,
            double timeOfDaySdHours,
            double timeOfDayFloor,
            double temperatureSdC,
            double claritySdLn,
            double windSdMps,
            double conditionFloor,
            double skyStep,
            double signStep,
            int sliceMinutes) {}

    /**
     * @param lakeMean               bites per angler-hour before any evidence
     * @param lakeHours              angler-hours that prior counts for
     * @param presentationHours      angler-hours the lake counts for in a presentation's mean
     * @param patternHours           angler-hours the presentation counts for in a pattern's mean
     * @param spotShape              shape κ of the gamma prior of a spot: small means spots of a kind differ much
     */
    public record BiteRate(
            double lakeMean, double lakeHours, double presentationHours, double patternHours, double spotShape) {}

    /**
     * @param priorBites bites the prior counts for
     * @param single       chance to land a bite on one solid hook
     * @param treble       the same on treble hooks
     * @param multi        the same on a rig of several baits
     */
    public record Landing(double priorBites, double single, double treble, double multi) {}

    /**
     * Standard deviations are of ln grams.
     *
     * @param speciesMean       prior mean of a species' ln grams
     * @param speciesSd         its spread
     * @param patternSd         spread between patterns
     * @param spotSd            spread between spots
     * @param biasMean          how far guesses run high, ln
     * @param biasSd            spread of that bias
     * @param fishSd            spread between fish of one place
     * @param guessSd           extra noise of a guess
     * @param lengthSd          extra noise of a weight computed from a length
     * @param pairSd            noise of ln(guess / scale) for a fish both guessed and weighed
     * @param relativeWeight    weight of a fish of this water relative to the standard curve
     * @param legalLengthSd     spread of ln length at a weight
     * @param lakeMixFish       fish the lake's species mix counts for in a pattern's mix
     */
    @RecordBuilder
    public record Size(
            double speciesMean,
            double speciesSd,
            double patternSd,
            double spotSd,
            double biasMean,
            double biasSd,
            double fishSd,
            double guessSd,
            double lengthSd,
            double pairSd,
            double relativeWeight,
            double legalLengthSd,
            double lakeMixFish) {}

    /**
     * @param sd            sd of the ln of the day effect
     * @param dayShare      share of its variance common to the whole lake
     * @param zoneShare     share common to a depth zone
     * @param patternShare  share of the pattern alone; the three add to 1
     * @param crowdedFactor what is left of the rate when another boat got there first
     * @param blownFactor   what is left of it where the wind is more than the boat can be held in: a judgement, since a few casts still are made
     */
    public record DayEffect(
            double sd,
            double dayShare,
            double zoneShare,
            double patternShare,
            double crowdedFactor,
            double blownFactor) {}

    /**
     * ψ, the share of the bite rate left after one bite at a spot.
     *
     * @param school  a school
     * @param general fish spread over the spot
     * @param single  one piece of isolated cover
     * @param overnight share of what was fished on a day that is still missing on the next: fish weighed in are released elsewhere, those lost
     *                  or let go bite again; a judgement
     */
    public record Depletion(double school, double general, double single, double overnight) {}

    /**
     * @param binMinutes           length of the bins of the competition day
     * @param gridMinutes          grid of a plan's times
     * @param minDwellMinutes      shortest stop
     * @param checkInMarginMinutes time in hand at check-in
     * @param straightRunFactor    route on the water over the straight line when no lake is known
     * @param roughWindMps         wind from which open water counts as rough for the boat, m/s: 15 mph, a fresh chop on a small boat
     * @param exposedFetchM        open water upwind from which a spot is open to the wind, m: enough for waves to build
     * @param afterLightningMinutes how long after hours of lightning the boat stays ashore
     * @param priceOfMoving        how many times better than staying the best move has to be ({@code model.md} §10)
     * @param restOfDay            share of the best cell's hour that stands for each hour left of the day
     * @param restOfDayInCosts     the same where it is judged what a choice of a rehearsed day cost: fitted so that all of them cost what was lost
     */
    @RecordBuilder
    public record Planning(
            int binMinutes,
            int gridMinutes,
            int minDwellMinutes,
            int checkInMarginMinutes,
            double straightRunFactor,
            double roughWindMps,
            double exposedFetchM,
            int afterLightningMinutes,
            double priceOfMoving,
            double restOfDay,
            double restOfDayInCosts) {}

    /**
     * Variances of ln bite rates before any evidence: what two cells share is what bites at one teach of the other. Fitted with the 1.1 of moving on
     * simulated events.
     *
     * @param lake         common to all cells
     * @param presentation common to cells of a presentation
     * @param type         common to spots of a type
     * @param pattern      common to a presentation on spots of a type
     * @param zone         common to a presentation in a depth zone
     * @param spot         common to the presentations at a spot
     * @param cell         of the cell alone
     * @param ofDay        that a cell's own good and bad days add
     */
    @RecordBuilder
    public record JointRates(
            double lake,
            double presentation,
            double type,
            double pattern,
            double zone,
            double spot,
            double cell,
            double ofDay) {}

    /**
     * Judgements, of which the first is set by the angler's own stops.
     *
     * @param lnFactor      ln of what fish that were seen to feed do to a bite rate; those that do not, the inverse
     * @param lnFactorSd    how well that is known beforehand
     * @param mostLnFactor  the most it becomes
     * @param halfLifeHours after which what was seen counts half
     * @param earlierDay    what it counts when it was seen on an earlier day
     * @param sameHour      hours of the day apart within which an earlier day counts at all
     */
    public record Standing(
            double lnFactor,
            double lnFactorSd,
            double mostLnFactor,
            double halfLifeHours,
            double earlierDay,
            double sameHour) {}

    /**
     * @param withinM        a shore no farther is the bank of a place, m
     * @param blownWithinDeg angle between where the wind goes and the bank up to which it is blown
     * @param blownFetchM    open water upwind that it takes, m
     * @param slickFetchM    open water upwind below which a sheltered bank is slick, m
     * @param calmBelowMps   less wind leaves every bank slick, m/s
     */
    public record Bank(
            double withinM, double blownWithinDeg, double blownFetchM, double slickFetchM, double calmBelowMps) {}

    /**
     * @param tauSd      sd of the half-normal prior of how much splits differ, ln of the ratio of rates
     * @param sure       chance from which one side is called better
     * @param leastHours a side with fewer angler-hours is no side
     * @param mostHours  longest further practice that is named, angler-hours
     * @param evenSlices slices that bites are taken to come singly in, before any is seen
     */
    public record Splits(double tauSd, double sure, double leastHours, double mostHours, double evenSlices) {}

    /**
     * @param priorEvents events the prior counts for
     * @param priorFactor what a plan brings of its value, before any event was finished
     */
    public record Projection(double priorEvents, double priorFactor) {}

    /**
     * Depths and visibilities are what anglers say: a foot, two, four, twelve.
     *
     * @param lnPerPoint           what a point of advice adds to the ln of a bite rate: a judgement, ten points in all reach the bounds
     * @param leastSuitability     the least that advice leaves of the prior of a pair never tried
     * @param mostSuitability      the most it makes of it
     * @param muddyM               visibility below which a lure must be felt, m
     * @param clearM               visibility above which it is looked at, m
     * @param aboveFishM           how far above the fish a lure may pass, m
     * @param missedDepthM         depth by which a lure may be off before all speaks against it, m
     * @param missedTempC          the same of temperature, °C
     * @param comeUpStainedM       how far fish come up for what they see where they see little, m
     * @param comeUpPerSeen        the same for each metre of visibility where they see well
     * @param mostComeUpM          the most they come up, m
     * @param comeUpCalmLow        by what slick water in low light raises it for a lure on the surface
     * @param verticalFromM        water to fish under the boat in, m
     * @param skinnyM              water in which winter fish are there to feed, m
     * @param heaviestFromM        depth from which the heaviest of a lure's usual weights is called for, m
     * @param heavierInWind        steps heavier among a lure's usual weights in a chop
     * @param heavierOnRock        steps heavier where rock is to be felt
     * @param lighterForUnwilling  steps lighter for inactive fish
     * @param shallowM             water in which low light brings fish up, m
     * @param deepM                water in which bright light matters little, m
     * @param lowLightHours        hours after sunrise with low light under any sky
     * @param steadyTempC          change over practice that is none, °C
     * @param pressuredFrom        crowd risk above which water is pressured
     * @param pressuredBoats       other boats in sight from which it is
     * @param moodFromHours        hours fished at a spot that tell the mood of its fish
     * @param activeBitesPerHour bites an hour from which fish are active
     * @param smallFishG           fish that call for a small lure weigh less, g
     * @param bigFishG             those that call for a large one weigh more, g
     * @param deepDiverM           a lure that dives deeper wants thin line and a slow reel, m
     * @param bigSwimbaitG         a swimbait from this weight wants a slow reel, g
     * @param heaviestLeaderKg     no leader is heavier, kg
     * @param spinningToKg         a lure whose line is no stronger is cast with a spinning reel, kg
     * @param seasons              the stages of the year
     */
    @RecordBuilder
    public record LureAdvice(
            double lnPerPoint,
            double leastSuitability,
            double mostSuitability,
            double muddyM,
            double clearM,
            double aboveFishM,
            double missedDepthM,
            double missedTempC,
            double comeUpStainedM,
            double comeUpPerSeen,
            double mostComeUpM,
            double comeUpCalmLow,
            double verticalFromM,
            double skinnyM,
            double heaviestFromM,
            double heavierInWind,
            double heavierOnRock,
            double lighterForUnwilling,
            double shallowM,
            double deepM,
            double lowLightHours,
            double steadyTempC,
            double pressuredFrom,
            int pressuredBoats,
            double moodFromHours,
            double activeBitesPerHour,
            double smallFishG,
            double bigFishG,
            double deepDiverM,
            double bigSwimbaitG,
            double heaviestLeaderKg,
            double spinningToKg,
            Seasons seasons) {}

    /**
     * Water temperatures and months that part the year, months of the northern half.
     *
     * @param winterBelowC    colder is winter, at any date
     * @param spawnFromC      beds are made from here, 59 °F
     * @param postSpawnFromC  most have left them from here, 68 °F
     * @param summerFromC     summer from here, 75 °F, at any date after winter
     * @param springToMonth   last month of spring
     * @param autumnFromMonth first month of autumn
     */
    public record Seasons(
            double winterBelowC,
            double spawnFromC,
            double postSpawnFromC,
            double summerFromC,
            int springToMonth,
            int autumnFromMonth) {}

    /**
     * How lures move; judgements where no source is named, set right by what the angler saw.
     *
     * @param ratedLineMm     diameter of line that dives and falls are given for, mm: 12 lb fluorocarbon
     * @param usualCastM      a usual cast, m
     * @param diveLinePower   depth of a dive goes with (rated diameter / diameter) to this power: thin line dives deeper
     * @param steepestLine    tangent of the steepest line a lure that is pulled stays down on near the boat, 30°
     * @param tightFall       share of the rate of fall that a tight line leaves
     * @param fallLinePower   rate of fall goes with (rated diameter / diameter) to this power, for lures light for their line
     * @param fallWeightPower rate of fall goes with (weight / usual weight) to this power: drag balance of one body, v ∝ √(weight)
     * @param priorObservations     observations the sheet counts for
     * @param hopM            how high a hop lifts a lure, m
     * @param liftM           how high lift and fall does, m
     */
    @RecordBuilder
    public record LureWays(
            double ratedLineMm,
            double usualCastM,
            double diveLinePower,
            double steepestLine,
            double tightFall,
            double fallLinePower,
            double fallWeightPower,
            double priorObservations,
            double hopM,
            double liftM) {}

    /**
     * What a stop loses that has to do with another rod; judgements.
     *
     * @param otherWeight  left of a stop's worth when the presentation is rigged with another weight
     * @param otherLure    left, at best, when another presentation must do
     * @param poorestRod   fit of a rod below which it does not carry a lure
     * @param backupShare  what an hour of a backup counts of an hour of the plan: it may not be needed
     */
    public record DeckCover(double otherWeight, double otherLure, double poorestRod, double backupShare) {}

    /**
     * @param fishVisits      visits the prior of a known fish counts for
     * @param fishChance      chance that a known fish is caught in a visit, before any
     * @param fishLook        what a look or a follow counts of a bite there
     * @param rerigged        what bites count for the landing chance that came before the hooks were changed
     * @param historyHours    angler-hours that all earlier seasons count for in a presentation's rate
     * @param historyBites  expected bites of earlier seasons at which half of what they say is believed
     * @param trialShape      shape of the prior rate of each side of a trial
     * @param sure            chance from which one side of a trial is called better
     * @param sureOfLosses    chance that bites are landed less than usual from which a change is suggested
     * @param losses          bites not landed from which it is
     * @param trialHours      longest trial that is looked for, hours a side
     */
    @RecordBuilder
    public record Notes(
            double fishVisits,
            double fishChance,
            double fishLook,
            double rerigged,
            double historyHours,
            double historyBites,
            double trialShape,
            double sure,
            double sureOfLosses,
            int losses,
            int trialHours) {}
}
