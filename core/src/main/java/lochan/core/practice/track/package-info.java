/** A recorded track cut into stops and runs. */
@NullMarked
package lochan.core.practice.track;

import org.jspecify.annotations.NullMarked;
