/** Spots, and what the electronics showed that may become one. */
@NullMarked
package lochan.web.spot;

import org.jspecify.annotations.NullMarked;
