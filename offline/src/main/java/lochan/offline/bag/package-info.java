/** The bag of a competition day in words, the same wherever it is computed. */
package lochan.offline.bag;
