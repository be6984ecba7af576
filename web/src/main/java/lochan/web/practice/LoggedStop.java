package lochan.web.practice;

import java.util.List;
import lochan.core.practice.PracticeStop;

/** A stop with the codes of its bites, so that each can be corrected. */
public record LoggedStop(PracticeStop stop, List<LoggedBite> bites) {}
