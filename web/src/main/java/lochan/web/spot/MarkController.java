package lochan.web.spot;

import jakarta.servlet.http.HttpServletResponse;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import lochan.core.quantity.Units;
import lochan.core.water.Mark;
import lochan.core.water.Spot;
import lochan.web.account.Accounts;
import lochan.web.brief.Briefs;
import lochan.web.brief.EventKey;
import lochan.page.form.Form;
import lochan.web.page.Dates;
import lochan.web.page.Undo;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Noting what the electronics show while idling: seconds, one thumb; later it becomes a spot or stays a note on one. */
@Controller
class MarkController {

    private static final int LONGEST_CODE = 64;
    /** A spot farther than this from a mark is not offered for it, m. */
    private static final double NEAR_M = 500;

    private final Marks marks;
    private final Spots spots;
    private final Briefs briefs;
    private final Accounts accounts;

    MarkController(Marks marks, Spots spots, Briefs briefs, Accounts accounts) {
        this.marks = marks;
        this.spots = spots;
        this.briefs = briefs;
        this.accounts = accounts;
    }

    /**
     * A mark as the page lists it.
     *
     * @param nearest the nearest spot it could be a note on; null: none near
     */
    record Row(String id, String time, String words, String position, String spot, String nearest, String nearestName) { }

    @GetMapping("/events/{eventId}/spots/marks")
    String list(EventKey key, Model model) {
        return page(key, new Form(accounts.units(key.accountId())), null, model);
    }

    @PostMapping("/events/{eventId}/spots/marks")
    String add(EventKey key, @RequestParam String code, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response,
               RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Mark> mark = MarkForm.read(form, code, marks.now());
        if (mark.isEmpty() || !checkSpot(key, form) || code.isEmpty() || code.length() > LONGEST_CODE) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(key, form, null, model);
        }
        marks.addAll(key, List.of(mark.get()));
        Undo.offer(flash, "Marked.", path(key, "/delete", code));
        return "redirect:" + path(key, "", null);
    }

    private boolean checkSpot(EventKey key, Form form) {
        if (form.has("spot") && spots.all(key).stream().noneMatch(s -> s.id().equals(form.value("spot")))) {
            form.error("spot", "There is no such spot: choose one of the list, or none.");
        }
        return form.ok();
    }

    @GetMapping("/events/{eventId}/spots/marks/edit")
    String edit(EventKey key, @RequestParam String mark, Model model) {
        return page(key, MarkForm.of(marks.mark(key, mark), accounts.units(key.accountId())), mark, model);
    }

    @PostMapping("/events/{eventId}/spots/marks/edit")
    String save(EventKey key, @RequestParam String mark, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response,
                RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Mark> read = MarkForm.read(form, mark, marks.mark(key, mark).at());
        if (read.isEmpty() || !checkSpot(key, form)) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(key, form, mark, model);
        }
        marks.update(key, read.get());
        flash.addFlashAttribute("notice", "Mark saved.");
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/marks/put")
    String put(EventKey key, @RequestParam String mark, @RequestParam String spot, RedirectAttributes flash) {
        marks.mark(key, mark);
        String name = spots.spot(key, spot).name();
        marks.putOn(key, mark, spot);
        flash.addFlashAttribute("notice", "It is a note on “" + name + "” now.");
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/marks/delete")
    String delete(EventKey key, @RequestParam String mark, RedirectAttributes flash) {
        marks.delete(key, mark);
        Undo.offer(flash, "Mark taken out.", path(key, "/restore", mark));
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/marks/restore")
    String restore(EventKey key, @RequestParam String mark) {
        marks.restore(key, mark);
        return "redirect:" + path(key, "", null);
    }

    private String page(EventKey key, Form form, String mark, Model model) {
        Units units = accounts.units(key.accountId());
        List<Spot> marked = spots.all(key);
        model.addAttribute("form", form);
        model.addAttribute("mark", mark);
        model.addAttribute("spots", marked);
        model.addAttribute("bottoms", Mark.Bottom.values());
        model.addAttribute("holdings", Mark.Holding.values());
        model.addAttribute("freshCode", UUID.randomUUID().toString());
        model.addAttribute("rows", marks.all(key).reversed().stream().map(m -> row(m, marked, key, units)).toList());
        return "spot/marks";
    }

    private Row row(Mark m, List<Spot> marked, EventKey key, Units units) {
        Optional<Spot> on = marked.stream().filter(s -> s.id().equals(m.spotId())).findFirst();
        Optional<Spot> nearest = marked.stream().filter(s -> s.position().metresTo(m.position()) <= NEAR_M)
                .min(Comparator.comparingDouble(s -> s.position().metresTo(m.position())));
        String nearestName = nearest.map(s -> s.name() + ", " + units.reach(s.position().metresTo(m.position())) + " off").orElse(null);
        return new Row(m.id(), Dates.dayAndClock(m.at(), briefs.brief(key).timeZone()), MarkWords.of(m, units),
                String.format(java.util.Locale.ROOT, "%.5f, %.5f", m.position().lat(), m.position().lon()), on.map(Spot::name).orElse(null),
                on.isPresent() ? null : nearest.map(Spot::id).orElse(null), nearestName);
    }

    private static String path(EventKey key, String page, String mark) {
        return "/events/" + key.eventId() + "/spots/marks" + page + (mark == null ? "" : "?mark=" + URLEncoder.encode(mark, StandardCharsets.UTF_8));
    }
}
