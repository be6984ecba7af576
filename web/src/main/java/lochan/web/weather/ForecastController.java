package lochan.web.weather;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.event.Event;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Sky;
import lochan.core.quantity.Units;
import lochan.instruments.weather.WeatherFileException;
import lochan.instruments.weather.WeatherReading;
import lochan.offline.bag.Times;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.shared.Dates;
import lochan.web.shared.Refused;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The weather of an event: typed for a competition day, from files, and from a service that is asked. */
@Controller
class ForecastController {

    private final Events events;
    private final Forecasts forecasts;
    private final Accounts accounts;
    private final WeatherSources sources;
    private final WeatherFetcher fetcher;
    private final Clock clock;

    ForecastController(
            Events events,
            Forecasts forecasts,
            Accounts accounts,
            WeatherSources sources,
            WeatherFetcher fetcher,
            Clock clock) {
        this.events = events;
        this.forecasts = forecasts;
        this.accounts = accounts;
        this.sources = sources;
        this.fetcher = fetcher;
        this.clock = clock;
    }

    @GetMapping("/events/{eventId}/practice/forecast")
    String forecast(EventKey key, @RequestParam(defaultValue = "1") int day, Model model) {
        Event event = events.event(key);
        LocalDate date = date(event, day);
        List<ForecastPeriod> there = forecasts.stored(key).stream()
                .filter(f -> f.origin() == ForecastPeriod.Origin.TYPED && ForecastForm.isOn(f, date, event.timeZone()))
                .toList();
        fetcher.lookedAt(key);
        return page(key, event, day, ForecastForm.of(there, event.timeZone(), accounts.units(key.accountId())), model);
    }

    private static LocalDate date(Event event, int day) {
        return event.day(Math.clamp(day, 1, event.days().size())).date();
    }

    /**
     * The forecast of a day.
     *
     * @param rows   of what is typed
     * @param hours  of files and services
     * @param source where they are asked; null: nowhere
     * @param gone   how long ago the last good answer came, or what is wrong; null: no source
     */
    record ForecastView(
            Form form,
            int rows,
            int day,
            String dayName,
            int days,
            Sky[] skies,
            List<HourRow> hours,
            @Nullable WeatherSource source,
            @Nullable String gone) {}

    private String page(EventKey key, Event event, int day, Form form, Model model) {
        LocalDate date = date(event, day);
        Units units = accounts.units(key.accountId());
        WeatherSource source = sources.find(key).orElse(null);
        if (source != null && !form.has("address")) {
            form.put("address", source.address()).put("everyMinutes", source.everyMinutes());
        }
        return Views.show(
                "weather/forecast",
                model,
                new ForecastView(
                        form,
                        ForecastForm.rows(form),
                        Math.clamp(day, 1, event.days().size()),
                        Dates.longDay(date),
                        event.days().size(),
                        Sky.values(),
                        forecasts.stored(key).stream()
                                .filter(f -> f.origin() != ForecastPeriod.Origin.TYPED
                                        && ForecastForm.isOn(f, date, event.timeZone()))
                                .map(f -> HourRow.of(f, event.timeZone(), units))
                                .toList(),
                        source,
                        source == null ? null : gone(source)));
    }

    /** How asking went, in words. */
    private String gone(WeatherSource source) {
        String good = source.answeredAt() == null
                ? "No answer yet."
                : source.hours() + " hours " + Times.span(Duration.between(source.answeredAt(), clock.instant()))
                        + " ago, " + source.form()
                        + (source.leftOut() == null || source.leftOut() == 0
                                ? "."
                                : ", " + source.leftOut() + " values left out that cannot be.");
        return source.trouble() == null ? good : "The last try failed: " + source.trouble() + ". " + good;
    }

