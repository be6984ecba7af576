/** The water, its spots, waypoints and runs. */
@NullMarked
package lochan.core.lake;

import org.jspecify.annotations.NullMarked;
