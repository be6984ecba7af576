package lochan.core.competition;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Penalties;
import lochan.core.event.Scoring;
import org.jspecify.annotations.Nullable;

/**
 * What an event comes to over its days, by the rules alone: the director's sheet decides.
 *
 * @param days    one for each competition day
 * @param counted g, or mm in a length event, after penalties, over the days that have something to count; null: none has
 * @param biggest the heaviest fish, g; null: none was weighed
 * @param cut     whether the boat fishes on after the cut; null: there is none, or its place is not known yet
 */
public record EventResult(
        List<Day> days,
        @Nullable Double counted,
        @Nullable Double biggest,
        @Nullable Boolean cut) {

    /**
     * One day.
     *
     * @param brought      g, or mm in a length event, before penalties: the official figure, else the bag's; null: nothing to count
     * @param penalty      what is taken off, g; 0 in a length event
     * @param counted      what is left, never below 0; null: nothing to count
     * @param official     whether the weigh-in has spoken
     * @param disqualified whether the boat was so late that the bag counts nothing
     * @param place        place after the day; null: not told
     */
    public record Day(
            int number,
            @Nullable Double brought,
            double penalty,
            @Nullable Double counted,
            boolean official,
            boolean disqualified,
            @Nullable Integer place) {}

    public EventResult {
        days = List.copyOf(days);
    }

    public static EventResult of(Event event, BagLog log) {
        List<Day> days = new ArrayList<>();
        IntStream.rangeClosed(1, event.days().size()).forEach(n -> days.add(day(event, log.bag(n), n)));
        boolean any = days.stream().anyMatch(d -> d.counted() != null);
        Double counted = any
                ? Double.valueOf(days.stream()
                        .map(Day::counted)
                        .filter(Objects::nonNull)
                        .mapToDouble(Double::doubleValue)
                        .sum())
                : null;
        Double biggest = IntStream.rangeClosed(1, event.days().size())
                .mapToObj(n -> biggest(log.bag(n)))
                .filter(Objects::nonNull)
                .max(Double::compare)
                .orElse(null);
        return new EventResult(
                days, counted, biggest, cut(event.rules().scoring().cut(), days));
    }

    private static Day day(Event event, Bag bag, int number) {
        boolean byLength = event.rules().format() == Format.LIMIT_LENGTH;
        Entry.Official said = bag.official();
        Double brought = brought(bag, byLength);
        double penalty = byLength ? 0 : penalty(event.rules().penalties(), bag);
        boolean disqualified = said != null
                && said.lateMinutes() != null
                && event.rules().penalties().lateDisqualifyMinutes() != null
                && said.lateMinutes() > 0
                && said.lateMinutes() >= event.rules().penalties().lateDisqualifyMinutes();
        Double counted = brought == null ? null : Double.valueOf(disqualified ? 0 : Math.max(0, brought - penalty));
        return new Day(
                number, brought, penalty, counted, said != null, disqualified, said == null ? null : said.place());
    }

    /** The official figure, else the bag's; null: nothing to count. */
    private static @Nullable Double brought(Bag bag, boolean byLength) {
        Entry.Official said = bag.official();
        if (said != null) {
            Double measured = byLength ? said.mm() : said.grams();
            if (measured != null) {
                return measured;
            }
        }
        if (bag.fish().isEmpty()) {
            return null;
        }
        return byLength ? bag.length().total() : bag.weight().total();
    }

    /**
     * Penalties for what was brought in, g: as given at the weigh-in, else for dead and short fish; a minute begun
     * counts whole.
     */
    private static double penalty(Penalties off, Bag bag) {
        Entry.Official said = bag.official();
        if (said == null) {
            return bag.fish().isEmpty() || bag.totalGrams() == null || bag.netGrams() == null
                    ? 0
                    : bag.totalGrams() - bag.netGrams();
        }
        return each(said.deadFish(), off.deadFishGrams())
                + each(said.shortFish(), off.shortFishGrams())
                + each(said.overLimit(), off.overLimitGrams())
                + (said.lateMinutes() == null || off.lateGramsPerMinute() == null
                        ? 0
                        : Math.ceil(said.lateMinutes()) * off.lateGramsPerMinute());
    }

    private static double each(@Nullable Integer fish, @Nullable Double grams) {
        return fish == null || grams == null ? 0 : fish * grams;
    }

    private static @Nullable Double biggest(Bag bag) {
        Double told = bag.official() == null ? null : bag.official().biggestGrams();
        return told != null
                ? told
                : bag.fish().stream()
                        .map(Fish::grams)
                        .filter(Objects::nonNull)
                        .max(Double::compare)
                        .orElse(null);
    }

    private static @Nullable Boolean cut(Scoring.@Nullable Cut cut, List<Day> days) {
        if (cut == null || cut.afterDay() > days.size()) {
            return null;
        }
        Integer place = days.get(cut.afterDay() - 1).place();
        return place == null ? null : Boolean.valueOf(place <= cut.places());
    }
}
