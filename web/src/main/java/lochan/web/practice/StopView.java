package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Outcome;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The contents of the page of a stop logged or changed afterwards; stop is null for a new one. */
@RecordBuilder
record StopView(
        EventData data,
        @Nullable String stop,
        Form form,
        Choices choices,
        Outcome[] outcomes,
        String freshCode,
        List<String> retrieves,
        @Nullable String light,
        List<PracticeController.BiteRow> bites) {}
