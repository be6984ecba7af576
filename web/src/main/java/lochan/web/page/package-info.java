/** What all pages share: the units and clock they show, missing pages, undo. */
package lochan.web.page;
