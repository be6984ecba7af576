package lochan.offline.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import lochan.core.event.Position;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.Conditions;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/**
 * Practice as a phone knows it: what the server has, and what was logged since.
 *
 * @param names  what spots and presentations are called
 * @param places positions of the spots, by id
 * @param zone   of the event
 * @param stops  in the order they began
 */
public record PracticeLog(Names names, Map<String, Position> places, ZoneId zone, List<Stop> stops) {

    private static final List<String> CONDITIONS = List.of(
            "waterTempC",
            "visibilityM",
            "windMps",
            "windFromDeg",
            "sky",
            "boatsNear",
            "clarityTrend",
            "surface",
            "recentFront",
            "levelTrend",
            "current",
            "baitSeen",
            "baitDepthM",
            "seenPosition",
            "seenDepthM",
            "seenCount",
            "seenShape",
            "idleMinutes");

    public PracticeLog {
        places = Map.copyOf(places);
        stops = List.copyOf(stops);
    }

    /**
     * A stop.
     *
     * @param end           null while it is being fished
     * @param presentations ids of what is fished
     * @param conditions    fields of the stop's form that tell of them, as typed
     */
    @RecordBuilder
    public record Stop(
            String id,
            String spotId,
            Instant start,
            @Nullable Instant end,
            int anglers,
            List<String> presentations,
            int follows,
            int bycatch,
            Map<String, String> conditions,
            List<LoggedBite> bites) {

        public Stop {
            presentations = List.copyOf(presentations);
            conditions = Map.copyOf(conditions);
            bites = List.copyOf(bites);
        }

        private Stop until(@Nullable Instant other) {
            return PracticeLogStopBuilder.builder(this).end(other).build();
        }

        private Stop withBites(List<LoggedBite> others) {
            return PracticeLogStopBuilder.builder(this).bites(others).build();
        }

        /** Its form, as it would be typed. */
        Form form(ZoneId zone, Units units) {
            Form form = StopForm.of(
                    PracticeStopBuilder.builder()
                            .id(id)
                            .spotId(spotId)
                            .start(start)
                            .end(end)
                            .anglers(Math.max(1, anglers))
                            .presentations(presentations.stream()
                                    .map(p -> new PresentationTime(p, null))
                                    .toList())
                            .follows(follows)
                            .bycatch(bycatch)
                            .bites(List.of())
                            .conditions(Conditions.UNKNOWN)
                            .build(),
                    zone,
                    units);
            conditions.forEach(form::put);
            return form;
        }
    }

    /**
     * A bite.
     *
     * @param at     null: some time during its stop
     * @param words  what it was
     * @param fields of its form, as typed
     */
    public record LoggedBite(
            String id, @Nullable Instant at, @Nullable String presentation, String words, Map<String, String> fields) {

        public LoggedBite {
            fields = Map.copyOf(fields);
        }
    }

    /** The stop being fished; the latest of several. */
    public Optional<Stop> open() {
        return stops.stream().filter(s -> s.end() == null).reduce((a, b) -> b);
    }

    /** With one change more; one that is of a stop that is not there changes nothing. */
    public PracticeLog after(PracticeChange change, Units units) {
        return switch (change) {
            case PracticeChange.NewSpot s -> with(s);
            case PracticeChange.Started s -> with(s);
            case PracticeChange.Ended e ->
                each(e.stopId(), s -> s.end() == null ? s.until(later(s.start(), e.at())) : s);
            case PracticeChange.Reopened r -> each(r.stopId(), s -> s.until(null));
            case PracticeChange.BiteLogged b -> each(b.stopId(), s -> with(s, b, units));
            case PracticeChange.Followed f ->
                each(f.stopId(), s -> PracticeLogStopBuilder.builder(s)
                        .follows(Math.max(0, s.follows() + f.more()))
                        .build());
            case PracticeChange.Bycatch b ->
                each(b.stopId(), s -> PracticeLogStopBuilder.builder(s)
                        .bycatch(Math.max(0, s.bycatch() + b.more()))
                        .build());
            case PracticeChange.StopEdited e -> each(e.stopId(), s -> edited(s, e, units));
            case PracticeChange.BiteEdited e ->
                each(
                        e.stopId(),
                        s -> s.withBites(s.bites().stream()
                                .map(b -> b.id().equals(e.biteId()) ? edited(b, e, units) : b)
                                .toList()));
            case PracticeChange.WaypointMarked w -> this;
            case PracticeChange.BiteDeleted d ->
                each(
                        d.stopId(),
                        s -> s.withBites(s.bites().stream()
                                .filter(b -> !b.id().equals(d.biteId()))
                                .toList()));
            case PracticeChange.StopDeleted d ->
                with(stops.stream().filter(s -> !s.id().equals(d.stopId())).toList());
        };
    }

