/** The lakes of events as data: shores, depths and what they rest on, levels, runs, and what maps are drawn from. */
@NullMarked
package lochan.web.lake;

import org.jspecify.annotations.NullMarked;
