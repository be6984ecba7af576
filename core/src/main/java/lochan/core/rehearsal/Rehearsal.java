package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.competition.EntryOfficialBuilder;
import lochan.core.competition.EventResult;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.eventdata.EventData;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Today;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.runs.Shelter;
import lochan.core.practice.Outcome;
import lochan.core.quantity.Instants;
import org.jspecify.annotations.Nullable;

/**
 * A day that is played: run there, fish a while, see what bites, and be back in time. It keeps a log of its own, of which the bag follows by the event's rules,
 * and knows nothing of the real one. Not for several threads.
 */
public final class Rehearsal {

    /** Lightning that is as near is waited for ashore. */
    private static final Duration SOON = Duration.ofHours(1);

    private static final Duration WAIT = Duration.ofMinutes(15);

    private final EventData actual;
    private final int day;
    private final CompetitionDay hours;
    private final DayRuns runs;
    private final LightningHours lightning;
    private final HiddenDay hidden;
    private final Event event;
    private final List<Entry> entries = new ArrayList<>();
    private final List<Choice> choices = new ArrayList<>();
    private final List<Caught> caught = new ArrayList<>();
    private final BagLog log;
    private Instant now;
    private Position place;
    private @Nullable Cell fishing;
    private @Nullable Instant back;

    /**
     * A choice that was made: to go somewhere, or to fish on.
     *
     * @param state as things stood
     * @param next  where it was fished then; null: nowhere
     * @param until when the next choice came; check-in where the day was ended
     * @param ends  whether it ended the day
     */
    public record Choice(MoveAdvice.State state, @Nullable Cell next, Instant until, boolean ends) {}

    /** Why something cannot be done; nothing happened. */
    public enum Refusal {
        /** The boat is back. */
        OVER,
        /** There is no way by water that the boat takes. */
        NO_WAY,
        /** Nothing was gone to yet. */
        NOWHERE,
        /** Lightning: the boat has to be ashore. */
        LIGHTNING,
        /** It is past the time of check-in: only the way back is left. */
        LATE,
        /** That spot, lure or shelter isn't in the event. */
        UNKNOWN
    }

    /**
     * Lightning that came while the boat was on the water.
     *
     * @param at   when it began
     * @param time that the boat was out in it
     */
    public record Caught(Instant at, Duration time) {}

    /**
     * @param model  what is known of the day
     * @param actual the event with the weather as it comes
     * @param runs   in that weather
     */
    public Rehearsal(DayModel model, EventData actual, DayRuns runs, HiddenDay hidden) {
        this.actual = actual;
        this.day = model.day();
        this.hours = actual.day(day);
        this.runs = runs;
        this.lightning =
                LightningHours.of(actual.forecast(), model.assumptions().planning());
        this.hidden = hidden;
        this.event = asWeighed(actual.event());
        this.log = new BagLog(event);
        this.now = hours.start();
        this.place = actual.launch();
    }

    /** The rules with a scale that tells every difference: nothing goes to the balance. */
    private static Event asWeighed(Event event) {
        Rules r = event.rules();
        return event.withRules(new Rules(
                r.format(), r.limit(), r.targetGrams(), null, r.species(), r.scoring(), r.penalties(), r.gear()));
    }

    public Instant now() {
        return now;
    }

    public @Nullable Cell fishing() {
        return fishing;
    }

    /** Whether the boat is back at check-in. */
    public boolean isOver() {
        return back != null;
    }

    public List<Entry> entries() {
        return List.copyOf(entries);
    }

    /** Every choice of where to fish, or not to, in their order. */
    public List<Choice> choices() {
        return List.copyOf(choices);
    }

    /** Where the boat is. */
    public Position place() {
        return place;
    }

    /** Lightning on the water, in its order. */
    public List<Caught> caught() {
        return List.copyOf(caught);
    }

    /** The event's rules as the rehearsal keeps its log by them. */
    public Event event() {
        return event;
    }

