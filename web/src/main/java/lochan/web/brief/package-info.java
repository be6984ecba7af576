/** Events and their briefs. */
package lochan.web.brief;
