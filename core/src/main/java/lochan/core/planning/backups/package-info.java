/** What to switch to when the main pattern of a plan fails, and when. */
@NullMarked
package lochan.core.planning.backups;

import org.jspecify.annotations.NullMarked;
