/** The boat's instruments and a scale, on the network that the server stands in. */
@NullMarked
package lochan.web.instruments;

import org.jspecify.annotations.NullMarked;
