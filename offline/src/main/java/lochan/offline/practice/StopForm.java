package lochan.offline.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Measure;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Conditions;
import lochan.core.practice.Current;
import lochan.core.practice.FishSize;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Signs;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.offline.form.Form;
import lochan.offline.spot.SightingForm;
import org.jspecify.annotations.Nullable;

/** Stops and bites as forms, and back. */
public final class StopForm {

    private static final int DECIMALS_OF_MINUTES = 3;
    private static final double COLDEST_C = -5;
    private static final double WARMEST_C = 50;
    private static final double STRONGEST_MPS = 100;
    private static final int LONGEST_WORDS = 80;
    /** A longer stay at one spot is more often a wrong time than a long stay. */
    private static final Duration USUAL = Duration.ofHours(6);

    private StopForm() {}

    /** A stop as it would be typed. */
    public static Form of(PracticeStop stop, ZoneId zone, Units units) {
        Form form = new Form(units)
                .put("spot", stop.spotId())
                .put("date", stop.start().atZone(zone).toLocalDate())
                .put("start", clock(stop.start(), zone))
                .put("end", stop.end() == null ? "" : clock(stop.end(), zone))
                .put("endDate", endDate(stop, zone))
                .put("longStop", isLong(stop.start(), stop.end()) ? "on" : "")
                .put("anglers", stop.anglers())
                .put("idleMinutes", stop.idleMinutes() == 0 ? "" : minutes(stop.idleMinutes()))
                .put("follows", stop.follows())
                .put("bycatch", stop.bycatch());
        for (PresentationTime p : stop.presentations()) {
            form.put("fished/" + p.presentationId(), "on");
            form.put("minutes/" + p.presentationId(), p.minutes() == null ? "" : minutes(p.minutes()));
            form.put("retrieve/" + p.presentationId(), p.retrieve());
            form.put("colour/" + p.presentationId(), p.colour());
        }
        Conditions c = stop.conditions();
        form.put(
                "waterTempC",
                c.waterTempC(),
                c.entered(),
                QuantityText::celsius,
                units.typedTemperature(c.waterTempC()));
        form.put("visibilityM", c.visibilityM(), c.entered(), QuantityText::metres, units.typedDepth(c.visibilityM()));
        form.put("windMps", c.windMps(), c.entered(), QuantityText::mps, units.typedSpeed(c.windMps()));
        Signs signs = c.signs();
        form.put(
                "windFromDeg",
                signs.windFromDeg(),
                c.entered(),
                DirectionText::read,
                signs.windFromDeg() == null ? "" : DirectionText.words(signs.windFromDeg()));
        form.put(
                "baitDepthM",
                signs.baitDepthM(),
                c.entered(),
                QuantityText::metres,
                units.typedDepth(signs.baitDepthM()));
        SightingForm.put(form, "seen", signs.fish(), c.entered(), units);
        return form.put("sky", c.sky())
                .put("boatsNear", c.boatsNear())
                .put("clarityTrend", signs.clarityTrend())
                .put("surface", signs.surface())
                .put("recentFront", signs.recentFront())
                .put("levelTrend", signs.levelTrend())
                .put("current", signs.current())
                .put("baitSeen", signs.baitSeen());
    }

    /** The date a stop ends on; empty: the one it started on. */
    private static String endDate(PracticeStop stop, ZoneId zone) {
        if (stop.end() == null) {
            return "";
        }
        LocalDate ends = stop.end().atZone(zone).toLocalDate();
        return ends.equals(stop.start().atZone(zone).toLocalDate()) ? "" : ends.toString();
    }

    /** Whether a stop is so long that its times are asked about. */
    private static boolean isLong(Instant start, @Nullable Instant end) {
        return end != null && Duration.between(start, end).compareTo(USUAL) > 0;
    }

    private static String minutes(double minutes) {
        return Units.plain(minutes, DECIMALS_OF_MINUTES);
    }

    private static String clock(Instant time, ZoneId zone) {
        return time.atZone(zone).toLocalTime().withNano(0).toString();
    }

