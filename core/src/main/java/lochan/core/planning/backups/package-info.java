/** What to switch to when the main pattern of a plan fails, and when. */
package lochan.core.planning.backups;
