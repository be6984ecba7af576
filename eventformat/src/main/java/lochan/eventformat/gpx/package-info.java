/** GPX, as plotters write it. */
@NullMarked
package lochan.eventformat.gpx;

import org.jspecify.annotations.NullMarked;
