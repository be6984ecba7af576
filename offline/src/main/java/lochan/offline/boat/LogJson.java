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
        Position launch = new Position(
                f.object("launch").number("lat"), f.object("launch").number("lon"));
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
                "days", d -> new CompetitionDay(LocalDate.parse(d.text("date")), d.time("start"), d.time("checkIn")));
        Rules rules = new Rules(
                code(Format.class, f.text("format")),
                f.whole("limit"),
                f.number("targetGrams"),
                f.number("scaleGrams"),
                f.list("species", LogJson::species),
                scoring(f),
                penalties,
                Gear.FREE);
        int anglers = f.has("anglers") ? f.whole("anglers") : 1;
        return new Event(
                f.text("name"),
                ZoneId.of(f.text("timeZone")),
                anglers,
                List.of(),
                days,
                new Event.Ramp(launch, launch),
                rules,
                Map.of());
    }

    private static SpeciesRule species(JsFields f) {
        JsFields slot = f.object("slot");
        return new SpeciesRule(
                code(Species.class, f.text("code")),
                f.number("minLengthMm"),
                f.number("minGrams"),
                slot == null
                        ? null
                        : new SpeciesRule.Slot(slot.number("fromMm"), slot.number("toMm"), slot.whole("over")),
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
                f.has("tieBreak") ? code(TieBreak.class, f.text("tieBreak")) : TieBreak.NONE,
                cut == null ? null : new Scoring.Cut(cut.whole("afterDay"), cut.whole("places")),
                f.texts("tags"));
    }

    static Units units(JsFields f) {
        return new Units(
                code(Units.Weight.class, f.text("weight")),
                code(Units.Length.class, f.text("length")),
                Units.USUAL.depth(),
                code(Units.Temperature.class, f.text("temperature")),
                Units.USUAL.speed());
    }

    private static <E extends Enum<E> & Coded> E code(Class<E> type, String code) {
        return code == null
                ? null
                : Coded.find(type, code)
                        .orElseThrow(() ->
                                new IllegalArgumentException("no " + type.getSimpleName() + " is called " + code));
    }

    static Entry entry(JsFields f) {
        return EntryCodec.read(f.text("type"), f);
    }

    static JsObject of(Entry entry) {
        JsObject o = new JsObject().put("type", EntryCodec.kind(entry).type());
        EntryCodec.write(entry, o.sink());
        return o;
    }
}
