package lochan.web.weather;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.event.Event;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Sky;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The forecast of a competition day, typed from wherever the angler reads it. */
@Controller
class ForecastController {

    private final Events events;
    private final Forecasts forecasts;
    private final Accounts accounts;

    ForecastController(Events events, Forecasts forecasts, Accounts accounts) {
        this.events = events;
        this.forecasts = forecasts;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/practice/forecast")
    String forecast(EventKey key, @RequestParam(defaultValue = "1") int day, Model model) {
        Event event = events.event(key);
        LocalDate date = date(event, day);
        List<ForecastPeriod> there = forecasts.forecast(key).stream()
                .filter(f -> ForecastForm.isOn(f, date, event.timeZone()))
                .toList();
        return page(event, day, ForecastForm.of(there, event.timeZone(), accounts.units(key.accountId())), model);
    }

    private static LocalDate date(Event event, int day) {
        return event.day(Math.clamp(day, 1, event.days().size())).date();
    }

    record ForecastView(Form form, int rows, int day, String dayName, int days, Sky[] skies) {}

    private static String page(Event event, int day, Form form, Model model) {
        return Views.show(
                "weather/forecast",
                model,
                new ForecastView(
                        form,
                        ForecastForm.rows(form),
                        Math.clamp(day, 1, event.days().size()),
                        Dates.longDay(date(event, day)),
                        event.days().size(),
                        Sky.values()));
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
            return page(event, day, form, model);
        }
        forecasts.forecast(key).stream()
                .filter(f -> !ForecastForm.isOn(f, date(event, day), zone))
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
