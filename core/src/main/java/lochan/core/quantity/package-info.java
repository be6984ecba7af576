/** Quantities and units, as they are read and shown. */
@NullMarked
package lochan.core.quantity;

import org.jspecify.annotations.NullMarked;
