package lochan.offline.bag;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lochan.core.event.Species;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * A fish as spoken, as "largemouth three four": what a form is filled with, for the angler to look at before it is
 * logged.
 *
 * @param species null: none was named
 * @param measure weight, or length where the event goes by it, as it would be typed; null: none was understood
 */
public record SpokenFish(
        @Nullable Species species, @Nullable String measure) {

    private static final Map<String, Integer> NUMBERS = Map.ofEntries(
            Map.entry("zero", 0),
            Map.entry("oh", 0),
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("to", 2),
            Map.entry("too", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("for", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("ate", 8),
            Map.entry("nine", 9),
            Map.entry("ten", 10),
            Map.entry("eleven", 11),
            Map.entry("twelve", 12),
            Map.entry("thirteen", 13),
            Map.entry("fourteen", 14),
            Map.entry("fifteen", 15),
            Map.entry("sixteen", 16),
            Map.entry("seventeen", 17),
            Map.entry("eighteen", 18),
            Map.entry("nineteen", 19),
            Map.entry("twenty", 20));

    /**
     * Understands words of English.
     *
     * @param species  of the event
     * @param byLength whether fish are measured by length
     */
    public static SpokenFish of(String words, List<Species> species, Units units, boolean byLength) {
        String run = words.toLowerCase(Locale.ROOT).replace(" ", "");
        Species named = species.stream()
                .filter(s -> run.contains(s.code().replace("-", "")))
                .findFirst()
                .orElse(null);
        List<String> numbers = new ArrayList<>();
        boolean point = false;
        boolean half = false;
        for (String word : words.toLowerCase(Locale.ROOT).replace("-", " ").split("[\\s,]+")) {
            point |= word.equals("point");
            half |= word.equals("half");
            Integer number = NUMBERS.get(word);
            if (number != null) {
                numbers.add(number.toString());
            } else if (!word.isEmpty() && word.chars().allMatch(c -> (c >= '0' && c <= '9') || c == '.')) {
                numbers.add(word);
            }
        }
        return new SpokenFish(named, measure(numbers, point, half, units, byLength));
    }

    private static @Nullable String measure(
            List<String> numbers, boolean point, boolean half, Units units, boolean byLength) {
        if (numbers.isEmpty() || numbers.size() > 2) {
            return null;
        }
        String first = numbers.getFirst();
        if (numbers.size() == 1) {
            return half ? first + (byLength ? " 1/2" : ".5") : first;
        }
        boolean pounds = !point && !byLength && units.weight() != Units.Weight.KG;
        return first + (pounds ? "-" : ".") + numbers.getLast();
    }
}
