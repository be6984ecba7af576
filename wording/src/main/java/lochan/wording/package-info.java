/** Turns reasons and values into text by the message files. */
@NullMarked
package lochan.wording;

import org.jspecify.annotations.NullMarked;
