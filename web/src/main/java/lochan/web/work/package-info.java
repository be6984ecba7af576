/** Reckoning in the background, with progress and a way to stop it. */
package lochan.web.work;
