/** Plans by hand: the runs they need, what is wrong with them, and changes one at a time. */
@NullMarked
package lochan.core.planning.edits;

import org.jspecify.annotations.NullMarked;
