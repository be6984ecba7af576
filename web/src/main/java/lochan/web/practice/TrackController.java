package lochan.web.practice;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Units;
import lochan.core.track.Track;
import lochan.core.track.TrackCutter;
import lochan.core.water.PlaceClass;
import lochan.core.water.Spot;
import lochan.core.water.Stock;
import lochan.core.water.Zone;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.form.Form;
import lochan.web.gpx.GpxException;
import lochan.web.gpx.GpxTrack;
import lochan.web.page.Dates;
import lochan.web.spot.Spots;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A plotter's track as practice: what it shows is offered first, and written when the angler says so. */
@Controller
class TrackController {

    private static final String NEW_SPOT = "+";
    private static final int MOST_ROWS = 200;

    private final Practice practice;
    private final Spots spots;
    private final EventBook events;
    private final Accounts accounts;

    TrackController(Practice practice, Spots spots, EventBook events, Accounts accounts) {
        this.practice = practice;
        this.spots = spots;
        this.events = events;
        this.accounts = accounts;
    }

    /**
     * A stop of the track as the page offers it.
     *
     * @param logged the stop logged by hand in that time, whose times it would mend; null: none
     */
    record Row(String day, String time, String length, Instant start, Instant end, double lat, double lon, String spot, String logged, String loggedWords) { }

    @GetMapping("/events/{eventId}/practice/track")
    String choose(EventKey key, Model model) {
        model.addAttribute("data", events.event(key));
        return "practice/track";
    }

    @PostMapping("/events/{eventId}/practice/track")
    String offer(EventKey key, @RequestParam MultipartFile file, Model model) throws IOException {
        EventData event = events.event(key);
        model.addAttribute("data", event);
        try (InputStream in = new BufferedInputStream(file.getInputStream())) {
            Track track = TrackCutter.cut(GpxTrack.read(in), event.spots());
            Units units = accounts.units(key.accountId());
            List<LoggedStop> logged = practice.logged(key);
            model.addAttribute("rows", track.stops().stream().limit(MOST_ROWS).map(s -> row(s, event, logged)).toList());
            model.addAttribute("gaps", track.gaps().size());
            model.addAttribute("runs", track.runs().size());
            model.addAttribute("fastest", track.runs().stream().mapToDouble(Track.Run::mps).max().stream().mapToObj(units::speed).findFirst().orElse(null));
        } catch (GpxException e) {
            model.addAttribute("trouble", "“" + file.getOriginalFilename() + "” was not taken: " + e.getMessage() + ".");
        }
        return "practice/track";
    }

    private static Row row(Track.Stop s, EventData event, List<LoggedStop> logged) {
        ZoneId zone = event.brief().timeZone();
        Optional<LoggedStop> same = logged.stream().filter(l -> overlaps(l.stop(), s)).findFirst();
        String spot = same.map(l -> l.stop().spotId()).orElse(s.spotId());
        return new Row(Dates.day(s.start().atZone(zone).toLocalDate()), Dates.clock(s.start(), zone) + "–" + Dates.clock(s.end(), zone),
                PracticeDay.length(s.length()), s.start(), s.end(), s.centre().lat(), s.centre().lon(), spot == null ? "" : spot,
                same.map(l -> l.stop().id()).orElse(null), same.map(l -> "logged by hand " + Dates.clock(l.stop().start(), zone) + "–"
                        + Dates.clock(l.stop().end(), zone) + ", " + l.bites().size() + " strikes: its times are mended").orElse(null));
    }

    /** Whether a stop logged by hand and one of the track are the same: they share half of the shorter one. */
    private static boolean overlaps(PracticeStop logged, Track.Stop track) {
        if (logged.end() == null) {
            return false;
        }
        Instant from = logged.start().isAfter(track.start()) ? logged.start() : track.start();
        Instant to = logged.end().isBefore(track.end()) ? logged.end() : track.end();
        Duration shorter = Duration.between(logged.start(), logged.end()).compareTo(track.length()) < 0
                ? Duration.between(logged.start(), logged.end()) : track.length();
        return Duration.between(from, to).multipliedBy(2).compareTo(shorter) >= 0 && to.isAfter(from);
    }

    @PostMapping("/events/{eventId}/practice/track/take")
    @Transactional
    public String take(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        EventData event = events.event(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        int added = 0;
        int mended = 0;
        for (int i = 0; i < MOST_ROWS && form.has(i + "/start"); i++) {
            String chosen = form.value(i + "/spot");
            Instant start = Instant.parse(form.value(i + "/start"));
            Instant end = Instant.parse(form.value(i + "/end"));
            if (form.has(i + "/logged")) {
                mend(key, form.value(i + "/logged"), start, end);
                mended++;
            } else if (!chosen.isEmpty() && end.isAfter(start) && practice.find(key, code(start)).isEmpty()) {
                String spot = chosen.equals(NEW_SPOT) ? mark(key, event, form, i, start)
                        : event.spot(chosen).map(Spot::id).orElseThrow(lochan.web.page.NotThereException::new);
                List<PresentationTime> fished = event.presentation(form.value(i + "/presentation")).stream()
                        .map(p -> new PresentationTime(p.id(), null)).toList();
                practice.save(key, new PracticeStop(code(start), spot, start, end, event.brief().anglers(), fished, 0, List.of(),
                        Conditions.UNKNOWN));
                added++;
            }
        }
        flash.addFlashAttribute("notice", added + (added == 1 ? " stop" : " stops") + " written from the track"
                + (mended == 0 ? "." : ", the times of " + mended + " mended."));
        return "redirect:/events/" + key.eventId() + "/practice";
    }

    /** A track taken twice is there once. */
    private static String code(Instant start) {
        return "track-" + start.getEpochSecond();
    }

    /** Takes the track's times over, as far as the stop's strikes allow. */
    private void mend(EventKey key, String stop, Instant start, Instant end) {
        PracticeStop logged = practice.logged(key, stop).stop();
        List<Instant> strikes = logged.bites().stream().map(Bite::at).filter(java.util.Objects::nonNull).sorted().toList();
        Instant from = strikes.isEmpty() || start.isBefore(strikes.getFirst()) ? start : strikes.getFirst();
        Instant to = strikes.isEmpty() || end.isAfter(strikes.getLast()) ? end : strikes.getLast().plusSeconds(1);
        practice.save(key, logged.withTimes(from, to));
    }

    private String mark(EventKey key, EventData event, Form form, int i, Instant start) {
        String name = "Track " + Dates.clock(start, event.brief().timeZone());
        Position at = form.position(i + "/position");
        String id = spots.freshCode(key, name);
        spots.add(key, List.of(new Spot(id, name, at, Spot.USUAL_RADIUS_M, PlaceClass.COMMON.getFirst(), Zone.SHALLOW, null, null, 0, Stock.GENERAL,
                Map.of())));
        return id;
    }
}
