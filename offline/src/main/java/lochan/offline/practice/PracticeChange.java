package lochan.offline.practice;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import lochan.core.event.Position;
import lochan.core.lake.Waypoint;
import lochan.core.practice.Bite;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.spot.WaypointForm;
import org.jspecify.annotations.Nullable;

/**
 * One thing that was logged in practice. It travels as the fields of its form, with an id of its own, and is read by the same rules on the
 * phone and at the server.
 */
public sealed interface PracticeChange {

    int LONGEST_ID = 64;

    /** Unique in its event: what arrives twice is taken once. */
    String id();

    /** When it was logged. */
    Instant at();

    /** A place nobody had marked. */
    record NewSpot(String id, Instant at, String spotId, String name, Position position) implements PracticeChange {}

    /** Fishing a spot; its id is that of the stop. Other stops that are open end here. */
    record Started(String id, Instant at, String spotId, List<String> presentations, int anglers)
            implements PracticeChange {

        public Started {
            presentations = List.copyOf(presentations);
        }
    }

    record Ended(String id, Instant at, String stopId) implements PracticeChange {}

    /** A stop that was ended goes on. */
    record Reopened(String id, Instant at, String stopId) implements PracticeChange {}

    /** A bite; its id is that of the change. */
    record BiteLogged(String id, Instant at, String stopId, Bite bite) implements PracticeChange {}

    /** @param more 1, or −1 to take one back */
    record Followed(String id, Instant at, String stopId, int more) implements PracticeChange {}

    /** @param more fish of species that do not count: 1, or −1 to take one back */
    record Bycatch(String id, Instant at, String stopId, int more) implements PracticeChange {}

    /**
     * Fields of a stop's form that are to read otherwise.
     *
     * @param fields as typed, by their names
     * @param before what they read when they were changed
     */
    record StopEdited(String id, Instant at, String stopId, Map<String, String> fields, Map<String, String> before)
            implements PracticeChange {

        public StopEdited {
            fields = Map.copyOf(fields);
            before = Map.copyOf(before);
        }
    }

    /** A bite with its form edited. */
    record BiteEdited(
            String id, Instant at, String stopId, String biteId, Map<String, String> fields, Map<String, String> before)
            implements PracticeChange {

        public BiteEdited {
            fields = Map.copyOf(fields);
            before = Map.copyOf(before);
        }
    }

    /** A waypoint marked from the electronics. */
    record WaypointMarked(String id, Instant at, Waypoint waypoint) implements PracticeChange {}

    record BiteDeleted(String id, Instant at, String stopId, String biteId) implements PracticeChange {}

    record StopDeleted(String id, Instant at, String stopId) implements PracticeChange {}

    /**
     * Reads a change; what is wrong stands beside its field in the form.
     *
     * @param names what spots and presentations are there
     * @return empty when something is wrong
     */
    static Optional<PracticeChange> read(Form form, Names names, String id, Instant at) {
        if (id.isBlank() || id.length() > LONGEST_ID || id.chars().anyMatch(Character::isISOControl)) {
            form.fail("what", "practiceforms.no-id");
        }
        @Nullable
        PracticeChange change =
                switch (form.value("what")) {
                    case "spot" -> spot(form, id, at);
                    case "start" -> started(form, names, id, at);
                    case "end" -> new Ended(id, at, form.value("stop"));
                    case "reopen" -> new Reopened(id, at, form.value("stop"));
                    case "bite" -> bite(form, names, id, at);
                    case "follow" -> new Followed(id, at, form.value("stop"), 1);
                    case "unfollow" -> new Followed(id, at, form.value("stop"), -1);
                    case "bycatch" -> new Bycatch(id, at, form.value("stop"), 1);
                    case "no-bycatch" -> new Bycatch(id, at, form.value("stop"), -1);
                    case "edit-stop" -> new StopEdited(id, at, form.value("stop"), edited(form), before(form));
                    case "edit-bite" ->
                        new BiteEdited(id, at, form.value("stop"), form.value("bite"), edited(form), before(form));
                    case "waypoint" ->
                        WaypointForm.read(form, form::degrees, id, at)
                                .map(w -> new WaypointMarked(id, at, w))
                                .orElse(null);
                    case "delete-bite" -> new BiteDeleted(id, at, form.value("stop"), form.value("bite"));
                    case "delete-stop" -> new StopDeleted(id, at, form.value("stop"));
                    default -> null;
                };
        if (change == null && form.ok()) {
            form.fail("what", "practiceforms.unknown-change", form.value("what"));
        }
        return form.ok() ? Optional.ofNullable(change) : Optional.empty();
    }

    /** Fields of another form travel as {@code set/NAME}, what they read before as {@code was/NAME}. */
    private static Map<String, String> edited(Form form) {
        return form.below("set/");
    }

    private static Map<String, String> before(Form form) {
        return form.below("was/");
    }

    private static @Nullable PracticeChange spot(Form form, String id, Instant at) {
        Position position = form.degrees("position");
        form.needs("position", "practiceforms.position");
        return position == null || !form.ok()
                ? null
                : new NewSpot(id, at, form.value("spot"), form.has("name") ? form.value("name") : "New spot", position);
    }

    private static PracticeChange started(Form form, Names names, String id, Instant at) {
        if (!names.spots().containsKey(form.value("spot"))) {
            form.fail("spot", "forms.spot-from-list");
        }
        List<String> presentations = Stream.of(form.value("presentation").split(","))
                .filter(names.presentations()::containsKey)
                .distinct()
                .toList();
        return new Started(
                id, at, form.value("spot"), presentations, form.value("anglers").equals("2") ? 2 : 1);
    }

    private static @Nullable PracticeChange bite(Form form, Names names, String id, Instant at) {
        if (form.has("presentation") && !names.presentations().containsKey(form.value("presentation"))) {
            form.fail("presentation", "forms.lure-from-list");
        }
        return BiteForm.read(form, at)
                .map(b -> new BiteLogged(id, at, form.value("stop"), b))
                .orElse(null);
    }

    private static Map<String, String> back(
            Map<String, String> fields, Map<String, String> before, Map<String, String> change) {
        Map<String, String> back = new HashMap<>(change);
        fields.forEach((name, value) -> {
            back.put("set/" + name, before.getOrDefault(name, ""));
            back.put("was/" + name, value);
        });
        return back;
    }

    /** The fields of the change that takes this one back; empty: there is none. */
    default Map<String, String> undo() {
        return switch (this) {
            case NewSpot s -> Map.of();
            case Started s -> Map.of("what", "delete-stop", "stop", s.id());
            case Ended e -> Map.of("what", "reopen", "stop", e.stopId());
            case Reopened r -> Map.of("what", "end", "stop", r.stopId());
            case BiteLogged b -> Map.of("what", "delete-bite", "stop", b.stopId(), "bite", b.id());
            case Followed f -> Map.of("what", f.more() > 0 ? "unfollow" : "follow", "stop", f.stopId());
            case Bycatch b -> Map.of("what", b.more() > 0 ? "no-bycatch" : "bycatch", "stop", b.stopId());
            case StopEdited e -> back(e.fields(), e.before(), Map.of("what", "edit-stop", "stop", e.stopId()));
            case BiteEdited e ->
                back(e.fields(), e.before(), Map.of("what", "edit-bite", "stop", e.stopId(), "bite", e.biteId()));
            case WaypointMarked w -> Map.of();
            case BiteDeleted d -> Map.of();
            case StopDeleted d -> Map.of();
        };
    }
}
