/** What keeps one request from harming the others: limits of bodies and of work at once, and the page for what went wrong. */
package lochan.web.guard;
