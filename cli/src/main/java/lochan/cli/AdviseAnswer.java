package lochan.cli;

import static java.util.Objects.requireNonNull;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.LiveAdvisor;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlook;
import lochan.core.live.Outlooks;
import lochan.core.live.Today;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.JsonLimits;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The answers of {@code advise}: whether to stay or go, how the day is likely to end, which triggers of the plan have fired. What was fished before
 * the first line, or before the time asked for, is what the log says, else the day's plan where the log has entries of that day; with no plan one is searched
 * for the outlook alone.
 */
final class AdviseAnswer {

    private static final int PLANNED_SCENARIOS = 200;
    private static final int PLANNED_ROUNDS = 1;

    private final EventData event;
    private final long seed;
    private final DayRuns runs;
    private final List<Entry> entries;
    private final BagLog log;
    private final Map<Integer, OfDay> days = new HashMap<>();
    private Today efforts = Today.NOTHING;
    private @Nullable Instant lineBefore;

    AdviseAnswer(EventData event, long seed) {
        this.event = event;
        this.seed = seed;
        this.runs = DayRuns.of(event, Assumptions.DEFAULTS.planning());
        this.entries = new ArrayList<>(event.competition());
        this.log = BagLog.replay(event.event(), entries);
    }

    /** Holds the figures that are computed once a day. */
    private record OfDay(LiveAdvisor advisor, List<PlanStop> plan, Backups.Ladder ladder) {}

    private OfDay day(int number) {
        return days.computeIfAbsent(number, n -> {
            FittedDayModel model = new FittedDayModel(event, n, Assumptions.DEFAULTS);
            ScenarioSet few = new ScenarioSet(model, PLANNED_SCENARIOS, seed);
            List<PlanStop> given = event.planOf(n);
            List<PlanStop> plan = given.isEmpty()
                    ? new DayPlanner(few, runs, DayPlanner.Wishes.of(Strategy.BALANCED), seed)
                            .plan(PLANNED_ROUNDS, i -> true)
                    : given;
            return new OfDay(
                    new LiveAdvisor(model, runs, Outlooks.ENOUGH_SCENARIOS, seed),
                    plan,
                    given.isEmpty()
                            ? new Backups.Ladder(null, List.of())
                            : Backups.of(few, runs, plan, seed, PLANNED_ROUNDS));
        });
    }

    /** Computes beforehand what an answer on the first day takes longest for. */
    AdviseAnswer ready() {
        OfDay first = day(1);
        first.advisor().ready(first.plan());
        return this;
    }

    /** Returns what was done on a day until a time, by the log or else by the plan. */
    private Today done(int day, Instant until) {
        return Today.of(log, day, until, event.planOf(day));
    }

    /**
     * The answer at a time, by the plan and the log alone.
     *
     * @param text a time with offset, or HH:MM of the first day
     */
    ObjectNode at(String text) throws UsageException {
        Instant at = time(text);
        int number = event.event().dayOf(at);
        List<Entry> until = entries.stream().filter(e -> !e.at().isAfter(at)).toList();
        BagLog then = BagLog.replay(event.event(), until);
        Today today = done(number, at).with(Today.bites(then, number));
        Cell fishing = Today.fishing(log, number, at);
        Cell planned = today.efforts().stream()
                .filter(e -> e.to().equals(at))
                .map(Today.Effort::cell)
                .findFirst()
                .orElse(null);
        return answer(number, at, null, fishing == null ? planned : fishing, today, then);
    }

    private Instant time(String text) throws UsageException {
        if (text == null) {
            throw new UsageException("no time: give --at as 09:40 or with its offset, or --stream");
        }
        try {
            return text.length() <= 5
                    ? event.day(1)
                            .date()
                            .atTime(LocalTime.parse(text))
                            .atZone(event.timeZone())
                            .toInstant()
                    : OffsetDateTime.parse(text).toInstant();
        } catch (DateTimeException e) {
            throw new UsageException("--at is " + text + ": expected a time as 09:40 or 2027-05-29T09:40:00-06:00");
        }
    }

    /** The answer to a line of the stream; one that cannot be read is answered with what is wrong, and changes nothing. */
    ObjectNode line(String line) {
        try {
            return answered(JsonLimits.read(line));
        } catch (EventFileException e) {
            EventFileException.Problem first = e.problems().getFirst();
            return wrong(first.pointer().isEmpty() ? first.message().replaceFirst("^is ", "") : first.toString());
        } catch (UsageException e) {
            return wrong(e.getMessage());
        }
    }

    private static ObjectNode wrong(@Nullable String message) {
        return JsonNodeFactory.instance.objectNode().put("error", message);
    }

