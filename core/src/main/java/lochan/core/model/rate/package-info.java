/** Bite rates of cells and the chance that a bite is landed. */
@NullMarked
package lochan.core.model.rate;

import org.jspecify.annotations.NullMarked;
