/** What plans and stops are worth: by formula over scenarios, and by simulated days. */
@NullMarked
package lochan.core.planning.valuation;

import org.jspecify.annotations.NullMarked;
