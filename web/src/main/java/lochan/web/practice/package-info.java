/** Practice: stops and their bites, presentations, the forecast. */
@NullMarked
package lochan.web.practice;

import org.jspecify.annotations.NullMarked;
