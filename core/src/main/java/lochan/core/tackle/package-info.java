/** Lures, rods and what is in the box. */
@NullMarked
package lochan.core.tackle;

import org.jspecify.annotations.NullMarked;
