/** The weather forecast of an event. */
package lochan.web.weather;
