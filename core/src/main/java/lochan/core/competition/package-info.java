/** The log of a competition day: entries, the livewell, verdicts and results. */
@NullMarked
package lochan.core.competition;

import org.jspecify.annotations.NullMarked;