    /** How long the run to check-in takes from here; empty: there is no way by water. */
    public Optional<Duration> wayHome() {
        return wayTo(actual.checkInAt());
    }

    /** How long the run to a place takes from here. */
    public Optional<Duration> wayTo(Position there) {
        return runs.between(place, there, now).map(r -> r.time());
    }

    /** Does what was decided. */
    public Optional<Refusal> take(Step step) {
        return switch (step) {
            case Step.Go g
            when actual.spot(g.cell().spotId()).isEmpty()
                    || actual.presentation(g.cell().presentationId()).isEmpty() -> Optional.of(Refusal.UNKNOWN);
            case Step.Go g -> go(g.cell());
            case Step.Fish f -> fish(Duration.ofMinutes(f.minutes()));
            case Step.Ashore a ->
                Shelter.of(actual).stream()
                        .filter(s -> s.id().equals(a.shelter()))
                        .findFirst()
                        .map(this::shelter)
                        .orElse(Optional.of(Refusal.UNKNOWN));
            case Step.Wait w when back != null -> Optional.of(Refusal.OVER);
            case Step.Wait w -> {
                MoveAdvice.State before = state();
                waitUntil(now.plus(Duration.ofMinutes(w.minutes())));
                choices.add(new Choice(before, null, now, false));
                yield Optional.empty();
            }
            case Step.Home h -> home();
        };
    }

    public Bag bag() {
        return log.bag(day);
    }

    /** Where things stand, as advice is asked for it. */
    public MoveAdvice.State state() {
        return new MoveAdvice.State(now, place, fishing, Today.of(log, day, now), bag());
    }

    /** Lightning hours that a time lies in, as they really are. */
    public Optional<LightningHours.Span> lightning(Instant time) {
        return lightning.within(time, time.plusMillis(1));
    }

    /** Runs to a spot and sets up there, or changes the lure where the boat is. */
    public Optional<Refusal> go(Cell cell) {
        Position there = actual.spot(cell.spotId()).orElseThrow().position();
        if (back != null) {
            return Optional.of(Refusal.OVER);
        }
        Duration way = runs.runAndSetUp(place, there, now).orElse(null);
        if (way == null) {
            return Optional.of(Refusal.NO_WAY);
        }
        Optional<Refusal> ashore = ashore();
        if (ashore.isPresent()) {
            return ashore;
        }
        MoveAdvice.State before = state();
        run(way);
        choices.add(new Choice(before, cell, now, false));
        place = there;
        fishing = cell;
        add(new Entry.Fishing(id(), now, cell.spotId(), cell.presentationId()));
        return Optional.empty();
    }

    /** Why the boat may only go ashore or home; empty: it may fish. */
    private Optional<Refusal> ashore() {
        if (isLate()) {
            return Optional.of(Refusal.LATE);
        }
        return lightning(now).map(s -> Refusal.LIGHTNING);
    }

    /** Whether the time of check-in is past. */
    public boolean isLate() {
        return !now.isBefore(hours.checkIn());
    }

    /** The boat is under way for a time, whatever the sky does. */
    private void run(Duration way) {
        Instant there = now.plus(way);
        lightning.within(now, there).ifPresent(s -> {
            Instant from = Instants.later(s.from(), now);
            Instant to = Instants.earlier(s.to(), there);
            caught.add(new Caught(from, Duration.between(from, to)));
        });
        now = there;
    }

