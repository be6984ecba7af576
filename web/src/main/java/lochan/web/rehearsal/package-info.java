/** Days rehearsed before they are fished: begun from a plan, played in the boat's screens, looked back on. */
@NullMarked
package lochan.web.rehearsal;

import org.jspecify.annotations.NullMarked;
