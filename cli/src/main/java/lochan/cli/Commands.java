package lochan.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.model.evidence.Bin;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.planning.search.Orienteering;
import lochan.core.planning.search.TourSearch;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.eventformat.BagRows;
import lochan.eventformat.Catalogue;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.SituationFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The commands, each a method; picocli reads their options. */
@Command(
        name = "lochan",
        mixinStandardHelpOptions = true,
        description = "Computes on an event file and prints JSON.",
        version = "Lochan 0.1.0")
final class Commands implements Runnable {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double MOST_DEPTH_M = 2000;
    private static final int MOST_SCENARIOS = 1_000_000;
    private static final double MOST_SECONDS = 3600;
    /** So many rounds are asked for as a slow machine does in its time: the same seed then gives the same route on all others. */
    private static final double ROUTE_ROUNDS_PER_SECOND = 2000;

    private static final int LEAST_SIMULATED_DAYS = 100_000;

    private final long started = System.nanoTime();
    private final InputStream in;
    private final PrintStream out;

    Commands(InputStream in, PrintStream out) {
        this.in = in;
        this.out = out;
    }

    /** The event file, which nearly every command has. */
    static final class EventArgument {

        @Parameters(paramLabel = "FILE", description = "an event file")
        private String file = "";

        EventData read() throws UsageException {
            return Commands.read(file);
        }

        /** The event, refused where its value is not computed. */
        EventData valued() throws UsageException {
            EventData event = read();
            if (event.rules().format() == Format.LIMIT_LENGTH) {
                throw new UsageException(
                        "/event/format: found limit-length, expected limit-weight or every-fish: of length events only the bag is computed");
            }
            return event;
        }
    }

    @Override
    public void run() {
        throw new picocli.CommandLine.ParameterException(
                new picocli.CommandLine(this), "a command is missing: lochan --help lists them");
    }

    @Command(name = "rank", description = "ranks spots and patterns for a half hour of a competition day")
    int rank(
            @Mixin EventArgument file,
            @Option(names = "--day", defaultValue = "1") int day,
            @Option(names = "--at", description = "HH:MM; default the first bin") String at,
            @Option(
                            names = "--scenarios",
                            defaultValue = "4000",
                            description = "4000 stratified ones hold a two-hour value to 1 %")
                    int scenarios,
            @Option(names = "--seed", defaultValue = "1") long seed)
            throws UsageException {
        EventData event = file.valued();
        FittedDayModel model =
                new FittedDayModel(event, within("--day", day, 1, event.days().size()), Assumptions.DEFAULTS);
        return print(new RankAnswer(
                        model,
                        new ScenarioSet(model, within("--scenarios", scenarios, 1, MOST_SCENARIOS), seed),
                        bin(at, model))
                .json());
    }

    @Command(name = "value", description = "values a plan of the file")
    int value(
            @Mixin EventArgument file,
            @Option(names = "--plan", defaultValue = "1", description = "number of the plan in the file") int number,
            @Option(names = "--bag", description = "starts from the bag that the competition log gives") boolean bag,
            @Option(names = "--scenarios", defaultValue = "10000") int scenarios,
            @Option(names = "--seed", defaultValue = "1") long seed)
            throws UsageException {
        EventData event = file.valued();
        if (event.plans().isEmpty()) {
            throw new UsageException(file.file + " has no plan: add one under /plans");
        }
        Plan plan = event.plans().get(within("--plan", number, 1, event.plans().size()) - 1);
        FittedDayModel model = new FittedDayModel(event, plan.day(), Assumptions.DEFAULTS);
        Bag from = BagLog.replay(event.event(), bag ? event.competition() : List.of())
                .bag(plan.day());
        PlanValuer valuer =
                new PlanValuer(new ScenarioSet(model, within("--scenarios", scenarios, 1, MOST_SCENARIOS), seed), from);
        return print(ValueAnswer.json(valuer.value(plan.stops(), LEAST_SIMULATED_DAYS), model));
    }

