package lochan.core;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.plan.Plan;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;

/** Small invented events for tests. */
public final class Sample {

    public static final ZoneId ZONE = ZoneId.of("America/Boise");
    public static final Position LAUNCH = new Position(42.6, -116.9);
    public static final SpeciesRule LARGEMOUTH = new SpeciesRule(Species.LARGEMOUTH, 355.6, null);
    public static final SpeciesRule SPOTTED = new SpeciesRule(Species.SPOTTED, 304.8, null);
    public static final List<Presentation> PRESENTATIONS = List.of(
            new Presentation("swim-jig", "Swim jig", Hooks.SINGLE),
            new Presentation("walker", "Walking topwater", Hooks.TREBLE));

    private Sample() {}

    /** A local time as {@code 06-05T06:00}, in 2027. */
    public static Instant at(String local) {
        return LocalDateTime.parse("2027-" + local).atZone(ZONE).toInstant();
    }

    public static Event tournament(int limit, List<SpeciesRule> species) {
        return tournament(Format.LIMIT_WEIGHT, limit, species, null);
    }

    public static Event tournament(Format format, Integer limit, List<SpeciesRule> species, Double scaleGrams) {
        return new Event(
                "Test Open",
                ZONE,
                1,
                List.of(LocalDate.of(2027, 6, 3)),
                List.of(
                        new CompetitionDay(LocalDate.of(2027, 6, 5), at("06-05T06:00"), at("06-05T15:00")),
                        new CompetitionDay(LocalDate.of(2027, 6, 6), at("06-06T06:00"), at("06-06T14:00"))),
                new Event.Ramp(LAUNCH, LAUNCH),
                new Rules(
                        format,
                        limit,
                        6000.0,
                        scaleGrams,
                        species,
                        new Penalties(113.4, 453.6, 15.0, 453.6),
                        Gear.FREE),
                Map.of());
    }

    public static Spot spot(String id, String spotType, Zone zone, double kmNorth) {
        return SpotBuilder.builder()
                .id(id)
                .name(id)
                .position(new Position(LAUNCH.lat() + kmNorth / 111.2, LAUNCH.lon()))
                .radiusM(60)
                .spotType(spotType)
                .zone(zone)
                .crowdRisk(0.2)
                .stock(Stock.GENERAL)
                .entered(Map.of())
                .build();
    }

    public static PracticeStop stop(
            String id, String spot, String start, String end, List<String> presentations, Bite... bites) {
        return PracticeStopBuilder.builder()
                .id(id)
                .spotId(spot)
                .start(at(start))
                .end(end == null ? null : at(end))
                .anglers(1)
                .presentations(presentations.stream()
                        .map(p -> new PresentationTime(p, null))
                        .toList())
                .follows(0)
                .bites(List.of(bites))
                .conditions(Conditions.UNKNOWN)
                .build();
    }

    public static Bite bite(String at, Outcome outcome, FishSize size) {
        return new Bite(at == null ? null : at(at), outcome, null, Species.LARGEMOUTH, size);
    }

    public static EventData event(Event event, List<Spot> spots, List<PracticeStop> stops) {
        return EventData.builder(event, Boat.USUAL)
                .spots(spots)
                .presentations(PRESENTATIONS)
                .stops(stops)
                .build();
    }

    /** Five spots of three classes, some fished well, some badly, one never; sizes of all kinds. The same seed gives the same event. */
    public static EventData practiced(int limit, long seed) {
        Random random = new Random(seed);
        List<Spot> spots = List.of(
                spot("grass-1", "grass-edge", Zone.SHALLOW, 1),
                spot("grass-2", "grass-edge", Zone.SHALLOW, 2),
                spot("grass-3", "grass-edge", Zone.SHALLOW, 4),
                spot("ledge-1", "channel-ledge", Zone.DEEP, 3),
                spot("point-1", "rock-point", Zone.MID, -2));
        List<PracticeStop> stops = new ArrayList<>();
        for (Spot spot : spots.subList(0, 4)) {
            for (int hour : new int[] {6, 11}) {
                String start = String.format("06-03T%02d:00", hour);
                Bite[] bites = new Bite[random.nextInt(6)];
                for (int i = 0; i < bites.length; i++) {
                    FishSize size =
                            switch (random.nextInt(4)) {
                                case 0 -> null;
                                case 1 -> FishSize.guess(500 + random.nextInt(1500));
                                case 2 -> FishSize.length(300 + random.nextInt(200));
                                default -> FishSize.scale(500 + random.nextInt(1500));
                            };
                    bites[i] = bite(null, Outcome.values()[random.nextInt(4)], size);
                }
                stops.add(stop(
                        spot.id() + hour,
                        spot.id(),
                        start,
                        String.format("06-03T%02d:50", hour),
                        List.of(hour == 6 ? "walker" : "swim-jig"),
                        bites));
            }
        }
        return event(tournament(limit, List.of(LARGEMOUTH, SPOTTED)), spots, stops);
    }

    public static EventData withPlan(EventData e, Plan plan) {
        return e.toBuilder().plans(List.of(plan)).build();
    }

    /** A live fish of a weight at its minute of the first competition day. */
    public static Entry.Catch fish(String id, Species species, Double grams, Double mm) {
        return EntryCatchBuilder.builder()
                .id(id)
                .at(at("06-05T07:00"))
                .species(species)
                .grams(grams)
                .mm(mm)
                .alive(true)
                .build();
    }

    /** A largemouth landed at a spot on a presentation. */
    public static Entry.Catch fish(String id, Instant at, double grams, String spotId, String presentationId) {
        return EntryCatchBuilder.builder(fish(id, grams))
                .at(at)
                .spotId(spotId)
                .presentationId(presentationId)
                .build();
    }

    public static Entry.Catch fish(String id, double grams) {
        return fish(id, Species.LARGEMOUTH, grams, null);
    }
}
