package lochan.web.tracklog;

import static java.util.Objects.requireNonNull;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lochan.core.Intake;
import lochan.core.event.BoatRun;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.practice.Conditions;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.track.Track;
import lochan.core.practice.track.TrackCutter;
import lochan.core.practice.track.TrackPlacing;
import lochan.core.practice.track.WindAt;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.eventformat.gpx.GpxException;
import lochan.eventformat.gpx.GpxTrack;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.Events;
import lochan.web.practice.Practice;
import lochan.web.practice.PracticeDay;
import lochan.web.rules.BoatSpeeds;
import lochan.web.shared.Dates;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import lochan.web.spot.Spots;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A plotter's track as practice: what it shows is offered first, and written when the angler says so. */
@Controller
class TrackController {

    private static final long LEAST_MINUTES = TrackCutter.LEAST_STOP.toMinutes();
    private static final String NEW_SPOT = "+";
    private static final int MOST_ROWS = 200;

    private final Practice practice;
    private final Spots spots;
    private final EventBook book;
    private final Accounts accounts;
    private final Events events;
    private final PhoneFixRepository phones;

    TrackController(
            Practice practice,
            Spots spots,
            EventBook book,
            Accounts accounts,
            Events events,
            PhoneFixRepository phones) {
        this.phones = phones;
        this.events = events;
        this.practice = practice;
        this.spots = spots;
        this.book = book;
        this.accounts = accounts;
    }

    /**
     * A stop of the track as the page offers it.
     *
     * @param logged the stop logged by hand in that time, whose times it would correct; null: none
     */
    @RecordBuilder
    record Row(
            String day,
            String time,
            String length,
            Instant start,
            Instant end,
            double lat,
            double lon,
            String spot,
            @Nullable String logged,
            String loggedWords) {}

    @GetMapping("/events/{eventId}/practice/track")
    String choose(EventKey key, @RequestParam(required = false) @Nullable LocalDate day, Model model) {
        EventData event = book.event(key);
        TrackView view = day == null
                ? TrackView.of(event, LEAST_MINUTES)
                : read(
                        TrackCutter.cut(phones.ofDay(key, day, event.timeZone()), event.spots()),
                        event,
                        accounts.units(key.accountId()));
        return show(key, view, model);
    }

    private String show(EventKey key, TrackView view, Model model) {
        return Views.show(
                "tracklog/track",
                model,
                view.withPhones(phones.days(key, view.data().timeZone()).stream()
                        .map(d -> new TrackView.PhoneDay(d.toString(), Dates.day(d)))
                        .toList()));
    }

    /** Deletes what a phone recorded on a day. */
    @PostMapping("/events/{eventId}/practice/track/delete")
    @EventWrite
    public String delete(EventKey key, @RequestParam LocalDate day, RedirectAttributes flash) {
        phones.delete(key, day, book.outline(key).timeZone());
        flash.addFlashAttribute("notice", "The track of " + Dates.day(day) + " is deleted.");
        return "redirect:/events/" + key.eventId() + "/practice/track";
    }

    @PostMapping("/events/{eventId}/practice/track")
    String offer(EventKey key, @RequestParam MultipartFile file, Model model) throws IOException {
        EventData event = book.event(key);
        TrackView view = TrackView.of(event, LEAST_MINUTES);
        try (InputStream in = new BufferedInputStream(file.getInputStream())) {
            view = read(TrackCutter.cut(GpxTrack.read(in), event.spots()), event, accounts.units(key.accountId()));
        } catch (GpxException e) {
            model.addAttribute(
                    "trouble", "“" + file.getOriginalFilename() + "” was not imported: " + e.getMessage() + ".");
        }
        return show(key, view, model);
    }

    private static TrackView read(Track track, EventData event, Units units) {
        Map<Integer, PracticeStop> matches = TrackPlacing.matches(track.stops(), event.stops());
        List<Row> rows = IntStream.range(0, Math.min(MOST_ROWS, track.stops().size()))
                .mapToObj(i -> row(track.stops().get(i), matches.get(i), event))
                .toList();
        List<Track.Run> runs = track.runs().stream().limit(MOST_ROWS).toList();
        Stream<BoatRun> told = runs.stream()
                .map(r -> new BoatRun(
                        r.start(),
                        r.end(),
                        r.metres(),
                        r.cruiseMps(),
                        WindAt.of(r.start(), event.stops(), event.forecast())));
        List<BoatRun> all =
                Stream.concat(event.runs().stream(), told).distinct().toList();
        OptionalDouble fastest = runs.stream().mapToDouble(Track.Run::cruiseMps).max();
        return new TrackView(
                event,
                LEAST_MINUTES,
                List.of(),
                rows,
                runs,
                BoatSpeeds.of(all, event.boat(), units),
                Count.of(rows.size(), "stop"),
                Count.of(track.runs().size(), "run") + ", "
                        + Count.of(track.gaps().size(), "gap")
                        + (fastest.isPresent() ? ", fastest run " + units.speed(fastest.getAsDouble()) : ""));
    }

