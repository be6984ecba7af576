package lochan.core.review;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.competition.FishedStretch;
import lochan.core.event.CompetitionDay;
import lochan.core.live.FiredTrigger;
import lochan.core.live.Outlooks;
import lochan.core.live.Today;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.DrawnDays;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Quantile;
import org.jspecify.annotations.Nullable;

/**
 * A fished day against its plan.
 *
 * @param fan      the bag as projected, hour by hour
 * @param bag      the bag, each time it changed
 * @param stops    of the plan
 * @param elsewhere bites where or when the plan had no stop
 * @param triggers that fired
 * @param projection of the day's total; null: what it came to is not known
 */
public record DayReview(
        List<Hour> fan,
        List<Moment> bag,
        List<Stop> stops,
        int elsewhere,
        List<Trigger> triggers,
        @Nullable DayProjection projection) {

    private static final int DAYS_PER_SCENARIO = 20;

    public DayReview {
        fan = List.copyOf(fan);
        bag = List.copyOf(bag);
        stops = List.copyOf(stops);
        triggers = List.copyOf(triggers);
    }

    /** The bag that was projected for a time: one day in ten was to be below the first and above the last, g. */
    public record Hour(Instant at, double p10Grams, double p50Grams, double p90Grams) {}

    /** Returns the bag from a time on, without penalties; fish not weighed are left out. */
    public record Moment(Instant at, double grams) {}

    /**
     * A stop of the plan.
     *
     * @param expectedBites     that practice promised in its time
     * @param bites             that its spot gave in its time
     * @param landed              of them
     * @param fished              how long its spot was fished in its time
     * @param chanceOfSoFew       how often so few bites, or fewer, were to be expected of the time it was fished
     */
    public record Stop(
            PlanStop stop, double expectedBites, int bites, int landed, Duration fished, double chanceOfSoFew) {}

    /**
     * A trigger that fired.
     *
     * @param hindsight what obeying would have come to; null: what the day came to is not known
     */
    public record Trigger(FiredTrigger fired, Outlooks.@Nullable Hindsight hindsight) {}

    /**
     * The period looked back on.
     *
     * @param log         of the event
     * @param plan        the stops of the day, one or more
     * @param ladder      its backups
     * @param factor      by which the projection was scaled
     * @param actualGrams what the day came to; null: not known
     */
    public record Input(
            BagLog log,
            List<PlanStop> plan,
            Backups.Ladder ladder,
            double factor,
            @Nullable Double actualGrams) {}

    /**
     * Looks back.
     *
     * @param scenarios of the day, as the plan was valued in
     * @param outlooks  of the day
     */
    public static DayReview of(Input looked, ScenarioSet scenarios, Outlooks outlooks, DayRuns runs) {
        DayModel model = scenarios.model();
        CompetitionDay hours = model.event().day(model.day());
        int[] days = new int[scenarios.count()];
        Arrays.fill(days, DAYS_PER_SCENARIO);
        DrawnDays drawn = new PlanValuer(scenarios).drawn(looked.plan(), days);
        double[] totals =
                Arrays.stream(drawn.totals()).map(t -> looked.factor() * t).toArray();
        Today whole = Today.of(looked.log(), model.day(), hours.checkIn(), looked.plan());
        List<Stop> stops = looked.plan().stream()
                .map(s -> stop(s, looked, model.day(), scenarios))
                .toList();
        int inPlan = stops.stream().mapToInt(Stop::bites).sum();
        return new DayReview(
                fan(drawn.byHour(), hours, looked.factor()),
                bag(looked.log(), model.day()),
                stops,
                whole.bites().size() - inPlan,
                triggers(looked, whole, outlooks, scenarios, runs),
                looked.actualGrams() == null ? null : DayProjection.of(totals, looked.actualGrams()));
    }

    private static List<Hour> fan(double[][] byHour, CompetitionDay day, double factor) {
        List<Hour> fan = new ArrayList<>(List.of(new Hour(day.start(), 0, 0, 0)));
        for (int h = 0; h < byHour[0].length; h++) {
            int hour = h;
            double[] sorted = Arrays.stream(byHour)
                    .mapToDouble(d -> factor * d[hour])
                    .sorted()
                    .toArray();
            Instant end = day.start().plus(Duration.ofHours(h + 1L));
            fan.add(new Hour(
                    end.isAfter(day.checkIn()) ? day.checkIn() : end,
                    Quantile.of(sorted, 0.1),
                    Quantile.of(sorted, 0.5),
                    Quantile.of(sorted, 0.9)));
        }
        return fan;
    }

    private static List<Moment> bag(BagLog log, int day) {
        List<Moment> moments = new ArrayList<>();
        for (BagRow row : log.rows()) {
            double grams = row.bag().weighedGrams();
            if (row.day() == day
                    && (moments.isEmpty() ? grams > 0 : moments.getLast().grams() != grams)) {
                moments.add(new Moment(row.entry().at(), grams));
            }
        }
        return moments;
    }

    private static Stop stop(PlanStop stop, Input looked, int day, ScenarioSet scenarios) {
        Cell cell = Cell.of(stop);
        List<FishedStretch> there = FishedStretch.of(looked.log(), day, stop.leave(), looked.plan()).stream()
                .filter(f -> f.spotId().equals(stop.spotId()) && f.to().isAfter(stop.arrive()))
                .toList();
        Duration fished = there.stream()
                .map(f -> Duration.between(f.from().isBefore(stop.arrive()) ? stop.arrive() : f.from(), f.to()))
                .reduce(Duration.ZERO, Duration::plus);
        int bites = (int) Today.bites(looked.log(), day).stream()
                .filter(s -> s.cell().spotId().equals(stop.spotId()) && holds(stop, s.at()))
                .count();
        int landed = (int) looked.log().valid(day).stream()
                .filter(e -> e instanceof Entry.Catch c
                        && stop.spotId().equals(c.spotId())
                        && c.presentationId() != null
                        && holds(stop, c.at()))
                .count();
        return new Stop(
                stop,
                Outlooks.expectedBites(scenarios, cell, stop.arrive(), stop.leave()),
                bites,
                landed,
                fished,
                Outlooks.chanceOfSoFew(
                        scenarios, cell, stop.arrive(), stop.arrive().plus(fished), bites));
    }

    private static boolean holds(PlanStop stop, Instant at) {
        return !at.isBefore(stop.arrive()) && at.isBefore(stop.leave());
    }

    private static List<Trigger> triggers(
            Input looked, Today whole, Outlooks outlooks, ScenarioSet scenarios, DayRuns runs) {
        int day = scenarios.model().day();
        return FiredTrigger.of(
                        looked.plan(),
                        looked.ladder(),
                        whole,
                        scenarios.model().event().day(day).checkIn(),
                        scenarios)
                .stream()
                .map(t -> {
                    Instant at = t.trigger().at();
                    List<PlanStop> instead =
                            Backups.goneTo(t.backup(), t.trigger().spotId(), at, scenarios, runs);
                    Bag then = BagLog.replay(
                                    looked.log().event(),
                                    looked.log().rows().stream()
                                            .map(BagRow::entry)
                                            .filter(e -> !e.at().isAfter(at))
                                            .toList())
                            .bag(day);
                    Today until = Today.of(looked.log(), day, at, looked.plan());
                    return new Trigger(
                            t,
                            looked.actualGrams() == null || instead.isEmpty()
                                    ? null
                                    : outlooks.had(
                                            whole,
                                            until,
                                            new Outlooks.Question(instead, then, List.of(), 1),
                                            looked.actualGrams()));
                })
                .toList();
    }
}
