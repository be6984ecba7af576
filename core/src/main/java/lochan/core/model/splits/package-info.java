/** What bites have in common: practice parted in two by one question after another, with what is likely real of it. */
@NullMarked
package lochan.core.model.splits;

import org.jspecify.annotations.NullMarked;
