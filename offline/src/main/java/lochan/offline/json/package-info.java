/** Objects of the page, read by their fields. */
@NullMarked
package lochan.offline.json;

import org.jspecify.annotations.NullMarked;
