/** The boat's instruments over NMEA 0183. */
@NullMarked
package lochan.instruments.nmea;

import org.jspecify.annotations.NullMarked;
