/** Practice cut into slices, and how much each counts for the competition day. */
@NullMarked
package lochan.core.model.evidence;

import org.jspecify.annotations.NullMarked;
