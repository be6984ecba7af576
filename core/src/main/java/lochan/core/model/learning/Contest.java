package lochan.core.model.learning;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.notebook.Trial;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.Presentation;

/**
 * Two ways compared on bites an hour and on landing.
 *
 * @param first          what was seen of the first
 * @param second         of the second
 * @param firstBitesMore chance that the first really brings more bites an hour
 * @param firstLandsMore chance that more of its bites are landed
 * @param hoursToKnow    further hours a side after which one would be called better, if both go on as they are believed to; 0: it can be called
 *                       now, NaN: not within a season's days, they are too much alike
 */
public record Contest(Side first, Side second, double firstBitesMore, double firstLandsMore, double hoursToKnow) {

    /**
     * The results of one side.
     *
     * @param hours   angler-hours
     * @param bites had
     * @param tried   bites that were to be landed, shaken-off fish left out
     * @param landed  of them
     */
    public record Side(double hours, int bites, int tried, int landed) {

        /**
         * Gamma(0.7 + bites, 0.7/m + hours), as a spot's rate is shrunk towards its pattern's.
         *
         * @param mean m, bites an hour of both ways together
         */
        public GammaRate rate(double mean, Assumptions a) {
            return new GammaRate(a.notebook().trialShape() + bites, a.notebook().trialShape() / mean + hours);
        }

        /** Beta(8·q₀ + landed, 8·(1 − q₀) + not landed), q₀ of one solid hook for both. */
        public LandingChance landing(Assumptions a) {
            double prior = a.landing().single();
            return new LandingChance(
                    a.landing().priorBites() * prior + landed, a.landing().priorBites() * (1 - prior) + tried - landed);
        }

        /** Bites an hour as seen; NaN before the first hour's part. */
        public double perHour() {
            return hours > 0 ? bites / hours : Double.NaN;
        }
    }

    /** Of a trial's rounds. */
    public static Contest of(Trial trial, Assumptions a) {
        return of(
                side(trial.rounds().stream().filter(Trial.Round::ofFirst).toList()),
                side(trial.rounds().stream().filter(r -> !r.ofFirst()).toList()),
                a);
    }

    private static Side side(List<Trial.Round> rounds) {
        int bites = rounds.stream().mapToInt(Trial.Round::bites).sum();
        return new Side(
                rounds.stream().mapToDouble(Trial.Round::minutes).sum() / 60,
                bites,
                bites,
                rounds.stream().mapToInt(Trial.Round::landed).sum());
    }

    /** Of two presentations over all practice of an event; how spots and hours differ between them is not looked at. */
    public static Contest of(EventData event, Presentation first, Presentation second, Assumptions a) {
        return of(side(event, List.of(first), a), side(event, List.of(second), a), a);
    }

    /** All practice with some presentations. */
    static Side side(EventData event, List<Presentation> of, Assumptions a) {
        Set<String> ids = of.stream().map(Presentation::id).collect(Collectors.toSet());
        double hours = Slice.of(event, a).stream()
                .filter(s -> ids.contains(s.presentationId()))
                .mapToDouble(Slice::effortAnglerHours)
                .sum();
        List<Outcome> outcomes = event.stops().stream()
                .flatMap(s -> s.bites().stream().filter(b -> ids.contains(s.presentationOf(b))))
                .map(Bite::outcome)
                .toList();
        return new Side(
                hours,
                outcomes.size(),
                (int) outcomes.stream().filter(Outcome::triesLanding).count(),
                (int) outcomes.stream().filter(o -> o == Outcome.LANDED).count());
    }

    public static Contest of(Side first, Side second, Assumptions a) {
        double mean = mean(first, second, a);
        return new Contest(
                first,
                second,
                BetterChance.ofRates(first.rate(mean, a), second.rate(mean, a)),
                BetterChance.ofChances(first.landing(a), second.landing(a)),
                hoursToKnow(first, second, a));
    }

    /** Bites an hour of both together, shrunk towards the lake's prior as the lake's own are: (0.8·2 + Σ bites) / (2 + Σ hours). */
    private static double mean(Side first, Side second, Assumptions a) {
        return (a.biteRate().lakeMean() * a.biteRate().lakeHours() + first.bites + second.bites)
                / (a.biteRate().lakeHours() + first.hours + second.hours);
    }

    /** The least hours a side, in halves, after which the chance is past what counts as sure when each side goes on at its believed rate. */
    private static double hoursToKnow(Side first, Side second, Assumptions a) {
        double mean = mean(first, second, a);
        double one = first.rate(mean, a).mean();
        double other = second.rate(mean, a).mean();
        boolean bothFished = first.hours > 0 && second.hours > 0;
        for (int halves = bothFished ? 0 : 1; halves <= 2 * a.notebook().trialHours(); halves++) {
            double more = halves / 2.0;
            double chance = BetterChance.ofRates(
                    after(first.rate(mean, a), one, more), after(second.rate(mean, a), other, more));
            if (Math.max(chance, 1 - chance) >= a.notebook().sure()) {
                return more;
            }
        }
        return Double.NaN;
    }

    private static GammaRate after(GammaRate now, double mean, double hours) {
        return new GammaRate(now.shape() + mean * hours, now.rate() + hours);
    }

    /** Whether one of them can be called better on bites. */
    public boolean isKnown() {
        return hoursToKnow == 0;
    }
}
