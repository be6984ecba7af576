package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** The contents of the page of lure advice; without a spot, its choices alone. */
@RecordBuilder
record LureAdviceView(
        EventData data,
        Map<String, Map<String, String>> choices,
        @Nullable List<LurePick> picks,
        @Nullable List<LureAdviceRow> rows,
        @Nullable Form form,
        @Nullable String situationWords,
        @Nullable Spot spot,
        @Nullable String at,
        int day,
        @Nullable Map<String, String> times,
        boolean all,
        boolean changed,
        @Nullable List<LureAdviceController.Order> orders) {}
