/** Forms: what was typed, what is wrong with it, and what it means. */
package lochan.offline.form;
