/** Tables kept in spreadsheets, as CSV. */
@NullMarked
package lochan.web.csv;

import org.jspecify.annotations.NullMarked;
