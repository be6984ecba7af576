/** Lines of text from devices, over TCP and UDP. */
@NullMarked
package lochan.instruments.link;

import org.jspecify.annotations.NullMarked;
