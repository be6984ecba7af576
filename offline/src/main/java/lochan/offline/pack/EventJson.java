package lochan.offline.pack;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.event.TieBreak;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Hooks;
import lochan.core.practice.Presentation;
import lochan.core.practice.Sky;
import lochan.core.quantity.Units;
import lochan.offline.json.Fields;

/** An event as the event file has it, so far as a phone takes it along. The server has checked it; nothing is checked here again. */
public final class EventJson {

    private EventJson() {}

    /** Its name, days and rules. */
    public static Event event(Fields f) {
        Fields p = f.object("penalties");
        Penalties penalties = p == null
                ? Penalties.NONE
                : new Penalties(
                        p.number("deadFishGrams"),
                        p.number("lateGramsPerMinute"),
                        p.number("lateDisqualifyMinutes"),
                        p.number("shortFishGrams"),
                        p.number("overLimitGrams"));
        List<CompetitionDay> days = f.list(
                "days",
                d -> new CompetitionDay(
                        LocalDate.parse(d.needed("date", d::text)),
                        d.needed("start", d::time),
                        d.needed("checkIn", d::time)));
        Rules rules = new Rules(
                f.code(Format.class, "format"),
                f.whole("limit"),
                f.number("targetGrams"),
                f.number("scaleGrams"),
                f.list("species", EventJson::species),
                scoring(f),
                penalties,
                Gear.FREE);
        Integer anglers = f.whole("anglers");
        return new Event(
                f.needed("name", f::text),
                ZoneId.of(f.needed("timeZone", f::text)),
                anglers == null ? 1 : anglers,
                List.of(),
                days,
                new Event.Ramp(
                        f.needed("launch", f::object).position(),
                        f.needed("checkInAt", f::object).position()),
                rules,
                Map.of());
    }

    private static SpeciesRule species(Fields f) {
        Fields slot = f.object("slot");
        return new SpeciesRule(
                f.code(Species.class, "code"),
                f.number("minLengthMm"),
                f.number("minGrams"),
                slot == null
                        ? null
                        : new SpeciesRule.Slot(
                                slot.needed("fromMm", slot::number),
                                slot.needed("toMm", slot::number),
                                slot.whole("over")),
                f.whole("bagLimit"),
                Map.of());
    }

    private static Scoring scoring(Fields event) {
        boolean culling = event.truth("culling", true);
        Fields f = event.object("scoring");
        if (f == null) {
            return Scoring.DEFAULT.withCulling(culling);
        }
        Fields cut = f.object("cut");
        return new Scoring(
                culling,
                f.truth("balanceOnly", false),
                f.number("lengthStepMm"),
                f.has("tieBreak") ? f.code(TieBreak.class, "tieBreak") : TieBreak.NONE,
                cut == null
                        ? null
                        : new Scoring.Cut(cut.needed("afterDay", cut::whole), cut.needed("places", cut::whole)),
                f.texts("tags"));
    }

    /** As the angler reads them; what a phone kept of an older version has fewer. */
    public static Units units(Fields f) {
        Units.Depth depth = f.codeOrNull(Units.Depth.class, "depth");
        Units.Speed speed = f.codeOrNull(Units.Speed.class, "speed");
        return new Units(
                f.code(Units.Weight.class, "weight"),
                f.code(Units.Length.class, "length"),
                depth == null ? Units.USUAL.depth() : depth,
                f.code(Units.Temperature.class, "temperature"),
                speed == null ? Units.USUAL.speed() : speed);
    }

    /** The event of a pack: what it was learnt from stays at home. */
    static EventData whole(Fields f) {
        Fields lake = f.object("lake");
        return EventData.builder(event(f.needed("event", f::object)), boat(f.needed("boat", f::object)))
                .lake(lake == null ? null : lake(lake))
                .spots(f.list("spots", EventJson::spot))
                .presentations(f.list(
                        "presentations",
                        p -> new Presentation(
                                p.needed("id", p::text), p.needed("name", p::text), p.code(Hooks.class, "hooks"))))
                .forecast(f.list("forecast", EventJson::forecast))
                .plans(f.list("plans", EventJson::plan))
                .notebook(new Notebook(
                        f.list("fish", EventJson::fish), List.of(), List.of(), List.of(), Notebook.Priors.NONE))
                .build();
    }

