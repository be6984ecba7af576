/** What an angler notes beside the practice log: known fish, trials, changes of hooks, earlier seasons. */
package lochan.web.notebook;
