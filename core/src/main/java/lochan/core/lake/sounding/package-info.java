/** Depths that the angler's own sonar measured: cleaned, and made into a grid that knows where it rests on them. */
@NullMarked
package lochan.core.lake.sounding;

import org.jspecify.annotations.NullMarked;
