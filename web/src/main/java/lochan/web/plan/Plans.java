package lochan.web.plan;

import java.time.Clock;
import java.util.List;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.web.brief.EventKey;
import lochan.web.page.NotThereException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The plans of an event. */
@Service
public class Plans {

    private final PlanRepository repository;
    private final Clock clock;

    Plans(PlanRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    public List<Plan> all(EventKey key) {
        return repository.all(key).stream().map(StoredPlan::plan).toList();
    }

    public void add(EventKey key, List<Plan> plans) {
        plans.forEach(p -> repository.add(key, p));
    }

    List<StoredPlan> stored(EventKey key) {
        return repository.all(key);
    }

    StoredPlan stored(EventKey key, long id) {
        return repository.all(key).stream().filter(p -> p.id() == id).findFirst().orElseThrow(NotThereException::new);
    }

    @Transactional
    long add(EventKey key, Plan plan) {
        return repository.add(key, plan);
    }

    @Transactional
    void replace(EventKey key, long id, String name, List<PlanStop> stops) {
        repository.replace(key, id, name, stored(key, id).plan().stops(), stops);
    }

    /** Takes the last change back; a second time brings it again. */
    @Transactional
    void undo(EventKey key, long id) {
        StoredPlan now = stored(key, id);
        repository.replace(key, id, now.plan().name(), now.plan().stops(), repository.beforeChange(key, id));
    }

    void delete(EventKey key, long id) {
        stored(key, id);
        repository.setDeleted(key, id, clock.instant());
    }

    void restore(EventKey key, long id) {
        if (!repository.setDeleted(key, id, null)) {
            throw new NotThereException();
        }
    }
}
