package lochan.web.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import lochan.core.lake.Spot;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.practice.PracticeChange;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.PhoneChangeRepository;
import lochan.web.shared.NotThereException;
import lochan.web.spot.Spots;
import org.springframework.stereotype.Service;

/** Takes what phones logged in practice, each change once. */
@Service
class PhoneChanges {

    /** Of a spot marked on the water, until it is told at the desk. */
    private static final String UNKNOWN_TYPE = "unknown";

    /** Ahead of the server's by more, a phone's clock is wrong. */
    private static final Duration CLOCK_OFF = Duration.ofMinutes(2);

    private final PhoneChangeRepository taken;
    private final Practice practice;
    private final Spots spots;
    private final EventBook events;

    PhoneChanges(PhoneChangeRepository taken, Practice practice, Spots spots, EventBook events) {
        this.taken = taken;
        this.practice = practice;
        this.spots = spots;
        this.events = events;
    }

    /**
     * Takes a change, if it was not taken before.
     *
     * @param form its fields as they were typed, with its id and time
     * @return why it cannot be; empty: it stands
     */
    @EventWrite
    Optional<String> take(EventKey key, Form form) {
        Optional<PracticeChange> change = read(form, Names.in(events.outline(key)));
        if (change.isEmpty()) {
            return form.allErrors().values().stream().flatMap(List::stream).findFirst();
        }
        Optional<String> refusal = refusal(key, change.get());
        if (refusal.isEmpty() && taken.takes(key, change.get().id())) {
            put(key, change.get());
        }
        return refusal;
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
            case PracticeChange.BiteDeleted d -> Optional.empty();
            case PracticeChange.StopDeleted d -> Optional.empty();
        };
    }

    private Optional<String> ofStop(EventKey key, String stop) {
        return practice.find(key, stop).isPresent()
                ? Optional.empty()
                : Optional.of("Its stop was deleted at the desk.");
    }

    private void put(EventKey key, PracticeChange change) {
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
            case PracticeChange.BiteDeleted d -> gone(() -> practice.deleteBite(key, d.biteId()));
            case PracticeChange.StopDeleted d -> gone(() -> practice.deleteStop(key, d.stopId()));
        }
    }

    /** What is to be deleted may be deleted already. */
    private static void gone(Runnable delete) {
        try {
            delete.run();
        } catch (NotThereException e) {
            // It is as the phone wished.
        }
    }
}
