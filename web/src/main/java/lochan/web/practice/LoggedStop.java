package lochan.web.practice;

import java.util.List;
import java.util.Map;
import lochan.core.practice.PracticeStop;

/**
 * A stop with the codes of its bites, so that each can be mended.
 *
 * @param entered conditions as they were typed, by field name
 */
record LoggedStop(PracticeStop stop, List<LoggedBite> bites, Map<String, String> entered) { }
