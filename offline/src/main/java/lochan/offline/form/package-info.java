/** Forms: what was typed, what is wrong with it, and what it means. */
@NullMarked
package lochan.offline.form;

import org.jspecify.annotations.NullMarked;
