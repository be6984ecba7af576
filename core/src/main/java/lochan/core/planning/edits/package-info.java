/** Plans by hand: the runs they need, what is wrong with them, and changes one at a time. */
package lochan.core.planning.edits;
