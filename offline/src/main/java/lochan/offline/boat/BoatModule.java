package lochan.offline.boat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Decision;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.Verdict;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Position;
import lochan.core.event.SpeciesRule;
import lochan.offline.alarm.Alarm;
import lochan.offline.bag.BagView;
import lochan.offline.bag.FormEntry;
import lochan.offline.bag.Names;
import lochan.offline.bag.SpokenFish;
import lochan.offline.bag.Words;
import lochan.offline.form.Form;
import lochan.offline.json.Fields;
import lochan.offline.pack.EventJson;
import lochan.offline.plan.Caution;
import lochan.offline.practice.PracticeChange;
import lochan.offline.practice.PracticeLog;
import lochan.offline.practice.PracticeScreen;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;

/**
 * Serves the page in the boat. A {@code log} is {@code {now, event, units, names: {spots, presentations}, entries}}
 * with event and entries as in an event
 * file, {@code now} when the server gave it; times cross as milliseconds of the epoch.
 */
public final class BoatModule {

    private BoatModule() {}

    /** Needed by the compiler; the page calls the functions below. */
    public static void main(String[] arguments) {}

    /**
     * A log that was replayed.
     *
     * @param of when the server gave it, and the ids of its entries: an entry never changes, an event comes with a later time
     */
    private record Replayed(List<String> of, BagLog log) {}

    private static @Nullable Replayed last;

    /** Replayed once, however often it is asked of. */
    private static BagLog replay(Fields log) {
        List<String> of = new ArrayList<>(List.of(String.valueOf(log.text("now"))));
        log.list("entries", e -> of.add(e.needed("id", e::text)));
        if (last == null || !last.of().equals(of)) {
            last = new Replayed(
                    of,
                    BagLog.replay(
                            EventJson.event(log.needed("event", log::object)), log.list("entries", LogJson::entry)));
        }
        return last.log();
    }

    private static void replayed(Entry added) {
        if (last != null) {
            last.of().add(added.id());
        }
    }

    static Names names(Fields log) {
        Fields names = log.object("names");
        return names == null
                ? new Names(Map.of(), Map.of())
                : new Names(
                        names.needed("spots", names::object).all(),
                        names.needed("presentations", names::object).all());
    }

    /**
     * A day of the log in words.
     *
     * @param day       its number; 0: the one that {@code now} belongs to
     * @param leaveBy  when to leave at the latest; NaN: not known
     * @param leaveFor the shelter to leave for; null: check-in
     */
    @JSExport
    public static JSObject view(JSObject log, int day, double now, double leaveBy, @Nullable String leaveFor) {
        JsFields f = new JsFields(log);
        return view(replay(f), f, day, now, leaveBy, leaveFor).done();
    }

    private static JsObject view(BagLog log, Fields f, int day, double now, double leaveBy, @Nullable String leaveFor) {
        Instant at = Instant.ofEpochMilli((long) now);
        return of(BagView.of(
                log,
                names(f),
                new BagView.Moment(
                        day == 0 ? log.event().dayOf(at) : day,
                        at,
                        Double.isNaN(leaveBy) ? null : Instant.ofEpochMilli((long) leaveBy),
                        leaveFor),
                EventJson.units(f.needed("units", f::object))));
    }

    private static JsObject of(BagView v) {
        return new JsObject()
                .put("day", v.day())
                .put("clock", v.clock())
                .put("hours", of(v.hours()))
                .put("total", v.total())
                .put("net", v.net())
                .put("count", v.count())
                .put("needs", v.needs())
                .put("told", of(v.told()))
                .put("last", of(v.last()))
                .put("fishing", of(v.fishing()))
                .put("unexplained", of(v.unexplained()))
                .put("pair", of(v.pair()))
                .put("slots", v.slots(), BoatModule::of)
                .put("lines", v.lines(), BoatModule::of)
                .put("livewell", of(v.livewell()))
                .put("tags", v.tags())
                .put("results", v.results())
                .put("sum", v.sum());
    }

    private static JsObject of(BagView.Hours h) {
        return new JsObject()
                .put("open", h.open())
                .put("toGo", h.toGo())
                .put("leave", h.leave())
                .put("tone", h.tone());
    }

    private static @Nullable JsObject of(@Nullable Words w) {
        return w == null
                ? null
                : new JsObject().put("act", w.act()).put("why", w.why()).put("tone", w.tone());
    }

    private static @Nullable JsObject of(BagView.@Nullable Last l) {
        return l == null ? null : new JsObject().put("id", l.id()).put("what", l.what());
    }

    private static @Nullable JsObject of(BagView.@Nullable Fished f) {
        return f == null
                ? null
                : new JsObject()
                        .put("spot", f.spot())
                        .put("presentation", f.presentation())
                        .put("words", f.words());
    }

