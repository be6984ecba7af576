package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.offline.form.Form;

/** What the page of lure advice shows; without a spot, its choices alone. */
@RecordBuilder
record LureAdviceView(
        EventData data,
        Map<String, Map<String, String>> choices,
        List<LureAdviceRow> rows,
        Form form,
        String situationWords,
        Spot spot,
        String at,
        int day,
        Map<String, String> times,
        boolean all,
        boolean changed,
        List<LureAdviceController.Order> orders) {}
