/** The water: the lake of an event and the runs on it. */
@NullMarked
package lochan.web.map;

import org.jspecify.annotations.NullMarked;
