/** Lure advice for a situation, with its reasons. */
@NullMarked
package lochan.core.lures.advice;

import org.jspecify.annotations.NullMarked;
