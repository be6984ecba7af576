/** The weather forecast of an event. */
@NullMarked
package lochan.web.weather;

import org.jspecify.annotations.NullMarked;
