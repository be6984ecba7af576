/** Time zones as the browser knows them, and the few forms of dates and times that cross between page and module. */
@NullMarked
package lochan.browser.time;

import org.jspecify.annotations.NullMarked;
