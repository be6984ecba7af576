/** The command line: reckons on an event file, with no database. */
package lochan.web.cli;
