package lochan.web.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Conditions;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Sky;

/** Five finished events of two earlier seasons on the same water: practice, plans, logs and weights of the same world. */
final class DemoSeasons {

    private static final LocalTime START = LocalTime.of(6, 30);
    private static final LocalTime CHECK_IN = LocalTime.of(15, 0);
    private static final LocalTime WEIGH_IN = LocalTime.of(15, 40);

    private DemoSeasons() {}

    /** The events by the names of their files, the latest first. */
    static Map<String, EventData> events() {
        Map<String, EventData> events = new LinkedHashMap<>();
        events.put("late-water", lateWater());
        events.put("long-light", longLight());
        events.put("april-shakedown", aprilShakedown());
        events.put("two-day-autumn", twoDayAutumn());
        events.put("may-opener", mayOpener());
        return events;
    }

    /**
     * An event in the words of its angler.
     *
     * @param practice stops of each day of practice, as {@link DemoWorld#practice} reads them
     * @param plans    stops of each competition day, "arrive leave spot presentation"
     * @param water    of each day of practice
     */
    private record Season(
            String name,
            String target,
            Map<String, List<String>> practice,
            Map<String, List<String>> plans,
            List<Conditions> water) {

        private EventData finished() {
            DemoWorld world = new DemoWorld(name);
            Event event = event();
            List<PracticeStop> stops = new ArrayList<>();
            for (String date : practice.keySet().stream().sorted().toList()) {
                stops.addAll(
                        world.practice(date, water.get(stops.isEmpty() ? 0 : water.size() - 1), practice.get(date)));
            }
            List<Plan> written = new ArrayList<>();
            DemoDay days = new DemoDay(event, world, name.substring(0, 1).toLowerCase(java.util.Locale.ROOT));
            for (String date : plans.keySet().stream().sorted().toList()) {
                int day = written.size() + 1;
                List<PlanStop> planned = plans.get(date).stream()
                        .map(line -> line.split(" "))
                        .map(p -> DemoEvents.plan(date, p[2], p[3], p[0], p[1]))
                        .toList();
                written.add(new Plan(day, "Day " + day, planned));
                days.fished(planned).weighed(day, WEIGH_IN);
            }
            return EventData.builder(event, new Boat(20, 12, 4, null, null))
                    .spots(spots(stops, written))
                    .presentations(DemoWorld.PRESENTATIONS)
                    .stops(stops)
                    .plans(written)
                    .competition(days.log())
                    .build();
        }

        private Event event() {
            return new Event(
                    name + ", Velmarrow Reservoir",
                    DemoWorld.ZONE,
                    1,
                    practice.keySet().stream().sorted().map(LocalDate::parse).toList(),
                    plans.keySet().stream()
                            .sorted()
                            .map(LocalDate::parse)
                            .map(d -> new CompetitionDay(d, DemoWorld.at(d, START), DemoWorld.at(d, CHECK_IN)))
                            .toList(),
                    new Event.Ramp(DemoWorld.LAUNCH, DemoWorld.LAUNCH),
                    new Rules(
                            Format.LIMIT_WEIGHT,
                            5,
                            DemoEvents.grams(target),
                            5.0,
                            List.of(
                                    new SpeciesRule(Species.LARGEMOUTH, 355.6, null),
                                    new SpeciesRule(Species.SMALLMOUTH, 355.6, null),
                                    new SpeciesRule(Species.SPOTTED, 304.8, null)),
                            new Penalties(DemoEvents.grams("0-4"), DemoEvents.grams("1-0"), 15.0, null),
                            new Gear(null, List.of())),
                    Map.of("targetGrams", target));
        }

        private static List<Spot> spots(List<PracticeStop> stops, List<Plan> plans) {
            List<String> known = Stream.concat(
                            stops.stream().map(PracticeStop::spotId),
                            plans.stream().flatMap(p -> p.stops().stream()).map(PlanStop::spotId))
                    .distinct()
                    .toList();
            return DemoWorld.spots().stream()
                    .filter(s -> known.contains(s.id()))
                    .toList();
        }
    }

