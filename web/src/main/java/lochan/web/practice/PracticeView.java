package lochan.web.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.offline.form.Form;

/** What the Practice page shows; what belongs to the stop being fished is null without one. */
@RecordBuilder
record PracticeView(
        EventData data,
        LoggedStop open,
        String freshCode,
        List<PracticeDay> days,
        List<PracticeDay> earlier,
        Hooks[] hooks,
        Set<String> fishedLast,
        Form pad,
        String light,
        Set<String> fishedHere,
        Outcome[] outcomes,
        String follows,
        Choices choices,
        Form conditions,
        Spot openSpot,
        long openSeconds,
        List<PracticeController.BiteRow> openBites,
        List<String> retrieves,
        String conditionWords,
        String noteWords) {}
