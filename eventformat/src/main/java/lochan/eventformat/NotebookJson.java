package lochan.eventformat;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Set;
import java.util.function.BiFunction;
import lochan.core.event.Event;
import lochan.core.notebook.CarriedRate;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.core.practice.Hooks;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/** The notebook of an event in its file: known fish, trials, changes of hooks, what was carried from earlier seasons, what may lean rates. */
final class NotebookJson {

    private static final double MOST_GRAMS = 30_000;
    private static final int MOST = 10_000;

    private final Event event;
    private final Set<String> spotIds;
    private final Set<String> presentationIds;

    NotebookJson(Event event, Set<String> spotIds, Set<String> presentationIds) {
        this.event = event;
        this.spotIds = spotIds;
        this.presentationIds = presentationIds;
    }

    Notebook read(JsonFields root) {
        if (!root.has("notebook")) {
            root.object("notebook");
            return Notebook.EMPTY;
        }
        JsonFields f = root.object("notebook");
        List<KnownFish> fish = f.list("fish", "id", (x, i) -> fish(x));
        List<Trial> trials = f.list("trials", "id", (x, i) -> trial(x));
        List<SetupChange> changes = f.list(
                "setupChanges",
                "id",
                (x, i) -> new SetupChange(
                        x.id("id"),
                        EventFileReader.reference(x, "presentation", presentationIds),
                        x.time("at"),
                        x.shortText("what", SetupChange.LONGEST_WORDS),
                        x.choiceOrNull("hooks", Hooks.class)));
        List<CarriedRate> carried = f.list(
                "carried",
                (x, i) -> new CarriedRate(
                        x.id("presentation"),
                        x.number("ratio", 0.01, 100),
                        x.number("anglerHours", 0, 1e6),
                        x.whole("bites", 0, MOST, 0)));
        JsonFields l = f.object("priors");
        Notebook.Priors priors = new Notebook.Priors(
                Boolean.TRUE.equals(l.truthOrNull("advice")),
                Boolean.TRUE.equals(l.truthOrNull("history")),
                l.texts("finer"));
        l.keepUnknown();
        f.keepUnknown();
        return new Notebook(fish, trials, changes, carried, priors);
    }

    private KnownFish fish(JsonFields f) {
        String id = f.id("id");
        String spot = EventFileReader.reference(f, "spot", spotIds);
        LocalTime from = clock(f, "from");
        LocalTime to = clock(f, "to");
        if (from != null && to != null && !from.isBefore(to)) {
            f.problem("to", "its window ends before it begins, expected a time after \"from\"");
            to = null;
        }
        List<KnownFish.Try> tries = f.list(
                "tries",
                (t, i) -> new KnownFish.Try(
                        t.time("at"),
                        t.choice("reaction", KnownFish.Reaction.class),
                        EventFileReader.referenceOrNull(t, "presentation", presentationIds)));
        return KnownFishBuilder.builder()
                .id(id)
                .spotId(spot)
                .where(f.shortTextOrNull("where", KnownFish.LONGEST_WORDS))
                .kind(f.choice("kind", KnownFish.Kind.class))
                .species(EventFileReader.species(f, event))
                .guessGrams(f.number("guessGrams", 1, MOST_GRAMS))
                .from(from)
                .to(to)
                .maxWindMps(f.numberOrNull("maxWindMps", 0, 40))
                .nextVisit(f.timeOrNull("nextVisit"))
                .gone(Boolean.TRUE.equals(f.truthOrNull("gone")))
                .note(f.shortTextOrNull("note", KnownFish.LONGEST_WORDS))
                .tries(tries)
                .entered(f.entered("guessGrams"))
                .build();
    }

    private static @Nullable LocalTime clock(JsonFields f, String name) {
        String text = f.textOrNull(name);
        try {
            return text == null ? null : LocalTime.parse(text);
        } catch (DateTimeParseException e) {
            f.problem(name, "found \"" + text + "\", expected a time of day as 09:30");
            return null;
        }
    }

    private Trial trial(JsonFields f) {
        return new Trial(
                f.id("id"),
                f.choice("of", Trial.Subject.class),
                f.shortText("first", Trial.LONGEST_WORDS),
                f.shortText("second", Trial.LONGEST_WORDS),
                f.list("rounds", (r, i) -> {
                    int bites = r.whole("bites", 0, MOST, 0);
                    int landed = r.whole("landed", 0, MOST, 0);
                    if (landed > bites) {
                        r.problem("landed", "found " + landed + ", expected no more than the " + bites + " bites");
                    }
                    return new Trial.Round(
                            r.time("at"),
                            Boolean.TRUE.equals(r.truthOrNull("first")),
                            r.number("minutes", 0.1, 1440),
                            bites,
                            Math.min(landed, bites));
                }));
    }

