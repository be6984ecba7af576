package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.Coded;
import lochan.core.Reason;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.practice.Hooks;

/**
 * Something to pack or to check before the boat leaves.
 *
 * @param code   the name a tick is kept under
 * @param reason what
 * @param safety whether life depends on it
 */
public record PackItem(String code, Reason reason, boolean safety) {

    /**
     * Returns what an event and its deck call for, safety first.
     *
     * @param rows of the deck
     */
    public static List<PackItem> of(Event event, List<DeckList.Row> rows) {
        List<PackItem> list = new ArrayList<>();
        list.add(new PackItem(
                "life-jackets",
                event.anglers() == 1 ? PackReason.LIFE_JACKET.with() : PackReason.LIFE_JACKETS.with(event.anglers()),
                true));
        list.add(safety(PackReason.LANYARD));
        list.add(safety(PackReason.LIGHTS_SIGNALS));
        list.add(safety(PackReason.WEATHER));
        list.add(safety(PackReason.FIRST_AID));
        list.add(item(PackReason.BATTERIES));
        list.add(item(PackReason.LIVEWELL_PUMP));
        list.add(item(PackReason.PLIERS));
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            list.add(item(PackReason.CAMERA));
        } else {
            list.add(item(PackReason.SCALE));
            list.add(item(PackReason.BALANCE));
        }
        list.add(item(PackReason.BOARD));
        list.add(new PackItem("tags", tags(event), false));
        list.add(new PackItem("hooks", hooks(rows), false));
        list.add(item(PackReason.LEADERS));
        list.add(item(PackReason.PAPERS));
        list.add(item(PackReason.FUEL));
        list.add(item(PackReason.WATER));
        return List.copyOf(list);
    }

    private static PackItem safety(PackReason reason) {
        return new PackItem(Coded.spelt(reason), reason.with(), true);
    }

    private static PackItem item(PackReason reason) {
        return new PackItem(Coded.spelt(reason), reason.with(), false);
    }

    private static Reason tags(Event event) {
        return event.rules().limit() == null
                ? PackReason.TAGS.with()
                : PackReason.TAGS_AND_SPARE.with(event.rules().limit());
    }

    private static Reason hooks(List<DeckList.Row> rows) {
        List<String> trebled = rows.stream()
                .map(DeckList.Row::setup)
                .filter(s -> s.lure().hooking().kind() == Hooks.TREBLE)
                .map(s -> s.lure().name().toLowerCase(Locale.ROOT))
                .distinct()
                .toList();
        return trebled.isEmpty() ? PackReason.HOOKS.with() : PackReason.HOOKS_FOR.with(String.join(", ", trebled));
    }
}
