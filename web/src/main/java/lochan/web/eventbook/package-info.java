/** The whole of an event out of the features' records, its import and its export. */
@NullMarked
package lochan.web.eventbook;

import org.jspecify.annotations.NullMarked;
