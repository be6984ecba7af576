/** The rankings of spots, presentations and patterns, and what an evening of practice changed in them. */
@NullMarked
package lochan.core.model.ranking;

import org.jspecify.annotations.NullMarked;
