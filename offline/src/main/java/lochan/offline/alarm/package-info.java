/** Rings the phone's alarms. */
@NullMarked
package lochan.offline.alarm;

import org.jspecify.annotations.NullMarked;