    /** Fishes where the boat is for a while, until lightning comes or fishing ends at the latest. */
    public Optional<Refusal> fish(Duration time) {
        if (back != null) {
            return Optional.of(Refusal.OVER);
        }
        Cell cell = fishing;
        if (cell == null) {
            return Optional.of(Refusal.NOWHERE);
        }
        Optional<Refusal> ashore = ashore();
        if (ashore.isPresent()) {
            return ashore;
        }
        Instant end = Instants.earlier(now.plus(time), hours.checkIn());
        Instant to = lightning.within(now, end).map(LightningHours.Span::from).orElse(end);
        choices.add(new Choice(state(), cell, to, false));
        for (HiddenDay.Bitten b : hidden.fish(cell, now, to)) {
            HiddenDay.Landed fish = b.landed();
            add(
                    fish == null
                            ? new Entry.Bite(id(), b.at(), cell.spotId(), cell.presentationId(), Outcome.LOST, null)
                            : EntryCatchBuilder.builder()
                                    .id(id())
                                    .at(b.at())
                                    .species(fish.species())
                                    .grams(fish.grams())
                                    .mm(fish.mm())
                                    .spotId(cell.spotId())
                                    .presentationId(cell.presentationId())
                                    .alive(true)
                                    .build());
        }
        now = to;
        return Optional.empty();
    }

    /** Runs to a shelter and waits there: until the lightning is over that is or comes within the hour, else a quarter of an hour. */
    public Optional<Refusal> shelter(Shelter at) {
        if (back != null) {
            return Optional.of(Refusal.OVER);
        }
        Duration way = wayTo(at.position()).orElse(null);
        if (way == null) {
            return Optional.of(Refusal.NO_WAY);
        }
        MoveAdvice.State before = state();
        run(way);
        place = at.position();
        if (fishing != null) {
            add(new Entry.Fishing(id(), now, null, null));
        }
        fishing = null;
        now = lightning
                .endingAfter(now)
                .filter(s -> s.from().isBefore(now.plus(SOON)))
                .map(LightningHours.Span::to)
                .orElse(now.plus(WAIT));
        choices.add(new Choice(before, null, now, false));
        return Optional.empty();
    }

    /** Waits where the boat is. */
    public void waitUntil(Instant time) {
        if (back == null && time.isAfter(now)) {
            now = time;
        }
    }

    /** Runs to check-in: the day is over. */
    public Optional<Refusal> home() {
        if (back != null) {
            return Optional.of(Refusal.OVER);
        }
        Duration way = wayHome().orElse(null);
        if (way == null) {
            return Optional.of(Refusal.NO_WAY);
        }
        choices.add(new Choice(state(), null, hours.checkIn(), true));
        run(way);
        place = actual.checkInAt();
        fishing = null;
        back = now;
        double late = lateMinutes();
        add(EntryOfficialBuilder.builder()
                .id(id())
                .at(now)
                .grams(bag().weighedGrams())
                .lateMinutes(late == 0 ? null : Double.valueOf(late))
                .build());
        return Optional.empty();
    }

    /** Minutes past check-in; 0: in time. */
    public double lateMinutes() {
        return Math.max(0, Duration.between(hours.checkIn(), now).toMillis() / 60_000.0);
    }

    /** Returns the day's weight less penalties, g; the bag while the day goes on. */
    public double countedGrams() {
        if (back == null) {
            return bag().weighedGrams();
        }
        Double counted = EventResult.of(event, log).days().get(day - 1).counted();
        return counted == null ? 0 : counted;
    }

    /** Fishes a plan unchanged, whatever bites. What lightning or wind stops is left out. */
    public Rehearsal played(List<PlanStop> plan) {
        for (PlanStop stop : plan) {
            if (go(Cell.of(stop)).isEmpty()) {
                waitUntil(stop.arrive());
                if (stop.leave().isAfter(now)) {
                    fish(Duration.between(now, stop.leave()));
                }
                waitUntil(stop.leave());
            }
        }
        for (Instant last = hours.checkIn().plus(Duration.ofDays(1)); home().isPresent() && now.isBefore(last); ) {
            waitUntil(now.plus(WAIT));
        }
        return this;
    }

    private void add(Entry entry) {
        entries.add(entry);
        log.append(entry).ifPresent(v -> {
            throw new IllegalStateException(entry + ": " + v.reason());
        });
    }

    private String id() {
        return "r" + entries.size();
    }
}
