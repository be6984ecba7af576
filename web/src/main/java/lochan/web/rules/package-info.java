/** Events and their events. */
@NullMarked
package lochan.web.rules;

import org.jspecify.annotations.NullMarked;
