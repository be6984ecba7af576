/** A private MariaDB server and the records in it. */
@NullMarked
package lochan.store;

import org.jspecify.annotations.NullMarked;
