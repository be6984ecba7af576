/** Hourly weather, forecast or observed, in the forms that services and files give it. */
@NullMarked
package lochan.instruments.weather;

import org.jspecify.annotations.NullMarked;
