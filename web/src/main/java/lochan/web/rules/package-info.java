/** Events and their events. */
package lochan.web.rules;
