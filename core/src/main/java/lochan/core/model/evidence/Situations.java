package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.Median;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.BankWind;
import lochan.core.lake.FishPosition;
import lochan.core.lake.Spot;
import lochan.core.lures.advice.FishLevel;
import lochan.core.lures.advice.Light;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.lures.advice.TempTrend;
import lochan.core.practice.Bite;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/** Describes spots in the hours of an event by the forecast, practice and the electronics. */
public final class Situations {

    /** Fewer sizes say nothing of what fish weigh. */
    private static final int FEW_FISH = 3;

    private final EventData event;
    private final FishStanding fish;
    private final @Nullable BankWind banks;
    private final Assumptions assumptions;
    private final List<PracticeStop> latestFirst;
    private final @Nullable Double temperature;
    private final @Nullable TempTrend trend;
    /** What fish weigh in all of practice, in the middle; null: few are known. */
    private final @Nullable Double lakeGrams;

    private final Map<LocalDate, Instant> sunrises = new ConcurrentHashMap<>();

    public Situations(EventData event, Assumptions assumptions) {
        this(event, new FishStanding(event, assumptions), assumptions);
    }

    /** @param fish how fish were seen to stand in the event */
    public Situations(EventData event, FishStanding fish, Assumptions assumptions) {
        this.event = event;
        this.fish = fish;
        this.banks = event.lake() == null ? null : new BankWind(event.lake(), assumptions.bank());
        this.assumptions = assumptions;
        this.latestFirst = event.stops().stream()
                .sorted(Comparator.comparing(PracticeStop::start).reversed())
                .toList();
        this.temperature = latest(Conditions::waterTempC).orElse(null);
        this.trend = trend();
        this.lakeGrams = middle(latestFirst.stream());
    }

    /** The situation at a spot at a time; a value that forecast and practice leave open is unknown. */
    public Situation at(Spot spot, Instant time) {
        Optional<ForecastPeriod> f =
                event.forecast().stream().filter(p -> p.holds(time)).findFirst();
        Double temp = f.map(ForecastPeriod::waterTempC).orElse(temperature);
        Double visibility = f.map(ForecastPeriod::visibilityM)
                .orElse(seenHere(spot, Conditions::visibilityM)
                        .orElse(latest(Conditions::visibilityM).orElse(null)));
        ClarityTrend clarity = seenHere(spot, c -> c.signs().clarityTrend())
                .orElse(latest(c -> c.signs().clarityTrend()).orElse(null));
        Spot now = spot.deeperBy(event.aboveReferenceM(time));
        Double depth = Stream.of(now.depthMaxM(), now.depthMinM())
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
        TakenOn takenOn = takenOn(spot);
        FishStanding.TimedSighting seen = fish.seen(spot.id(), time).orElse(null);
        BankSide bank = f.map(p -> bank(spot, p.windMps(), p.windFromDeg())).orElse(null);
        return SituationBuilder.builder()
                .waterTempC(temp)
                .tempTrend(trend)
                .visibilityM(visibility)
                .clarity(clarity)
                .light(light(time, f.map(ForecastPeriod::sky).orElse(null)))
                .surface(surface(f.map(p -> Surface.ofWind(p.windMps())).orElse(null), bank))
                .bank(bank)
                .stage(stage(temp, time))
                .forage(forage(spot))
                .fishDepthM(
                        seen == null || seen.fish().depthM() == null
                                ? fishDepth(spot)
                                : seen.fish().depthM())
                .takenOn(takenOn)
                .level(level(seen, takenOn))
                .waterDepthM(depth)
                .mood(seen == null || seen.mood() == null ? mood(spot) : seen.mood())
                .cover(Cover.of(spot.spotType()))
                .pressured(isPressured(spot) ? true : null)
                .fishGrams(fishGrams(spot))
                .front(latest(c -> c.signs().recentFront()).orElse(null))
                .build();
    }

    /** What fish weigh at a spot, in the middle; in all of practice where few of the spot's have a size; null: few are known at all. */
    private @Nullable Double fishGrams(Spot spot) {
        Double here = middle(here(spot));
        return here == null ? lakeGrams : here;
    }

    private static @Nullable Double middle(Stream<PracticeStop> stops) {
        return Median.of(
                stops.flatMap(s -> s.bites().stream())
                        .map(b -> b.size() == null ? null : b.size().middleGrams()),
                FEW_FISH);
    }

    /** What a wind does to a spot's bank; null: unknown. */
    public @Nullable BankSide bank(Spot spot, @Nullable Double windMps, @Nullable Double windFromDeg) {
        return banks == null ? null : banks.side(spot.position(), windMps, windFromDeg);
    }

    /** Out of the wind the surface is calmer than the forecast makes it. */
    private static @Nullable Surface surface(@Nullable Surface open, @Nullable BankSide bank) {
        if (open == null || bank == null || bank == BankSide.BLOWN) {
            return open;
        }
        return bank == BankSide.SLICK ? Surface.CALM : Surface.values()[Math.max(0, open.ordinal() - 1)];
    }

    private static @Nullable FishLevel level(FishStanding.@Nullable TimedSighting seen, @Nullable TakenOn takenOn) {
        if (seen != null && seen.mood() == Mood.INACTIVE) {
            return FishLevel.SUSPENDED;
        }
        boolean onBottom = seen != null && seen.fish().position() == FishPosition.ON_BOTTOM;
        return onBottom || takenOn == TakenOn.BOTTOM ? FishLevel.BOTTOM : null;
    }

    private <T> Optional<T> latest(Function<Conditions, T> value) {
        return latestFirst.stream()
                .map(s -> value.apply(s.conditions()))
                .filter(Objects::nonNull)
                .findFirst();
    }

