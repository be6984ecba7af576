/** The whole of an event out of the features' records, its import and its export. */
package lochan.web.eventbook;
