/** The demo: its account and its events, loaded as any angler would. */
package lochan.web.demo;
