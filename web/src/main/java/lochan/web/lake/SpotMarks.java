package lochan.web.lake;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.ShoreWind;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.model.evidence.Bin;
import lochan.core.model.ranking.EliminatedWater;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.offline.plan.SpotWorth;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/** The spots of an event as cairns: their size what they are worth, their stones what is known of them, through the hours of a day. */
public final class SpotMarks {

    /** Of eliminated water, and of a spot of which nothing is known. */
    private static final double SHARE_GONE = 0.2;

    private static final double SHARE_UNKNOWN = 0.15;

    /**
     * The state of a day's values.
     *
     * @param best    by bin, then by spot
     * @param allowed which cells count
     */
    record Known(DayModel model, List<Map<String, SpotWorth.Best>> best, Predicate<Cell> allowed) {

        private double most() {
            return best.stream()
                    .flatMap(b -> b.values().stream())
                    .mapToDouble(SpotWorth.Best::grams)
                    .max()
                    .orElse(0);
        }
    }

    private final EventData event;
    private final @Nullable Known known;
    private final @Nullable ShoreWind shore;
    private final Units units;
    private final Map<String, Duration> gone;
    private final double most;

    SpotMarks(EventData event, @Nullable Known known, @Nullable ShoreWind shore, Units units) {
        this.event = event;
        this.known = known == null || known.best().isEmpty() ? null : known;
        this.shore = shore;
        this.units = units;
        this.gone = EliminatedWater.of(event);
        this.most = this.known == null ? 0 : this.known.most();
    }

    /** Without what is known of a day. */
    static SpotMarks of(EventData event, Units units) {
        return new SpotMarks(event, null, null, units);
    }

    /** The spots at an hour that counts for the day as a whole: the one where each is worth most. */
    public List<MapMarks.Place> ofTheDay() {
        return event.spots().stream().map(s -> place(s, bestBin(s.id()))).toList();
    }

    /** The spots in one part of the day. */
    public List<MapMarks.Place> at(int bin) {
        return event.spots().stream().map(s -> place(s, bin)).toList();
    }

    private int bestBin(String spotId) {
        int found = 0;
        for (int bin = 1; known != null && bin < known.best().size(); bin++) {
            if (grams(known, spotId, bin) > grams(known, spotId, found)) {
                found = bin;
            }
        }
        return found;
    }

    private static double grams(Known known, String spotId, int bin) {
        SpotWorth.Best of = known.best().get(bin).get(spotId);
        return of == null ? 0 : of.grams();
    }

    private MapMarks.Place place(Spot spot, int bin) {
        MapMarksPlaceBuilder place = MapMarks.place(spot, event).gone(gone.containsKey(spot.id()));
        MapMarks.Now now = now(spot, bin);
        if (now != null) {
            place.share(now.share()).stones(now.stones()).words(now.words());
        }
        SpotWorth.Best best = known == null ? null : known.best().get(bin).get(spot.id());
        return place.lure(
                        best == null || gone.containsKey(spot.id())
                                ? null
                                : best.cell().presentationId())
                .build();
    }

    /** What changes of a spot in a part of the day; null: neither is it known to be eliminated nor anything of the day. */
    private MapMarks.@Nullable Now now(Spot spot, int bin) {
        String type = SpotType.words(spot.spotType());
        Duration fished = gone.get(spot.id());
        if (fished != null) {
            return new MapMarks.Now(2, SHARE_GONE, type + ". Fished " + Times.span(fished) + ", nothing");
        }
        return known == null ? null : now(spot, bin, known, type);
    }

    private MapMarks.Now now(Spot spot, int bin, Known of, String type) {
        SpotWorth.Best b = of.best().get(bin).get(spot.id());
        if (b == null) {
            return new MapMarks.Now(1, SHARE_UNKNOWN, type + ". Nothing is known of it");
        }
        String lure =
                event.presentation(b.cell().presentationId()).orElseThrow().name();
        String words = String.format(
                Locale.ROOT,
                "%s. %s: %.1f bites an hour%s%s",
                type,
                lure,
                b.bites(),
                b.keeperGrams() > 0 ? ", keepers " + units.weight(b.keeperGrams()) : "",
                bank(spot, of.model().bins().get(bin)));
        return new MapMarks.Now(
                SpotWorth.stones(spot.id(), of.model(), bin, of.allowed()), most == 0 ? 0 : b.grams() / most, words);
    }

    private String bank(Spot spot, Bin bin) {
        ForecastPeriod forecast = forecast(bin);
        BankSide side = forecast == null || shore == null
                ? null
                : shore.side(spot.position(), forecast.windMps(), forecast.windFromDeg());
        return side == null ? "" : ". Bank " + side.code();
    }

    private @Nullable ForecastPeriod forecast(Bin bin) {
        return event.forecast().stream()
                .filter(p -> p.holds(bin.start()))
                .findFirst()
                .orElse(null);
    }

    private String banks(Bin bin) {
        ForecastPeriod f = forecast(bin);
        if (f == null || shore == null) {
            return "";
        }
        StringBuilder letters = new StringBuilder();
        for (BankSide side : shore.sides(f.windMps(), f.windFromDeg())) {
            letters.append(letter(side));
        }
        return letters.toString();
    }

    private static char letter(@Nullable BankSide side) {
        if (side == null) {
            return '-';
        }
        return switch (side) {
            case BLOWN -> 'b';
            case SHELTERED -> 's';
            case SLICK -> 'k';
        };
    }

    /** How the spots change through a day, and what its winds do to the shore; empty where nothing is known of it. */
    public void putHours(MapMarksBuilder marks) {
        if (known == null || shore == null) {
            return;
        }
        List<MapMarks.Hour> hours = new ArrayList<>();
        for (int i = 0; i < known.model().bins().size(); i++) {
            Bin bin = known.model().bins().get(i);
            int number = i;
            hours.add(new MapMarks.Hour(
                    Dates.clock(bin.start(), event.timeZone()),
                    wind(bin),
                    event.spots().stream()
                            .map(s -> requireNonNull(now(s, number)))
                            .toList(),
                    note(bin),
                    banks(bin)));
        }
        marks.hours(hours).shore(MapMarks.way(shore.places()));
    }

    private MapMarks.@Nullable Wind wind(Bin bin) {
        ForecastPeriod f = forecast(bin);
        return f == null || f.windFromDeg() == null || f.windMps() == null
                ? null
                : new MapMarks.Wind(f.windFromDeg(), units.speed(f.windMps()));
    }

    private String note(Bin bin) {
        ForecastPeriod f = forecast(bin);
        return f != null && Boolean.TRUE.equals(f.lightning()) ? "Lightning is forecast: off the water" : "";
    }
}
