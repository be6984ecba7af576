/** The model of a competition day and scenarios drawn from it. */
@NullMarked
package lochan.core.model.scenario;

import org.jspecify.annotations.NullMarked;
