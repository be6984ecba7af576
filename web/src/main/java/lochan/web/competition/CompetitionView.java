package lochan.web.competition;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.offline.bag.BagView;
import lochan.offline.form.Form;

/**
 * The contents of the Competition page.
 *
 * @param cautions  what the forecast holds in what is left of the day shown, and where its plan waits
 * @param freshCode for the entry of a form; each form adds its own ending
 */
record CompetitionView(EventData data, Form form, BagView page, List<String> cautions, String freshCode) {

    CompetitionView {
        cautions = List.copyOf(cautions);
    }
}
