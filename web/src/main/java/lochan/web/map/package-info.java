/** The water: the lake of an event and the runs on it. */
package lochan.web.map;
