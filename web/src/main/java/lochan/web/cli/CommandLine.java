package lochan.web.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.model.evidence.Bin;
import lochan.core.eventdata.EventData;
import lochan.core.event.Format;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.model.scenario.DayModel;
import lochan.core.planning.search.Orienteering;
import lochan.core.planning.search.TourSearch;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.lake.structure.StructureFinder;
import lochan.web.eventfile.EventFileException;
import lochan.web.eventfile.EventFileReader;
import lochan.web.gear.Catalogue;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * {@code rank}, {@code value}, {@code plan}, {@code route}, {@code bag}, {@code advise}, {@code runs}, {@code structure} and {@code track}: JSON on standard output, messages on
 * standard error; exit 0, or 2 with one line for a bad file or option.
 */
public final class CommandLine {

    public static final Set<String> COMMANDS = Set.of("rank", "value", "plan", "route", "bag", "runs", "structure", "track", "advise");

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int BAD_INPUT = 2;
    private static final double MOST_DEPTH_M = 2000;
    private static final int MOST_SCENARIOS = 1_000_000;
    /** With stratified draws 4 000 hold a two-hour value to 1 %. */
    private static final int RANK_SCENARIOS = 4_000;
    private static final int VALUE_SCENARIOS = 10_000;
    private static final double MOST_SECONDS = 3600;
    private static final double PLAN_SECONDS = 5;
    private static final double ROUTE_SECONDS = 2;
    /** So many rounds are asked for as a slow machine does in its time: the same seed then gives the same route on all others. */
    private static final double ROUTE_ROUNDS_PER_SECOND = 200;
    private static final int LEAST_SIMULATED_DAYS = 100_000;

    private final InputStream in;
    private final PrintStream out;
    private final PrintStream err;

    /** @param in what {@code advise --stream} reads */
    public CommandLine(InputStream in, PrintStream out, PrintStream err) {
        this.in = in;
        this.out = out;
        this.err = err;
    }

    /** Carries a command out and gives the exit code. */
    public int run(String... arguments) {
        List<String> rest = Arrays.asList(arguments).subList(1, arguments.length);
        try {
            JsonNode answer = switch (arguments[0]) {
                case "rank" -> rank(Options.parse(rest, Map.of("--day", 1, "--at", 1, "--scenarios", 1, "--seed", 1)));
                case "value" -> value(Options.parse(rest, Map.of("--plan", 1, "--scenarios", 1, "--seed", 1, "--bag", 0)));
                case "plan" -> plan(Options.parse(rest, Map.of("--strategy", 1, "--day", 1, "--seconds", 1, "--seed", 1)));
                case "route" -> route(Options.parse(rest, Map.of("--seconds", 1, "--seed", 1)));
                case "runs" -> RunsAnswer.json(read(Options.parse(rest, Map.of()).file()));
                case "structure" -> structure(Options.parse(rest, Map.of("--crs", 1, "--band", 2, "--prominence", 1)));
                case "track" -> track(Options.parse(rest, Map.of("--event", 1)));
                case "advise" -> advise(Options.parse(rest, Map.of("--at", 1, "--seed", 1, "--stream", 0)));
                case "bag" -> bag(Options.parse(rest, Map.of()));
                default -> throw new UsageException("unknown command " + arguments[0]
                        + ": expected one of rank, value, plan, route, bag, advise, runs, structure, track, demo, serve");
            };
            if (answer != null) {
                out.println(JSON.writerWithDefaultPrettyPrinter().writeValueAsString(answer));
            }
            return 0;
        } catch (UsageException e) {
            err.println("lochan: " + e.getMessage());
            return BAD_INPUT;
        }
    }

    private JsonNode rank(Options options) throws UsageException {
        EventData event = weighed(read(options.file()));
        DayModel model = new DayModel(event, day(options, event), Assumptions.DEFAULTS);
        ScenarioSet scenarios = new ScenarioSet(model, options.whole("--scenarios", RANK_SCENARIOS, 1, MOST_SCENARIOS), options.seed());
        return new RankAnswer(scenarios, bin(options.text("--at"), model)).json();
    }

    private static int day(Options options, EventData event) throws UsageException {
        return options.whole("--day", 1, 1, event.days().size());
    }

    private static int bin(String at, DayModel model) throws UsageException {
        if (at == null) {
            return 0;
        }
        try {
            Instant time = LocalTime.parse(at).atDate(model.bins().getFirst().date()).atZone(model.event().timeZone()).toInstant();
            for (int i = 0; i < model.bins().size(); i++) {
                Bin bin = model.bins().get(i);
                if (!time.isBefore(bin.start()) && time.isBefore(bin.end())) {
                    return i;
                }
            }
        } catch (DateTimeException e) {
            throw new UsageException("--at is " + at + ": expected a time as 07:30");
        }
        throw new UsageException("--at is " + at + ": expected a time of the competition day, from its start until check-in");
    }

