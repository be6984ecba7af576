/** The rules, days and boat of an event. */
@NullMarked
package lochan.core.event;

import org.jspecify.annotations.NullMarked;
