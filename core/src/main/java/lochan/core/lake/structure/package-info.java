/** What the shape of the bottom offers. */
@NullMarked
package lochan.core.lake.structure;

import org.jspecify.annotations.NullMarked;
