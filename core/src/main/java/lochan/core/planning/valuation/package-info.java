/** What plans and stops are worth: by formula over scenarios, and by simulated days. */
package lochan.core.planning.valuation;