    /** The stop a form says; empty when something is wrong, which then stands beside its field. */
    public static Optional<PracticeStop> read(
            Form form, String id, List<Bite> bites, List<Presentation> presentations, ZoneId zone) {
        form.needs("spot", "practiceforms.spot");
        form.needs("date", "practiceforms.date");
        form.needs("start", "practiceforms.start");
        LocalDate date = form.date("date");
        LocalTime from = form.time("start");
        LocalTime to = form.time("end");
        LocalDate endDate = form.has("endDate") ? form.date("endDate") : date;
        Integer anglers = form.whole("anglers");
        Integer follows = form.whole("follows");
        Integer bycatch = form.whole("bycatch");
        Double idle = form.number("idleMinutes");
        if (idle != null && !(idle >= 0 && idle <= 1440)) {
            form.fail("idleMinutes", "practiceforms.minutes-range", form.value("idleMinutes"));
        }
        List<PresentationTime> fished = new ArrayList<>();
        for (Presentation p : presentations) {
            Double minutes = form.number("minutes/" + p.id());
            if (minutes != null && !(minutes >= 0 && minutes <= 1440)) {
                form.fail("minutes/" + p.id(), "practiceforms.minutes-range", form.value("minutes/" + p.id()));
            }
            if (form.has("fished/" + p.id()) || minutes != null) {
                fished.add(new PresentationTime(
                        p.id(),
                        minutes,
                        form.words("retrieve/" + p.id(), "The retrieve", LONGEST_WORDS),
                        form.choice("colour/" + p.id(), ColourFamily.class)));
            }
        }
        Conditions conditions = conditions(form);
        if (anglers != null && (anglers < 1 || anglers > 2)) {
            form.fail("anglers", "practiceforms.anglers", anglers);
        }
        if (follows != null && (follows < 0 || follows > 1000)) {
            form.fail("follows", "practiceforms.count-range", follows);
        }
        if (bycatch != null && (bycatch < 0 || bycatch > 1000)) {
            form.fail("bycatch", "practiceforms.count-range", bycatch);
        }
        if (date == null || from == null || !form.ok()) {
            return Optional.empty();
        }
        Instant start = date.atTime(from).atZone(zone).toInstant();
        Instant end = to == null || endDate == null
                ? null
                : endDate.atTime(to).atZone(zone).toInstant();
        if (end != null && !end.isAfter(start)) {
            form.fail("end", "practiceforms.ends-before-start");
        } else if (isLong(start, end) && !form.has("longStop")) {
            form.put("asksLong", "on");
            form.fail("end", "practiceforms.long-stop", Times.span(Duration.between(start, end)));
        }
        if (end != null
                && idle != null
                && idle * 60_000 > Duration.between(start, end).toMillis()) {
            form.fail("idleMinutes", "practiceforms.idle-longer-than-stop", form.value("idleMinutes"));
        }
        if (bites.stream()
                .anyMatch(b -> b.at() != null && (b.at().isBefore(start) || (end != null && b.at().isAfter(end))))) {
            form.fail("start", "practiceforms.bite-outside");
        }
        return form.ok()
                ? Optional.of(PracticeStopBuilder.builder()
                        .id(id)
                        .spotId(form.value("spot"))
                        .start(start)
                        .end(end)
                        .anglers(anglers == null ? 1 : anglers)
                        .idleMinutes(idle == null ? 0 : idle)
                        .presentations(fished)
                        .follows(follows == null ? 0 : follows)
                        .bycatch(bycatch == null ? 0 : bycatch)
                        .bites(bites)
                        .conditions(conditions)
                        .build())
                : Optional.empty();
    }

