/** A competition day under way: whether to stay or move, how it is likely to end, what to watch, in words. */
@NullMarked
package lochan.offline.plan;

import org.jspecify.annotations.NullMarked;
