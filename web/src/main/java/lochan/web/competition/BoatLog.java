package lochan.web.competition;

import java.time.Instant;
import java.util.List;
import lochan.core.competition.Entry;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileWriter;
import lochan.eventformat.PackWriter;
import lochan.offline.bag.Names;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;

/**
 * Gives the page in the boat all it needs to keep the bag without a signal: event, log, names, units and the server's
 * time.
 */
@Component
public class BoatLog {

    private final CompetitionLog log;

    BoatLog(CompetitionLog log) {
        this.log = log;
    }

    /** @param event its outline will do */
    ObjectNode node(EventData event, List<Entry> entries, Units units) {
        return node(event.event(), Names.in(event), log.shown(entries), units, log.now());
    }

    /** @param now the time that it is known at */
    public ObjectNode node(Event event, Names names, List<Entry> entries, Units units, Instant now) {
        ObjectNode node = EventFileWriter.log(event, entries);
        node.set("units", PackWriter.units(units));
        ObjectNode called = node.putObject("names");
        names.spots().forEach(called.putObject("spots")::put);
        names.presentations().forEach(called.putObject("presentations")::put);
        return node.put("now", now.toEpochMilli());
    }
}
