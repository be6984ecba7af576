package lochan.web.tackle;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.lures.advice.Rule;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Hooks;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Power;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rig;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.core.tackle.SeasonStage;
import lochan.core.tackle.Tackle;
import lochan.eventformat.Catalogue;
import lochan.eventformat.EventFileException;
import lochan.eventformat.TackleFile;
import lochan.offline.form.Form;
import lochan.offline.form.Options;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.gear.DeckWords;
import lochan.web.gear.TackleKind;
import lochan.web.gear.Tackles;
import lochan.web.shared.Downloads;
import lochan.web.shared.Refused;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The angler's tackle: rods, box, catalogue, what lures were seen to do, weights of the rules. */
@Controller
class TackleController {

    private static final double MOST_WEIGHT = 5;

    private final Tackles tackles;
    private final Accounts accounts;

    TackleController(Tackles tackles, Accounts accounts) {
        this.tackles = tackles;
        this.accounts = accounts;
    }

    /** A sheet in the catalogue's list. */
    record Sheet(String id, String name, String family, String depths, String motion, String hooks, boolean own) {}

    /** A rod in the list. */
    record RodRow(Rod rod, String length, String lines, String turn) {}

    /** A thing of the box in the list. */
    record ItemRow(BoxItem item, String lure, String weight, String line) {}

    record TackleView(List<RodRow> rods, List<ItemRow> box, List<Sheet> lures, List<Map<String, String>> seen) {}

    @GetMapping("/tackle")
    String tackle(@AuthenticationPrincipal Angler angler, Model model) {
        Units units = accounts.units(angler.accountId());
        Tackle tackle = tackles.tackle(angler.accountId());
        List<String> own = tackles.ownSheets(angler.accountId());
        Map<String, String> names = new HashMap<>();
        tackle.lures().forEach(l -> names.put(l.id(), l.name()));
        return Views.show(
                "tackle/tackle",
                model,
                new TackleView(
                        tackle.rods().stream()
                                .map(r -> new RodRow(
                                        r,
                                        units.rodLength(r.lengthM()),
                                        DeckWords.lines(r, units),
                                        r.turnM() == null ? "–" : units.length(1000 * r.turnM())))
                                .toList(),
                        tackle.box().stream()
                                .map(i -> new ItemRow(
                                        i,
                                        i.lureId() == null ? "" : names.getOrDefault(i.lureId(), i.lureId()),
                                        units.lureWeight(i.grams()),
                                        DeckWords.line(i.line(), units)))
                                .toList(),
                        tackle.lures().stream()
                                .map(l -> new Sheet(
                                        l.id(),
                                        l.name(),
                                        l.family().words(),
                                        units.depth(l.depth().from()) + " to "
                                                + units.depth(l.depth().to()),
                                        DeckWords.motion(l, units),
                                        DeckWords.hooks(l.hooking()),
                                        own.contains(l.id())))
                                .toList(),
                        tackle.observations().stream()
                                .map(o -> Map.of(
                                        "id",
                                        o.id(),
                                        "words",
                                        names.getOrDefault(o.lureId(), o.lureId()) + ": "
                                                + (o.saw() == LureObservation.Saw.DIVE ? "came to " : "fell to ")
                                                + units.depth(o.depthM()) + ", on " + DeckWords.line(o.line(), units)))
                                .toList()));
    }

    @GetMapping("/tackle/rod")
    String rod(@AuthenticationPrincipal Angler angler, @RequestParam(required = false) String rod, Model model) {
        return rodPage(
                rod,
                TackleForm.rod(
                        rod == null ? null : tackles.rod(angler.accountId(), rod), accounts.units(angler.accountId())),
                model);
    }

    /** @param rod null for a new one */
    record RodView(
            Form form,
            @Nullable String rod,
            Map<String, String> powers,
            Map<String, String> actions,
            Map<String, String> lines) {}

    private static String rodPage(String rod, Form form, Model model) {
        return Views.show(
                "tackle/rod",
                model,
                new RodView(
                        form,
                        rod,
                        Options.of(Power.values()),
                        Options.of(RodAction.values()),
                        Options.of(FishingLine.Kind.values())));
    }

