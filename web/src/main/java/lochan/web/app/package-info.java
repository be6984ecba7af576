/** What holds the features together: the list of events, what every page shows, the demo clock and the theme. */
package lochan.web.app;
