/** Search for the best tour within a budget of time, whatever is visited and whatever it is worth. */
@NullMarked
package lochan.core.planning.search;

import org.jspecify.annotations.NullMarked;
