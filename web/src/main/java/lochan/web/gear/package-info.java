/** Lures, rods, box and notebook as data, and the rods chosen for a plan: what other features ask of tackle. */
@NullMarked
package lochan.web.gear;

import org.jspecify.annotations.NullMarked;
