/** The bag of a competition day in words, the same wherever it is computed. */
@NullMarked
package lochan.offline.bag;

import org.jspecify.annotations.NullMarked;
