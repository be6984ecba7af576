/** The event file: reading with every problem named by its JSON pointer, and writing so that nothing is lost. */
package lochan.eventformat;
