/** The bag as a JavaScript module, for the page in the boat when the server cannot be reached. */
@NullMarked
package lochan.offline.boat;

import org.jspecify.annotations.NullMarked;
