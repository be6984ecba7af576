package lochan.offline.boat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.competition.Entry;
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
import lochan.core.practice.Outcome;
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
        String id = f.text("id");
        var at = f.time("at");
        return switch (f.text("type")) {
            case "catch" ->
                new Entry.Catch(
                        id,
                        at,
                        code(Species.class, f.text("species")),
                        f.number("grams"),
                        f.number("mm"),
                        f.text("spot"),
                        f.text("presentation"),
                        f.truth("alive", true),
                        f.text("tag"),
                        f.text("entered"));
            case "balance" -> new Entry.Balance(id, at, f.text("heavier"), f.text("lighter"));
            case "died" -> new Entry.Died(id, at, f.text("catch"));
            case "correct" ->
                new Entry.Correct(id, at, f.text("catch"), f.number("grams"), f.number("mm"), f.text("entered"));
            case "void" -> new Entry.Void(id, at, f.text("entry"));
            case "official" ->
                new Entry.Official(
                        id,
                        at,
                        f.number("grams"),
                        f.number("mm"),
                        f.whole("deadFish"),
                        f.number("lateMinutes"),
                        f.whole("shortFish"),
                        f.whole("overLimit"),
                        f.whole("place"),
                        f.number("biggestGrams"));
            case "scale-check" -> new Entry.ScaleCheck(id, at, f.number("knownGrams"), f.number("readGrams"));
            case "livewell" -> new Entry.LivewellReading(id, at, f.number("celsius"));
            case "bite" ->
                new Entry.Bite(id, at, f.text("spot"), f.text("presentation"), code(Outcome.class, f.text("outcome")));
            case "fishing" -> new Entry.Fishing(id, at, f.text("spot"), f.text("presentation"));
            default -> throw new IllegalArgumentException("unknown type of entry " + f.text("type"));
        };
    }

    static JsObject of(Entry entry) {
        JsObject o = new JsObject();
        switch (entry) {
            case Entry.Catch c ->
                o.put("type", "catch")
                        .put("species", c.species() == null ? null : c.species().code())
                        .put("grams", c.grams())
                        .put("mm", c.mm())
                        .put("spot", c.spotId())
                        .put("presentation", c.presentationId())
                        .put("alive", c.alive())
                        .put("tag", c.tag())
                        .put("entered", c.entered());
            case Entry.Balance b ->
                o.put("type", "balance").put("heavier", b.heavier()).put("lighter", b.lighter());
            case Entry.Died d -> o.put("type", "died").put("catch", d.catchId());
            case Entry.Correct c ->
                o.put("type", "correct")
                        .put("catch", c.catchId())
                        .put("grams", c.grams())
                        .put("mm", c.mm())
                        .put("entered", c.entered());
            case Entry.Void v -> o.put("type", "void").put("entry", v.entryId());
            case Entry.Official c ->
                o.put("type", "official")
                        .put("grams", c.grams())
                        .put("mm", c.mm())
                        .put("deadFish", c.deadFish())
                        .put("lateMinutes", c.lateMinutes())
                        .put("shortFish", c.shortFish())
                        .put("overLimit", c.overLimit())
                        .put("place", c.place())
                        .put("biggestGrams", c.biggestGrams());
            case Entry.ScaleCheck s ->
                o.put("type", "scale-check")
                        .put("knownGrams", Double.valueOf(s.knownGrams()))
                        .put("readGrams", Double.valueOf(s.readGrams()));
            case Entry.LivewellReading w -> o.put("type", "livewell").put("celsius", Double.valueOf(w.celsius()));
            case Entry.Bite s ->
                o.put("type", "bite")
                        .put("spot", s.spotId())
                        .put("presentation", s.presentationId())
                        .put("outcome", s.outcome() == null ? null : s.outcome().code());
            case Entry.Fishing f ->
                o.put("type", "fishing").put("spot", f.spotId()).put("presentation", f.presentationId());
        }
        return o.put("id", entry.id())
                .put("at", JsObject.iso((double) entry.at().toEpochMilli()));
    }
}