    private static Boat boat(Fields f) {
        return new Boat(
                f.needed("runMps", f::number),
                f.needed("roughMps", f::number),
                f.needed("setUpMinutes", f::number),
                f.number("maxWindMps"),
                f.number("maxRunWindMps"),
                f.number("fuelLitres"),
                f.number("litresPerKm"),
                Map.of());
    }

    private static Lake lake(Fields f) {
        return new Lake(
                f.list("water", EventJson::body),
                f.list(
                        "slow",
                        z -> new Lake.SlowZone(
                                z.text("name"), z.needed("mps", z::number), z.list("water", EventJson::body))),
                f.list("offLimits", z -> new Lake.OffLimits(z.text("name"), z.list("water", EventJson::body))));
    }

    /** Of its {@code rings}, shore first, each as lat, lon, lat, lon …. */
    private static Lake.Body body(Fields f) {
        List<List<Position>> rings =
                f.lists("rings").stream().map(EventJson::ring).toList();
        return new Lake.Body(rings.getFirst(), rings.subList(1, rings.size()));
    }

    private static List<Position> ring(double[] corners) {
        List<Position> ring = new ArrayList<>();
        for (int i = 0; i < corners.length; i += 2) {
            ring.add(new Position(corners[i], corners[i + 1]));
        }
        return ring;
    }

    private static Spot spot(Fields f) {
        return SpotBuilder.builder()
                .id(f.needed("id", f::text))
                .name(f.needed("name", f::text))
                .position(f.position())
                .radiusM(f.needed("radiusM", f::number))
                .spotType(f.needed("type", f::text))
                .zone(f.code(Zone.class, "zone"))
                .depthMinM(f.number("depthMinM"))
                .depthMaxM(f.number("depthMaxM"))
                .crowdRisk(f.needed("crowdRisk", f::number))
                .stock(f.code(Stock.class, "stock"))
                .shelter(Boolean.TRUE.equals(f.truth("shelter")))
                .entered(Map.of())
                .build();
    }

    private static ForecastPeriod forecast(Fields f) {
        return new ForecastPeriod(
                f.needed("from", f::time),
                f.needed("to", f::time),
                f.number("windMps"),
                f.number("windFromDeg"),
                f.codeOrNull(Sky.class, "sky"),
                f.number("waterTempC"),
                f.number("visibilityM"),
                f.truth("lightning"));
    }

    private static Plan plan(Fields f) {
        return new Plan(f.needed("day", f::whole), f.text("name"), f.list("stops", EventJson::planStop));
    }

    static PlanStop planStop(Fields f) {
        return new PlanStop(
                f.needed("spot", f::text),
                f.needed("presentation", f::text),
                f.needed("arrive", f::time),
                f.needed("leave", f::time),
                f.truth("locked", false));
    }

    private static KnownFish fish(Fields f) {
        return KnownFishBuilder.builder()
                .id(f.needed("id", f::text))
                .spotId(f.needed("spot", f::text))
                .where(f.text("where"))
                .kind(f.code(KnownFish.Kind.class, "kind"))
                .species(f.codeOrNull(Species.class, "species"))
                .guessGrams(f.needed("guessGrams", f::number))
                .from(f.clock("from"))
                .to(f.clock("to"))
                .maxWindMps(f.number("maxWindMps"))
                .nextVisit(f.time("nextVisit"))
                .gone(f.truth("gone", false))
                .note(f.text("note"))
                .tries(f.list(
                        "tries",
                        t -> new KnownFish.Try(
                                t.needed("at", t::time),
                                t.code(KnownFish.Reaction.class, "reaction"),
                                t.text("presentation"))))
                .entered(Map.of())
                .build();
    }
}
