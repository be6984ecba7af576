/** The competition day: the append-only log and what it says to do. */
@NullMarked
package lochan.web.competition;

import org.jspecify.annotations.NullMarked;
