/** Depths of a lake and the structure found in them. */
@NullMarked
package lochan.core.lake.structure;

import org.jspecify.annotations.NullMarked;
