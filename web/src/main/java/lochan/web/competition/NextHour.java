package lochan.web.competition;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.live.StayOrGo;
import lochan.core.live.Today;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.core.rate.Cell;
import lochan.core.scenario.DayModel;
import lochan.core.water.Spot;
import lochan.web.brief.EventKey;
import lochan.web.page.Dates;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import org.springframework.stereotype.Component;

/** Whether to stay or go, in words, while the day is fished. */
@Component
class NextHour {

    private static final int KEPT = 4;

    private final DayModels dayModels;
    private final Waters waters;
    private final Cache<OfDay, Asked> asked = Caffeine.newBuilder().maximumSize(KEPT).build();

    NextHour(DayModels dayModels, Waters waters) {
        this.dayModels = dayModels;
        this.waters = waters;
    }

    private record OfDay(EventKey key, int day) { }

    private record Asked(DayModel model, StayOrGo stayOrGo) { }

    /**
     * What the page says.
     *
     * @param fishing what is fished now, in words; null: nothing
     * @param act     what to do, in words; null: nothing can be said
     * @param why     what both are worth
     * @param tone    {@code go} or {@code stay}
     * @param best    the best move's spot and presentation, as the form sends them; null: none
     * @param leaveAt when to leave for check-in at the latest; null: there is no way by water
     * @param next    the plan's next stop, in words; null: none
     */
    record Said(String fishing, String act, String why, String tone, Cell best, Instant leaveAt, String next, String asOf) { }

    /** What is to be said at a time of a day that is fished; empty outside its hours, or where practice knows nothing. */
    Optional<Said> at(EventKey key, EventData event, int day, List<Entry> entries, Instant now, Units units) {
        CompetitionDay hours = event.brief().day(day);
        DayModel model = dayModels.of(key, event, day);
        if (now.isBefore(hours.start()) || !now.isBefore(hours.checkIn()) || model.cells().isEmpty() || event.brief().format() == Format.LIMIT_LENGTH) {
            return Optional.empty();
        }
        Cell fishing = known(Today.fishing(event.brief(), entries, day, now), event);
        StayOrGo.Found found = ask(key, model, event, new StayOrGo.Standing(now, null, fishing, known(Today.of(event.brief(), entries, day, now), event), BagLog.replay(event.brief(), entries).bag(day)));
        ZoneId zone = event.brief().timeZone();
        String here = fishing == null ? null : name(fishing, event);
        String next = event.plans().stream().filter(p -> p.day() == day && !p.stops().isEmpty()).findFirst().flatMap(p -> p.stops().stream().filter(s -> s.arrive().isAfter(now)).findFirst())
                .map(s -> "Next in your plan: " + Dates.clock(s.arrive(), zone) + " " + name(Cell.of(s), event) + ".").orElse(null);
        if (found.best() == null) {
            return Optional.of(new Said(here, fishing == null ? "No place can be reached any more." : "Stay: no other place can be reached any more.", worth(found.stay(), units), "stay", null, found.mustLeave(), next,
                    Dates.clock(now, zone)));
        }
        String move = name(found.best().cell(), event);
        String both = (found.stay() == null ? "" : "The next hour here is worth " + units.weight(found.stay()) + ", ") + (found.stay() == null ? "The next hour there is worth " : "there ")
                + units.weight(found.best().gainGrams()) + ", its run and the price of moving taken off.";
        boolean go = found.go();
        String act = go ? "Go: " + move + "." : "Stay.";
        String until = go || !found.best().leaveAt().isBefore(hours.checkIn()) || found.best().leaveAt().equals(found.mustLeave()) ? ""
                : " If nothing strikes, go at " + Dates.clock(found.best().leaveAt(), zone) + ": " + move + ".";
        return Optional.of(new Said(here, act + until, both, go ? "go" : "stay", found.best().cell(), found.mustLeave(), next, Dates.clock(now, zone)));
    }

    private static String worth(Double stay, Units units) {
        return stay == null ? "" : "The next hour here is worth " + units.weight(stay) + ".";
    }

    private StayOrGo.Found ask(EventKey key, DayModel model, EventData event, StayOrGo.Standing standing) {
        OfDay of = new OfDay(key, model.day());
        Asked known = asked.getIfPresent(of);
        if (known == null || known.model() != model) {
            known = new Asked(model, new StayOrGo(model, waters.dayRuns(event)));
            asked.put(of, known);
        }
        synchronized (known) {
            return known.stayOrGo().ask(standing);
        }
    }

    /** A cell whose spot is still marked; null else. */
    private static Cell known(Cell cell, EventData event) {
        return cell != null && event.spot(cell.spotId()).isPresent() && event.presentation(cell.presentationId()).isPresent() ? cell : null;
    }

    private static Today known(Today today, EventData event) {
        return new Today(today.efforts().stream().filter(e -> known(e.cell(), event) != null).toList(), today.strikes().stream().filter(s -> known(s.cell(), event) != null).toList());
    }

    private static String name(Cell cell, EventData event) {
        return event.spot(cell.spotId()).map(Spot::name).orElse(cell.spotId()) + ", " + event.presentation(cell.presentationId()).map(Presentation::name).orElse(cell.presentationId());
    }
}
