/** An angler's tackle: the catalogue, own sheets, rods, the box, what lures were seen to do, weights of the rules of advice. */
@NullMarked
package lochan.web.tackle;

import org.jspecify.annotations.NullMarked;
