/** What all pages share and no feature is in: codes, dates, downloads, undo. */
package lochan.web.shared;
