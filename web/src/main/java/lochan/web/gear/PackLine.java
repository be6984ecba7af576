package lochan.web.gear;

import java.util.List;
import lochan.core.lures.deck.PackItem;
import lochan.core.quantity.Units;
import lochan.wording.Wording;

/**
 * Something to pack or to check, as pages show it.
 *
 * @param code   the name a tick is kept under
 * @param safety whether life depends on it
 */
public record PackLine(String code, String words, boolean safety) {

    public static List<PackLine> of(List<PackItem> items, Units units) {
        return items.stream()
                .map(p -> new PackLine(p.code(), Wording.text(p.reason(), units), p.safety()))
                .toList();
    }
}
