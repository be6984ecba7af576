package lochan.web.lake;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.ShoreWind;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.Situations;
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

    private final EventData event;
    private final @Nullable DayModel model;
    private final Units units;
    private final Predicate<Cell> allowed;
    private final Map<String, Duration> gone;
    private final Situations situations;
    /** By bin. */
    private final List<Map<String, SpotWorth.Best>> best;

    private final double most;

    private SpotMarks(
            EventData event,
            @Nullable DayModel model,
            List<Map<String, SpotWorth.Best>> best,
            Predicate<Cell> allowed,
            Units units) {
        this.event = event;
        this.model = model;
        this.units = units;
        this.allowed = allowed;
        this.gone = EliminatedWater.of(event);
        this.situations = new Situations(event, Assumptions.DEFAULTS);
        this.best = List.copyOf(best);
        this.most = best.stream()
                .flatMap(b -> b.values().stream())
                .mapToDouble(SpotWorth.Best::grams)
                .max()
                .orElse(0);
    }

    /** @param model null: nothing is known of the day */
    public static SpotMarks of(EventData event, @Nullable DayModel model, SpotWorths worths, Units units) {
        return new SpotMarks(event, model, model == null ? List.of() : worths.of(event, model), c -> true, units);
    }

    /** @param allowed which cells count */
    public static SpotMarks of(EventData event, DayModel model, Predicate<Cell> allowed, Units units) {
        return new SpotMarks(event, model, SpotWorths.computed(event, model, allowed), allowed, units);
    }

    /** Without what is known of a day. */
    static SpotMarks of(EventData event, Units units) {
        return new SpotMarks(event, null, List.of(), c -> true, units);
    }

    /** The spots at an hour that counts for the day as a whole: the one where each is worth most. */
    public List<MapMarks.Place> ofTheDay() {
        return event.spots().stream()
                .map(s -> place(s, bestBin(s.id())).build())
                .toList();
    }

    /** The spots in one part of the day. */
    public List<MapMarks.Place> at(int bin) {
        return event.spots().stream().map(s -> place(s, bin).build()).toList();
    }

    private int bestBin(String spotId) {
        int found = 0;
        for (int bin = 1; bin < best.size(); bin++) {
            if (grams(spotId, bin) > grams(spotId, found)) {
                found = bin;
            }
        }
        return found;
    }

    private double grams(String spotId, int bin) {
        SpotWorth.Best of = best.get(bin).get(spotId);
        return of == null ? 0 : of.grams();
    }

    private MapMarksPlaceBuilder place(Spot spot, int bin) {
        MapMarksPlaceBuilder place = MapMarks.place(spot, event);
        Duration fished = gone.get(spot.id());
        if (fished != null) {
            return place.gone(true)
                    .share(0.2)
                    .stones(2)
                    .words(SpotType.words(spot.spotType()) + ". Fished " + Times.span(fished) + ", nothing");
        }
        if (model == null || best.isEmpty()) {
            return place.words(SpotType.words(spot.spotType()));
        }
        MapMarks.Now now = now(spot, bin);
        SpotWorth.Best b = best.get(bin).get(spot.id());
        return place.share(now.share())
                .stones(now.stones())
                .words(now.words())
                .lure(b == null ? null : b.cell().presentationId());
    }

    /** What changes of a spot in a part of the day. */
    private MapMarks.Now now(Spot spot, int bin) {
        String type = SpotType.words(spot.spotType());
        DayModel of = requireNonNull(model);
        SpotWorth.Best b = best.get(bin).get(spot.id());
        if (gone.containsKey(spot.id())) {
            return new MapMarks.Now(2, 0.2, type + ". Fished " + Times.span(gone.get(spot.id())) + ", nothing");
        }
        if (b == null) {
            return new MapMarks.Now(1, 0.15, type + ". Nothing is known of it");
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
                bank(spot, of.bins().get(bin)));
        return new MapMarks.Now(SpotWorth.stones(spot.id(), of, bin, allowed), most == 0 ? 0 : b.grams() / most, words);
    }

    private String bank(Spot spot, Bin bin) {
        ForecastPeriod forecast = forecast(bin);
        BankSide side = forecast == null ? null : situations.bank(spot, forecast.windMps(), forecast.windFromDeg());
        return side == null ? "" : ". Bank " + side.code();
    }

    private @Nullable ForecastPeriod forecast(Bin bin) {
        return event.forecast().stream()
                .filter(p -> p.holds(bin.start()))
                .findFirst()
                .orElse(null);
    }

    private String banks(Bin bin, @Nullable ShoreWind shore) {
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

    /**
     * The parts of the day, one after another; empty where nothing is known of it.
     *
     * @param shore of the lake; null: what the wind does to the banks is not told
     */
    public List<MapMarks.Hour> hours(@Nullable ShoreWind shore) {
        if (model == null) {
            return List.of();
        }
        List<MapMarks.Hour> hours = new ArrayList<>();
        for (int i = 0; i < model.bins().size(); i++) {
            Bin bin = model.bins().get(i);
            int number = i;
            hours.add(new MapMarks.Hour(
                    Dates.clock(bin.start(), event.timeZone()),
                    wind(bin),
                    event.spots().stream().map(s -> now(s, number)).toList(),
                    note(bin),
                    banks(bin, shore)));
        }
        return hours;
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
