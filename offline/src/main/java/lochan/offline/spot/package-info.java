/** Places as forms give them. */
@NullMarked
package lochan.offline.spot;

import org.jspecify.annotations.NullMarked;
