/** Plans for a competition day, by hand or suggested, and what they are worth. */
@NullMarked
package lochan.web.plan;

import org.jspecify.annotations.NullMarked;
