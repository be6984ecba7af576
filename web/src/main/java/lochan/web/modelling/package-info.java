/** Models of competition days, what they cost to compute, and computation in the background. */
@NullMarked
package lochan.web.modelling;

import org.jspecify.annotations.NullMarked;
