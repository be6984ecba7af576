/** How a lure is rigged in a situation, part by part, each with its reason. */
@NullMarked
package lochan.core.lures.rigging;

import org.jspecify.annotations.NullMarked;
