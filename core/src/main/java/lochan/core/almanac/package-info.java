/** Sun and moon. */
@NullMarked
package lochan.core.almanac;

import org.jspecify.annotations.NullMarked;
