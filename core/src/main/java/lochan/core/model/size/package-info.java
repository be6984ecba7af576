/** Sizes of fish: what a pattern and a spot bring, and what keepers weigh. */
@NullMarked
package lochan.core.model.size;

import org.jspecify.annotations.NullMarked;