    private JsonNode value(Options options) throws UsageException {
        EventData event = weighed(read(options.file()));
        if (event.plans().isEmpty()) {
            throw new UsageException(options.file() + " has no plan: add one under /plans");
        }
        Plan plan = event.plans().get(options.whole("--plan", 1, 1, event.plans().size()) - 1);
        DayModel model = new DayModel(event, plan.day(), Assumptions.DEFAULTS);
        ScenarioSet scenarios = new ScenarioSet(model, options.whole("--scenarios", VALUE_SCENARIOS, 1, MOST_SCENARIOS), options.seed());
        Bag bag = BagLog.replay(event.event(), options.has("--bag") ? event.competition() : List.of()).bag(plan.day());
        return ValueAnswer.json(new PlanValuer(scenarios, bag).value(plan.stops(), LEAST_SIMULATED_DAYS), model);
    }

    private JsonNode plan(Options options) throws UsageException {
        EventData event = weighed(read(options.file()));
        String wanted = options.has("--strategy") ? options.text("--strategy") : Strategy.BALANCED.code();
        Strategy strategy = Coded.find(Strategy.class, wanted)
                .orElseThrow(() -> new UsageException("--strategy is " + wanted + ": expected one of " + Coded.choices(Strategy.class)));
        if (strategy == Strategy.TARGET && event.rules().targetGrams() == null) {
            throw new UsageException("--strategy is target, and the event has none: add /event/targetGrams");
        }
        double seconds = options.has("--seconds") ? options.number("--seconds", 0, 0, MOST_SECONDS) : PLAN_SECONDS;
        long deadline = System.nanoTime() + (long) (1e9 * seconds);
        return new PlanAnswer(new DayModel(event, day(options, event), Assumptions.DEFAULTS), options.seed())
                .json(strategy, seconds, i -> i == 0 || System.nanoTime() < deadline);
    }

    private JsonNode route(Options options) throws UsageException {
        Orienteering problem = RouteAnswer.read(options.file());
        double seconds = options.has("--seconds") ? options.number("--seconds", 0, 0, MOST_SECONDS) : ROUTE_SECONDS;
        long deadline = System.nanoTime() + (long) (1e9 * seconds);
        TourSearch search = new TourSearch(problem, List.of(), options.seed());
        return RouteAnswer.json(problem, search.rounds((int) (seconds * ROUTE_ROUNDS_PER_SECOND), i -> i == 0 || System.nanoTime() < deadline).best());
    }

    /** One answer, or with {@code --stream} one for each line of standard input as it comes; null then. */
    private JsonNode advise(Options options) throws UsageException {
        AdviseAnswer answer = new AdviseAnswer(weighed(read(options.file())), options.seed());
        if (!options.has("--stream")) {
            return answer.at(options.text("--at"));
        }
        answer.ready();
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (!line.isBlank()) {
                    out.println(answer.line(line));
                    out.flush();
                }
            }
            return null;
        } catch (IOException e) {
            throw new UsageException("standard input cannot be read (" + e.getMessage() + ")");
        }
    }

    private JsonNode bag(Options options) throws UsageException {
        EventData event = read(options.file());
        return BagRows.json(BagLog.replay(event.event(), event.competition()), event.rules().format() == Format.LIMIT_LENGTH);
    }

    private static JsonNode track(Options options) throws UsageException {
        return TrackAnswer.json(TrackAnswer.fixes(options.file()), options.has("--event") ? read(options.text("--event")) : null);
    }

    private static JsonNode structure(Options options) throws UsageException {
        Double shallowest = options.has("--band") ? options.number("--band", 0, 0, MOST_DEPTH_M) : null;
        Double deepest = options.has("--band") ? options.number("--band", 1, 0, MOST_DEPTH_M) : null;
        if (shallowest != null && shallowest > deepest) {
            throw new UsageException("--band is " + shallowest + " " + deepest + ": give the shallower end first");
        }
        double prominence = options.has("--prominence") ? options.number("--prominence", 0, 0, MOST_DEPTH_M) : StructureFinder.Filter.USUAL.prominenceM();
        return StructureAnswer.json(StructureAnswer.grid(options.file(), options.text("--crs")),
                new StructureFinder.Filter(shallowest, deepest, prominence));
    }

    /** The value of events paid by length is not computed yet. */
    private static EventData weighed(EventData event) throws UsageException {
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            throw new UsageException("/event/format: found limit-length, expected limit-weight or every-fish: only the bag is computed by length, not what practice is worth");
        }
        return event;
    }

    /** Where the event wants the rules of advice to lean its rates, they go by the catalogue: a file holds no tackle. */
    private static EventData leaning(EventData event) {
        Notebook.Priors wanted = event.notebook().priors();
        return wanted.byAdvice() ? event.withNotebook(event.notebook().withPriors(wanted.by(Catalogue.lures(), Map.of()))) : event;
    }

    private static EventData read(String file) throws UsageException {
        try (InputStream in = Files.newInputStream(Path.of(file))) {
            return leaning(EventFileReader.read(in).data());
        } catch (EventFileException e) {
            int more = e.problems().size() - 1;
            throw new UsageException(file + ": " + e.problems().getFirst() + (more > 0 ? " (and " + more + " more)" : ""));
        } catch (java.nio.file.NoSuchFileException e) {
            throw new UsageException(file + ": there is no such file");
        } catch (IOException | java.nio.file.InvalidPathException e) {
            throw new UsageException(file + ": cannot be read (" + e.getMessage() + ")");
        }
    }
}
