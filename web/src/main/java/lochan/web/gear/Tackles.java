package lochan.web.gear;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import lochan.core.lures.advice.Rule;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Rod;
import lochan.core.tackle.Tackle;
import lochan.eventformat.Catalogue;
import lochan.web.shared.Codes;
import lochan.web.shared.NotThereException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The tackle of each account. */
@Service
public class Tackles {

    private final TackleRepository repository;
    private final Clock clock;

    Tackles(TackleRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /** All of it: the catalogue with the angler's own sheets in their places, own additions after it. */
    @Transactional(readOnly = true)
    public Tackle tackle(long accountId) {
        return new Tackle(
                lures(accountId),
                repository.rods(accountId),
                repository.box(accountId),
                repository.observations(accountId));
    }

    public List<Lure> lures(long accountId) {
        Map<String, Lure> own = new HashMap<>(
                repository.sheets(accountId).stream().collect(Collectors.toMap(Lure::id, Function.identity())));
        List<Lure> lures = new ArrayList<>();
        Catalogue.lures().forEach(l -> lures.add(own.containsKey(l.id()) ? own.remove(l.id()) : l));
        own.values().stream().sorted(java.util.Comparator.comparing(Lure::name)).forEach(lures::add);
        return List.copyOf(lures);
    }

    /** Sheets that are not as they ship. */
    public List<String> ownSheets(long accountId) {
        return repository.sheets(accountId).stream().map(Lure::id).toList();
    }

    /** Weights of the rules of advice that the angler changed. */
    public Map<Rule, Double> weights(long accountId) {
        return repository.weights(accountId);
    }

    @Transactional
    public void setWeights(long accountId, Map<Rule, Double> weights) {
        repository.setWeights(accountId, weights);
    }

    public Rod rod(long accountId, String code) {
        return repository.rods(accountId).stream()
                .filter(r -> r.id().equals(code))
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    public BoxItem item(long accountId, String code) {
        return repository.box(accountId).stream()
                .filter(i -> i.id().equals(code))
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    public Lure lure(long accountId, String code) {
        return lures(accountId).stream().filter(l -> l.isOf(code)).findFirst().orElseThrow(NotThereException::new);
    }

    @Transactional
    public void put(long accountId, Rod rod) {
        repository.put(accountId, rod);
    }

    @Transactional
    public void put(long accountId, BoxItem item) {
        repository.put(accountId, item);
    }

    public void put(long accountId, Lure lure) {
        repository.put(accountId, lure);
    }

    @Transactional
    public void add(long accountId, LureObservation observation) {
        repository.add(accountId, observation);
    }

    public String freshCode(TackleKind kind, long accountId, String name) {
        return Codes.of(
                name,
                c -> repository.isTaken(kind, accountId, c)
                        || (kind == TackleKind.LURE
                                && Catalogue.lures().stream().anyMatch(l -> l.id().equals(c))));
    }

    /** @throws NotThereException when the account has no such thing */
    public void delete(TackleKind kind, long accountId, String code) {
        there(repository.setDeleted(kind, accountId, code, clock.instant()));
    }

    public void restore(TackleKind kind, long accountId, String code) {
        there(repository.setDeleted(kind, accountId, code, null));
    }

    private static void there(boolean found) {
        if (!found) {
            throw new NotThereException();
        }
    }

    /** Adds all of a file; what has the code of something that is there takes its place, what was deleted comes back with it. */
    @Transactional
    public void add(long accountId, Tackle file) {
        file.lures().stream()
                .filter(l -> !Optional.of(l)
                        .equals(Catalogue.lures().stream()
                                .filter(c -> c.id().equals(l.id()))
                                .findFirst()))
                .forEach(l -> repository.put(accountId, l));
        file.rods().forEach(r -> {
            repository.put(accountId, r);
            repository.setDeleted(TackleKind.ROD, accountId, r.id(), null);
        });
        file.box().forEach(i -> {
            repository.put(accountId, i);
            repository.setDeleted(TackleKind.ITEM, accountId, i.id(), null);
        });
        file.observations().forEach(o -> repository.add(accountId, o));
    }
}
