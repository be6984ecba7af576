package lochan.web.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Sky;
import lochan.core.quantity.Count;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import lochan.core.rehearsal.Costs;
import lochan.core.rehearsal.HiddenDay;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Rehearsal;
import lochan.core.rehearsal.Step;
import lochan.offline.bag.Times;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import org.springframework.util.StringUtils;

/** A rehearsed day in words. */
final class RehearsalWords {

    private RehearsalWords() {}

    /** Why something cannot be done. */
    static String refusal(Rehearsal.Refusal refusal) {
        return switch (refusal) {
            case OVER -> "You are back at check-in: this day is over.";
            case NO_WAY -> "Your boat takes no run there in this wind. Wait, or choose another place.";
            case NOWHERE -> "You fish nowhere yet: choose a spot and go there.";
            case LIGHTNING -> "Lightning: go ashore and wait there for its end.";
            case LATE -> "It is past check-in: go back.";
            case UNKNOWN -> "There is no such spot, lure or shelter in this rehearsal: choose another.";
        };
    }

    /**
     * What came of a step.
     *
     * @param day    after it
     * @param before as it was before
     */
    static String told(Step step, Rehearsal day, Rehearsal before, EventData event, HiddenDay hidden) {
        List<String> words = new ArrayList<>();
        if (day.caught().size() > before.caught().size()) {
            Rehearsal.Caught caught = day.caught().getLast();
            words.add("Lightning from " + clock(caught.at(), event) + ": you were on the run for "
                    + minutes(caught.time()) + " of it.");
        }
        switch (step) {
            case Step.Go g -> {
                words.add("At " + PlanWords.cell(g.cell(), event) + ".");
                if (!g.cell().spotId().equals(spot(before))
                        && hidden.isOccupied(g.cell().spotId())) {
                    words.add("Another boat was here first.");
                }
            }
            case Step.Fish f -> fished(words, day, before, event);
            case Step.Wait w -> words.add("You waited.");
            case Step.Ashore a ->
                words.add("You waited at " + RunWords.place(a.shelter(), event) + " until " + clock(day.now(), event)
                        + ".");
            case Step.Home h ->
                words.add(
                        day.lateMinutes() > 0
                                ? "Back at " + clock(day.now(), event) + ", " + minutesLate(day.lateMinutes())
                                        + " late."
                                : "Back at " + clock(day.now(), event) + ", in time.");
        }
        return String.join(" ", words);
    }

    private static String spot(Rehearsal day) {
        Cell fishing = day.fishing();
        return fishing == null ? "" : fishing.spotId();
    }

    private static void fished(List<String> words, Rehearsal day, Rehearsal before, EventData event) {
        List<Entry> came =
                day.entries().subList(before.entries().size(), day.entries().size());
        long landed = came.stream().filter(e -> e instanceof Entry.Catch).count();
        long lost = came.size() - landed;
        words.add(minutes(Duration.between(before.now(), day.now())) + ": "
                + (came.isEmpty()
                        ? "no bite."
                        : landed == 0
                                ? Count.of(lost, "bite") + ", none landed."
                                : landed + " landed" + (lost == 0 ? "." : ", " + lost + " lost.")));
        if (day.lightning(day.now()).isPresent()) {
            words.add("Lightning at " + clock(day.now(), event) + ": fishing stops. Go ashore.");
        } else if (day.isLate()) {
            words.add("Check-in is now: fishing is over.");
        }
    }

    /** The weather as it is, as "Wind 9 mph from SW, cloudy"; empty: the forecast says nothing of it. */
    static String weather(EventData actual, Instant now, Units units) {
        ForecastPeriod period =
                actual.forecast().stream().filter(p -> p.holds(now)).findFirst().orElse(null);
        if (period == null) {
            return "";
        }
        List<String> words = new ArrayList<>();
        if (period.windMps() != null) {
            String from = period.windFromDeg() == null ? "" : " from " + DirectionText.words(period.windFromDeg());
            words.add("wind " + units.speed(period.windMps()) + from);
        }
        if (period.gustMps() != null) {
            words.add("gusts " + units.speed(period.gustMps()));
        }
        if (period.sky() != null) {
            words.add(
                    period.sky() == Sky.PARTLY ? "partly cloudy" : period.sky().code());
        }
        if (Boolean.TRUE.equals(period.lightning())) {
            words.add("lightning");
        }
        return StringUtils.capitalize(String.join(", ", words));
    }

    /** What a choice cost. */
    static String cost(Costs.Cost cost, EventData event, Units units) {
        return clock(cost.from(), event) + " to " + clock(cost.to(), event)
                + (cost.chosen() == null ? " not fishing" : " at " + PlanWords.cell(cost.chosen(), event)) + ": "
                + PlanWords.cell(cost.better(), event) + " was worth "
                + weight(cost.grams(), units) + " more.";
    }

    /** What being late cost; empty: nothing. */
    static Optional<String> late(Outcome.Played you, double grams, Units units) {
        return you.lateMinutes() > 0
                ? Optional.of(minutesLate(you.lateMinutes()) + " late at check-in: by your rules it cost "
                        + weight(grams - you.grams(), units) + ".")
                : Optional.empty();
    }

    /** A small weight without its pounds, as "9 oz". */
    static String weight(double grams, Units units) {
        String signed = PlanWords.difference(grams, units, "nothing");
        return signed.startsWith("+") ? signed.substring(1) : signed;
    }

    /** Lightning on the water. */
    static String caught(Rehearsal.Caught caught, EventData event) {
        return "Lightning began at " + clock(caught.at(), event) + " and found you on the water for "
                + minutes(caught.time())
                + ". Leave for shelter half an hour before the forecast has it, and at the first thunder.";
    }

    static String minutesLate(double minutes) {
        return (long) Math.ceil(minutes) + " min";
    }

    static String minutes(Duration time) {
        return Math.max(1, Math.round(time.toSeconds() / 60.0)) + " min";
    }

    /** As "3.2". */
    static String perHour(double bites) {
        return String.format(Locale.ROOT, "%.1f", bites);
    }

    static String clock(Instant time, EventData event) {
        return Times.clock(time, event.timeZone());
    }
}