    private static EventData aprilShakedown() {
        return new Season(
                        "April Shakedown",
                        "12-0",
                        Map.of(
                                "2026-04-23",
                                List.of(
                                        "07:30 maudlin-point medium-crankbait 60",
                                        "08:50 dam-riprap medium-crankbait 45",
                                        "10:00 cold-wall shaky-head 50",
                                        "11:20 sill-ledge carolina-rig 60",
                                        "13:00 parson-brush flipping-jig 40"),
                                "2026-04-24",
                                List.of(
                                        "07:20 split-point shaky-head 60",
                                        "08:40 harth-grass swim-jig 60",
                                        "10:00 sill-ledge carolina-rig+drop-shot 80",
                                        "12:00 fallen-alder flipping-jig 30",
                                        "13:00 pale-hump drop-shot 50")),
                        Map.of(
                                "2026-04-25",
                                List.of(
                                        "06:45 08:30 harth-grass swim-jig",
                                        "08:45 09:30 parson-brush flipping-jig",
                                        "09:45 11:15 pale-hump drop-shot",
                                        "11:30 14:25 sill-ledge carolina-rig")),
                        List.of(
                                new Conditions(12.5, 0.8, 5.0, Sky.CLOUDY, null),
                                new Conditions(12.9, 0.9, 3.0, Sky.PARTLY, null)))
                .finished();
    }

    private static EventData mayOpener() {
        return new Season(
                        "May Opener",
                        "13-0",
                        Map.of(
                                "2025-05-15",
                                List.of(
                                        "06:00 harth-grass walking-topwater+swim-jig 80",
                                        "07:40 fallen-alder flipping-jig 30",
                                        "08:30 long-meadow swim-jig 50",
                                        "09:50 kestle-docks stick-worm 60",
                                        "11:15 split-point medium-crankbait 50",
                                        "12:30 sill-ledge carolina-rig 60"),
                                "2025-05-16",
                                List.of(
                                        "06:10 sill-grass swim-jig 60",
                                        "07:30 maudlin-point medium-crankbait 50",
                                        "08:40 parson-brush flipping-jig 40",
                                        "09:40 harth-bend carolina-rig 60",
                                        "11:00 lost-hump drop-shot 45",
                                        "12:10 dam-riprap medium-crankbait 40")),
                        Map.of(
                                "2025-05-17",
                                List.of(
                                        "06:45 08:15 harth-grass swim-jig",
                                        "08:30 09:15 parson-brush flipping-jig",
                                        "09:30 11:00 kestle-docks stick-worm",
                                        "11:15 14:30 sill-ledge carolina-rig")),
                        List.of(
                                new Conditions(16.5, 1.0, 3.0, Sky.PARTLY, null),
                                new Conditions(16.8, 1.1, 4.0, Sky.CLOUDY, null)))
                .finished();
    }

    private static EventData twoDayAutumn() {
        return new Season(
                        "Two-Day Autumn",
                        "13-0",
                        Map.of(
                                "2025-09-18",
                                List.of(
                                        "07:00 wend-weeds walking-topwater+swim-jig 70",
                                        "08:40 long-meadow swim-jig 60",
                                        "10:00 causeway medium-crankbait 50",
                                        "11:15 drowned-copse drop-shot 50",
                                        "12:40 harth-bend carolina-rig+drop-shot 70"),
                                "2025-09-19",
                                List.of(
                                        "07:00 harth-grass walking-topwater 50",
                                        "08:00 maudlin-point medium-crankbait+shaky-head 70",
                                        "09:30 dam-riprap medium-crankbait 50",
                                        "10:40 pale-hump drop-shot 60",
                                        "12:00 sill-ledge carolina-rig 60")),
                        Map.of(
                                "2025-09-20",
                                List.of(
                                        "06:50 08:20 harth-grass swim-jig",
                                        "08:40 10:10 long-meadow swim-jig",
                                        "10:30 12:00 pale-hump drop-shot",
                                        "12:15 14:30 sill-ledge carolina-rig"),
                                "2025-09-21",
                                List.of(
                                        "06:50 08:20 harth-grass swim-jig",
                                        "08:35 09:30 parson-brush flipping-jig",
                                        "09:50 12:00 harth-bend carolina-rig",
                                        "12:20 14:30 sill-ledge drop-shot")),
                        List.of(
                                new Conditions(21.0, 1.6, 2.5, Sky.CLEAR, null),
                                new Conditions(20.6, 1.5, 4.0, Sky.PARTLY, null)))
                .finished();
    }

