/** Tracks of plotters, taken apart into stops and runs. */
package lochan.web.tracklog;