    private static Row row(Track.Stop s, @Nullable PracticeStop same, EventData event) {
        ZoneId zone = event.timeZone();
        String spot = same == null ? s.spotId() : same.spotId();
        String words = same == null
                ? null
                : "logged by hand " + Dates.clock(same.start(), zone) + "–" + Dates.clock(same.end(), zone) + ", "
                        + same.bites().size() + " bites: its times are corrected";
        return TrackControllerRowBuilder.builder()
                .day(Dates.day(s.start().atZone(zone).toLocalDate()))
                .time(Dates.clock(s.start(), zone) + "–" + Dates.clock(s.end(), zone))
                .length(PracticeDay.length(s.length()))
                .start(s.start())
                .end(s.end())
                .lat(s.centre().lat())
                .lon(s.centre().lon())
                .spot(spot == null ? "" : spot)
                .logged(same == null ? null : same.id())
                .loggedWords(words)
                .build();
    }

    /** A time that the page itself wrote into its form. */
    private static Instant time(Form form, String name) {
        try {
            Instant time = Instant.parse(form.value(name));
            if (Intake.isTime(time)) {
                return time;
            }
        } catch (DateTimeException e) {
            // Answered below, like a time that cannot be meant.
        }
        throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
    }

    /** Writes the stops chosen; bites logged by hand go by their times to the stop that holds them. */
    @PostMapping("/events/{eventId}/practice/track/take")
    @EventWrite
    public String take(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        EventData event = book.event(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        List<PracticeStop> taken = new ArrayList<>();
        for (int i = 0; i < MOST_ROWS && form.has(i + "/start"); i++) {
            String chosen = form.value(i + "/spot");
            Instant start = time(form, i + "/start");
            Instant end = time(form, i + "/end");
            if (!PracticeStop.canRun(start, end)) {
                throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
            }
            if (form.has(i + "/logged")) {
                taken.add(practice.logged(key, form.value(i + "/logged")).stop().withTimes(start, end));
            } else if (!chosen.isEmpty() && practice.find(key, code(start)).isEmpty()) {
                String spot = chosen.equals(NEW_SPOT)
                        ? waypoint(key, event, form, i, start)
                        : event.spot(chosen).map(Spot::id).orElseThrow(NotThereException::new);
                List<PresentationTime> fished = event.presentation(form.value(i + "/presentation")).stream()
                        .map(p -> new PresentationTime(p.id(), null))
                        .toList();
                taken.add(PracticeStopBuilder.builder()
                        .id(code(start))
                        .spotId(spot)
                        .start(start)
                        .end(end)
                        .anglers(event.anglers())
                        .presentations(fished)
                        .follows(0)
                        .bites(List.of())
                        .conditions(Conditions.UNKNOWN)
                        .build());
            }
        }
        List<BoatRun> runs = runs(form, event);
        long corrected = taken.stream()
                .filter(t -> event.stops().stream().anyMatch(s -> s.id().equals(t.id())))
                .count();
        TrackPlacing.Result placed = TrackPlacing.place(
                event.stops(),
                Stream.concat(taken.stream(), run(event.stops(), taken, runs).stream())
                        .toList());
        practice.place(key, placed);
        events.addRuns(key, runs);
        long added = taken.size() - corrected;
        flash.addFlashAttribute(
                "notice",
                Count.of(added, "stop") + " saved from the track"
                        + (corrected == 0 ? "" : ", the times of " + corrected + " corrected")
                        + (placed.moved().isEmpty()
                                ? "."
                                : ", " + Count.of(placed.moved().size(), "bite") + " placed by time."));
        return "redirect:/events/" + key.eventId() + "/practice";
    }

    /** Stops logged by hand, and not corrected, in which the boat ran: those minutes were not fished. */
    private static List<PracticeStop> run(List<PracticeStop> logged, List<PracticeStop> taken, List<BoatRun> runs) {
        return logged.stream()
                .filter(s -> taken.stream().noneMatch(t -> t.id().equals(s.id())))
                .map(s -> TrackPlacing.withoutRuns(s, runs))
                .filter(s -> !logged.contains(s))
                .toList();
    }

    /** The runs of the track with the wind of their time. */
    private static List<BoatRun> runs(Form form, EventData event) {
        List<BoatRun> runs = new ArrayList<>();
        for (int i = 0; i < MOST_ROWS && form.has("run/" + i + "/start"); i++) {
            Instant start = Instant.parse(form.value("run/" + i + "/start"));
            runs.add(new BoatRun(
                    start,
                    Instant.parse(form.value("run/" + i + "/end")),
                    Double.parseDouble(form.value("run/" + i + "/metres")),
                    Double.parseDouble(form.value("run/" + i + "/mps")),
                    WindAt.of(start, event.stops(), event.forecast())));
        }
        return runs;
    }

    /** A track taken twice is there once. */
    private static String code(Instant start) {
        return "track-" + start.getEpochSecond();
    }

    private String waypoint(EventKey key, EventData event, Form form, int i, Instant start) {
        String name = "Track " + Dates.clock(start, event.timeZone());
        Position at = requireNonNull(form.position(i + "/position"));
        String id = spots.freshCode(key, name);
        spots.add(key, List.of(Spot.fresh(id, name, at, SpotType.COMMON.getFirst())));
        return id;
    }
}
