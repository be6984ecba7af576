/** The bag as a JavaScript module, for the page in the boat when the server cannot be reached. */
package lochan.offline.boat;
