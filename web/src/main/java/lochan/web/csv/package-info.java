/** Tables kept in spreadsheets, as CSV. */
package lochan.web.csv;
