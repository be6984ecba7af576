package lochan.web.map;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.structure.Candidate;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** What the Map page shows; without a lake, what can be imported. */
@RecordBuilder
record MapView(
        EventData data,
        double straightRunFactor,
        Candidate.Kind[] kinds,
        Form form,
        @Nullable LakeMap map,
        @Nullable String deepest,
        double deepestWhole,
        @Nullable List<Suggestion> suggestions,
        @Nullable List<String> broken) {}
