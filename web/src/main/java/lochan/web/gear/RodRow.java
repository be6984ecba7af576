package lochan.web.gear;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.lures.deck.DeckList;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.quantity.Units;
import lochan.core.tackle.Tackle;
import lochan.web.shared.Dates;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A rigged rod as pages show it.
 *
 * @param stops   what it is for
 * @param without what is lost without it; null: nothing
 * @param poor    what is not as it should be
 */
@RecordBuilder
public record RodRow(
        int number,
        String rod,
        String rodId,
        String about,
        String lure,
        String lureId,
        String tied,
        String hooks,
        String line,
        List<String> poor,
        List<String> stops,
        @Nullable String without,
        boolean broken) {

    /** Where the backups of a plan would begin: their rods are wanted too. Null: not computed. */
    public static List<PlanStop> firstStops(Backups.@Nullable Ladder ladder) {
        return ladder == null
                ? List.of()
                : ladder.backups().stream()
                        .filter(b -> !b.stops().isEmpty())
                        .map(b -> b.stops().getFirst())
                        .toList();
    }

    public static List<RodRow> of(Decks.Deck deck, EventData event, Units units) {
        Tackle tackle = deck.tackle();
        List<RodRow> rows = new ArrayList<>();
        for (DeckList.Row r : deck.list().rows()) {
            DeckList.Without without = deck.list().without().get(rows.size());
            String id = r.setup().lure().id();
            rows.add(RodRowBuilder.builder()
                    .number(rows.size() + 1)
                    .rod(r.rod().name())
                    .rodId(r.rod().id())
                    .about(units.rodLength(r.rod().lengthM()) + " "
                            + r.rod().power().words() + ", " + r.rod().action().words())
                    .lure(r.setup().lure().name())
                    .lureId(id)
                    .tied(DeckWords.setup(r.setup(), tackle, units))
                    .hooks(DeckWords.hooks(r.setup(), tackle))
                    .line(DeckWords.lines(r.rod(), units))
                    .poor(r.fit().reasons().stream()
                            .map(f -> Wording.text(f, units))
                            .toList())
                    .stops(r.stops().stream()
                            .map(d -> stop(deck.list().demands().get(d), event))
                            .toList())
                    .without(without(without, deck.list(), event))
                    .broken(deck.broken().stream().anyMatch(b -> id.equals(b.presentationId())))
                    .build());
        }
        return rows;
    }

    private static String stop(DeckList.Demand d, EventData event) {
        ZoneId zone = event.timeZone();
        return (d.isBackup() ? "backup: " : Dates.clock(d.stop().arrive(), zone) + " ")
                + spot(d, event)
                + (d.share() < 1 ? ", standing in" : "");
    }

    private static @Nullable String without(DeckList.Without w, DeckList deck, EventData event) {
        if (w.suffers().isEmpty()) {
            return null;
        }
        String stops = w.suffers().stream()
                .map(d -> spot(deck.demands().get(d), event))
                .distinct()
                .collect(Collectors.joining(", "));
        return "Without it " + stops + (w.suffers().size() == 1 ? " suffers" : " suffer")
                + String.format(Locale.ROOT, ": as much as %.1f h of the plan.", w.hours());
    }

    private static String spot(DeckList.Demand d, EventData event) {
        return event.spot(d.stop().spotId()).orElseThrow().name();
    }
}
