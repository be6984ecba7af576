/** Practice as the phone logs it: changes, what they make of the day's stops, and the screen that shows them. */
@NullMarked
package lochan.offline.practice;

import org.jspecify.annotations.NullMarked;