    private static @Nullable JsObject of(BagView.@Nullable Unexplained u) {
        return u == null ? null : new JsObject().put("id", u.id()).put("outcome", u.outcome());
    }

    private static @Nullable JsObject of(BagView.@Nullable Pair p) {
        return p == null
                ? null
                : new JsObject()
                        .put("first", p.first())
                        .put("firstName", p.firstName())
                        .put("second", p.second())
                        .put("secondName", p.secondName())
                        .put("left", p.left());
    }

    private static @Nullable JsObject of(BagView.@Nullable LivewellView w) {
        return w == null
                ? null
                : new JsObject().put("state", w.state()).put("look", w.look()).put("warm", w.warm());
    }

    private static JsObject of(BagView.Slot s) {
        return new JsObject()
                .put("tag", s.tag())
                .put("since", s.since())
                .put("measure", s.measure())
                .put("species", s.species())
                .put("width", Double.valueOf(s.width()))
                .put("kind", s.kind())
                .put("note", s.note());
    }

    private static JsObject of(BagView.Line l) {
        return new JsObject()
                .put("id", l.id())
                .put("time", l.time())
                .put("what", l.what())
                .put("brought", l.brought())
                .put("isCatch", l.isCatch())
                .put("voided", l.voided())
                .put("mayVoid", l.mayVoid())
                .put("mayDie", l.mayDie());
    }

    /**
     * Makes an entry from a form's fields, judged by the current log.
     *
     * @param leaveBy, leaveFor as for {@link #view}
     * @return {@code {entry, row, view}} with its row and the view of the log it was added to, or {@code {errors: [{field, message}]}}
     */
    @JSExport
    public static JSObject entry(
            JSObject log, JSObject fields, String id, double at, double leaveBy, @Nullable String leaveFor) {
        JsFields f = new JsFields(log);
        BagLog known = replay(f);
        Form form = new Form(new JsFields(fields).all(), EventJson.units(f.needed("units", f::object)));
        Optional<Entry> entry = FormEntry.read(form, known.event(), names(f), id, Instant.ofEpochMilli((long) at));
        entry.flatMap(known::append).map(FormEntry::onForm).ifPresent(form::violation);
        if (!form.ok()) {
            return errors(form).done();
        }
        replayed(entry.orElseThrow());
        return new JsObject()
                .put("entry", LogJson.of(entry.orElseThrow()))
                .put("row", row(known.rows().getLast(), byLength(known)))
                .put("view", view(known, f, 0, at, leaveBy, leaveFor))
                .done();
    }

    /** A weight as it is typed into a form, in the units of the log. */
    @JSExport
    public static String typedWeight(JSObject log, double grams) {
        JsFields f = new JsFields(log);
        return EventJson.units(f.needed("units", f::object)).typedWeight(Double.valueOf(grams));
    }

    private static JsObject errors(Form form) {
        return new JsObject()
                .put(
                        "errors",
                        form.allErrors().entrySet().stream()
                                .flatMap(e -> e.getValue().stream().map(m -> Map.entry(e.getKey(), m)))
                                .toList(),
                        e -> new JsObject().put("field", e.getKey()).put("message", e.getValue()));
    }

    /** A fish as spoken: {@code {species, measure}}, each null where it was not understood. */
    @JSExport
    public static JSObject spoken(JSObject log, String words) {
        JsFields f = new JsFields(log);
        Event event = EventJson.event(f.needed("event", f::object));
        SpokenFish fish = SpokenFish.of(
                words,
                event.rules().species().stream().map(SpeciesRule::species).toList(),
                EventJson.units(f.needed("units", f::object)),
                event.rules().format() == Format.LIMIT_LENGTH);
        return new JsObject()
                .put("species", fish.species() == null ? null : fish.species().code())
                .put("measure", fish.measure())
                .done();
    }

    /** One row for each entry, as the command {@code bag} prints them. */
    @JSExport
    public static JSObject rows(JSObject log) {
        BagLog known = replay(new JsFields(log));
        return JsObject.listOf(known.rows(), row -> row(row, byLength(known)));
    }

    private static boolean byLength(BagLog log) {
        return log.event().rules().format() == Format.LIMIT_LENGTH;
    }

    private static JsObject row(BagRow row, boolean byLength) {
        Verdict verdict = row.verdict();
        JsObject o = new JsObject()
                .put("entry", row.entry().id())
                .put("decision", verdict == null ? null : verdict.decision().code())
                .put("released", verdict == null || verdict.decision() != Decision.CULL ? null : verdict.released())
                .put("against", verdict == null ? null : verdict.second());
        if (verdict != null && verdict.first() != null && !verdict.first().equals(row.fish())) {
            o.put("weigh", verdict.first());
        }
        o.put("bag", row.bag().fish().stream().map(Fish::id).toList())
                .put("totalGrams", row.bag().totalGrams())
                .put("netGrams", row.bag().netGrams())
                .put("smallestGrams", row.bag().smallestGrams())
                .put("needsGrams", row.bag().needsGrams());
        if (row.bag().weighings() > 0) {
            o.put("weighings", row.bag().weighings());
        }
        if (byLength) {
            o.put("totalMm", row.bag().length().total())
                    .put("smallestMm", row.bag().length().smallest())
                    .put("needsMm", row.bag().length().needs());
        }
        return o;
    }

