/** Lures, rods, box and notebook as data, and the rods chosen for a plan: what other features ask of tackle. */
package lochan.web.gear;
