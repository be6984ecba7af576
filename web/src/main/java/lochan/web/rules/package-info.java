/** Events and their eventRules. */
package lochan.web.rules;
