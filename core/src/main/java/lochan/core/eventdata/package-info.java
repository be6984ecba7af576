/** An event with all that is known of it. */
@NullMarked
package lochan.core.eventdata;

import org.jspecify.annotations.NullMarked;
