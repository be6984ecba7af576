/** The path of a lure on a cast. */
@NullMarked
package lochan.core.lures.path;

import org.jspecify.annotations.NullMarked;
