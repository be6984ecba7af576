package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Lookup;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.BankWind;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import org.jspecify.annotations.Nullable;

/**
 * A part [start, end) of a practice stop, as far as one presentation goes ({@code model.md} §1).
 *
 * @param effortAnglerHours   anglers × hours with that presentation
 * @param bites           its bites; a bite without a time, or without a presentation among several, counts in parts, as
 *                        does one whose fish was not seen at a
 *                          spot with bycatch
 * @param date              practice date
 * @param hoursAfterSunrise of its middle
 * @param water             what the lake was like for the whole stop
 */
public record Slice(
        PracticeStop stop,
        String presentationId,
        Instant start,
        Instant end,
        double effortAnglerHours,
        double bites,
        LocalDate date,
        double hoursAfterSunrise,
        Water water) {

    private static final double MINUTES_PER_HOUR = 60;

    /**
     * The lake during a stop.
     *
     * @param bank  what the wind did to the spot's bank; null: unknown
     * @param level which way the water went, as noted or else by the lake's levels; null: unknown
     */
    public record Water(@Nullable BankSide bank, @Nullable LevelTrend level) {}

    /** How the stop's wind met the spot's bank; null: unknown. */
    public @Nullable BankSide bank() {
        return water.bank();
    }

    public String spotId() {
        return stop.spotId();
    }

    public Conditions conditions() {
        return stop.conditions();
    }

    /** The slices of all finished stops. */
    public static List<Slice> of(EventData event, Assumptions assumptions) {
        Map<LocalDate, Instant> sunrises = new HashMap<>();
        Map<String, Double> bass = bass(event);
        BankWind banks = event.lake() == null ? null : new BankWind(event.lake(), assumptions.bank());
        List<Slice> slices = new ArrayList<>();
        for (PracticeStop stop : event.stops()) {
            if (stop.end() != null && PracticeStop.canRun(stop.start(), stop.end())) {
                LocalDate date = stop.start().atZone(event.timeZone()).toLocalDate();
                Instant sunrise = sunrises.computeIfAbsent(date, d -> Sunrise.at(event.launch(), d, event.timeZone()));
                slices.addAll(cut(
                        stop,
                        date,
                        sunrise,
                        assumptions.relevance().sliceMinutes(),
                        bass.getOrDefault(stop.spotId(), 1.0),
                        new Water(
                                banks == null ? null : bank(stop, event, banks),
                                LevelTrends.of(stop.conditions().signs().levelTrend(), event, stop.start()))));
            }
        }
        return List.copyOf(slices);
    }

    /**
     * By spot, the share of its unseen bites that were of species that count: (1 + seen)/(1 + seen + bycatch); spots
     * without bycatch are left out.
     */
    private static Map<String, Double> bass(EventData event) {
        Map<String, Double> bass = new HashMap<>();
        Map<String, Integer> seen = new HashMap<>();
        Map<String, Integer> other = new HashMap<>();
        for (PracticeStop stop : event.stops()) {
            other.merge(stop.spotId(), stop.bycatch(), Integer::sum);
            seen.merge(
                    stop.spotId(),
                    (int) stop.bites().stream().filter(b -> !isUnseen(b)).count(),
                    Integer::sum);
        }
        other.forEach((spot, n) -> {
            if (n > 0) {
                bass.put(spot, (1.0 + Lookup.of(seen, spot)) / (1 + Lookup.of(seen, spot) + n));
            }
        });
        return bass;
    }

    private static @Nullable BankSide bank(PracticeStop stop, EventData event, BankWind banks) {
        Conditions c = stop.conditions();
        return banks.side(
                event.spot(stop.spotId()).orElseThrow().position(),
                c.windMps(),
                c.signs().windFromDeg());
    }

    private static boolean isUnseen(Bite bite) {
        return bite.species() == null && bite.size() == null && bite.outcome() != Outcome.LANDED;
    }

    private static List<Slice> cut(
            PracticeStop stop, LocalDate date, Instant sunrise, int longestMinutes, double bass, Water water) {
        Duration whole = Duration.between(stop.start(), stop.end());
        int count = (int) Math.ceilDiv(
                whole.toMillis(), Duration.ofMinutes(longestMinutes).toMillis());
        Map<String, Double> minutes = minutesByPresentation(stop, stop.fishedMinutes());
        double allMinutes =
                minutes.values().stream().mapToDouble(Double::doubleValue).sum();
        List<Slice> slices = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Instant from = stop.start().plusMillis(whole.toMillis() * i / count);
            Instant to = stop.start().plusMillis(whole.toMillis() * (i + 1) / count);
            double middle = Sunrise.hoursAfter(
                    sunrise, from.plus(Duration.between(from, to).dividedBy(2)));
            boolean last = i == count - 1;
            for (var part : minutes.entrySet()) {
                double share = allMinutes > 0 ? part.getValue() / allMinutes : 1.0 / minutes.size();
                double bites = stop.bites().stream()
                        .mapToDouble(b -> inSlice(b, from, to, last, count)
                                * ofPresentation(stop, b, part.getKey(), share)
                                * (isUnseen(b) ? bass : 1))
                        .sum();
                double effort = stop.anglers() * part.getValue() / MINUTES_PER_HOUR / count;
                slices.add(new Slice(stop, part.getKey(), from, to, effort, bites, date, middle, water));
            }
        }
        return slices;
    }

    /** Minutes given count as given; the rest of the stop is shared by the presentations without. */
    private static Map<String, Double> minutesByPresentation(PracticeStop stop, double wholeMinutes) {
        double given = stop.presentations().stream()
                .filter(p -> p.minutes() != null)
                .mapToDouble(PresentationTime::minutes)
                .sum();
        long open =
                stop.presentations().stream().filter(p -> p.minutes() == null).count();
        Map<String, Double> minutes = new LinkedHashMap<>();
        for (PresentationTime part : stop.presentations()) {
            double own = part.minutes() != null ? part.minutes() : Math.max(0, wholeMinutes - given) / open;
            minutes.merge(part.presentationId(), own, Double::sum);
        }
        return minutes;
    }

    private static double inSlice(Bite bite, Instant from, Instant to, boolean last, int count) {
        if (bite.at() == null) {
            return 1.0 / count;
        }
        boolean begun = !bite.at().isBefore(from);
        return begun && (bite.at().isBefore(to) || last) ? 1 : 0;
    }

    private static double ofPresentation(PracticeStop stop, Bite bite, String presentation, double shareOfEffort) {
        String known = stop.presentationOf(bite);
        if (known == null) {
            return shareOfEffort;
        }
        return known.equals(presentation) ? 1 : 0;
    }
}
