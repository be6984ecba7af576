package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The contents of the page of trials; compared is null unless two presentations are compared. */
@RecordBuilder
record TrialView(
        EventData data,
        List<TrialController.Row> rows,
        List<String> signs,
        List<TrialController.LandingLine> landings,
        List<SetupChange> changes,
        ZoneId zone,
        Trial.Subject[] subjects,
        Map<String, String> presentations,
        Form form,
        String freshCode,
        TrialController.@Nullable Row compared,
        @Nullable String first,
        @Nullable String second) {}
