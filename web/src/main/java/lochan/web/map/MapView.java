package lochan.web.map;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.structure.Candidate;
import lochan.offline.form.Form;

/** What the Map page shows; without a lake, what can be imported. */
@RecordBuilder
record MapView(
        EventData data,
        double straightRunFactor,
        Candidate.Kind[] kinds,
        Form form,
        LakeMap map,
        String deepest,
        double deepestWhole,
        List<Suggestion> suggestions,
        List<String> broken) {}
