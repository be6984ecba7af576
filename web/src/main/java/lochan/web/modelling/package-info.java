/** Models of competition days, what they cost to compute, and computation in the background. */
package lochan.web.modelling;
