package lochan.web.gear;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.CarriedRate;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.web.eventbook.DayMoves;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Codes;
import lochan.web.shared.NotThereException;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The notebooks of events. */
@Service
@Order(EventPart.REST)
public class Notebooks implements EventPart {

    private final NotebookRepository repository;
    private final Tackles tackles;
    private final Clock clock;

    Notebooks(NotebookRepository repository, Tackles tackles, Clock clock) {
        this.tackles = tackles;
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        event.notebook(notebook(key).at(event.spotIds()));
    }

    @Override
    public EventData withAccount(EventKey key, EventData event) {
        Notebook.Priors priors = event.notebook().priors();
        return !priors.byAdvice()
                ? event
                : event.withNotebook(event.notebook()
                        .withPriors(priors.by(tackles.lures(key.accountId()), tackles.weights(key.accountId()))));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        add(key, event.notebook());
    }

    /** As it was kept; the sheets that rules go by are not in it. */
    public Notebook notebook(EventKey key) {
        return repository.notebook(key);
    }

    @Override
    public String onDays(EventKey key, DayMoves moves) {
        int fish = (int) notebook(key).fish().stream()
                .filter(f -> f.nextVisit() != null && moves.at(f.nextVisit()).isPresent())
                .count();
        return fish == 0 ? "" : "the time to go back to " + fish + " known fish";
    }

    @Override
    @EventWrite
    public void move(EventKey key, DayMoves moves) {
        for (KnownFish f : notebook(key).fish()) {
            Instant visit = f.nextVisit();
            if (visit != null) {
                moves.at(visit)
                        .ifPresent(by -> repository.put(
                                key,
                                KnownFishBuilder.builder(f)
                                        .nextVisit(moves.shifted(visit, by))
                                        .build()));
            }
        }
    }

    /** Adds a whole one to a new event. */
    @EventWrite
    public void add(EventKey key, Notebook notebook) {
        notebook.fish().forEach(f -> repository.put(key, f));
        notebook.trials().forEach(t -> repository.add(key, t));
        notebook.changes().forEach(c -> repository.add(key, c));
        repository.setCarried(key, notebook.carried());
        repository.setPriors(key, notebook.priors());
    }

    /** @throws NotThereException when the event knows no such fish */
    public KnownFish fish(EventKey key, String code) {
        return notebook(key).fish().stream()
                .filter(f -> f.id().equals(code))
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    /** @throws NotThereException when the event has no such trial */
    public Trial trial(EventKey key, String code) {
        return notebook(key).trials().stream()
                .filter(t -> t.id().equals(code))
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    @EventWrite
    public void put(EventKey key, KnownFish fish) {
        repository.put(key, fish);
    }

    /** Adds a try for a fish, once for its code, and settles when to come back. */
    @EventWrite
    public void tried(EventKey key, KnownFish fish, String code, KnownFish.Try tried, @Nullable Instant next) {
        repository.addTry(key, fish.id(), code, tried);
        repository.put(key, fish.tried(tried, next));
    }

    @EventWrite
    public void setTryDeleted(EventKey key, String fish, String code, boolean deleted) {
        there(repository.setTryDeleted(key, fish, code, deleted ? clock.instant() : null));
    }

    @EventWrite
    public void add(EventKey key, Trial trial) {
        repository.add(key, trial);
    }

    @EventWrite
    public void addRound(EventKey key, String trial, String code, Trial.Round round) {
        repository.addRound(key, trial, code, round);
    }

    @EventWrite
    public void setRoundDeleted(EventKey key, String trial, String code, boolean deleted) {
        there(repository.setRoundDeleted(key, trial, code, deleted ? clock.instant() : null));
    }

    @EventWrite
    public void add(EventKey key, SetupChange change) {
        repository.add(key, change);
    }

    @EventWrite
    public void delete(NotebookKind kind, EventKey key, String code) {
        there(repository.setDeleted(kind, key, code, clock.instant()));
    }

    @EventWrite
    public void restore(NotebookKind kind, EventKey key, String code) {
        there(repository.setDeleted(kind, key, code, null));
    }

    private static void there(boolean found) {
        if (!found) {
            throw new NotThereException();
        }
    }

    public String freshCode(NotebookKind kind, EventKey key, String name) {
        return Codes.of(name, c -> repository.isTaken(kind, key, c));
    }

    @EventWrite
    public void carry(EventKey key, List<CarriedRate> carried) {
        repository.setCarried(key, carried);
    }

    @EventWrite
    public void changePriors(EventKey key, boolean onAdvice, boolean onHistory) {
        repository.setPriors(
                key,
                new Notebook.Priors(onAdvice, onHistory, notebook(key).priors().finer()));
    }

    /** Lets a split of practice into rates, or takes it out again. */
    @EventWrite
    public void letIn(EventKey key, String split, boolean in) {
        Notebook.Priors now = notebook(key).priors();
        List<String> finer = new ArrayList<>(now.finer());
        finer.remove(split);
        if (in) {
            finer.add(split);
        }
        repository.setPriors(key, new Notebook.Priors(now.byAdvice(), now.byHistory(), finer));
    }

    /** Codes of what is packed or checked. */
    public List<String> packed(EventKey key) {
        return repository.packed(key);
    }

    @EventWrite
    public void pack(EventKey key, String code, boolean isPacked) {
        List<String> packed = new ArrayList<>(repository.packed(key));
        packed.remove(code);
        if (isPacked) {
            packed.add(code);
        }
        repository.setPacked(key, packed);
    }

    @EventWrite
    public void unpackAll(EventKey key) {
        repository.setPacked(key, List.of());
    }
}
