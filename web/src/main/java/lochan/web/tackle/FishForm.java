package lochan.web.tackle;

import static java.util.Objects.requireNonNull;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import lochan.core.Measure;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** A known fish as a form, and back. */
final class FishForm {

    private static final double MAX_WIND_MPS = 40;
    private static final double MOST_GRAMS = 30_000;

    private FishForm() {}

    static Form of(@Nullable KnownFish f, ZoneId zone, Units units) {
        Form form = new Form(units);
        if (f == null) {
            return form.put("kind", KnownFish.Kind.BED);
        }
        form.put("spot", f.spotId())
                .put("where", f.where())
                .put("kind", f.kind())
                .put("species", f.species())
                .put("note", f.note())
                .put("from", f.from() == null ? "" : f.from().toString())
                .put("to", f.to() == null ? "" : f.to().toString())
                .put(
                        "nextVisit",
                        f.nextVisit() == null
                                ? ""
                                : LocalDateTime.ofInstant(f.nextVisit(), zone)
                                        .withSecond(0)
                                        .withNano(0)
                                        .toString());
        form.put("guessGrams", f.guessGrams(), f.entered(), QuantityText::grams, units.typedWeight(f.guessGrams()));
        form.put("maxWindMps", f.maxWindMps(), f.entered(), QuantityText::mps, units.typedSpeed(f.maxWindMps()));
        return form;
    }

    /**
     * @param before the fish before; null: it is new
     * @return the fish; empty when something is wrong, which then stands beside its field
     */
    static Optional<KnownFish> read(Form f, String id, @Nullable KnownFish before, EventData event) {
        f.needs("spot", "fishforms.spot");
        f.needs("guessGrams", "fishforms.size");
        if (f.has("spot") && event.spot(f.value("spot")).isEmpty()) {
            f.fail("spot", "forms.spot-from-list");
        }
        String where = f.words("where", "The place", KnownFish.LONGEST_WORDS);
        String note = f.words("note", "The note", KnownFish.LONGEST_WORDS);
        KnownFish.Kind kind = f.choice("kind", KnownFish.Kind.class);
        f.needs("kind", "fishforms.kind");
        Species species = f.choice("species", Species.class);
        Double grams = f.quantity("guessGrams", QuantityText::grams);
        if (grams != null && !(grams > 0 && grams <= MOST_GRAMS)) {
            f.fail("guessGrams", "fishforms.too-heavy", f.value("guessGrams"), Measure.weight(MOST_GRAMS));
        }
        LocalTime from = f.time("from");
        LocalTime to = f.time("to");
        if (from != null && to != null && !from.isBefore(to)) {
            f.fail("to", "fishforms.times", from, to);
        }
        Double wind = f.quantity("maxWindMps", QuantityText::mps);
        if (wind != null && !(wind >= 0 && wind <= MAX_WIND_MPS)) {
            f.fail("maxWindMps", "fishforms.wind", Measure.speed(MAX_WIND_MPS), f.value("maxWindMps"));
        }
        Instant next = moment(f, event.timeZone());
        return f.ok()
                ? Optional.of(KnownFishBuilder.builder()
                        .id(id)
                        .spotId(f.value("spot"))
                        .where(where)
                        .kind(kind)
                        .species(species)
                        .guessGrams(requireNonNull(grams))
                        .from(from)
                        .to(to)
                        .maxWindMps(wind)
                        .nextVisit(next)
                        .gone(before != null && before.gone())
                        .note(note)
                        .tries(before == null ? List.of() : before.tries())
                        .entered(f.entered())
                        .build())
                : Optional.empty();
    }

    private static @Nullable Instant moment(Form f, ZoneId zone) {
        if (!f.has("nextVisit")) {
            return null;
        }
        try {
            return LocalDateTime.parse(f.value("nextVisit").replace(' ', 'T'))
                    .atZone(zone)
                    .toInstant();
        } catch (DateTimeException e) {
            f.fail("nextVisit", "fishforms.next-visit", f.value("nextVisit"));
            return null;
        }
    }
}
