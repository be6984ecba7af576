/** Spots, and what the electronics showed that may become one. */
package lochan.web.spot;
