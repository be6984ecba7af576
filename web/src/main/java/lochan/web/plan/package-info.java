/** Plans for a competition day, by hand or suggested, and what they are worth. */
package lochan.web.plan;
