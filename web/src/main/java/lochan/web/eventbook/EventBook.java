package lochan.web.eventbook;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.water.Mark;
import lochan.core.water.Spot;
import lochan.web.brief.Briefs;
import lochan.web.brief.EventKey;
import lochan.web.competition.CompetitionLog;
import lochan.web.eventfile.EventFile;
import lochan.web.spot.Marks;
import lochan.web.notebook.Notebooks;
import lochan.web.plan.Plans;
import lochan.web.practice.Practice;
import lochan.web.spot.Spots;
import lochan.web.tackle.Tackles;
import lochan.web.water.Waters;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts an event together from its records, and takes it apart into them. */
@Service
public class EventBook {

    private final Briefs briefs;
    private final Spots spots;
    private final Marks marks;
    private final Practice practice;
    private final Plans plans;
    private final CompetitionLog competition;
    private final Waters water;
    private final Notebooks notebooks;
    private final Tackles tackles;

    EventBook(Briefs briefs, Spots spots, Marks marks, Practice practice, Plans plans, CompetitionLog competition, Waters water,
              Notebooks notebooks, Tackles tackles) {
        this.notebooks = notebooks;
        this.tackles = tackles;
        this.water = water;
        this.briefs = briefs;
        this.spots = spots;
        this.marks = marks;
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
        List<Mark> noted = marks.all(key).stream().filter(m -> m.spotId() == null || codes.contains(m.spotId())).toList();
        return new EventData(briefs.brief(key), briefs.boat(key), briefs.runs(key), water.lake(key), marked, noted, practice.presentations(key), practice.stops(key),
                practice.forecast(key), kept, competition.entries(key), notebook(key, codes));
    }

    /** The notebook with the sheets that the rules of advice go by, where they may lean rates. */
    private Notebook notebook(EventKey key, Set<String> spotCodes) {
        Notebook notebook = notebooks.notebook(key).at(spotCodes);
        return !notebook.leanings().byAdvice() ? notebook
                : notebook.leaning(notebook.leanings().by(tackles.lures(key.accountId()), tackles.weights(key.accountId())));
    }

    @Transactional(readOnly = true)
    public EventFile file(EventKey key) {
        return new EventFile(event(key), briefs.extras(key));
    }

    /** Adds an event whole. */
    @Transactional
    public EventKey add(long accountId, EventFile file) {
        EventData data = file.data();
        EventKey key = briefs.add(accountId, data.brief(), data.boat());
        briefs.addExtras(key, file.extras());
        water.putLake(key, data.lake());
        briefs.addRuns(key, data.runs());
        spots.add(key, data.spots());
        marks.addAll(key, data.marks());
        practice.addPresentations(key, data.presentations());
        practice.addStops(key, data.stops());
        practice.addForecast(key, data.forecast());
        plans.add(key, data.plans());
        competition.addAll(key, data.competition());
        notebooks.add(key, data.notebook());
        return key;
    }
}
