package lochan.offline.boat;

import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.core.practice.Outcome;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.json.Fields;
import lochan.offline.pack.EventJson;
import lochan.offline.practice.BiteWords;
import lochan.offline.practice.PracticeChange;
import lochan.offline.practice.PracticeLog;
import lochan.offline.practice.PracticeLogStopBuilder;
import lochan.offline.practice.PracticeScreen;
import org.jspecify.annotations.Nullable;

/** Practice as the server sends it and the page shows it. */
final class PracticeJson {

    private PracticeJson() {}

    /**
     * Returns the server's practice with the changes made since. Changes that cannot be read are left out; the server
     * reports them.
     */
    static PracticeLog log(Fields log, Fields practice) {
        Units units = EventJson.units(log.needed("units", log::object));
        Map<String, Position> places = new HashMap<>();
        practice.list(
                "places",
                p -> places.put(
                        p.needed("id", p::text), new Position(p.needed("lat", p::number), p.needed("lon", p::number))));
        Names names = BoatModule.names(log);
        Fields event = log.needed("event", log::object);
        PracticeLog known = new PracticeLog(
                names,
                places,
                ZoneId.of(event.needed("timeZone", event::text)),
                practice.list("stops", PracticeJson::stop));
        for (Fields f : practice.list("changes", c -> c)) {
            Form form = new Form(f.all(), units);
            PracticeChange change = PracticeChange.read(
                            form, known.names(), f.needed("id", f::text), f.needed("at", f::time))
                    .orElse(null);
            known = change == null ? known : known.after(change, units);
        }
        return known;
    }

    /** What a phone kept of an older version has fewer fields. */
    private static PracticeLog.Stop stop(Fields f) {
        return PracticeLogStopBuilder.builder()
                .id(f.needed("id", f::text))
                .spotId(f.needed("spot", f::text))
                .start(f.needed("start", f::time))
                .end(f.time("end"))
                .anglers(count(f, "anglers"))
                .presentations(f.texts("presentations"))
                .follows(count(f, "follows"))
                .bycatch(count(f, "bycatch"))
                .conditions(texts(f, "conditions"))
                .bites(f.list(
                        "bites",
                        b -> new PracticeLog.LoggedBite(
                                b.needed("id", b::text),
                                b.time("at"),
                                b.text("presentation"),
                                b.needed("words", b::text),
                                texts(b, "fields"))))
                .build();
    }

    private static int count(Fields f, String name) {
        Integer count = f.whole(name);
        return count == null ? 0 : count;
    }

    private static Map<String, String> texts(Fields f, String name) {
        Fields texts = f.object(name);
        return texts == null ? Map.of() : texts.all();
    }

    private static JsObject fields(Map<String, String> fields) {
        JsObject o = new JsObject();
        fields.forEach(o::put);
        return o;
    }

    static JsObject of(PracticeScreen s) {
        return new JsObject()
                .put("clock", s.clock())
                .put("sum", s.sum())
                .put("lures", s.lures())
                .put("outcomes", List.of(Outcome.values()), o -> new JsObject()
                        .put("code", o.code())
                        .put("words", BiteWords.of(o)))
                .put("open", open(s.open()))
                .put("today", s.today(), l -> new JsObject()
                        .put("id", l.id())
                        .put("time", l.time())
                        .put("spot", l.spot())
                        .put("words", l.words())
                        .put("fields", fields(l.fields())))
                .put("spots", s.spots(), n -> new JsObject()
                        .put("id", n.id())
                        .put("name", n.name())
                        .put("away", n.away()));
    }

    private static @Nullable JsObject open(PracticeScreen.@Nullable Open o) {
        if (o == null) {
            return null;
        }
        return new JsObject()
                .put("id", o.id())
                .put("spot", o.spot())
                .put("since", o.since())
                .put("presentations", o.presentations())
                .put("usual", o.usual())
                .put("follows", o.follows())
                .put("conditions", o.conditions())
                .put("fields", fields(o.fields()))
                .put("bites", o.bites(), b -> new JsObject()
                        .put("id", b.id())
                        .put("time", b.time())
                        .put("words", b.words())
                        .put("fields", fields(b.fields())));
    }
}
