package lochan.web.rankings;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.Coded;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.practice.Presentation;
import lochan.offline.plan.PatternWords;
import org.jspecify.annotations.Nullable;

/**
 * Which rows of the rankings are shown, on the map and in the list.
 *
 * @param lure    id of a presentation; empty: all
 * @param pattern as {@link #code} writes it; empty: all
 * @param zone    empty: all
 */
record RowFilter(String lure, String pattern, String zone) {

    static RowFilter of(Map<String, String> fields) {
        return new RowFilter(
                fields.getOrDefault("lure", ""), fields.getOrDefault("pattern", ""), fields.getOrDefault("zone", ""));
    }

    /** A pattern as the page's address has it. */
    static String code(Pattern p) {
        return p.spotType() + "~" + p.presentationId();
    }

    Predicate<Cell> allows(EventData event, DayModel model) {
        Zone wanted = Coded.find(Zone.class, zone).orElse(null);
        return c -> (lure.isEmpty() || lure.equals(c.presentationId()))
                && (pattern.isEmpty() || pattern.equals(code(model.pattern(c))))
                && isIn(event, c, wanted);
    }

    private static boolean isIn(EventData event, Cell cell, @Nullable Zone wanted) {
        return wanted == null
                || event.spot(cell.spotId()).map(s -> s.zone() == wanted).orElse(false);
    }

    /** What can be chosen. */
    record Choices(List<Presentation> lures, Map<String, String> patterns, Zone[] zones) {

        static Choices of(EventData event, DayModel model) {
            Map<String, String> patterns = new LinkedHashMap<>();
            model.cells().stream()
                    .map(model::pattern)
                    .distinct()
                    .forEach(p -> patterns.put(code(p), PatternWords.of(p, event)));
            return new Choices(event.presentations(), patterns, Zone.values());
        }
    }
}