    @Command(name = "plan", description = "finds a plan for a competition day")
    int plan(
            @Mixin EventArgument file,
            @Option(
                            names = "--strategy",
                            defaultValue = "balanced",
                            description = "balanced, safe-limit, big-fish or target")
                    String wanted,
            @Option(names = "--day", defaultValue = "1") int day,
            @Option(names = "--seconds", defaultValue = "5") double seconds,
            @Option(names = "--seed", defaultValue = "1") long seed)
            throws UsageException {
        EventData event = file.valued();
        Strategy strategy = Coded.find(Strategy.class, wanted)
                .orElseThrow(() -> new UsageException(
                        "--strategy is " + wanted + ": expected one of " + Coded.choices(Strategy.class)));
        if (strategy == Strategy.TARGET && event.rules().targetGrams() == null) {
            throw new UsageException("--strategy is target, and the event has none: add /event/targetGrams");
        }
        long begin = System.nanoTime();
        within("--seconds", seconds, 0, MOST_SECONDS);
        FittedDayModel model =
                new FittedDayModel(event, within("--day", day, 1, event.days().size()), Assumptions.DEFAULTS);
        return print(new PlanAnswer(model, seed).json(strategy, seconds, begin, started));
    }

    @Command(name = "bag", description = "replays the competition log: a row for each entry")
    int bag(@Mixin EventArgument file) throws UsageException {
        EventData event = file.read();
        return print(BagRows.json(
                BagLog.replay(event.event(), event.competition()), event.rules().format() == Format.LIMIT_LENGTH));
    }