    private Stream<PracticeStop> here(Spot spot) {
        return latestFirst.stream().filter(s -> s.spotId().equals(spot.id()));
    }

    private <T> Optional<T> seenHere(Spot spot, Function<Conditions, T> value) {
        return here(spot)
                .map(s -> value.apply(s.conditions()))
                .filter(Objects::nonNull)
                .findFirst();
    }

    /** Where the temperature went over the practice days: the mean of the last one against that of the first. */
    private @Nullable TempTrend trend() {
        List<LocalDate> days = latestFirst.stream()
                .filter(s -> s.conditions().waterTempC() != null)
                .map(this::date)
                .distinct()
                .sorted()
                .toList();
        if (days.size() < 2) {
            return null;
        }
        double change = mean(days.getLast()) - mean(days.getFirst());
        double steady = assumptions.advice().steadyTempC();
        if (change > steady) {
            return TempTrend.WARMING;
        }
        if (change < -steady) {
            return TempTrend.COOLING;
        }
        return TempTrend.STEADY;
    }

    private LocalDate date(PracticeStop stop) {
        return stop.start().atZone(event.timeZone()).toLocalDate();
    }

    private double mean(LocalDate day) {
        return latestFirst.stream()
                .filter(s -> s.conditions().waterTempC() != null && date(s).equals(day))
                .mapToDouble(s -> s.conditions().waterTempC())
                .average()
                .orElse(0);
    }

    /** How much light comes down at a time; null: unknown. */
    public @Nullable Light light(Instant time, @Nullable Sky sky) {
        var zone = event.timeZone();
        Instant sunrise =
                sunrises.computeIfAbsent(time.atZone(zone).toLocalDate(), d -> Sunrise.at(event.launch(), d, zone));
        double hours = Duration.between(sunrise, time).toMinutes() / 60.0;
        if (hours < assumptions.advice().lowLightHours()) {
            return Light.LOW;
        }
        if (sky == null) {
            return null;
        }
        if (sky == Sky.CLEAR) {
            return Light.BRIGHT;
        }
        if (sky == Sky.PARTLY) {
            return Light.MIXED;
        }
        return Light.LOW;
    }

    /**
     * The stage of the year by temperature, and by half of the year: up to midsummer it warms towards the spawn, after it cools from summer to winter.
     *
     * @param waterTempC null: unknown
     * @return null when the temperature is unknown
     */
    public @Nullable SeasonStage stage(@Nullable Double waterTempC, Instant time) {
        if (waterTempC == null) {
            return null;
        }
        Assumptions.Seasons s = assumptions.advice().seasons();
        LocalDate date = time.atZone(event.timeZone()).toLocalDate();
        int month = event.launch().lat() >= 0 ? date.getMonthValue() : (date.getMonthValue() + 5) % 12 + 1;
        if (waterTempC < s.winterBelowC()) {
            return SeasonStage.WINTER;
        }
        if (month >= s.autumnFromMonth()) {
            return waterTempC >= s.summerFromC() ? SeasonStage.SUMMER : SeasonStage.AUTUMN;
        }
        if (month > s.springToMonth()) {
            return SeasonStage.SUMMER;
        }
        if (waterTempC < s.spawnFromC()) {
            return SeasonStage.PRE_SPAWN;
        }
        if (waterTempC < s.postSpawnFromC()) {
            return SeasonStage.SPAWN;
        }
        if (waterTempC < s.summerFromC()) {
            return SeasonStage.POST_SPAWN;
        }
        return SeasonStage.SUMMER;
    }

    /** Whether others are often there first, or were in sight when it was fished last. */
    private boolean isPressured(Spot spot) {
        return spot.crowdRisk() > assumptions.advice().pressuredFrom()
                || seenHere(spot, Conditions::boatsNear)
                        .filter(boats -> boats >= assumptions.advice().pressuredBoats())
                        .isPresent();
    }

    private @Nullable Forage forage(Spot spot) {
        return seenHere(spot, c -> c.signs().baitSeen())
                .filter(b -> b)
                .map(b -> Forage.BAITFISH)
                .orElse(null);
    }

    private @Nullable Double fishDepth(Spot spot) {
        return Median.of(
                Stream.concat(
                        bites(spot).map(b -> b.notes().fishDepthM()),
                        event.waypoints().stream()
                                .filter(m -> spot.id().equals(m.spotId()))
                                .map(m -> m.fish().depthM())),
                1);
    }

    private Stream<Bite> bites(Spot spot) {
        return here(spot).flatMap(s -> s.bites().stream());
    }

    /** Where most bites with a note came; null without such notes. */
    private @Nullable TakenOn takenOn(Spot spot) {
        List<TakenOn> noted = bites(spot)
                .map(b -> b.notes().takenOn())
                .filter(Objects::nonNull)
                .toList();
        return Stream.of(TakenOn.values())
                .filter(s -> 2 * noted.stream().filter(n -> n == s).count() > noted.size())
                .findFirst()
                .orElse(null);
    }

    /** Told by follows against bites where the spot was fished for half an hour or more: follows without bites are fish that look and do not take. */
    private @Nullable Mood mood(Spot spot) {
        double hours = here(spot).mapToDouble(s -> s.fishedMinutes() / 60).sum();
        int follows = here(spot).mapToInt(PracticeStop::follows).sum();
        long bites = bites(spot).count();
        if (hours < assumptions.advice().moodFromHours()) {
            return null;
        }
        if (bites / hours >= assumptions.advice().activeBitesPerHour()) {
            return Mood.ACTIVE;
        }
        if (follows > bites || bites == 0) {
            return Mood.INACTIVE;
        }
        return Mood.NEUTRAL;
    }
}
