/** GPX, as plotters write it. */
package lochan.eventformat.gpx;