    private PracticeLog with(List<Stop> others) {
        return new PracticeLog(names, places, zone, others);
    }

    private static Instant later(Instant start, Instant at) {
        return at.isAfter(start) ? at : start.plusSeconds(1);
    }

    private PracticeLog each(String stop, UnaryOperator<Stop> change) {
        return with(stops.stream()
                .map(s -> s.id().equals(stop) ? change.apply(s) : s)
                .toList());
    }

    private PracticeLog with(PracticeChange.NewSpot s) {
        Map<String, String> more = new HashMap<>(names.spots());
        more.put(s.spotId(), s.name());
        Map<String, Position> positions = new HashMap<>(places);
        positions.put(s.spotId(), s.position());
        return new PracticeLog(new Names(more, names.presentations()), positions, zone, stops);
    }

    private PracticeLog with(PracticeChange.Started s) {
        if (stops.stream().anyMatch(o -> o.id().equals(s.id()))) {
            return this;
        }
        List<Stop> all = new ArrayList<>(stops.stream()
                .map(o -> o.end() == null ? o.until(later(o.start(), s.at())) : o)
                .toList());
        all.add(PracticeLogStopBuilder.builder()
                .id(s.id())
                .spotId(s.spotId())
                .start(s.at())
                .anglers(s.anglers())
                .presentations(s.presentations())
                .conditions(Map.of())
                .bites(List.of())
                .build());
        return with(all);
    }

    private Stop with(Stop stop, PracticeChange.BiteLogged b, Units units) {
        if (stop.bites().stream().anyMatch(o -> o.id().equals(b.id()))) {
            return stop;
        }
        List<LoggedBite> bites = new ArrayList<>(stop.bites());
        bites.add(bite(b.id(), b.bite(), units));
        return stop.withBites(bites);
    }

    /** Checks what a change makes of a stop or bite; what is wrong is added to its form. */
    public void check(PracticeChange change, Form form) {
        switch (change) {
            case PracticeChange.StopEdited e ->
                stops.stream().filter(s -> s.id().equals(e.stopId())).forEach(s -> {
                    Form changed = changed(s.form(zone, form.units()), e.fields());
                    read(s, changed);
                    changed.errorsInto(form);
                });
            case PracticeChange.BiteEdited e ->
                stops.stream()
                        .flatMap(s -> s.bites().stream())
                        .filter(b -> b.id().equals(e.biteId()))
                        .forEach(b -> {
                            Form changed = changed(new Form(b.fields(), form.units()), e.fields());
                            BiteForm.read(changed, b.at());
                            changed.errorsInto(form);
                        });
            default -> {
                // Read, and so judged, already.
            }
        }
    }

    private LoggedBite bite(String id, Bite bite, Units units) {
        return new LoggedBite(
                id,
                bite.at(),
                bite.presentationId(),
                BiteWords.of(bite, names, units),
                StopForm.of(bite, zone, units).all());
    }

    /** A stop's form with some fields changed, read again; what is wrong stands in it. */
    Optional<PracticeStop> read(Stop stop, Form form) {
        return StopForm.read(
                form,
                stop.id(),
                stop.bites().stream()
                        .map(b -> new Bite(b.at(), Outcome.LANDED, null, null, null, BiteNotes.NONE))
                        .toList(),
                names.presentations().entrySet().stream()
                        .map(p -> new Presentation(p.getKey(), p.getValue(), Hooks.SINGLE))
                        .toList(),
                zone);
    }

    private static Form changed(Form form, Map<String, String> fields) {
        fields.forEach(form::put);
        return form;
    }

    private Stop edited(Stop stop, PracticeChange.StopEdited e, Units units) {
        Form form = changed(stop.form(zone, units), e.fields());
        return read(stop, form)
                .map(s -> PracticeLogStopBuilder.builder(stop)
                        .spotId(s.spotId())
                        .start(s.start())
                        .end(s.end())
                        .anglers(s.anglers())
                        .follows(s.follows())
                        .bycatch(s.bycatch())
                        .conditions(conditions(form))
                        .build())
                .orElse(stop);
    }

    private LoggedBite edited(LoggedBite bite, PracticeChange.BiteEdited e, Units units) {
        return BiteForm.read(changed(new Form(bite.fields(), units), e.fields()), bite.at())
                .map(b -> bite(bite.id(), b, units))
                .orElse(bite);
    }

    /** Fields of a stop's form that tell of its conditions, those that say something. */
    public static Map<String, String> conditions(Form stop) {
        Map<String, String> fields = new HashMap<>();
        for (String name : CONDITIONS) {
            if (stop.has(name)) {
                fields.put(name, stop.value(name));
            }
        }
        return fields;
    }
}
