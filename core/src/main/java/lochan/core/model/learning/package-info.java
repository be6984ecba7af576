/** What trials, seasons and lost fish teach. */
@NullMarked
package lochan.core.model.learning;

import org.jspecify.annotations.NullMarked;