    /** The conditions a form says; what is wrong stands beside its field. */
    public static Conditions conditions(Form form) {
        Double visibility = form.quantity("visibilityM", QuantityText::metres);
        Double temperature = form.quantity("waterTempC", QuantityText::celsius);
        Double wind = form.quantity("windMps", QuantityText::mps);
        Integer boats = form.whole("boatsNear");
        if (visibility != null && !(visibility >= 0.01 && visibility <= 100)) {
            form.fail("visibilityM", "practiceforms.visibility-range", form.value("visibilityM"));
        }
        if (temperature != null && !(temperature >= COLDEST_C && temperature <= WARMEST_C)) {
            form.fail(
                    "waterTempC",
                    "practiceforms.temperature-range",
                    Measure.temperature(COLDEST_C),
                    Measure.temperature(WARMEST_C),
                    form.value("waterTempC"));
        }
        if (wind != null && wind > STRONGEST_MPS) {
            form.fail("windMps", "practiceforms.wind-range", Measure.speed(STRONGEST_MPS), form.value("windMps"));
        }
        if (boats != null && (boats < 0 || boats > 1000)) {
            form.fail("boatsNear", "practiceforms.count-range", boats);
        }
        Double bait = form.depth("baitDepthM", "The bait");
        Boolean baitSeen = form.truth("baitSeen");
        Signs signs = new Signs(
                form.choice("clarityTrend", ClarityTrend.class),
                form.quantity("windFromDeg", DirectionText::read),
                form.choice("surface", Surface.class),
                form.truth("recentFront"),
                form.choice("levelTrend", LevelTrend.class),
                form.choice("current", Current.class),
                (baitSeen == null && bait != null) ? Boolean.TRUE : baitSeen,
                bait,
                SightingForm.read(form, "seen", null));
        return new Conditions(
                temperature,
                visibility,
                wind,
                form.choice("sky", Sky.class),
                boats,
                signs,
                form.entered("waterTempC", "visibilityM", "windMps", "windFromDeg", "baitDepthM", "seenDepthM"));
    }

    /** A bite as it would be typed. */
    public static Form of(Bite bite, ZoneId zone, Units units) {
        FishSize size = bite.size();
        return putNotes(new Form(units), bite.notes(), units)
                .put("at", bite.at() == null ? "" : clock(bite.at(), zone))
                .put("outcome", bite.outcome().code())
                .put("presentation", bite.presentationId())
                .put("species", bite.species() == null ? "" : bite.species().code())
                .put("size", typed(size, units))
                .put("how", size == null || size.how() == FishSize.How.SCALE ? "scale" : "guess")
                .put("guessed", size == null ? "" : units.typedWeight(size.guessGrams()));
    }

    /** How a bite came about, into a form. */
    public static Form putNotes(Form form, BiteNotes notes, Units units) {
        SightingForm.put(form, "fish", notes.seen(), notes.entered(), units);
        form.put(
                "waterDepthM",
                notes.waterDepthM(),
                notes.entered(),
                QuantityText::metres,
                units.typedDepth(notes.waterDepthM()));
        return form.put("retrieve", notes.retrieve())
                .put("onRig", notes.onRig())
                .put("takenOn", notes.takenOn())
                .put("baitNear", notes.seen().bait())
                .put("colour", notes.colour())
                .put("lureSize", notes.size())
                .put("lossWay", notes.lossWay());
    }

    /** A size as typed, as long as that still means the same; else as it would be typed. */
    public static String typed(@Nullable FishSize size, Units units) {
        if (size == null) {
            return "";
        }
        try {
            if (size.entered() != null
                    && QuantityText.size(size.entered(), size.how() == FishSize.How.SCALE, units)
                            .equals(
                                    size.guessGrams() == null
                                            ? size
                                            : new FishSize(
                                                    size.how(),
                                                    size.grams(),
                                                    size.loGrams(),
                                                    size.hiGrams(),
                                                    size.mm(),
                                                    null,
                                                    size.entered()))) {
                return size.entered();
            }
        } catch (BadQuantityException e) {
            // Typed in other units: told in the present ones below.
        }
        return switch (size.how()) {
            case SCALE -> units.typedWeight(size.grams());
            case GUESS -> units.typedWeight(size.grams());
            case RANGE -> units.typedWeight(size.loGrams()) + " to " + units.typedWeight(size.hiGrams());
            case LENGTH -> units.typedLength(size.mm()) + " " + units.length().code();
        };
    }
}
