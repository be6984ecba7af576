package lochan.offline.pack;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.live.Effort;
import lochan.core.model.scenario.DayModel;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.quantity.Units;
import lochan.offline.json.Fields;
import org.jspecify.annotations.Nullable;

/**
 * What a phone takes along of an event: enough to advise, plan and show the lake without a signal.
 *
 * @param event  without its practice and its competition log
 * @param units  as the angler reads them
 * @param runs   between its places, and from anywhere
 * @param factor by which what is to come is scaled ({@code model.md} §7)
 * @param effort how much the phone computes
 * @param fished  by spot, what practice brought; spots that were not fished are left out
 * @param notAllowed what the angler's rules say against presentations, by their ids
 * @param waterC water temperature as last logged at home, °C; null: never
 * @param days   by number; days that practice says nothing of are left out
 */
public record Pack(
        EventData event,
        Units units,
        DayRuns runs,
        double factor,
        Effort effort,
        Map<String, Fished> fished,
        Map<String, String> notAllowed,
        @Nullable Double waterC,
        Map<Integer, Day> days) {

    /** What practice brought at a spot. */
    public record Fished(int minutes, int bites) {}

    /** A competition day, and the backups of its plan. */
    public record Day(DayModel model, Backups.Ladder ladder) {}

    public static Pack read(Fields f) {
        EventData event = EventJson.whole(f.needed("data", f::object));
        Map<Integer, Day> days = new HashMap<>();
        for (Fields d : f.list("days", x -> x)) {
            int number = d.needed("day", d::whole);
            Fields ladder = d.object("ladder");
            days.put(
                    number,
                    new Day(
                            DayJson.model(d.needed("model", d::object), number, event),
                            ladder == null ? new Backups.Ladder(null, List.of()) : DayJson.ladder(ladder)));
        }
        return new Pack(
                event,
                EventJson.units(f.needed("units", f::object)),
                runs(f.needed("runs", f::object), event),
                f.needed("factor", f::number),
                effort(f.needed("effort", f::object)),
                fished(f),
                f.needed("notAllowed", f::object).all(),
                f.number("waterC"),
                days);
    }

    private static Map<String, Fished> fished(Fields pack) {
        Map<String, Fished> fished = new HashMap<>();
        pack.list(
                "fished",
                s -> fished.put(
                        s.needed("spot", s::text),
                        new Fished(s.needed("minutes", s::whole), s.needed("bites", s::whole))));
        return fished;
    }

    private static Effort effort(Fields f) {
        return new Effort(
                f.needed("outlook", f::whole),
                f.needed("weighed", f::whole),
                f.needed("scenarios", f::whole),
                f.needed("rounds", f::whole),
                f.needed("seed", f::whole));
    }

    private static DayRuns runs(Fields f, EventData event) {
        List<Position> places =
                f.lists("places").stream().map(p -> new Position(p[0], p[1])).toList();
        Duration setUp = Runs.seconds(60 * event.boat().setUpMinutes());
        Assumptions.Planning a = Assumptions.DEFAULTS.planning();
        return DayRuns.of(
                event,
                a,
                new PackRuns(
                        places,
                        setUp,
                        f.numbers("metres"),
                        f.numbers("millis"),
                        once(() -> Runs.of(event.lake(), event.boat(), a))),
                new PackRuns(
                        places,
                        setUp,
                        f.numbers("roughMetres"),
                        f.numbers("roughMillis"),
                        once(() -> Runs.of(event.lake(), DayRuns.inRoughWater(event.boat()), a))),
                from -> lee(
                        f, places, setUp, from, once(() -> DayRuns.inLee(event.knownLake(), event.boat(), from, a))));
    }

    /** Those in the lee of a wind, as they were taken along; else found here. */
    private static Runs lee(Fields f, List<Position> places, Duration setUp, double from, Supplier<Runs> found) {
        return f.list("lee", x -> x).stream()
                .filter(l -> l.needed("from", l::number) == from)
                .findFirst()
                .<Runs>map(l -> new PackRuns(places, setUp, l.numbers("metres"), l.numbers("millis"), found))
                .orElseGet(() -> found.get());
    }

    private static <T> Supplier<T> once(Supplier<T> make) {
        List<T> made = new ArrayList<>();
        return () -> {
            if (made.isEmpty()) {
                made.add(make.get());
            }
            return made.getFirst();
        };
    }

    /** What practice says of a day; empty: nothing. */
    public Optional<Day> day(int number) {
        return Optional.ofNullable(days.get(number))
                .filter(d -> !d.model().cells().isEmpty());
    }
}
