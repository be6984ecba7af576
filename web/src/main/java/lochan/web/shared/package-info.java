/** What all pages share and no feature is in: codes, dates, downloads, undo. */
@NullMarked
package lochan.web.shared;

import org.jspecify.annotations.NullMarked;
