/** What holds the features together: the list of events, what every page shows, the demo clock and the theme. */
@NullMarked
package lochan.web.app;

import org.jspecify.annotations.NullMarked;
