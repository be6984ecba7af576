/** What the electronics showed, as notes on the water that may become spots. */
package lochan.web.mark;
