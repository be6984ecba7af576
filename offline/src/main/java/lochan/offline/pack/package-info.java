/** What a phone takes along of an event. */
@NullMarked
package lochan.offline.pack;

import org.jspecify.annotations.NullMarked;