    @PostMapping("/tackle/rod")
    String saveRod(
            @AuthenticationPrincipal Angler angler,
            @RequestParam(required = false) String rod,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        String id = rod == null
                ? tackles.freshCode(TackleKind.ROD, angler.accountId(), form.value("name"))
                : tackles.rod(angler.accountId(), rod).id();
        Optional<Rod> read = TackleForm.readRod(form, id);
        if (read.isEmpty()) {
            return rodPage(rod, form, model);
        }
        tackles.put(angler.accountId(), read.get());
        flash.addFlashAttribute("notice", "“" + read.get().name() + "” saved.");
        return "redirect:/tackle";
    }

    /** Takes a rod or a thing of the box into the boat, or ashore. */
    @PostMapping("/tackle/boat")
    String boat(
            @AuthenticationPrincipal Angler angler,
            @RequestParam TackleKind kind,
            @RequestParam String code,
            @RequestParam boolean inBoat) {
        if (kind == TackleKind.ROD) {
            Rod r = tackles.rod(angler.accountId(), code);
            tackles.put(angler.accountId(), RodBuilder.builder(r).inBoat(inBoat).build());
        } else {
            BoxItem i = tackles.item(angler.accountId(), code);
            tackles.put(
                    angler.accountId(), BoxItemBuilder.builder(i).inBoat(inBoat).build());
        }
        return "redirect:/tackle#" + kind.code() + "-" + code;
    }

    @PostMapping("/tackle/delete")
    String delete(
            @AuthenticationPrincipal Angler angler,
            @RequestParam TackleKind kind,
            @RequestParam String code,
            RedirectAttributes flash) {
        String what =
                switch (kind) {
                    case ROD -> "“" + tackles.rod(angler.accountId(), code).name() + "” deleted.";
                    case ITEM -> "“" + tackles.item(angler.accountId(), code).name() + "” deleted.";
                    case LURE ->
                        Catalogue.lures().stream().anyMatch(l -> l.id().equals(code))
                                ? "The lure is as in the catalogue again."
                                : "“" + tackles.lure(angler.accountId(), code).name() + "” deleted.";
                    case OBSERVATION -> "Observation deleted.";
                };
        tackles.delete(kind, angler.accountId(), code);
        Undo.offer(
                flash,
                what,
                "/tackle/restore?kind=" + kind.name() + "&code=" + URLEncoder.encode(code, StandardCharsets.UTF_8));
        return "redirect:/tackle";
    }

    @PostMapping("/tackle/restore")
    String restore(
            @AuthenticationPrincipal Angler angler,
            @RequestParam TackleKind kind,
            @RequestParam String code,
            RedirectAttributes flash) {
        tackles.restore(kind, angler.accountId(), code);
        flash.addFlashAttribute("notice", "It is back.");
        return "redirect:/tackle";
    }

    @GetMapping("/tackle/item")
    String item(@AuthenticationPrincipal Angler angler, @RequestParam(required = false) String item, Model model) {
        return itemPage(
                angler,
                item,
                TackleForm.item(
                        item == null ? null : tackles.item(angler.accountId(), item),
                        accounts.units(angler.accountId())),
                model);
    }

    /** @param item null for a new one */
    record ItemView(
            Form form,
            @Nullable String item,
            Map<String, String> lures,
            Map<String, String> kinds,
            Map<String, String> colours,
            Map<String, String> lines) {}

    private String itemPage(Angler angler, String item, Form form, Model model) {
        Map<String, String> lures = new LinkedHashMap<>();
        tackles.lures(angler.accountId()).forEach(l -> lures.put(l.id(), l.name()));
        return Views.show(
                "tackle/item",
                model,
                new ItemView(
                        form,
                        item,
                        lures,
                        Options.of(BoxItem.Kind.values()),
                        Options.of(ColourFamily.values()),
                        Options.of(FishingLine.Kind.values())));
    }

