/** What the browser does itself takes the place of the same in Java's library, which would be sent along: the module stays small. */
@NullMarked
package lochan.browser;

import org.jspecify.annotations.NullMarked;
