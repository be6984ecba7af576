/** Tracks of plotters, taken apart into stops and runs. */
@NullMarked
package lochan.web.tracklog;

import org.jspecify.annotations.NullMarked;
