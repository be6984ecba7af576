/** The command line: computes on an event file, with no database. */
@NullMarked
package lochan.cli;

import org.jspecify.annotations.NullMarked;
