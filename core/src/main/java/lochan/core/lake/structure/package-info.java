/** Finds structure in the shape of the bottom. */
@NullMarked
package lochan.core.lake.structure;

import org.jspecify.annotations.NullMarked;
