/** What the phone rings for. */
@NullMarked
package lochan.offline.alarm;

import org.jspecify.annotations.NullMarked;
