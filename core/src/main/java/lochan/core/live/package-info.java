/** The competition day as it goes: stay or go, how it is likely to end, triggers of the plan that have fired. */
@NullMarked
package lochan.core.live;

import org.jspecify.annotations.NullMarked;
