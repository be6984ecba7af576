package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
        list.add(safety("lanyard", PackReason.LANYARD));
        list.add(safety("lights-signals", PackReason.LIGHTS_SIGNALS));
        list.add(safety("weather", PackReason.WEATHER));
        list.add(safety("first-aid", PackReason.FIRST_AID));
        list.add(item("batteries", PackReason.BATTERIES));
        list.add(item("livewell-pump", PackReason.LIVEWELL_PUMP));
        list.add(item("pliers", PackReason.PLIERS));
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            list.add(item("camera", PackReason.CAMERA));
        } else {
            list.add(item("scale", PackReason.SCALE));
            list.add(item("balance", PackReason.BALANCE));
        }
        list.add(item("board", PackReason.BOARD));
        list.add(new PackItem("tags", tags(event), false));
        list.add(new PackItem("hooks", hooks(rows), false));
        list.add(item("leaders", PackReason.LEADERS));
        list.add(item("papers", PackReason.PAPERS));
        list.add(item("fuel", PackReason.FUEL));
        list.add(item("water", PackReason.WATER));
        return List.copyOf(list);
    }

    private static PackItem safety(String code, PackReason reason) {
        return new PackItem(code, reason.with(), true);
    }

    private static PackItem item(String code, PackReason reason) {
        return new PackItem(code, reason.with(), false);
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