    @PostMapping("/events/{eventId}/practice/forecast/file")
    String file(
            EventKey key,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam MultipartFile file,
            RedirectAttributes flash)
            throws IOException {
        Event event = events.event(key);
        String back = "/events/" + key.eventId() + "/practice/forecast";
        try {
            WeatherReading read = WeatherReading.read(file.getBytes(), event.timeZone(), ForecastPeriod.Origin.FILE);
            forecasts.take(key, read.hours());
            Undo.offer(
                    flash,
                    read.hours().size() + " hours imported, " + read.form()
                            + (read.leftOut() == 0 ? "." : "; " + read.leftOut() + " values left out that cannot be."),
                    back + "/undo?day=" + day);
        } catch (WeatherFileException e) {
            flash.addFlashAttribute("trouble", Refused.file(file.getOriginalFilename(), e.getMessage()));
        }
        return "redirect:" + back + "?day=" + day;
    }

    @PostMapping("/events/{eventId}/practice/forecast/remove")
    String removeHours(EventKey key, @RequestParam(defaultValue = "1") int day, RedirectAttributes flash) {
        forecasts.removeHours(key);
        String back = "/events/" + key.eventId() + "/practice/forecast";
        Undo.offer(flash, "Hours of files and services deleted.", back + "/undo?day=" + day);
        return "redirect:" + back + "?day=" + day;
    }

    @PostMapping("/events/{eventId}/practice/forecast/service")
    String service(
            EventKey key,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Event event = events.event(key);
        String back = "redirect:/events/" + key.eventId() + "/practice/forecast?day=" + day;
        Form form = new Form(fields, accounts.units(key.accountId()));
        if (!form.has("address")) {
            sources.remove(key);
            flash.addFlashAttribute("notice", "The service is not asked any more; its hours stay.");
            return back;
        }
        Double every = form.number("everyMinutes");
        if (every == null || !(every >= WeatherSource.LEAST_MINUTES && every <= WeatherSource.MOST_MINUTES)) {
            form.error(
                    "everyMinutes",
                    "Every how many minutes? Type " + WeatherSource.LEAST_MINUTES + " to " + WeatherSource.MOST_MINUTES
                            + ".");
        }
        try {
            OutsideAddress.check(
                    form.value("address").replace("{lat}", "0").replace("{lon}", "0"),
                    fetcher.allowsInside(form.value("address")));
        } catch (OutsideAddress.RefusedException e) {
            form.error("address", e.getMessage() + ".");
        }
        if (!form.ok() || every == null) {
            return page(key, event, day, form, model);
        }
        sources.put(key, WeatherSource.fresh(form.value("address"), every.intValue()));
        fetcher.lookNow(key);
        flash.addFlashAttribute("notice", "The service is asked now, and then every " + every.intValue() + " minutes.");
        return back;
    }

    @PostMapping("/events/{eventId}/practice/forecast")
    String save(
            EventKey key,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Event event = events.event(key);
        ZoneId zone = event.timeZone();
        Form form = new Form(fields, accounts.units(key.accountId()));
        List<ForecastPeriod> periods = new ArrayList<>(ForecastForm.read(form, date(event, day), zone));
        if (!form.ok()) {
            return page(key, event, day, form, model);
        }
        forecasts.stored(key).stream()
                .filter(f -> f.origin() != ForecastPeriod.Origin.TYPED || !ForecastForm.isOn(f, date(event, day), zone))
                .forEach(periods::add);
        periods.sort(Comparator.comparing(ForecastPeriod::from));
        forecasts.replace(key, periods);
        Undo.offer(flash, "Forecast saved.", "/events/" + key.eventId() + "/practice/forecast/undo?day=" + day);
        return "redirect:/events/" + key.eventId() + "/practice/forecast?day=" + day;
    }

    @PostMapping("/events/{eventId}/practice/forecast/undo")
    String undo(EventKey key, @RequestParam(defaultValue = "1") int day) {
        forecasts.undo(key);
        return "redirect:/events/" + key.eventId() + "/practice/forecast?day=" + day;
    }
}
