package lochan.web.competition;

import lochan.core.eventdata.EventData;
import lochan.offline.bag.BagView;
import lochan.offline.form.Form;

/**
 * What the Competition page shows.
 *
 * @param freshCode for the entry of a form; each form adds its own ending
 */
record CompetitionView(EventData data, Form form, BagView page, String freshCode) {}
