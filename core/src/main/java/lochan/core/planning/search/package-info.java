/** Search for the best tour within a budget of time, whatever is visited and whatever it is worth. */
package lochan.core.planning.search;
