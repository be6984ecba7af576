/** Depths of a lake: grids, lines of one depth, and what they are made of. */
@NullMarked
package lochan.core.lake.depth;

import org.jspecify.annotations.NullMarked;
