package lochan.core.planning.search;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.competition.Bag;
import lochan.core.competition.Fish;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.model.scenario.DayModel;

/**
 * Where a day, or what is left of it, begins.
 *
 * @param at   on the grid of plans
 * @param from where the boat is
 * @param bag  fish that are in it
 */
public record DayStart(Instant at, Position from, List<Fish> bag) {

    public DayStart {
        bag = List.copyOf(bag);
    }

    /** The start at the launch with an empty bag. */
    public static DayStart of(DayModel model) {
        return new DayStart(
                model.event().day(model.day()).start(), model.event().launch(), List.of());
    }

    /** The rest of a day, from the next step of the grid on. */
    public static DayStart now(DayModel model, Instant now, Position from, Bag bag) {
        CompetitionDay day = model.event().day(model.day());
        long grid =
                Duration.ofMinutes(model.assumptions().planning().gridMinutes()).toMillis();
        long steps = Math.max(0, Math.ceilDiv(Duration.between(day.start(), now).toMillis(), grid));
        return new DayStart(day.start().plusMillis(steps * grid), from, bag.fish());
    }
}