    /**
     * Practice as the phone knows it, in words.
     *
     * @param log      for event, units and names
     * @param practice {@code {places: [{id, lat, lon}], stops: […], changes: […]}}: what the server has, and the changes made since
     * @param lat      where the boat is, degrees; NaN: not known
     */
    @JSExport
    public static JSObject practice(JSObject log, JSObject practice, double now, double lat, double lon) {
        JsFields f = new JsFields(log);
        Event event = EventJson.event(f.needed("event", f::object));
        PracticeScreen screen = PracticeScreen.of(
                PracticeJson.log(f, new JsFields(practice)),
                Instant.ofEpochMilli((long) now),
                Double.isNaN(lat) ? null : new Position(lat, lon),
                EventJson.units(f.needed("units", f::object)));
        return PracticeJson.of(screen).put("competes", competes(event, now)).done();
    }

    /** Whether a time belongs to the competition rather than to practice: it is the first competition day's, or later. */
    private static boolean competes(Event event, double now) {
        LocalDate today =
                Instant.ofEpochMilli((long) now).atZone(event.timeZone()).toLocalDate();
        return !today.isBefore(event.day(1).date());
    }

    /**
     * Makes a change of a form's fields, judged by current practice.
     *
     * @return {@code {change, undo}}, undo null where there is none; or {@code {errors: [{field, message}]}}
     */
    @JSExport
    public static JSObject practiceChange(JSObject log, JSObject practice, JSObject fields, String id, double at) {
        JsFields f = new JsFields(log);
        Map<String, String> typed = new JsFields(fields).all();
        Form form = new Form(typed, EventJson.units(f.needed("units", f::object)));
        PracticeLog known = PracticeJson.log(f, new JsFields(practice));
        Instant time = Instant.ofEpochMilli((long) at);
        Optional<PracticeChange> change = PracticeChange.read(form, known.names(), id, time);
        change.ifPresent(c -> known.check(c, form));
        if (change.isEmpty() || !form.ok()) {
            return errors(form).done();
        }
        JsObject made = new JsObject();
        typed.forEach(made::put);
        made.put("id", id).put("at", JsObject.iso(at));
        Map<String, String> undo = change.get().undo();
        JsObject back = new JsObject();
        undo.forEach(back::put);
        return new JsObject()
                .put("change", made)
                .put("undo", undo.isEmpty() ? null : back)
                .done();
    }

    /**
     * What to ring for.
     *
     * @param day {@code {leaveBy, leaveFor, next: {id, at, words}, lightning: [{id, at, words}], fired: [words], fish: [{id, at, words}],
     *            livewell}}, each but the lists null where it is not known; {@code leaveFor} is null for check-in
     * @return {@code [{id, kind, words}]}
     */
    @JSExport
    public static JSObject alarms(JSObject log, JSObject day, double now) {
        Fields event = new JsFields(log).needed("event", new JsFields(log)::object);
        JsFields f = new JsFields(day);
        Fields next = f.object("next");
        Alarm.Day of = new Alarm.Day(
                f.time("leaveBy"),
                f.text("leaveFor"),
                next == null ? null : timed(next),
                f.list("lightning", BoatModule::timed),
                f.texts("fired"),
                f.list("fish", BoatModule::timed),
                f.text("livewell"));
        return JsObject.listOf(
                Alarm.due(of, Instant.ofEpochMilli((long) now), ZoneId.of(event.needed("timeZone", event::text))),
                a -> new JsObject()
                        .put("id", a.id())
                        .put("kind", a.kind().code())
                        .put("words", a.words()));
    }

    private static Alarm.Timed timed(Fields f) {
        return new Alarm.Timed(f.needed("id", f::text), f.needed("at", f::time), f.needed("words", f::text));
    }

    static JsObject of(Caution c) {
        return new JsObject().put("id", c.id()).put("title", c.title()).put("words", c.words());
    }

    /** What to mind with a fish, and with one from deep water, which is the last: {@code [{id, title, words}]}. */
    @JSExport
    public static JSObject fishCautions() {
        List<Caution> all = new ArrayList<>(Caution.FISH);
        all.add(Caution.DEEP);
        return JsObject.listOf(all, BoatModule::of);
    }

    /** What alarms are about: {@code [{code, words}]}. */
    @JSExport
    public static JSObject alarmKinds() {
        return JsObject.listOf(
                List.of(Alarm.Kind.values()),
                k -> new JsObject().put("code", k.code()).put("words", k.words()));
    }
}
