package lochan.core.eventdata;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.FishedStretch;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.BiteNotesBuilder;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;
import org.jspecify.annotations.Nullable;

/**
 * Competition days as evidence: what was fished becomes stops like those of practice, in the conditions of the forecast. A bite away from what was
 * fished tells of sizes and landing alone: its stop takes no time.
 */
public final class CompetitionStops {

    private static final String ID = "competition-";

    private CompetitionStops() {}

    /** Whether a stop was made of a competition day. */
    public static boolean isOne(PracticeStop stop) {
        return stop.id().startsWith(ID);
    }

    /** The event with its competition days before one as stops. */
    public static EventData before(EventData event, int day) {
        List<PracticeStop> stops = new ArrayList<>(event.stops());
        BagLog log =
                day == 1 || event.competition().isEmpty() ? null : BagLog.replay(event.event(), event.competition());
        for (int d = 1; log != null && d < Math.min(day, event.days().size() + 1); d++) {
            stops.addAll(ofDay(event, log, d));
        }
        return stops.size() == event.stops().size() ? event : event.withStops(stops);
    }

    /** All days of an event that has been fished. */
    public static EventData all(EventData event) {
        return before(event, event.days().size() + 1);
    }

    private record At(String spot, String presentation, Instant at, Bite bite) {}

    private static List<PracticeStop> ofDay(EventData event, BagLog log, int day) {
        List<At> bites = new ArrayList<>(log.valid(day).stream()
                .map(e -> bite(e, log))
                .filter(Objects::nonNull)
                .filter(b -> known(event, b.spot(), b.presentation()))
                .toList());
        List<PracticeStop> stops = new ArrayList<>();
        for (FishedStretch f : FishedStretch.of(log, day, event.day(day).checkIn(), event.planOf(day))) {
            if (known(event, f.spotId(), f.presentationId())) {
                List<At> here = bites.stream()
                        .filter(b -> b.spot().equals(f.spotId())
                                && b.presentation().equals(f.presentationId())
                                && !b.at().isBefore(f.from())
                                && b.at().isBefore(f.to()))
                        .toList();
                bites.removeAll(here);
                stops.add(stop(event, ID + day + "-" + stops.size(), f, here));
            }
        }
        for (At b : bites) {
            stops.add(stop(
                    event,
                    ID + day + "-" + stops.size(),
                    new FishedStretch(b.spot(), b.presentation(), b.at(), b.at()),
                    List.of(b)));
        }
        return stops;
    }

    private static boolean known(EventData event, String spot, String presentation) {
        return event.spot(spot).isPresent() && event.presentation(presentation).isPresent();
    }

    private static PracticeStop stop(EventData event, String id, FishedStretch f, List<At> bites) {
        Instant middle = f.from().plusMillis((f.to().toEpochMilli() - f.from().toEpochMilli()) / 2);
        Conditions conditions = event.forecast().stream()
                .filter(p -> p.holds(middle))
                .findFirst()
                .map(ForecastPeriod::conditions)
                .orElse(Conditions.UNKNOWN);
        return PracticeStopBuilder.builder()
                .id(id)
                .spotId(f.spotId())
                .start(f.from())
                .end(f.to())
                .anglers(event.anglers())
                .presentations(List.of(new PresentationTime(f.presentationId(), null)))
                .follows(0)
                .bites(bites.stream().map(At::bite).toList())
                .conditions(conditions)
                .build();
    }

    /** Null: the entry is no bite at a known place. */
    private static @Nullable At bite(Entry entry, BagLog log) {
        if (entry instanceof Entry.Catch c && c.spotId() != null && c.presentationId() != null) {
            Fish fish = log.fish(c.id());
            FishSize size = fish.grams() != null && fish.grams() > 0
                    ? FishSize.scale(fish.grams())
                    : fish.mm() != null && fish.mm() > 0 ? FishSize.length(fish.mm()) : null;
            return new At(
                    c.spotId(),
                    c.presentationId(),
                    c.at(),
                    new Bite(c.at(), Outcome.LANDED, c.presentationId(), c.species(), size));
        }
        return entry instanceof Entry.Bite s && s.spotId() != null && s.presentationId() != null
                ? new At(
                        s.spotId(),
                        s.presentationId(),
                        s.at(),
                        new Bite(
                                s.at(),
                                s.outcome() == null ? Outcome.MISSED : s.outcome(),
                                s.presentationId(),
                                null,
                                null,
                                BiteNotesBuilder.builder(BiteNotes.NONE)
                                        .lossWay(s.lossWay())
                                        .build()))
                : null;
    }
}
