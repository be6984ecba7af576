/** A competition day rehearsed: drawn with a hidden truth, played one decision at a time. */
@NullMarked
package lochan.core.rehearsal;

import org.jspecify.annotations.NullMarked;
