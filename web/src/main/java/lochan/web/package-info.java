/** Starts and stops the application. */
@NullMarked
package lochan.web;

import org.jspecify.annotations.NullMarked;
