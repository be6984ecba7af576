package lochan.web.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Count;
import lochan.web.eventbook.DayMoves;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.PhoneChangesTaken;
import lochan.web.shared.NotThereException;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The plans of an event. */
@Service
@Order(EventPart.REST)
public class Plans implements EventPart {

    private final PlanRepository repository;
    private final PhoneChangesTaken phoneChanges;
    private final Clock clock;

    Plans(PlanRepository repository, PhoneChangesTaken phoneChanges, Clock clock) {
        this.phoneChanges = phoneChanges;
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        Set<String> spots = event.spotIds();
        // The plan that is followed comes first of its day, here and in the event's file.
        List<StoredPlan> plans = stored(key);
        Set<Long> followed = followed(plans);
        event.plans(plans.stream()
                .sorted(Comparator.comparing(p -> !followed.contains(p.id())))
                .map(p -> p.plan().at(spots::contains))
                .toList());
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        Set<Integer> days = new HashSet<>();
        for (Plan plan : event.plans()) {
            long id = repository.add(key, plan);
            if (!plan.stops().isEmpty() && days.add(plan.day())) {
                repository.follow(key, id, afterAllMarks(key));
            }
        }
    }

    /** The plans that their days are fished by, by their ids. */
    static Set<Long> followed(List<StoredPlan> plans) {
        return plans.stream()
                .map(p -> followed(plans, p.plan().day()))
                .filter(Objects::nonNull)
                .map(StoredPlan::id)
                .collect(Collectors.toSet());
    }

    /** The plan of a day that is followed: the one marked last, else the newest with stops; null: none has any. */
    static @Nullable StoredPlan followed(List<StoredPlan> plans, int day) {
        return plans.stream()
                .filter(p -> p.plan().day() == day && !p.plan().stops().isEmpty())
                .max(Comparator.comparing(StoredPlan::followedAt, Comparator.nullsFirst(Comparator.naturalOrder()))
                        .thenComparing(StoredPlan::id))
                .orElse(null);
    }

    /** Now, or a little later than the last mark where the clock has been set back since. */
    private Instant afterAllMarks(EventKey key) {
        Instant now = clock.instant();
        return repository
                .lastMarkedAt(key)
                .filter(last -> !last.isBefore(now))
                .map(last -> last.plusMillis(1))
                .orElse(now);
    }

    /** Marks the plan that its day is fished by, and returns the day. */
    @EventWrite
    int follow(EventKey key, long id) {
        int day = stored(key, id).plan().day();
        repository.follow(key, id, afterAllMarks(key));
        return day;
    }

    @Override
    public String onDays(EventKey key, DayMoves moves) {
        long plans = moving(key, moves).size();
        return plans == 0 ? "" : Count.of(plans, "plan");
    }

    private List<StoredPlan> moving(EventKey key, DayMoves moves) {
        return stored(key).stream()
                .filter(p -> !p.plan().stops().isEmpty()
                        && moves.ofDay(p.plan().day()).isPresent())
                .toList();
    }

    @Override
    @EventWrite
    public void move(EventKey key, DayMoves moves) {
        for (StoredPlan p : moving(key, moves)) {
            DayMoves.Move by = moves.ofDay(p.plan().day()).orElseThrow();
            repository.moved(
                    key,
                    p,
                    p.plan().stops().stream()
                            .map(s -> s.during(moves.shifted(s.arrive(), by), moves.shifted(s.leave(), by)))
                            .toList());
        }
    }

    public List<Plan> all(EventKey key) {
        return repository.all(key).stream().map(StoredPlan::plan).toList();
    }

    @EventWrite
    public void add(EventKey key, List<Plan> plans) {
        plans.forEach(p -> repository.add(key, p));
    }

    public List<StoredPlan> stored(EventKey key) {
        return repository.all(key);
    }

    public StoredPlan stored(EventKey key, long id) {
        return repository.all(key).stream()
                .filter(p -> p.id() == id)
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    /** The plan that a day is fished by; null: none. */
    @Nullable
    StoredPlan ofDay(EventKey key, int day) {
        return followed(repository.all(key), day);
    }

    /** A name that no plan of its day has yet: "Balanced", then "Balanced 2"; as much of it as a plan has room for. */
    String freeName(EventKey key, int day, String name) {
        Set<String> taken = new HashSet<>();
        all(key).stream().filter(p -> p.day() == day).map(Plan::name).forEach(taken::add);
        String free = fitting(name, "");
        for (int n = 2; taken.contains(free); n++) {
            free = fitting(name, " " + n);
        }
        return free;
    }

    private static String fitting(String name, String end) {
        return name.substring(0, Math.min(name.length(), EditController.LONGEST_NAME - end.length())) + end;
    }

    /**
     * Puts other stops into the plan that a day is fished by, as a phone planned them; where there is none it is begun. At the desk it can be undone.
     *
     * @param id of the phone's change, which is taken once
     */
    @EventWrite
    public void take(EventKey key, String id, int day, List<PlanStop> stops) {
        if (!phoneChanges.add(key, id)) {
            return;
        }
        StoredPlan now = ofDay(key, day);
        if (now == null) {
            repository.add(key, new Plan(day, null, stops));
        } else {
            change(
                    key,
                    now,
                    "Rest of the day planned again on the water",
                    now.plan().name(),
                    stops);
        }
    }

    @EventWrite
    long add(EventKey key, Plan plan) {
        return repository.add(key, plan);
    }

    /**
     * Changes a plan so that it can be undone; what changes nothing is not kept.
     *
     * @param from  the plan the change was made for
     * @param words what is done
     * @return false, and nothing is done, when the plan is another one meanwhile
     */
    @EventWrite
    boolean change(EventKey key, StoredPlan from, String words, @Nullable String name, List<PlanStop> stops) {
        StoredPlan now = stored(key, from.id());
        if (!now.equals(from)) {
            return false;
        }
        if (!stops.equals(now.plan().stops())
                || !Objects.equals(name, now.plan().name())) {
            repository.change(key, now, words, name, stops);
        }
        return true;
    }

    /** Takes the last change back; gives what it was, null when there is none. */
    @EventWrite
    StoredPlan.@Nullable Change undo(EventKey key, long id) {
        StoredPlan.Change last = stored(key, id).last();
        if (last != null) {
            repository.put(key, id, last.nameBefore(), last.before(), last.ordinal() - 1);
        }
        return last;
    }

    /** Does the change again that was undone last; gives what it was, null when there is none. */
    @EventWrite
    StoredPlan.@Nullable Change redo(EventKey key, long id) {
        StoredPlan.Change undone = stored(key, id).undone();
        if (undone != null) {
            repository.put(key, id, undone.nameAfter(), undone.after(), undone.ordinal());
        }
        return undone;
    }

    @EventWrite
    void delete(EventKey key, long id) {
        stored(key, id);
        repository.setDeleted(key, id, clock.instant());
    }

    @EventWrite
    void restore(EventKey key, long id) {
        if (!repository.setDeleted(key, id, null)) {
            throw new NotThereException();
        }
    }
}
