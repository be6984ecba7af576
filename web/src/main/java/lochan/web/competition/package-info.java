/** The competition day: the append-only log and what it says to do. */
package lochan.web.competition;
