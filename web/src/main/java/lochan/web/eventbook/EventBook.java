package lochan.web.eventbook;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.lake.Waypoint;
import lochan.core.lake.Spot;
import lochan.web.rules.EventRules;
import lochan.web.rules.EventKey;
import lochan.web.competition.CompetitionLog;
import lochan.web.eventfile.EventFile;
import lochan.web.spot.Waypoints;
import lochan.web.tackle.Notebooks;
import lochan.web.plan.Plans;
import lochan.web.practice.Practice;
import lochan.web.spot.Spots;
import lochan.web.tackle.Tackles;
import lochan.web.map.Lakes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts an event together from its records, and takes it apart into them. */
@Service
public class EventBook {

    private final EventRules eventRules;
    private final Spots spots;
    private final Waypoints waypoints;
    private final Practice practice;
    private final Plans plans;
    private final CompetitionLog competition;
    private final Lakes water;
    private final Notebooks notebooks;
    private final Tackles tackles;

    EventBook(EventRules eventRules, Spots spots, Waypoints waypoints, Practice practice, Plans plans, CompetitionLog competition, Lakes water,
              Notebooks notebooks, Tackles tackles) {
        this.notebooks = notebooks;
        this.tackles = tackles;
        this.water = water;
        this.eventRules = eventRules;
        this.spots = spots;
        this.waypoints = waypoints;
        this.practice = practice;
        this.plans = plans;
        this.competition = competition;
    }

    /** The event as it stands. Stops of a plan at a spot no longer marked are left out. */
    @Transactional(readOnly = true)
    public EventData event(EventKey key) {
        List<Spot> marked = spots.all(key);
        Set<String> codes = marked.stream().map(Spot::id).collect(Collectors.toSet());
        List<Plan> kept = plans.all(key).stream().map(p -> new Plan(p.day(), p.name(),
                p.stops().stream().filter(s -> codes.contains(s.spotId())).toList())).toList();
        List<Waypoint> noted = waypoints.all(key).stream().filter(m -> m.spotId() == null || codes.contains(m.spotId())).toList();
        return new EventData(eventRules.event(key), eventRules.boat(key), eventRules.runs(key), water.lake(key), marked, noted, practice.presentations(key), practice.stops(key),
                practice.forecast(key), kept, competition.entries(key), notebook(key, codes));
    }

    /** The notebook with the sheets that the rules of advice go by, where they may lean rates. */
    private Notebook notebook(EventKey key, Set<String> spotCodes) {
        Notebook notebook = notebooks.notebook(key).at(spotCodes);
        return !notebook.priors().byAdvice() ? notebook
                : notebook.leaning(notebook.priors().by(tackles.lures(key.accountId()), tackles.weights(key.accountId())));
    }

    @Transactional(readOnly = true)
    public EventFile file(EventKey key) {
        return new EventFile(event(key), eventRules.extras(key));
    }

    /** Adds an event whole. */
    @Transactional
    public EventKey add(long accountId, EventFile file) {
        EventData data = file.data();
        EventKey key = eventRules.add(accountId, data.event(), data.boat());
        eventRules.addExtras(key, file.extras());
        water.putLake(key, data.lake());
        eventRules.addRuns(key, data.runs());
        spots.add(key, data.spots());
        waypoints.addAll(key, data.waypoints());
        practice.addPresentations(key, data.presentations());
        practice.addStops(key, data.stops());
        practice.addForecast(key, data.forecast());
        plans.add(key, data.plans());
        competition.addAll(key, data.competition());
        notebooks.add(key, data.notebook());
        return key;
    }
}
