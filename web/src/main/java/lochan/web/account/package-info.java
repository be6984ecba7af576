/** Accounts: the first one, signing in and out, and what an angler has chosen for all events. */
package lochan.web.account;
