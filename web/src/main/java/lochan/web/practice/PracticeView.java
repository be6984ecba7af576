package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The contents of the Practice page; the parts of the stop being fished are null without one. */
@RecordBuilder
record PracticeView(
        EventData data,
        @Nullable LoggedStop open,
        String freshCode,
        List<PracticeDay> days,
        List<PracticeDay> earlier,
        Hooks[] hooks,
        Set<String> fishedLast,
        Form pad,
        String light,
        @Nullable Set<String> fishedHere,
        Outcome @Nullable [] outcomes,
        @Nullable String follows,
        @Nullable Choices choices,
        @Nullable Form conditions,
        @Nullable Spot openSpot,
        long openSeconds,
        @Nullable List<PracticeController.BiteRow> openBites,
        @Nullable List<String> retrieves,
        @Nullable String conditionWords,
        @Nullable String recordWords,
        @Nullable String noteWords) {}
