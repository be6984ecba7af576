/** The competition day as it goes: stay or go, how it is likely to end, triggers of the plan that have fired. */
package lochan.core.live;
