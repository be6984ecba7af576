package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Event;
import lochan.core.event.Format;

/**
 * Something to pack or to check before the boat leaves.
 *
 * @param code   what a tick is kept under
 * @param words  what
 * @param safety whether life hangs on it
 */
public record PackItem(String code, String words, boolean safety) {

    /**
     * What an event and its deck call for, what life hangs on first.
     *
     * @param rows of the deck
     */
    public static List<PackItem> of(Event event, List<DeckList.Row> rows) {
        List<PackItem> list = new ArrayList<>();
        list.add(new PackItem(
                "life-jackets",
                event.anglers() == 1
                        ? "Life jacket, worn whenever the big motor runs"
                        : "Life jackets for " + event.anglers() + ", worn whenever the big motor runs",
                true));
        list.add(new PackItem("lanyard", "Engine cut-off lanyard, clipped on and tried", true));
        list.add(new PackItem(
                "lights-signals", "Lights, horn or whistle, throwable float, extinguisher, as local rules ask", true));
        list.add(new PackItem("weather", "Forecast read once more: wind, lightning, cold water", true));
        list.add(new PackItem(
                "first-aid", "First-aid kit, side cutters for a hook in the hand, glasses against hooks", true));
        list.add(new PackItem("batteries", "Batteries charged, plugs out", false));
        list.add(new PackItem(
                "livewell-pump", "Livewell pumps run, spare fuse, thermometer, ice for warm water", false));
        list.add(new PackItem("pliers", "Pliers and line cutter: a deep hook is left, the line is cut", false));
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            list.add(new PackItem("camera", "Camera charged, rule cards, something to lay the fish on wet", false));
        } else {
            list.add(new PackItem("scale", "Scale, tried with the check weight, and a spare cell", false));
            list.add(new PackItem("balance", "Balance beam", false));
        }
        list.add(new PackItem("board", "Measuring board, wet", false));
        list.add(new PackItem(
                "tags",
                (event.rules().limit() == null ? "Tags" : event.rules().limit() + " tags and a spare")
                        + ", net, bag for the weigh-in",
                false));
        list.add(new PackItem("hooks", hooks(rows), false));
        list.add(new PackItem("leaders", "Leader spools, line for one re-spool, scissors", false));
        list.add(new PackItem("papers", "Licence, entry, boat papers, the director's sheet", false));
        list.add(new PackItem("fuel", "Fuel and oil for the longest run there and back", false));
        list.add(new PackItem("water", "Water, food, sun and rain clothes", false));
        return List.copyOf(list);
    }

    private static String hooks(List<DeckList.Row> rows) {
        List<String> trebled = rows.stream()
                .map(DeckList.Row::setup)
                .filter(s -> s.lure().hooking().kind() == lochan.core.practice.Hooks.TREBLE)
                .map(s -> s.lure().name().toLowerCase(java.util.Locale.ROOT))
                .distinct()
                .toList();
        return "Spare hooks and a file"
                + (trebled.isEmpty() ? "" : "; trebles for the " + String.join(" and the ", trebled));
    }
}
