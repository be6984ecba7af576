/** The command line: computes on an event file, with no database. */
package lochan.cli;
