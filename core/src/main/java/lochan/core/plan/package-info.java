/** A plan for a competition day. */
@NullMarked
package lochan.core.plan;

import org.jspecify.annotations.NullMarked;
