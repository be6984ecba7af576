package lochan.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code runs}: the quickest runs between launch, check-in and all spots, set-up time not included. */
final class RunsAnswer {

    private static final double SECONDS_PER_MINUTE = 60;

    private RunsAnswer() {}

    static ObjectNode json(EventData event) {
        Runs runs = Runs.of(event.lake(), event.boat(), Assumptions.DEFAULTS.planning());
        List<Position> places = new ArrayList<>(List.of(event.launch(), event.checkInAt()));
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        ArrayNode names = node.putArray("places").add("launch").add("checkIn");
        event.spots().forEach(s -> {
            places.add(s.position());
            names.add(s.id());
        });
        ArrayNode metres = node.putArray("metres");
        ArrayNode minutes = node.putArray("minutes");
        for (Position from : places) {
            ArrayNode ways = metres.addArray();
            ArrayNode times = minutes.addArray();
            for (Position to : places) {
                Optional<Runs.Run> run = runs.between(from, to);
                ways.add(run.map(Runs.Run::metres).orElse(null));
                times.add(run.map(r -> r.time().toMillis() / 1000.0 / SECONDS_PER_MINUTE)
                        .orElse(null));
            }
        }
        return node;
    }
}
