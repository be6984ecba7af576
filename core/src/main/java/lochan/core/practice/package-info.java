/** Stops and bites of practice, with conditions. */
@NullMarked
package lochan.core.practice;

import org.jspecify.annotations.NullMarked;
