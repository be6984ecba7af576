package lochan.web.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Bite;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteForm;
import lochan.offline.practice.PracticeChange;
import lochan.offline.practice.StopForm;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.PhoneChangesTaken;
import lochan.web.shared.NotThereException;
import lochan.web.spot.Spots;
import lochan.web.spot.Waypoints;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Takes what phones logged in practice, each change once. */
@Service
class PhoneChanges {

    /** Of a spot marked on the water, until it is known at the desk. */
    private static final String UNKNOWN_TYPE = "unknown";

    /** Ahead of the server's by more, a phone's clock is wrong. */
    private static final Duration CLOCK_OFF = Duration.ofMinutes(2);

    private final PhoneChangesTaken taken;
    private final Practice practice;
    private final Spots spots;
    private final Waypoints waypoints;
    private final EventBook events;

    PhoneChanges(PhoneChangesTaken taken, Practice practice, Spots spots, Waypoints waypoints, EventBook events) {
        this.taken = taken;
        this.practice = practice;
        this.spots = spots;
        this.waypoints = waypoints;
        this.events = events;
    }

    /**
     * What became of a change.
     *
     * @param refused why it cannot be; null: it stands
     * @param clashes fields that somebody else had changed too, each with both its values
     */
    record Outcome(@Nullable String refused, List<String> clashes) {

        static final Outcome STANDS = new Outcome(null, List.of());

        static Outcome refused(@Nullable String why) {
            return new Outcome(why, List.of());
        }
    }

    /**
     * Takes a change, if it was not taken before.
     *
     * @param form its fields as they were typed, with its id and time
     */
    @EventWrite
    Outcome take(EventKey key, Form form) {
        Optional<PracticeChange> change = read(form, Names.in(events.outline(key)));
        if (change.isEmpty()) {
            return Outcome.refused(first(form));
        }
        Optional<String> refusal = refusal(key, change.get());
        if (refusal.isPresent()) {
            return Outcome.refused(refusal.get());
        }
        return taken.add(key, change.get().id()) ? put(key, change.get(), form.units()) : Outcome.STANDS;
    }

    private static @Nullable String first(Form form) {
        return form.allErrors().values().stream()
                .flatMap(List::stream)
                .findFirst()
                .orElse(null);
    }

    private static Optional<PracticeChange> read(Form form, Names names) {
        try {
            Instant at = Instant.parse(form.value("at")).truncatedTo(ChronoUnit.SECONDS);
            return PracticeChange.read(form, names, form.value("id"), at);
        } catch (DateTimeParseException e) {
            form.error("at", "Its time “" + form.value("at") + "” cannot be read: log it once more.");
            return Optional.empty();
        }
    }

    private Optional<String> refusal(EventKey key, PracticeChange change) {
        return switch (change) {
            case PracticeChange.NewSpot s -> Optional.empty();
            case PracticeChange.Started s -> Optional.empty();
            case PracticeChange.Ended e -> ofStop(key, e.stopId());
            case PracticeChange.Reopened r -> ofStop(key, r.stopId());
            case PracticeChange.BiteLogged b -> ofStop(key, b.stopId());
            case PracticeChange.Followed f -> ofStop(key, f.stopId());
            case PracticeChange.Bycatch b -> ofStop(key, b.stopId());
            case PracticeChange.StopEdited e -> ofStop(key, e.stopId());
            case PracticeChange.BiteEdited e ->
                practice.find(key, e.stopId()).stream()
                                .flatMap(s -> s.bites().stream())
                                .anyMatch(b -> b.code().equals(e.biteId()))
                        ? Optional.empty()
                        : Optional.of("The bite was deleted meanwhile.");
            case PracticeChange.WaypointMarked w -> Optional.empty();
            case PracticeChange.BiteDeleted d -> Optional.empty();
            case PracticeChange.StopDeleted d -> Optional.empty();
        };
    }

    private Optional<String> ofStop(EventKey key, String stop) {
        return practice.find(key, stop).isPresent()
                ? Optional.empty()
                : Optional.of("Its stop was deleted at the desk.");
    }