    private ObjectNode answered(JsonNode line) throws EventFileException, UsageException {
        Instant at =
                moment(line, "at").orElseThrow(() -> new UsageException("/at: missing, expected a time with offset"));
        Cell fishing = fishing(line);
        Instant since = moment(line, "since").orElse(at);
        Position position = position(line);
        for (Entry e :
                line.hasNonNull("entries") ? EventFileReader.entries(line.get("entries"), event) : List.<Entry>of()) {
            Optional<Violation> refusal = log.append(e);
            if (refusal.isPresent()) {
                throw new UsageException(
                        "/entries: " + Wording.text(refusal.get().reason(), Units.METRIC));
            }
            entries.add(e);
        }
        int number = event.event().dayOf(at);
        if (lineBefore == null || event.event().dayOf(lineBefore) != number) {
            efforts = done(number, since);
            lineBefore = null;
        }
        if (fishing != null) {
            efforts =
                    efforts.fishedOn(fishing, lineBefore != null && lineBefore.isAfter(since) ? lineBefore : since, at);
        }
        lineBefore = at;
        return answer(number, at, position, fishing, efforts.with(Today.bites(log, number)), log);
    }

    private @Nullable Cell fishing(JsonNode line) throws UsageException {
        String spot = line.path("spot").asString(null);
        String presentation = line.path("presentation").asString(null);
        if (spot == null || presentation == null) {
            return null;
        }
        if (event.spot(spot).isEmpty()) {
            throw new UsageException("/spot: found \"" + spot + "\", expected an id of the event's spots");
        }
        if (event.presentation(presentation).isEmpty()) {
            throw new UsageException(
                    "/presentation: found \"" + presentation + "\", expected an id of the event's presentations");
        }
        return new Cell(spot, presentation);
    }

    private static Optional<Instant> moment(JsonNode line, String name) throws UsageException {
        if (!line.hasNonNull(name)) {
            return Optional.empty();
        }
        try {
            return Optional.of(OffsetDateTime.parse(line.get(name).asString("")).toInstant());
        } catch (DateTimeException e) {
            throw new UsageException("/" + name + ": found " + line.get(name)
                    + ", expected a time with offset as 2027-05-29T09:40:00-06:00");
        }
    }

    private static @Nullable Position position(JsonNode line) throws UsageException {
        if (!line.hasNonNull("position")) {
            return null;
        }
        try {
            return new Position(
                    line.path("position").path("lat").asDouble(Double.NaN),
                    line.path("position").path("lon").asDouble(Double.NaN));
        } catch (IllegalArgumentException e) {
            throw new UsageException("/position: " + e.getMessage());
        }
    }

    private ObjectNode answer(
            int number, Instant at, @Nullable Position position, @Nullable Cell fishing, Today today, BagLog bags) {
        OfDay of = day(number);
        MoveAdvice.State standing = new MoveAdvice.State(at, position, fishing, today, bags.bag(number));
        MoveAdvice.Answer found = of.advisor().ask(standing);
        LiveAdvisor.Ahead ahead = of.advisor().ahead(standing, found, of.plan(), of.ladder(), 1);
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        if (found.stay() == null) {
            node.putNull("stay");
        } else {
            Instant until = found.stayUntil() == null ? at : found.stayUntil();
            node.putObject("stay")
                    .put("minutes", Math.max(0, Duration.between(at, until).toMinutes()))
                    .put("gainGrams", found.stay());
        }
        if (found.best() == null) {
            node.putNull("best");
        } else {
            node.putObject("best")
                    .put("spot", found.best().cell().spotId())
                    .put("presentation", found.best().cell().presentationId())
                    .put("leaveAt", text(found.best().leaveAt()))
                    .put("gainGrams", found.best().gainGrams());
        }
        node.put(
                "leaveBy", found.leaveBy() == null ? null : text(found.leaveBy().at()));
        if (found.leaveBy() != null && found.leaveBy().forShelter()) {
            node.put("shelter", found.leaveBy().to().id());
        }
        Outlook outlook = ahead.outlook();
        node.putObject("projected")
                .put("p10", outlook.p10Grams())
                .put("p50", outlook.p50Grams())
                .put("p90", outlook.p90Grams())
                .put("effectiveSample", Math.round(outlook.effectiveSample()));
        node.put("chanceOfTarget", outlook.chanceOfTarget()).put("chanceOfMore", outlook.chanceOfMore());
        ArrayNode adds = node.putArray("adds");
        for (int i = 0; i < outlook.adds().size(); i++) {
            adds.addObject()
                    .put("grams", requireNonNull(ahead.kinds()).grams().get(i))
                    .put("addsGrams", outlook.adds().get(i));
        }
        ArrayNode triggers = node.putArray("triggers");
        ahead.triggers().forEach(t -> triggers.addObject()
                .put("spot", t.trigger().spotId())
                .put("at", text(t.trigger().at()))
                .put("bitesBelow", t.trigger().bitesBelow())
                .put("seen", t.seen())
                .put("chance", t.chance())
                .put("spotType", t.to().spotType())
                .put("presentation", t.to().presentationId()));
        return node;
    }

    private String text(Instant at) {
        return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(at.atZone(event.timeZone()));
    }
}
