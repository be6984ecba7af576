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

/** The contents of the page of a lure's path; without a spot, the event alone. */
@RecordBuilder
record PathView(
        EventData data,
        @Nullable PathDrawing drawing,
        @Nullable String aboveFish,
        @Nullable List<PathController.Row> rows,
        @Nullable Form form,
        @Nullable String freshCode,
        @Nullable Spot spot,
        @Nullable String at,
        int day,
        @Nullable Lure lure,
        @Nullable List<String> others,
        @Nullable List<Lure> lures,
        @Nullable List<Rod> rods,
        @Nullable Map<String, String> retrieves,
        @Nullable List<PathController.ObservationLine> observations,
        @Nullable String ownFactor,
        boolean diver,
        boolean sinker,
        @Nullable String firstLine) {}