    private Outcome put(EventKey key, PracticeChange change, Units units) {
        Instant now = practice.now();
        Instant at = change.at().isAfter(now.plus(CLOCK_OFF)) ? now : change.at();
        switch (change) {
            case PracticeChange.NewSpot s ->
                spots.add(key, List.of(Spot.fresh(s.spotId(), s.name(), s.position(), UNKNOWN_TYPE)));
            case PracticeChange.Started s ->
                practice.start(key, s.id(), s.spotId(), s.presentations(), s.anglers(), at);
            case PracticeChange.Ended e -> practice.end(key, e.stopId(), at);
            case PracticeChange.Reopened r -> practice.reopen(key, r.stopId());
            case PracticeChange.BiteLogged b -> practice.addBite(key, b.stopId(), new LoggedBite(b.id(), b.bite()));
            case PracticeChange.Followed f -> practice.addFollows(key, f.stopId(), f.more());
            case PracticeChange.Bycatch b -> practice.addBycatch(key, b.stopId(), b.more());
            case PracticeChange.WaypointMarked w -> waypoints.addAll(key, List.of(w.waypoint()));
            case PracticeChange.BiteDeleted d -> gone(() -> practice.deleteBite(key, d.biteId()));
            case PracticeChange.StopDeleted d -> gone(() -> practice.deleteStop(key, d.stopId()));
            case PracticeChange.StopEdited e -> {
                return edit(key, e, units);
            }
            case PracticeChange.BiteEdited e -> {
                return edit(key, e, units);
            }
        }
        return Outcome.STANDS;
    }

    private Outcome edit(EventKey key, PracticeChange.StopEdited e, Units units) {
        EventData event = events.outline(key);
        LoggedStop logged = practice.logged(key, e.stopId());
        Form form = StopForm.of(logged.stop(), event.timeZone(), units);
        List<String> clashes = merge(form, e.fields(), e.before(), event);
        return StopForm.read(form, e.stopId(), logged.stop().bites(), event.presentations(), event.timeZone())
                .map(stop -> {
                    practice.save(
                            key,
                            practice.filledIn(
                                    key,
                                    stop,
                                    logged.stop().conditions(),
                                    event.launch().lat() >= 0));
                    return new Outcome(null, clashes);
                })
                .orElseGet(() -> Outcome.refused(first(form)));
    }

    private Outcome edit(EventKey key, PracticeChange.BiteEdited e, Units units) {
        EventData event = events.outline(key);
        Bite bite = practice.bite(key, e.stopId(), e.biteId()).bite();
        Form form = StopForm.of(bite, event.timeZone(), units);
        List<String> clashes = merge(form, e.fields(), e.before(), event);
        return BiteForm.read(form, bite.at())
                .map(b -> {
                    practice.updateBite(key, new LoggedBite(e.biteId(), b));
                    return new Outcome(null, clashes);
                })
                .orElseGet(() -> Outcome.refused(first(form)));
    }

    /** Puts changed fields into a form; says which of them were changed elsewhere too. */
    private static List<String> merge(
            Form form, Map<String, String> fields, Map<String, String> before, EventData event) {
        List<String> clashes = new ArrayList<>();
        fields.forEach((name, value) -> {
            String stands = form.value(name);
            if (!stands.equals(before.getOrDefault(name, "")) && !stands.equals(value)) {
                clashes.add("%s: this phone said “%s”, another said “%s”. Now it reads “%s”."
                        .formatted(
                                label(name),
                                words(name, value, event),
                                words(name, stands, event),
                                words(name, value, event)));
            }
            form.put(name, value);
        });
        return clashes;
    }

    private static String label(String field) {
        return Arrays.stream(LogColumn.values())
                .filter(c -> c.code().equals(field))
                .findFirst()
                .map(LogColumn::label)
                .orElse(field);
    }

    private static String words(String field, String value, EventData event) {
        if (value.isEmpty()) {
            return "nothing";
        }
        return switch (field) {
            case "spot" -> event.spot(value).map(Spot::name).orElse(value);
            case "presentation" ->
                event.presentation(value).map(Presentation::name).orElse(value);
            default -> value;
        };
    }

    /** The record to delete may be gone already. */
    private static void gone(Runnable delete) {
        try {
            delete.run();
        } catch (NotThereException e) {
            // It is as the phone wished.
        }
    }
}
