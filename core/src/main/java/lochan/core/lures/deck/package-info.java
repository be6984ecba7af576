/** The rods to rig for a plan, and whether the rules allow them. */
@NullMarked
package lochan.core.lures.deck;

import org.jspecify.annotations.NullMarked;
