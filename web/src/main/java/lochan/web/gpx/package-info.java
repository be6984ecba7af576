/** GPX, as plotters write it. */
package lochan.web.gpx;
