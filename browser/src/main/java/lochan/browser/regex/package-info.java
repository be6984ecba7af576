/** Regular expressions as the browser has them. */
@NullMarked
package lochan.browser.regex;

import org.jspecify.annotations.NullMarked;
