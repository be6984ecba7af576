/** What to tie on: the deck of a plan, advice for a spot and an hour, the path of a lure, the gear check. */
package lochan.web.deck;
