/** The one clock of the application, and the demo's that can be set. */
@NullMarked
package lochan.web.clock;

import org.jspecify.annotations.NullMarked;
