/** Accounts: the first one, signing in and out, and what an angler has chosen for all events. */
@NullMarked
package lochan.web.account;

import org.jspecify.annotations.NullMarked;
