/** What an angler keeps beside the stops: known fish, trials, changes of setup. */
@NullMarked
package lochan.core.notebook;

import org.jspecify.annotations.NullMarked;
