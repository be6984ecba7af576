/** Stand-ins for what is outside: a weather service, a boat's instruments, a scale. */
@NullMarked
package lochan.instruments.standin;

import org.jspecify.annotations.NullMarked;
