package lochan.offline.bag;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import lochan.core.Violation;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.competition.EntryCodec;
import lochan.core.competition.EntryOfficialBuilder;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Species;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import lochan.core.quantity.QuantityText;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** An entry of the competition log as the page's forms give it. */
public final class FormEntry {

    private static final int LONGEST_CODE = 64;

    private final Form form;
    private final Event event;
    private final Names names;
    private final String code;
    private final Instant at;

    private FormEntry(Form form, Event event, Names names, String code, Instant at) {
        this.form = form;
        this.event = event;
        this.names = names;
        this.code = code;
        this.at = at;
    }

    /**
     * Reads an entry. Errors are added to the form, each at its field.
     *
     * @param code the entry's id
     * @return empty when something is wrong
     */
    public static Optional<Entry> read(Form form, Event event, Names names, String code, Instant at) {
        if (code.isBlank() || code.length() > LONGEST_CODE || code.chars().anyMatch(Character::isISOControl)) {
            form.fail("code", "forms.out-of-date");
        }
        Entry entry = new FormEntry(form, event, names, code, at).entry(form.value("type"));
        return form.ok() ? Optional.ofNullable(entry) : Optional.empty();
    }

    /** A violation of the log beside the field of the form that it belongs to. */
    public static Violation onForm(Violation v) {
        return switch (v.field()) {
            case "mm" -> v.at("length");
            case "grams" -> v.at("weight");
            case "knownGrams" -> v.at("known");
            case "readGrams" -> v.at("reads");
            case "celsius" -> v.at("livewell");
            case "id" -> v.at("weight");
            default -> v;
        };
    }

    private @Nullable Entry entry(String type) {
        return switch (type) {
            case "catch" -> caught();
            case "balance" -> new Entry.Balance(code, at, form.value("heavier"), form.value("lighter"));
            case "died" -> new Entry.Died(code, at, form.value("catch"));
            case "correct" ->
                new Entry.Correct(
                        code,
                        at,
                        form.value("catch"),
                        form.quantity("weight", QuantityText::grams),
                        form.quantity("length", QuantityText::mm),
                        typed());
            case "void" -> new Entry.Void(code, at, form.value("entry"));
            case "official" -> official();
            case "scale-check" -> scaleCheck();
            case "livewell" -> livewell();
            case "fishing" -> fishing();
            case "bite" -> bite();
            case "loss" -> loss();
            default -> {
                form.fail("type", "forms.out-of-date");
                yield null;
            }
        };
    }

    private Entry caught() {
        Species species = form.choice("species", Species.class);
        if (species != null && event.rules().rule(species).isEmpty()) {
            form.fail("species", "bag.species-does-not-count", species);
        }
        Double grams = form.quantity("weight", QuantityText::grams);
        Double mm = form.quantity("length", QuantityText::mm);
        String typed = typed();
        if ((typed != null && typed.length() > EntryCodec.LONGEST_ENTERED)
                || form.value("tag").length() > EntryCodec.LONGEST_TAG) {
            form.fail("weight", "bag.weight-too-long");
        }
        return EntryCatchBuilder.builder()
                .id(code)
                .at(at)
                .species(species)
                .grams(grams)
                .mm(mm)
                .spotId(known("spot", names.spots().keySet()))
                .presentationId(known("presentation", names.presentations().keySet()))
                .alive(!form.has("dead"))
                .tag(form.has("tag") ? form.value("tag") : null)
                .entered(typed)
                .build();
    }

    private @Nullable String typed() {
        if (form.has("weight")) {
            return form.value("weight");
        }
        if (form.has("length")) {
            return form.value("length");
        }
        return null;
    }

    private @Nullable String known(String field, Set<String> ids) {
        return ids.contains(form.value(field)) ? form.value(field) : null;
    }

    /** Reads what is fished from now on; neither spot nor presentation: the boat is under way. */
    private Entry fishing() {
        place();
        if (form.has("spot") != form.has("presentation")) {
            form.fail(form.has("spot") ? "presentation" : "spot", "bag.spot-and-lure");
        }
        return new Entry.Fishing(code, at, orNull("spot"), orNull("presentation"));
    }

    /** A bite that was not landed, where and on what is fished. */
    private Entry bite() {
        place();
        return new Entry.Bite(
                code,
                at,
                orNull("spot"),
                orNull("presentation"),
                form.choice("outcome", Outcome.class),
                form.choice("lossWay", LossWay.class));
    }

    private @Nullable Entry loss() {
        LossWay way = form.choice("lossWay", LossWay.class);
        if (way == null) {
            form.fail("lossWay", "bag.how-lost");
        }
        return way == null ? null : new Entry.Loss(code, at, form.value("entry"), way);
    }

    private void place() {
        if (form.has("spot") && !names.spots().containsKey(form.value("spot"))) {
            form.fail("spot", "forms.spot-from-list");
        }
        if (form.has("presentation") && !names.presentations().containsKey(form.value("presentation"))) {
            form.fail("presentation", "forms.lure-from-list");
        }
    }

    private @Nullable String orNull(String field) {
        return form.has(field) ? form.value(field) : null;
    }

    private @Nullable Entry scaleCheck() {
        form.needs("known", "bag.known-weight");
        form.needs("reads", "bag.scale-reading");
        Double known = form.quantity("known", QuantityText::grams);
        Double reads = form.quantity("reads", QuantityText::grams);
        return known == null || reads == null ? null : new Entry.ScaleCheck(code, at, known, reads);
    }

    private @Nullable Entry livewell() {
        form.needs("livewell", "bag.livewell-temperature");
        Double celsius = form.quantity("livewell", QuantityText::celsius);
        return celsius == null ? null : new Entry.LivewellReading(code, at, celsius);
    }

    private Entry official() {
        boolean byLength = event.rules().format() == Format.LIMIT_LENGTH;
        form.needs("official", byLength ? "bag.official-length" : "bag.official-weight");
        Double measure = form.quantity("official", byLength ? QuantityText::mm : QuantityText::grams);
        return EntryOfficialBuilder.builder()
                .id(code)
                .at(at)
                .grams(byLength ? null : measure)
                .mm(byLength ? measure : null)
                .deadFish(form.whole("deadFish"))
                .lateMinutes(form.number("lateMinutes"))
                .shortFish(form.whole("shortFish"))
                .overLimit(form.whole("overLimit"))
                .place(form.whole("place"))
                .biggestGrams(form.quantity("biggest", QuantityText::grams))
                .build();
    }
}
