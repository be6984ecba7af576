/** Looking back on competition days: what was forecast and what came of it. */
@NullMarked
package lochan.core.review;

import org.jspecify.annotations.NullMarked;
