/** Marked spots. */
package lochan.web.spot;