    private static EventData longLight() {
        return new Season(
                        "Long Light",
                        "14-0",
                        Map.of(
                                "2026-07-09",
                                List.of(
                                        "05:40 harth-grass walking-topwater 60",
                                        "06:50 sill-grass swim-jig 50",
                                        "08:00 pale-hump drop-shot 60",
                                        "09:20 sill-ledge carolina-rig+drop-shot 90",
                                        "11:10 mill-ledge carolina-rig 50",
                                        "12:20 ferry-docks stick-worm 40"),
                                "2026-07-10",
                                List.of(
                                        "05:40 long-meadow walking-topwater 50",
                                        "06:50 harth-bend carolina-rig 70",
                                        "08:20 lost-hump drop-shot 50",
                                        "09:30 parson-brush flipping-jig 40",
                                        "10:30 raven-wall shaky-head 40",
                                        "11:30 kestle-docks stick-worm 50")),
                        Map.of(
                                "2026-07-11",
                                List.of(
                                        "06:40 07:50 harth-grass walking-topwater",
                                        "08:05 09:00 parson-brush flipping-jig",
                                        "09:15 10:45 pale-hump drop-shot",
                                        "11:00 14:30 sill-ledge carolina-rig")),
                        List.of(
                                new Conditions(25.5, 1.8, 2.0, Sky.CLEAR, null),
                                new Conditions(25.8, 1.7, 3.0, Sky.PARTLY, null)))
                .finished();
    }

    private static EventData lateWater() {
        return new Season(
                        "Late Water",
                        "14-0",
                        Map.of(
                                "2026-09-10",
                                List.of(
                                        "06:50 harth-grass swim-jig 60",
                                        "08:00 fallen-alder flipping-jig 30",
                                        "08:50 split-point medium-crankbait+shaky-head 70",
                                        "10:20 sill-ledge carolina-rig 70",
                                        "11:50 hound-point shaky-head 50"),
                                "2026-09-11",
                                List.of(
                                        "06:50 sill-grass walking-topwater+swim-jig 70",
                                        "08:20 old-boathouse stick-worm 50",
                                        "09:30 mill-ledge carolina-rig+drop-shot 80",
                                        "11:10 pale-hump drop-shot 60",
                                        "12:30 parson-brush flipping-jig 40")),
                        Map.of(
                                "2026-09-12",
                                List.of(
                                        "06:45 08:15 harth-grass swim-jig",
                                        "08:30 09:20 parson-brush flipping-jig",
                                        "09:35 11:20 pale-hump drop-shot",
                                        "11:35 14:30 sill-ledge carolina-rig"),
                                "2026-09-13",
                                List.of(
                                        "06:45 08:00 harth-grass walking-topwater",
                                        "08:15 09:15 parson-brush flipping-jig",
                                        "09:30 12:30 sill-ledge carolina-rig",
                                        "12:50 14:25 harth-bend carolina-rig")),
                        List.of(
                                new Conditions(22.0, 1.4, 3.0, Sky.PARTLY, null),
                                new Conditions(21.8, 1.5, 2.0, Sky.CLEAR, null)))
                .finished();
    }
}