    @PostMapping("/tackle/item")
    String saveItem(
            @AuthenticationPrincipal Angler angler,
            @RequestParam(required = false) String item,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        String id = item == null
                ? tackles.freshCode(TackleKind.ITEM, angler.accountId(), form.value("name"))
                : tackles.item(angler.accountId(), item).id();
        Optional<BoxItem> read = TackleForm.readItem(form, id, tackles.lures(angler.accountId()));
        if (read.isEmpty()) {
            return itemPage(angler, item, form, model);
        }
        tackles.put(angler.accountId(), read.get());
        flash.addFlashAttribute("notice", "“" + read.get().name() + "” saved.");
        return "redirect:/tackle";
    }

    @GetMapping("/tackle/lure")
    String lure(@AuthenticationPrincipal Angler angler, @RequestParam(required = false) String lure, Model model) {
        return lurePage(
                angler,
                lure,
                TackleForm.lure(
                        lure == null ? null : tackles.lure(angler.accountId(), lure),
                        accounts.units(angler.accountId())),
                model);
    }

    /** @param lure null for a new one */
    record LureView(
            Form form,
            @Nullable String lure,
            boolean own,
            boolean ships,
            Map<String, String> families,
            Map<String, String> hookKinds,
            Map<String, String> hookStyles,
            Map<String, String> trailers,
            Map<String, String> actions,
            Map<String, String> retrieves,
            Map<String, Map<String, String>> groups) {}

    private String lurePage(Angler angler, String lure, Form form, Model model) {
        Map<String, Map<String, String>> groups = new LinkedHashMap<>();
        groups.put("retrieve", Options.of(Retrieve.values()));
        groups.put("cover", Options.of(Cover.values()));
        groups.put("stage", Options.of(SeasonStage.values()));
        groups.put("mood", Options.of(Mood.values()));
        groups.put("forage", Options.of(Forage.values()));
        groups.put("line", Options.of(FishingLine.Kind.values()));
        groups.put("rod", Options.of(Power.values()));
        return Views.show(
                "tackle/lure",
                model,
                new LureView(
                        form,
                        lure,
                        lure != null && tackles.ownSheets(angler.accountId()).contains(lure),
                        Catalogue.lures().stream().anyMatch(l -> l.id().equals(lure)),
                        Options.of(Family.values()),
                        Map.of(
                                Hooks.SINGLE.code(),
                                "solid hooks",
                                Hooks.TREBLE.code(),
                                "trebles",
                                Hooks.MULTI.code(),
                                "several baits on one rig"),
                        Options.of(Rig.HookStyle.values()),
                        Options.of(Rig.Trailer.values()),
                        Options.of(RodAction.values()),
                        Options.of(Retrieve.values()),
                        groups));
    }

    @PostMapping("/tackle/lure")
    String saveLure(
            @AuthenticationPrincipal Angler angler,
            @RequestParam(required = false) String lure,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        String id = lure == null
                ? tackles.freshCode(TackleKind.LURE, angler.accountId(), form.value("name"))
                : tackles.lure(angler.accountId(), lure).id();
        Optional<Lure> read = TackleForm.readLure(form, id);
        if (read.isEmpty()) {
            return lurePage(angler, lure, form, model);
        }
        tackles.put(angler.accountId(), read.get());
        flash.addFlashAttribute("notice", "“" + read.get().name() + "” saved.");
        return "redirect:/tackle#catalogue";
    }

