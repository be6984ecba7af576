/** Weights from a scale that speaks a plain line protocol. */
@NullMarked
package lochan.instruments.scale;

import org.jspecify.annotations.NullMarked;
