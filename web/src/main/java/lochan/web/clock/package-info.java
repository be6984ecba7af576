/** The one clock of the application, and the demo's that can be set. */
package lochan.web.clock;
