package lochan.offline.boat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
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
import lochan.core.quantity.Units;

/** Event and entries as the event file has them. The server has checked them; nothing is checked here again. */
final class LogJson {

    private LogJson() {}

    static Event event(JsFields f) {
        JsFields at = f.needed("launch", f::object);
        Position launch = new Position(at.needed("lat", at::number), at.needed("lon", at::number));
        JsFields p = f.object("penalties");
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
                code(Format.class, f, "format"),
                f.whole("limit"),
                f.number("targetGrams"),
                f.number("scaleGrams"),
                f.list("species", LogJson::species),
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
                new Event.Ramp(launch, launch),
                rules,
                Map.of());
    }

    private static SpeciesRule species(JsFields f) {
        JsFields slot = f.object("slot");
        return new SpeciesRule(
                code(Species.class, f, "code"),
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

    private static Scoring scoring(JsFields event) {
        boolean culling = event.truth("culling", true);
        JsFields f = event.object("scoring");
        if (f == null) {
            return Scoring.DEFAULT.withCulling(culling);
        }
        JsFields cut = f.object("cut");
        return new Scoring(
                culling,
                f.truth("balanceOnly", false),
                f.number("lengthStepMm"),
                f.has("tieBreak") ? code(TieBreak.class, f, "tieBreak") : TieBreak.NONE,
                cut == null
                        ? null
                        : new Scoring.Cut(cut.needed("afterDay", cut::whole), cut.needed("places", cut::whole)),
                f.texts("tags"));
    }

    static Units units(JsFields f) {
        return new Units(
                code(Units.Weight.class, f, "weight"),
                code(Units.Length.class, f, "length"),
                Units.USUAL.depth(),
                code(Units.Temperature.class, f, "temperature"),
                Units.USUAL.speed());
    }

    private static <E extends Enum<E> & Coded> E code(Class<E> type, JsFields f, String name) {
        return Coded.get(type, f.needed(name, f::text));
    }

    static Entry entry(JsFields f) {
        return EntryCodec.read(f.needed("type", f::text), f);
    }

    static JsObject of(Entry entry) {
        JsObject o = new JsObject().put("type", EntryCodec.kind(entry).type());
        EntryCodec.write(entry, o.sink());
        return o;
    }
}