    @Command(
            name = "advise",
            description = "says whether to stay or move, at a time or for each line of standard input")
    int advise(
            @Mixin EventArgument file,
            @Option(names = "--at", description = "HH:MM or a time with offset") String at,
            @Option(names = "--stream", description = "answers each line of standard input with a line") boolean stream,
            @Option(names = "--seed", defaultValue = "1") long seed)
            throws UsageException {
        AdviseAnswer answer = new AdviseAnswer(file.valued(), seed);
        if (!stream) {
            return print(answer.at(at));
        }
        answer.ready();
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (!line.isBlank()) {
                    out.println(answer.line(line));
                    out.flush();
                }
            }
            return 0;
        } catch (IOException e) {
            throw new UsageException("standard input cannot be read (" + e.getMessage() + ")");
        }
    }

    @Command(name = "route", description = "solves an orienteering instance in the published text form")
    int route(
            @Parameters(paramLabel = "FILE") String file,
            @Option(names = "--seconds", defaultValue = "2") double seconds,
            @Option(names = "--seed", defaultValue = "1") long seed)
            throws UsageException {
        Orienteering problem = RouteAnswer.read(file);
        long deadline = System.nanoTime() + (long) (1e9 * within("--seconds", seconds, 0, MOST_SECONDS));
        return print(RouteAnswer.json(
                problem,
                TourSearch.best(
                        problem,
                        seed,
                        (int) (seconds * ROUTE_ROUNDS_PER_SECOND),
                        i -> i == 0 || System.nanoTime() < deadline)));
    }

    @Command(
            name = "stand-ins",
            description = "a made-up weather service, a boat's instruments or a scale, on loopback, until it is ended")
    int standIns(
            @Parameters(paramLabel = "WHAT", description = "weather, nmea or scale") String what,
            @Option(names = "--event", description = "an event file: whose day is driven, whose fish are weighed")
                    String event,
            @Option(names = "--port", description = "default 10112, 10110 and 10111; 0: any that is free") Integer port,
            @Option(
                            names = "--speed",
                            defaultValue = "1",
                            description = "how much faster than the clock the boat drives")
                    double speed)
            throws UsageException, IOException {
        StandIns standIns = new StandIns(out);
        if (!List.of("weather", "nmea", "scale").contains(what)) {
            throw new UsageException(what + " isn't a stand-in: expected weather, nmea or scale");
        }
        if (what.equals("weather")) {
            return standIns.weather(port == null ? StandIns.WEATHER_PORT : port);
        }
        if (event == null) {
            throw new UsageException("--event is missing: name an event file");
        }
        return what.equals("nmea")
                ? standIns.nmea(
                        read(event), port == null ? StandIns.NMEA_PORT : port, within("--speed", speed, 0.1, 1000))
                : standIns.scale(read(event), port == null ? StandIns.SCALE_PORT : port);
    }

    @Command(name = "runs", description = "the quickest runs on the water between launch, check-in and spots")
    int runs(@Mixin EventArgument file) throws UsageException {
        return print(RunsAnswer.json(file.read()));
    }

    @Command(name = "track", description = "takes a plotter's track apart into stops, runs and gaps")
    int track(
            @Parameters(paramLabel = "GPX") String gpx,
            @Option(names = "--event", description = "an event file whose spots hold the stops") String event)
            throws UsageException {
        return print(TrackAnswer.json(TrackAnswer.fixes(gpx), event == null ? null : read(event)));
    }

    @Command(name = "lures", description = "what to throw in a situation, with no event")
    int lures(
            @Parameters(paramLabel = "FILE", description = "{\"situation\": {…}}") String file,
            @Option(names = "--all", description = "also what some events do not allow, as live bait") boolean all)
            throws UsageException {
        return print(LuresAnswer.json(read(file, SituationFile::read), all));
    }

    @Command(name = "structure", description = "finds humps, saddles, points, ledges and the like in a grid of depths")
    int structure(
            @Parameters(paramLabel = "GRID", description = "an Esri ASCII grid") String grid,
            @Option(names = "--crs", description = "EPSG:4326 or metres") String crs,
            @Option(names = "--band", arity = "2", description = "MIN MAX, m") List<Double> band,
            @Option(names = "--prominence", description = "m; default 1") Double prominence)
            throws UsageException {
        Double shallowest = band == null ? null : within("--band", band.get(0), 0, MOST_DEPTH_M);
        Double deepest = band == null ? null : within("--band", band.get(1), 0, MOST_DEPTH_M);
        if (shallowest != null && deepest != null && shallowest > deepest) {
            throw new UsageException("--band is " + shallowest + " " + deepest + ": give the shallower end first");
        }
        double least = prominence == null
                ? StructureFinder.Filter.USUAL.prominenceM()
                : within("--prominence", prominence, 0, MOST_DEPTH_M);
        return print(StructureAnswer.json(
                StructureAnswer.grid(grid, crs), new StructureFinder.Filter(shallowest, deepest, least)));
    }

    private int print(JsonNode answer) {
        out.println(JSON.writerWithDefaultPrettyPrinter().writeValueAsString(answer));
        return 0;
    }

    private static int within(String name, int value, int least, int most) throws UsageException {
        if (value < least || value > most) {
            throw new UsageException(name + " is " + value + ": expected a whole number from " + least + " to " + most);
        }
        return value;
    }

    private static double within(String name, double value, double least, double most) throws UsageException {
        if (!(value >= least && value <= most)) {
            throw new UsageException(name + " is " + value + ": expected a number from " + least + " to " + most);
        }
        return value;
    }

    private static int bin(String at, FittedDayModel model) throws UsageException {
        if (at == null) {
            return 0;
        }
        try {
            Instant time = LocalTime.parse(at)
                    .atDate(model.bins().getFirst().date())
                    .atZone(model.event().timeZone())
                    .toInstant();
            for (int i = 0; i < model.bins().size(); i++) {
                Bin bin = model.bins().get(i);
                if (!time.isBefore(bin.start()) && time.isBefore(bin.end())) {
                    return i;
                }
            }
        } catch (DateTimeException e) {
            throw new UsageException("--at is " + at + ": expected a time as 07:30");
        }
        throw new UsageException(
                "--at is " + at + ": expected a time of the competition day, from its start until check-in");
    }

    private static EventData read(String file) throws UsageException {
        return read(file, stream -> withCatalogue(EventFileReader.read(stream).data()));
    }

    /** Reads a file's stream. */
    private interface Reading<T> {
        T of(InputStream stream) throws EventFileException, IOException;
    }

    private static <T> T read(String file, Reading<T> reading) throws UsageException {
        try (InputStream stream = Files.newInputStream(Path.of(file))) {
            return reading.of(stream);
        } catch (EventFileException e) {
            int more = e.problems().size() - 1;
            throw new UsageException(
                    file + ": " + e.problems().getFirst() + (more > 0 ? " (and " + more + " more)" : ""));
        } catch (NoSuchFileException e) {
            throw new UsageException(file + ": there is no such file");
        } catch (IOException | InvalidPathException e) {
            throw new UsageException(file + ": cannot be read (" + e.getMessage() + ")");
        }
    }

    /** Where the event's rates use lure advice, it is that of the catalogue: a file holds no tackle. */
    private static EventData withCatalogue(EventData event) {
        Notebook.Priors wanted = event.notebook().priors();
        return wanted.byAdvice()
                ? event.withNotebook(event.notebook().withPriors(wanted.by(Catalogue.lures(), Map.of())))
                : event;
    }
}
