/** The bag of a competition day in words, the same wherever it is reckoned. */
package lochan.page.bag;
