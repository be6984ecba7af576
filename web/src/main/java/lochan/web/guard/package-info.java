/** What keeps one request from harming the others: limits of bodies and of work at once, and the page for what went wrong. */
@NullMarked
package lochan.web.guard;

import org.jspecify.annotations.NullMarked;