    /** Keeps what a lure was seen to do. */
    @PostMapping("/tackle/saw")
    String saw(
            @AuthenticationPrincipal Angler angler,
            @RequestParam String lure,
            @RequestParam(defaultValue = "") String rod,
            @RequestParam String code,
            @RequestParam(defaultValue = "/tackle") String back,
            @RequestParam Map<String, String> fields,
            RedirectAttributes flash) {
        Lure of = tackles.lure(angler.accountId(), lure);
        FishingLine line = rod.isEmpty()
                ? new FishingLine(
                        of.tackle().lines().getFirst(), of.tackle().strengthKg().to())
                : tackles.rod(angler.accountId(), rod).end();
        Form form = new Form(fields, accounts.units(angler.accountId()));
        Optional<LureObservation> read = TackleForm.readObservation(form, code, of.id(), line);
        if (read.isEmpty()) {
            flash.addFlashAttribute(
                    "trouble",
                    "Not saved: "
                            + String.join(
                                    " ",
                                    form.allErrors().values().stream()
                                            .flatMap(List::stream)
                                            .toList()));
        } else {
            tackles.add(angler.accountId(), read.get());
            Undo.offer(
                    flash,
                    "Saved: casts of the " + of.name().toLowerCase(java.util.Locale.ROOT) + " go by it.",
                    "/tackle/delete?kind=OBSERVATION&code=" + URLEncoder.encode(code, StandardCharsets.UTF_8));
        }
        return "redirect:" + (back.matches("/events/\\d+/tackle/path(\\?[A-Za-z0-9_=&%.:-]*)?") ? back : "/tackle");
    }

    @GetMapping("/tackle/rules")
    String rules(@AuthenticationPrincipal Angler angler, Model model) {
        Map<Rule, Double> own = tackles.weights(angler.accountId());
        Form form = new Form(accounts.units(angler.accountId()));
        for (Rule rule : Rule.values()) {
            form.put(
                    rule.code(),
                    String.format(java.util.Locale.ROOT, "%.1f", own.getOrDefault(rule, rule.usualWeight())));
        }
        return rulesPage(form, model);
    }

    record AdviceRulesView(Form form, Rule[] rules) {}

    private static String rulesPage(Form form, Model model) {
        return Views.show("tackle/rules", model, new AdviceRulesView(form, Rule.values()));
    }

    @PostMapping("/tackle/rules")
    String saveRules(
            @AuthenticationPrincipal Angler angler,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        Map<Rule, Double> weights = new EnumMap<>(Rule.class);
        for (Rule rule : Rule.values()) {
            Double weight = form.number(rule.code());
            if (weight != null && !(weight >= 0 && weight <= MOST_WEIGHT)) {
                form.error(
                        rule.code(),
                        "The weight of “" + rule.words() + "” is " + form.value(rule.code())
                                + ": expected 0 to 5; 0 switches it off.");
            } else if (weight != null && Math.abs(weight - rule.usualWeight()) > 0.001) {
                weights.put(rule, weight);
            }
        }
        if (!form.ok()) {
            return rulesPage(form, model);
        }
        tackles.setWeights(angler.accountId(), weights);
        flash.addFlashAttribute(
                "notice",
                weights.isEmpty()
                        ? "All rules have their usual weights."
                        : weights.size() + (weights.size() == 1 ? " rule has" : " rules have") + " your own weight.");
        return "redirect:/tackle/rules";
    }

    @GetMapping("/tackle/export")
    void export(@AuthenticationPrincipal Angler angler, HttpServletResponse response) throws IOException {
        Tackle all = tackles.tackle(angler.accountId());
        List<String> own = tackles.ownSheets(angler.accountId());
        Downloads.attach(response, "tackle.json", MediaType.APPLICATION_JSON_VALUE);
        TackleFile.write(
                new Tackle(
                        all.lures().stream().filter(l -> own.contains(l.id())).toList(),
                        all.rods(),
                        all.box(),
                        all.observations()),
                response.getOutputStream());
    }

    @PostMapping("/tackle/import")
    String importFile(
            @AuthenticationPrincipal Angler angler, @RequestParam MultipartFile file, RedirectAttributes flash)
            throws IOException {
        try (InputStream in = file.getInputStream()) {
            Tackle read = TackleFile.read(in);
            tackles.add(angler.accountId(), read);
            flash.addFlashAttribute(
                    "notice",
                    "Imported: " + read.lures().size() + " sheets, "
                            + read.rods().size() + " rods, " + read.box().size() + " things of the box.");
        } catch (EventFileException e) {
            flash.addFlashAttribute(
                    "trouble",
                    Refused.file(
                            file.getOriginalFilename(),
                            e.problems().getFirst()
                                    + (e.problems().size() > 1
                                            ? " (and " + (e.problems().size() - 1) + " more)"
                                            : "")));
        }
        return "redirect:/tackle";
    }
}
