package lochan.offline.practice;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.util.Optional;
import lochan.core.event.Species;
import lochan.core.lake.Sighting;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.FishSize;
import lochan.core.practice.LossWay;
import lochan.core.practice.LureSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.TakenOn;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.QuantityText;
import lochan.offline.form.Form;
import lochan.offline.spot.SightingForm;
import org.jspecify.annotations.Nullable;

/** A bite as a form gives it. */
public final class BiteForm {

    private static final int LONGEST_WORDS = 80;
    private static final double HEAVIEST_GRAMS = 30_000;
    private static final double LONGEST_MM = 1500;

    private BiteForm() {}

    /**
     * Reads a bite; what is wrong stands beside its field in the form.
     *
     * @param at when it was; null: some time during its stop
     * @return empty when something is wrong
     */
    public static Optional<Bite> read(Form form, @Nullable Instant at) {
        Outcome outcome = form.choice("outcome", Outcome.class);
        form.needs("outcome", "practiceforms.outcome");
        Species species = form.choice("species", Species.class);
        FishSize size = size(form);
        BiteNotes notes = notes(form);
        return form.ok()
                ? Optional.of(new Bite(
                        at,
                        requireNonNull(outcome),
                        form.has("presentation") ? form.value("presentation") : null,
                        species,
                        size,
                        notes))
                : Optional.empty();
    }

    private static @Nullable FishSize size(Form form) {
        FishSize size = null;
        if (form.has("size")) {
            try {
                size = QuantityText.size(form.value("size"), form.value("how").equals("scale"), form.units());
                if ((size.grams() != null && size.grams() > HEAVIEST_GRAMS)
                        || (size.mm() != null && size.mm() > LONGEST_MM)
                        || (size.hiGrams() != null && size.hiGrams() > HEAVIEST_GRAMS)) {
                    form.fail("size", "practiceforms.too-big", form.value("size"));
                }
            } catch (BadQuantityException e) {
                form.fail("size", e.reason());
            }
        }
        Double guessed = form.quantity("guessed", QuantityText::grams);
        return guessed != null && size != null && size.how() == FishSize.How.SCALE && guessed > 0
                ? new FishSize(size.how(), size.grams(), null, null, size.mm(), guessed, size.entered())
                : size;
    }

    private static BiteNotes notes(Form form) {
        Sighting fish = SightingForm.read(form, "fish", form.truth("baitNear"));
        Double water = form.depth("waterDepthM", "The bottom");
        form.checkAboveBottom("fishDepthM", fish.depthM(), water);
        return new BiteNotes(
                form.words("retrieve", "The retrieve", LONGEST_WORDS),
                fish,
                water,
                form.choice("takenOn", TakenOn.class),
                form.words("onRig", "The place on the rig", LONGEST_WORDS),
                form.choice("colour", ColourFamily.class),
                form.choice("lureSize", LureSize.class),
                form.choice("lossWay", LossWay.class),
                form.entered("fishDepthM", "waterDepthM"));
    }
}
