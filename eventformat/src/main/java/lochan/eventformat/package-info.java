/** The event file: reading with every problem named by its JSON pointer, and writing so that nothing is lost. */
@NullMarked
package lochan.eventformat;

import org.jspecify.annotations.NullMarked;
