package lochan.core.model.learning;

import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import lochan.core.Assumptions;
import lochan.core.Median;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Situations;
import lochan.core.practice.Conditions;
import lochan.core.practice.PracticeStop;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/**
 * How much an earlier event says of another: never all of them say something.
 * <pre>weight = lake · season · water · 2^(−years/4)</pre>
 * lake: the same 1, one with water of like clarity and depth 0.4, any other 0; season: the same stage 1, the one before or after 0.5 (unknown too), any other 0;
 * water: the relevance of temperature and clarity as of an hour of practice.
 *
 * @param sameLake   whether it was on the same lake
 * @param likeLake   whether on one like it
 * @param stage      of it; null: unknown
 * @param seasonLike 1, 0.5 or 0
 * @param years      since
 * @param weight     0 to 1
 */
public record LikeEvent(
        EventData event,
        boolean sameLake,
        boolean likeLake,
        @Nullable SeasonStage stage,
        double seasonLike,
        double years,
        double weight) {

    private static final double HALF_YEARS = 4;
    private static final double LIKE_LAKE = 0.4;
    private static final double NEXT_SEASON = 0.5;
    /** Water twice as clear or deep is other water. */
    private static final double LIKE_FACTOR = 2;

    private static final double DAYS_PER_YEAR = 365.25;
    /** One that counts less is left out. */
    private static final double LEAST_WEIGHT = 0.05;

    /** Whether it is carried at all. */
    public boolean counts() {
        return weight >= LEAST_WEIGHT;
    }

    /** What each of some earlier events says of one, the weightiest first. */
    public static List<LikeEvent> of(EventData event, List<EventData> others, Assumptions a) {
        return others.stream()
                .filter(o -> !o.days()
                        .getFirst()
                        .date()
                        .isAfter(event.days().getFirst().date()))
                .map(o -> of(event, o, a))
                .sorted(Comparator.comparingDouble((LikeEvent l) -> -l.weight))
                .toList();
    }

    private static LikeEvent of(EventData event, EventData other, Assumptions a) {
        boolean same = other.launch().metresTo(event.launch()) < History.SAME_LAKE_M;
        Double clarity = middle(event, Conditions::visibilityM);
        Double otherClarity = middle(other, Conditions::visibilityM);
        boolean like = isLike(clarity, otherClarity) && isLike(depth(event), depth(other));
        SeasonStage stage = stage(other, a);
        double season = seasonLike(stage(event, a), stage);
        double water = bell(
                        middle(event, Conditions::waterTempC),
                        middle(other, Conditions::waterTempC),
                        t -> t,
                        a.relevance().temperatureSdC(),
                        a)
                * bell(clarity, otherClarity, Math::log, a.relevance().claritySdLn(), a);
        double years = ChronoUnit.DAYS.between(
                        other.days().getFirst().date(), event.days().getFirst().date())
                / DAYS_PER_YEAR;
        double lake = same ? 1 : like ? LIKE_LAKE : 0;
        return new LikeEvent(
                other, same, like, stage, season, years, lake * season * water * Math.pow(2, -years / HALF_YEARS));
    }

    private static boolean isLike(@Nullable Double one, @Nullable Double other) {
        return one != null && other != null && one < LIKE_FACTOR * other && other < LIKE_FACTOR * one;
    }

    private static double bell(
            @Nullable Double one, @Nullable Double other, Function<Double, Double> scale, double sd, Assumptions a) {
        if (one == null || other == null) {
            return 1;
        }
        double z = (scale.apply(one) - scale.apply(other)) / sd;
        return Math.max(a.relevance().conditionFloor(), Math.exp(-z * z / 2));
    }

    private static @Nullable Double middle(EventData event, Function<Conditions, @Nullable Double> of) {
        return Median.of(event.stops().stream().map(s -> of.apply(s.conditions())), 1);
    }

    private static @Nullable Double depth(EventData event) {
        return Median.of(event.spots().stream().map(Spot::depthMaxM), 1);
    }

    /** By the middle temperature of its practice, at its last stop. */
    private static @Nullable SeasonStage stage(EventData event, Assumptions a) {
        return event.stops().stream()
                .max(Comparator.comparing(PracticeStop::start))
                .map(s -> new Situations(event, a).stage(middle(event, Conditions::waterTempC), s.start()))
                .orElse(null);
    }

    private static double seasonLike(@Nullable SeasonStage one, @Nullable SeasonStage other) {
        if (one == null || other == null) {
            return NEXT_SEASON;
        }
        int stages = SeasonStage.values().length;
        int apart = Math.abs(one.ordinal() - other.ordinal());
        return switch (Math.min(apart, stages - apart)) {
            case 0 -> 1;
            case 1 -> NEXT_SEASON;
            default -> 0;
        };
    }
}
