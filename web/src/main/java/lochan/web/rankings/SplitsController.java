package lochan.web.rankings;

import java.util.List;
import java.util.Locale;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.splits.Dispersion;
import lochan.core.model.splits.Splits;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Notebooks;
import lochan.web.modelling.DayModels;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Shows what the bites of practice have in common. */
@Controller
class SplitsController {

    private final EventBook events;
    private final DayModels dayModels;
    private final Notebooks notebooks;

    SplitsController(EventBook events, DayModels dayModels, Notebooks notebooks) {
        this.events = events;
        this.dayModels = dayModels;
        this.notebooks = notebooks;
    }

    /** @param clumps how bites come, in words; null: one by one, or nobody can tell yet */
    record SplitsView(List<SplitRow> rows, @Nullable String clumps) {}

    @GetMapping("/events/{eventId}/rankings/splits")
    String splits(EventKey key, Model model) {
        EventData event = events.event(key);
        if (event.stops().isEmpty()) {
            return Views.show("rankings/splits", model, new SplitsView(List.of(), null));
        }
        FittedDayModel dayModel = dayModels.of(key, event, 1);
        List<String> in = event.notebook().priors().finer();
        return Views.show(
                "rankings/splits",
                model,
                new SplitsView(
                        dayModel.splits().stream()
                                .map(s -> SplitRow.of(s, in.contains(Splits.key(s.question(), s.answer()))))
                                .toList(),
                        clumps(dayModel.dispersion())));
    }

    private static @Nullable String clumps(Dispersion d) {
        return d.phi() <= 1.05
                ? null
                : String.format(
                        Locale.ROOT,
                        "Your bites come in clumps: one means more. Likely ranges count %.1f bites as one.",
                        d.phi());
    }

    /** Lets a split into rankings and plans, or takes it out again. */
    @PostMapping("/events/{eventId}/rankings/splits")
    String letIn(EventKey key, @RequestParam String split, @RequestParam boolean in, RedirectAttributes flash) {
        FittedDayModel dayModel = dayModels.of(key, events.event(key), 1);
        boolean known = dayModel.splits().stream()
                .anyMatch(s -> s.question().isKnownBefore()
                        && Splits.key(s.question(), s.answer()).equals(split));
        if (in && !known) {
            throw new NotThereException();
        }
        notebooks.letIn(key, split, in);
        flash.addFlashAttribute(
                "notice", in ? "Rankings and plans go by it now." : "Rankings and plans do not go by it any more.");
        return "redirect:/events/" + key.eventId() + "/rankings/splits";
    }
}