    /**
     * Writes one.
     *
     * @param withUnknown adds what is kept for a pointer
     */
    static ObjectNode write(
            Notebook notebook, EventFileWriter to, BiFunction<ObjectNode, String, ObjectNode> withUnknown) {
        ObjectNode node = EventFileWriter.object();
        EventFileWriter.someOf(
                node,
                "fish",
                notebook.fish(),
                (f, i) -> withUnknown.apply(fish(f, to), "/notebook/fish/" + JsonFields.escape(f.id())));
        EventFileWriter.someOf(
                node,
                "trials",
                notebook.trials(),
                (t, i) -> withUnknown.apply(trial(t, to), "/notebook/trials/" + JsonFields.escape(t.id())));
        EventFileWriter.someOf(node, "setupChanges", notebook.changes(), (c, i) -> {
            ObjectNode change = EventFileWriter.object().put("id", c.id()).put("presentation", c.presentationId());
            to.time(change, "at", c.at());
            change.put("what", c.what());
            EventFileWriter.some(change, "hooks", c.hooks());
            return withUnknown.apply(change, "/notebook/setupChanges/" + JsonFields.escape(c.id()));
        });
        EventFileWriter.someOf(
                node,
                "carried",
                notebook.carried(),
                (c, i) -> withUnknown.apply(
                        EventFileWriter.object()
                                .put("presentation", c.presentationId())
                                .put("ratio", c.ratio())
                                .put("anglerHours", c.anglerHours())
                                .put("bites", c.bites()),
                        "/notebook/carried/" + i));
        Notebook.Priors priors = notebook.priors();
        if (priors.byAdvice() || priors.byHistory() || !priors.finer().isEmpty()) {
            ObjectNode kept =
                    EventFileWriter.object().put("advice", priors.byAdvice()).put("history", priors.byHistory());
            if (!priors.finer().isEmpty()) {
                priors.finer().forEach(kept.putArray("finer")::add);
            }
            node.set("priors", withUnknown.apply(kept, "/notebook/priors"));
        }
        return withUnknown.apply(node, "/notebook");
    }

    /** A known fish. */
    static ObjectNode fish(KnownFish f, EventFileWriter to) {
        ObjectNode node = EventFileWriter.object().put("id", f.id()).put("spot", f.spotId());
        EventFileWriter.optional(node, "where", f.where());
        EventFileWriter.code(node, "kind", f.kind());
        EventFileWriter.some(node, "species", f.species());
        EventFileWriter.number(node, "guessGrams", f.guessGrams());
        EventFileWriter.optional(
                node, "from", f.from() == null ? null : f.from().toString());
        EventFileWriter.optional(node, "to", f.to() == null ? null : f.to().toString());
        EventFileWriter.some(node, "maxWindMps", f.maxWindMps());
        if (f.nextVisit() != null) {
            to.time(node, "nextVisit", f.nextVisit());
        }
        EventFileWriter.some(node, "gone", f.gone() ? Boolean.TRUE : null);
        EventFileWriter.optional(node, "note", f.note());
        EventFileWriter.someOf(node, "tries", f.tries(), (t, i) -> {
            ObjectNode tried = EventFileWriter.object();
            to.time(tried, "at", t.at());
            EventFileWriter.code(tried, "reaction", t.reaction());
            EventFileWriter.optional(tried, "presentation", t.presentationId());
            return tried;
        });
        EventFileWriter.entered(node, f.entered());
        return node;
    }

    private static ObjectNode trial(Trial t, EventFileWriter to) {
        ObjectNode node = EventFileWriter.object().put("id", t.id());
        EventFileWriter.code(node, "of", t.of());
        node.put("first", t.first()).put("second", t.second());
        EventFileWriter.list(node, "rounds", t.rounds(), (r, i) -> {
            ObjectNode round = EventFileWriter.object();
            to.time(round, "at", r.at());
            round.put("first", r.ofFirst());
            EventFileWriter.number(round, "minutes", r.minutes());
            return round.put("bites", r.bites()).put("landed", r.landed());
        });
        return node;
    }
}
