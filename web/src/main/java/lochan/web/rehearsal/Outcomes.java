package lochan.web.rehearsal;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.CancellationException;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Rehearsal;
import lochan.web.competition.BoatPacks;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.BackgroundComputation;
import org.springframework.stereotype.Service;

/** Lets the others play a rehearsed day once it is over, in the background; what came of it is kept for good. */
@Service
class Outcomes {

    private final Rehearsals rehearsals;
    private final BoatPacks packs;
    private final BackgroundComputation<OfRehearsal, Outcome> computation =
            new BackgroundComputation<>("rehearsals", OfRehearsal::key);

    Outcomes(Rehearsals rehearsals, BoatPacks packs) {
        this.rehearsals = rehearsals;
        this.packs = packs;
    }

    record OfRehearsal(EventKey key, long id) {}

    /** How far it is; begins where nothing was begun. */
    BackgroundComputation.State<Outcome> of(EventKey key, StoredRehearsal of) {
        return computation.open(
                new OfRehearsal(key, of.id()), of.steps(), Outcome.OTHERS, progress -> compute(key, of, progress));
    }

    /** Begins again after a failure. */
    void again(EventKey key, StoredRehearsal of) {
        computation.begin(
                new OfRehearsal(key, of.id()), of.steps(), Outcome.OTHERS, progress -> compute(key, of, progress));
    }

    private Outcome compute(EventKey key, StoredRehearsal of, BackgroundComputation.Progress<Outcome> progress) {
        var day = rehearsals.opened(key, of).day();
        Rehearsal you = day.after(of.steps());
        Outcome outcome = Outcome.of(day, you, packs.effort(), done -> {
            if (!progress.goOn(done)) {
                throw new CancellationException("no reader waits");
            }
        });
        rehearsals.end(key, of.id(), outcome);
        return outcome;
    }

    @PreDestroy
    void end() {
        computation.close();
    }
}
