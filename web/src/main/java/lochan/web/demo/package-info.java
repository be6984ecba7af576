/** The demo: its account and its events, loaded as any angler would. */
@NullMarked
package lochan.web.demo;

import org.jspecify.annotations.NullMarked;
