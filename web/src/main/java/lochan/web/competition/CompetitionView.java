package lochan.web.competition;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.offline.bag.BagView;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** What the Competition page shows besides the advice; gear is null once the day has begun. */
record CompetitionView(
        EventData data,
        Form form,
        BagView page,
        String boatLog,
        List<String> hazards,
        @Nullable List<String> gear) {}
