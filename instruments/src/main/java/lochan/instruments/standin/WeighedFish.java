package lochan.instruments.standin;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;

/** A scale that weighs the fish of an event's log, one after the other, each with the readings before it stands still. */
public final class WeighedFish {

    private static final double USUAL_GRAMS = 1100;
    private static final int MADE_UP = 8;

    private final List<Double> grams;
    private final Random random = new Random(1);

    /** The fish of an event; made-up ones where it has none. */
    public WeighedFish(EventData event) {
        List<Double> logged = event.competition().stream()
                .filter(Entry.Catch.class::isInstance)
                .map(e -> ((Entry.Catch) e).grams())
                .filter(java.util.Objects::nonNull)
                .toList();
        this.grams = logged.isEmpty()
                ? random.doubles(MADE_UP, 0.5, 2)
                        .map(x -> USUAL_GRAMS * x)
                        .boxed()
                        .toList()
                : logged;
    }

    public int count() {
        return grams.size();
    }

    /** The lines of a weighing: empty, a fish that moves, a weight that stands still, empty again. */
    public List<String> lines(int fish) {
        double weight = grams.get(fish % grams.size());
        List<String> lines = new ArrayList<>(List.of("S 0 g", "U 0 g"));
        for (int i = 0; i < 6; i++) {
            lines.add(text("U", weight * (0.6 + 0.8 * random.nextDouble())));
        }
        for (int i = 0; i < 4; i++) {
            lines.add(text("S", weight));
        }
        lines.add("U 300 g");
        lines.add("S 0 g");
        return lines;
    }

    private static String text(String state, double grams) {
        return String.format(Locale.ROOT, "%s %.0f g", state, grams);
    }
}
