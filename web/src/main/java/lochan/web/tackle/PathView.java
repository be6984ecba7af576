package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Rod;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** What the page of a lure's path shows; without a spot, the event alone. */
@RecordBuilder
record PathView(
        EventData data,
        PathDrawing drawing,
        @Nullable String aboveFish,
        List<PathController.Row> rows,
        Form form,
        String freshCode,
        Spot spot,
        String at,
        int day,
        Lure lure,
        List<String> others,
        List<Lure> lures,
        List<Rod> rods,
        Map<String, String> retrieves,
        List<PathController.ObservationLine> observations,
        String ownFactor,
        boolean diver,
        boolean sinker,
        String firstLine) {}
