/** The runs of a competition day: by the wind of the hour, around what is closed to the boat, ashore in lightning. */
@NullMarked
package lochan.core.planning.runs;

import org.jspecify.annotations.NullMarked;
