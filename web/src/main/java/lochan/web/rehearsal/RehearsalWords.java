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
import lochan.wording.Wording;
import org.springframework.util.StringUtils;

/** A rehearsed day in words. */
final class RehearsalWords {

    private RehearsalWords() {}

    /** Why something cannot be done. */
    static String refusal(Rehearsal.Refusal refusal) {
        return switch (refusal) {
            case OVER -> Wording.text("rehearsal.over");
            case NO_WAY -> Wording.text("rehearsal.no-way");
            case NOWHERE -> Wording.text("rehearsal.nowhere");
            case LIGHTNING -> Wording.text("rehearsal.lightning");
            case LATE -> Wording.text("rehearsal.late");
            case UNKNOWN -> Wording.text("rehearsal.unknown");
        };
    }

    /**
     * What came of a step.
     *
     * @param day    after it
     * @param before before
     */
    static String told(Step step, Rehearsal day, Rehearsal before, EventData event, HiddenDay hidden) {
        List<String> words = new ArrayList<>();
        if (day.caught().size() > before.caught().size()) {
            Rehearsal.Caught caught = day.caught().getLast();
            words.add(Wording.text("rehearsal.caught", clock(caught.at(), event), minutes(caught.time())));
        }
        switch (step) {
            case Step.Go g -> {
                words.add(Wording.text("rehearsal.at", PlanWords.cell(g.cell(), event)));
                if (!g.cell().spotId().equals(spot(before))
                        && hidden.isOccupied(g.cell().spotId())) {
                    words.add(Wording.text("rehearsal.occupied"));
                }
            }
            case Step.Fish f -> fished(words, day, before, event);
            case Step.Wait w -> words.add(Wording.text("rehearsal.waited"));
            case Step.Ashore a ->
                words.add(Wording.text(
                        "rehearsal.waited-at", RunWords.place(a.shelter(), event), clock(day.now(), event)));
            case Step.Home h ->
                words.add(
                        day.lateMinutes() > 0
                                ? Wording.text(
                                        "rehearsal.back-late", clock(day.now(), event), minutesLate(day.lateMinutes()))
                                : Wording.text("rehearsal.back", clock(day.now(), event)));
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
        words.add(bites(minutes(Duration.between(before.now(), day.now())), landed, lost));
        if (day.lightning(day.now()).isPresent()) {
            words.add(Wording.text("rehearsal.lightning-now", clock(day.now(), event)));
        } else if (day.isLate()) {
            words.add(Wording.text("rehearsal.check-in-now"));
        }
    }

    private static String bites(String time, long landed, long lost) {
        if (landed == 0) {
            return Wording.text(lost == 0 ? "rehearsal.no-bite" : "rehearsal.none-landed", time, lost);
        }
        return Wording.text(lost == 0 ? "rehearsal.landed" : "rehearsal.landed-and-lost", time, landed, lost);
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
