/** The rules of a bass tournament and all its computation: plain Java, no interface, no clock, no I/O. */
@NullMarked
package lochan.core;

import org.jspecify.annotations.NullMarked;
