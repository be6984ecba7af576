/** Ranking: what practice says of each spot and presentation, with the evidence behind it. */
@NullMarked
package lochan.web.rankings;

import org.jspecify.annotations.NullMarked;
