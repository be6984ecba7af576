/** Files that depths, shores and soundings come in: grids, drawings and logs, read as they stand and turned into longitude and latitude. */
@NullMarked
package lochan.mapfiles;

import org.jspecify.annotations.NullMarked;
