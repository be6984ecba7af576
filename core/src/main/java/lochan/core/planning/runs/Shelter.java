package lochan.core.planning.runs;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;

/**
 * A place to wait for the end of lightning.
 *
 * @param id of a spot, {@link #LAUNCH} or {@link #CHECK_IN}
 */
public record Shelter(String id, Position position) {

    public static final String LAUNCH = "launch";
    public static final String CHECK_IN = "checkIn";

    /** The launch, check-in where it lies elsewhere, and the spots that the angler marked as shelters. */
    public static List<Shelter> of(EventData event) {
        List<Shelter> all = new ArrayList<>(List.of(new Shelter(LAUNCH, event.launch())));
        if (!event.checkInAt().equals(event.launch())) {
            all.add(new Shelter(CHECK_IN, event.checkInAt()));
        }
        event.spots().stream().filter(Spot::shelter).forEach(s -> all.add(new Shelter(s.id(), s.position())));
        return List.copyOf(all);
    }
}
