package lochan.offline.boat;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.model.rate.Cell;
import lochan.core.plan.PlanStop;
import lochan.offline.alarm.Alarm;
import lochan.offline.pack.Pack;
import lochan.offline.plan.DayAdvice;
import lochan.offline.plan.DayAhead;
import lochan.offline.plan.MapScreen;
import lochan.offline.plan.PlanScreen;
import lochan.offline.plan.RestOfDay;
import lochan.offline.plan.StayOrMove;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;

/**
 * Gives the page's worker the advice of a competition day, from the pack taken last. Entries are as in an event file;
 * times cross as
 * milliseconds of the epoch, a latitude of NaN says that the boat's place is not known.
 */
public final class AdviceModule {

    private static @Nullable Pack pack;
    private static final Map<Integer, DayAdvice> DAYS = new HashMap<>();

    private AdviceModule() {}

    /** Needed by the compiler; the worker calls the functions below. */
    public static void main(String[] arguments) {}

    /** Takes a pack in the place of the one before. */
    @JSExport
    public static void take(JSObject sent) {
        pack = Pack.read(new JsFields(sent));
        DAYS.clear();
    }

    /** Draws what it takes to say how the day is likely to end; {@link #plan} says so from then on. */
    @JSExport
    public static void ready(double now) {
        day(now).ready();
    }

    /** The Plan screen, as {@link PlanScreen} has it. */
    @JSExport
    public static JSObject plan(JSObject log, double now, double lat, double lon) {
        return of(day(now).screen(entries(log), Instant.ofEpochMilli((long) now), position(lat, lon)))
                .done();
    }

    /** The rest of the day, as {@link RestOfDay} has it; null outside its hours. */
    @JSExport
    public static @Nullable JSObject rest(JSObject log, double now, double lat, double lon) {
        RestOfDay rest = day(now).rest(entries(log), Instant.ofEpochMilli((long) now), position(lat, lon));
        return rest == null
                ? null
                : new JsObject()
                        .put("words", rest.words())
                        .put("adds", rest.adds())
                        .put("asOf", rest.asOf())
                        .put("plan", rest.plan(), AdviceModule::of)
                        .done();
    }

    /** The Map screen, as {@link MapScreen} has it. */
    @JSExport
    public static JSObject map(JSObject log, double now, double lat, double lon) {
        return of(day(now).map(entries(log), Instant.ofEpochMilli((long) now), position(lat, lon)))
                .done();
    }

    /** Corners of the way by water to a spot: {@code [{lat, lon}]}; none: there is no way. */
    @JSExport
    public static JSObject way(JSObject log, double now, double lat, double lon, String spot) {
        return JsObject.listOf(
                day(now).way(entries(log), Instant.ofEpochMilli((long) now), position(lat, lon), spot),
                AdviceModule::of);
    }

    private static Pack taken() {
        if (pack == null) {
            throw new IllegalStateException("no pack was taken");
        }
        return pack;
    }

    private static DayAdvice day(double now) {
        int number = taken().event().event().dayOf(Instant.ofEpochMilli((long) now));
        return DAYS.computeIfAbsent(number, n -> new DayAdvice(taken(), n));
    }

    private static @Nullable Position position(double lat, double lon) {
        return Double.isNaN(lat) ? null : new Position(lat, lon);
    }

    private static List<Entry> entries(JSObject log) {
        return new JsFields(log).list("entries", LogJson::entry);
    }

    private static JsObject of(PlanScreen s) {
        return new JsObject()
                .put("now", Double.valueOf((double) s.now().toEpochMilli()))
                .put("cautions", s.cautions())
                .put("minded", s.minded(), BoatModule::of)
                .put("lightning", s.lightning(), AdviceModule::timed)
                .put("stay", of(s.stay()))
                .put("quiet", s.quiet())
                .putSome("due", s.due(), d -> new JsObject()
                        .put("id", d.id())
                        .put("place", d.place())
                        .put("fish", d.fish())
                        .put("at", d.at())
                        .put("time", d.time())
                        .put("now", d.now()));
    }

    private static JsObject of(MapScreen m) {
        return new JsObject()
                .put("places", m.places(), p -> of(p.position())
                        .put("id", p.id())
                        .put("name", p.name())
                        .put("stones", p.stones())
                        .put("share", Double.valueOf(p.share()))
                        .put("kind", p.kind())
                        .put("best", p.best())
                        .put("fished", p.fished())
                        .put("run", p.run())
                        .put("caution", p.caution())
                        .put("lure", p.lure()))
                .put("route", m.route(), AdviceModule::of)
                .put("beads", m.beads(), b -> of(b.position()).put("clock", b.clock()));
    }

    private static JsObject of(Position p) {
        return new JsObject().put("lat", Double.valueOf(p.lat())).put("lon", Double.valueOf(p.lon()));
    }

    private static @Nullable JsObject of(@Nullable StayOrMove s) {
        return s == null
                ? null
                : new JsObject()
                        .put("cell", cell(s.cell()))
                        .put("fishing", s.fishing())
                        .put("act", s.act())
                        .put("why", s.why())
                        .put("lesson", s.lesson())
                        .put("stayGrams", s.stayGrams())
                        .put("moveGrams", s.moveGrams())
                        .put("tone", s.tone())
                        .put("best", cell(s.best()))
                        .put("leaveAt", s.leaveAt())
                        .put("next", s.next())
                        .put("leaveFor", s.leaveFor())
                        .put("departure", of(s.departure()))
                        .put("asOf", s.asOf())
                        .put("ahead", of(s.ahead()));
    }

    private static @Nullable JsObject cell(@Nullable Cell c) {
        return c == null ? null : new JsObject().put("spotId", c.spotId()).put("presentationId", c.presentationId());
    }

    private static @Nullable JsObject of(Alarm.@Nullable Timed t) {
        return t == null ? null : timed(t);
    }

    private static JsObject timed(Alarm.Timed t) {
        return new JsObject().put("id", t.id()).put("at", t.at()).put("words", t.words());
    }

    private static @Nullable JsObject of(@Nullable DayAhead a) {
        return a == null
                ? null
                : new JsObject()
                        .put("rest", a.rest())
                        .put("low", a.low())
                        .put("middle", a.middle())
                        .put("high", a.high())
                        .putNumbers("grams", a.grams())
                        .put("target", a.target())
                        .put("more", a.more())
                        .put("kinds", a.kinds(), k -> new JsObject()
                                .put("name", k.name())
                                .put("weight", k.weight())
                                .put("now", k.now())
                                .put("byCheckIn", k.byCheckIn()))
                        .put("fired", a.fired(), t -> new JsObject()
                                .put("what", t.what())
                                .put("backup", t.backup()));
    }

    private static JsObject of(PlanStop s) {
        return new JsObject()
                .put("spot", s.spotId())
                .put("presentation", s.presentationId())
                .put("arrive", s.arrive())
                .put("leave", s.leave())
                .put("locked", s.locked());
    }
}
