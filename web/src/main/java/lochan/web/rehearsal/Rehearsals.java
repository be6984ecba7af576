package lochan.web.rehearsal;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.plan.Plan;
import lochan.core.planning.backups.Backups;
import lochan.core.rehearsal.ActualWeather;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Rehearsal;
import lochan.core.rehearsal.RehearsedDay;
import lochan.core.rehearsal.Step;
import lochan.eventformat.PackWriter;
import lochan.offline.pack.Pack;
import lochan.web.competition.BoatPacks;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.DayModels;
import lochan.web.plan.PlanBackups;
import lochan.web.plan.PlanPage;
import lochan.web.plan.StoredPlan;
import lochan.web.shared.Kept;
import lochan.web.shared.NotThereException;
import org.springframework.stereotype.Service;
import tools.jackson.databind.node.ObjectNode;

/** Rehearsals of an event: each keeps what was known when it began and what is true of its day, so that it stays the same day whatever practice brings later. */
@Service
class Rehearsals {

    /** Numbers of drawn days: short enough to say to a partner. */
    static final int MOST_NUMBER = 99_999;

    private static final int KEPT = 6;
    /** A rehearsal's days are the model's own. */
    private static final double UNCALIBRATED = 1;

    private final RehearsalRepository repository;
    private final DayModels dayModels;
    private final BoatPacks packs;
    private final PlanBackups backups;
    private final Clock clock;
    private final Kept<Long, Opened> opened = new Kept<>(KEPT);

    Rehearsals(RehearsalRepository repository, DayModels dayModels, BoatPacks packs, PlanBackups backups, Clock clock) {
        this.repository = repository;
        this.dayModels = dayModels;
        this.packs = packs;
        this.backups = backups;
        this.clock = clock;
    }

    /**
     * The day of a rehearsal.
     *
     * @param pack  what was known of it, as a phone takes it along
     * @param known the same, read
     */
    record Opened(ObjectNode pack, Pack known, RehearsedDay day) {}

    /** Draws a day around a plan. It takes a second: the event is not held for it. */
    RehearsalRepository.Basis draw(EventKey key, EventData event, StoredPlan stored, int number) {
        Plan plan = PlanPage.kept(stored.plan(), event);
        EventData known =
                event.toBuilder().plans(List.of(plan)).competition(List.of()).build();
        EventData actual = known.toBuilder()
                .forecast(ActualWeather.of(event.forecast(), number))
                .build();
        Backups.Ladder ladder = backups.state(key, stored.id(), event, plan)
                .map(BackgroundComputation.State::result)
                .orElseGet(() -> new Backups.Ladder(null, List.of()));
        FittedDayModel model = dayModels.of(key, event, plan.day());
        FittedDayModel itsModel = new FittedDayModel(
                event.toBuilder().forecast(actual.forecast()).build(), plan.day(), Assumptions.DEFAULTS);
        return new RehearsalRepository.Basis(
                pack(key, known, plan.day(), model, ladder), pack(key, actual, plan.day(), itsModel, ladder));
    }

    private ObjectNode pack(EventKey key, EventData event, int day, FittedDayModel model, Backups.Ladder ladder) {
        return packs.of(
                key, event, clock.instant(), List.of(new PackWriter.Day(day, model.numbers(), ladder)), UNCALIBRATED);
    }

    /** Begins a day that was drawn. */
    @EventWrite
    long begin(EventKey key, Plan plan, int number, boolean advice, RehearsalRepository.Basis basis) {
        return repository.add(key, plan.day(), plan.name(), number, advice, clock.instant(), basis);
    }

    StoredRehearsal stored(EventKey key, long id) {
        return repository.find(key, id).orElseThrow(NotThereException::new);
    }

    List<StoredRehearsal> all(EventKey key) {
        return repository.all(key);
    }

    /** Starts the day again from its beginning. */
    @EventWrite
    long again(EventKey key, long id) {
        return repository.addAgain(key, stored(key, id), clock.instant());
    }

    /** What a rehearsal rests on. */
    Opened opened(EventKey key, StoredRehearsal of) {
        return opened.get(of.id(), key, () -> {
            RehearsalRepository.Basis basis = repository.basis(key, of.id()).orElseThrow(NotThereException::new);
            Pack known = Pack.read(new NodeFields(basis.known()));
            Pack actual = Pack.read(new NodeFields(basis.actual()));
            return new Opened(
                    (ObjectNode) basis.known(),
                    known,
                    new RehearsedDay(
                            model(known, of.day()),
                            known.runs(),
                            model(actual, of.day()),
                            actual.runs(),
                            known.event().planOf(of.day()),
                            of.number()));
        });
    }

    private static DayModel model(Pack pack, int day) {
        return pack.day(day).orElseThrow(NotThereException::new).model();
    }

    /**
     * What came of a step.
     *
     * @param refusal why it could not be taken; empty: it was
     * @param stale   whether others had been taken meanwhile, in another window: it was not
     */
    record Taken(Optional<Rehearsal.Refusal> refusal, boolean stale) {}

    /** @param before steps that were taken when it was decided */
    @EventWrite
    Taken take(EventKey key, StoredRehearsal of, Step step, int before) {
        if (of.steps().size() != before) {
            return new Taken(Optional.empty(), true);
        }
        Optional<Rehearsal.Refusal> refusal =
                opened(key, of).day().after(of.steps()).take(step);
        if (refusal.isPresent()) {
            return new Taken(refusal, false);
        }
        List<Step> steps = new ArrayList<>(of.steps());
        steps.add(step);
        return new Taken(Optional.empty(), !repository.take(key, of.id(), steps, before));
    }

    @EventWrite
    void showAdvice(EventKey key, StoredRehearsal of, boolean shown) {
        repository.showAdvice(key, of.id(), shown);
    }

    @EventWrite
    void end(EventKey key, long id, Outcome outcome) {
        repository.end(key, id, outcome);
    }

    @EventWrite
    void delete(EventKey key, long id) {
        if (!repository.setDeleted(key, stored(key, id).id(), clock.instant())) {
            throw new NotThereException();
        }
    }

    @EventWrite
    void restore(EventKey key, long id) {
        if (!repository.setDeleted(key, id, null)) {
            throw new NotThereException();
        }
    }

    Instant now() {
        return clock.instant();
    }
}
