package lochan.web.instruments;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.quantity.Count;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.Units;
import lochan.instruments.nmea.BoatReadings;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** Shows the current readings of the boat's instruments and the scale, and the state of the links. */
@Controller
class InstrumentsController {

    private final Instruments instruments;
    private final Accounts accounts;

    InstrumentsController(Instruments instruments, Accounts accounts) {
        this.instruments = instruments;
        this.accounts = accounts;
    }

    /** The contents of the page. */
    record InstrumentsView(
            Instruments.Health boat,
            Instruments.Health scale,
            @Nullable String reads,
            @Nullable String weighed) {}

    @GetMapping("/instruments")
    String page(@AuthenticationPrincipal Angler angler, Model model) {
        Units units = accounts.units(angler.accountId());
        String reads = words(instruments.boat(), units);
        return Views.show(
                "instruments/instruments",
                model,
                new InstrumentsView(
                        instruments.boatHealth(),
                        instruments.scaleHealth(),
                        reads.isEmpty() ? null : reads,
                        instruments.weighing().map(w -> units.weight(w.grams())).orElse(null)));
    }

    /**
     * What scripts ask for every few seconds.
     *
     * @param boat  null: no instruments are named
     * @param scale null: no scale is named
     */
    record Live(@Nullable Boat boat, @Nullable Scale scale) {}

    /**
     * The boat's instruments; what is not fresh is null or empty.
     *
     * @param words all of it in one line, or how it goes with them
     * @param water, wind, windFrom, position as they are typed
     * @param soundings what can be imported, in words; null: nothing
     */
    record Boat(
            boolean well,
            String words,
            @Nullable Double lat,
            @Nullable Double lon,
            String water,
            String wind,
            String windFrom,
            String position,
            @Nullable String soundings) {}

    /**
     * The scale.
     *
     * @param number of the last weighing; 0: none
     */
    record Scale(boolean well, String words, long number, double grams) {}

    @GetMapping(value = "/instruments/now", produces = "application/json")
    @ResponseBody
    Live now(@AuthenticationPrincipal Angler angler) {
        Units units = accounts.units(angler.accountId());
        return new Live(boat(units), scale());
    }

    private @Nullable Boat boat(Units units) {
        Instruments.Health health = instruments.boatHealth();
        if (!health.named()) {
            return null;
        }
        BoatReadings.Now now = instruments.boat();
        Position at = now.position();
        String words = words(now, units);
        return new Boat(
                health.well(),
                health.well() && !words.isEmpty() ? words : health.words(),
                at == null ? null : Double.valueOf(at.lat()),
                at == null ? null : Double.valueOf(at.lon()),
                units.typedTemperature(now.waterTempC()),
                units.typedSpeed(now.windMps()),
                now.windFromDeg() == null ? "" : DirectionText.words(now.windFromDeg()),
                at == null ? "" : PositionText.typed(at),
                instruments.soundings() == 0 ? null : "Import " + Count.of(instruments.soundings(), "sounding"));
    }

    private @Nullable Scale scale() {
        Instruments.Health health = instruments.scaleHealth();
        return health.named()
                ? instruments
                        .weighing()
                        .map(w -> new Scale(health.well(), health.words(), w.number(), w.grams()))
                        .orElse(new Scale(health.well(), health.words(), 0, 0))
                : null;
    }

    private static String words(BoatReadings.Now now, Units units) {
        List<String> words = new ArrayList<>();
        if (now.position() != null) {
            words.add(PositionText.typed(now.position()));
        }
        if (now.speedMps() != null) {
            words.add(units.speed(now.speedMps()));
        }
        if (now.depthM() != null) {
            words.add("depth " + units.depth(now.depthM()));
        }
        if (now.waterTempC() != null) {
            words.add("water " + units.temperature(now.waterTempC()));
        }
        if (now.windMps() != null) {
            words.add("wind " + (now.windFromDeg() == null ? "" : DirectionText.words(now.windFromDeg()) + " ")
                    + units.speed(now.windMps()));
        }
        return String.join(" · ", words);
    }
}
