/** Replaces parts of Java's library that the browser has itself, so that they need not be sent along. */
@NullMarked
package lochan.browser;

import org.jspecify.annotations.NullMarked;
