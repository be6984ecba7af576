package lochan.web.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteForm;
import lochan.offline.practice.StopForm;
import lochan.web.csv.CellText;
import lochan.web.csv.CsvTable;
import lochan.web.shared.Codes;
import org.jspecify.annotations.Nullable;

/**
 * A practice log of a spreadsheet read against an event: a row for each bite, or one for a stop that had none; rows of the same spot, date
 * and times are one stop, and a row that leaves all of them empty belongs to the stop above. Nothing is written here.
 */
final class LogImport {

    private static final List<LogColumn> SAME_STOP =
            List.of(LogColumn.DATE, LogColumn.SPOT, LogColumn.START, LogColumn.END, LogColumn.MINUTES);
    /** What a row may tell without anything having bitten. */
    private static final Set<LogColumn> NO_BITE = Set.of(LogColumn.PRESENTATION, LogColumn.RETRIEVE, LogColumn.HOW);

    private static final Pattern TIMED = Pattern.compile("(.*\\S) (\\d+(?:[.,]\\d+)?) ?min(?:utes)?");
    private static final Pattern WHOLE_MINUTES = Pattern.compile("(\\d{1,4})(?:[.,]0+)?(?: ?min(?:utes)?)?");
    private static final int LONGEST_NAME = 80;

    private final Map<LogColumn, Integer> columns;
    private final EventData event;
    private final Units units;
    private final Options options;

    private final Map<String, Group> groups = new LinkedHashMap<>();
    private final Map<String, Presentation> presentations = new LinkedHashMap<>();
    private final List<Presentation> newPresentations = new ArrayList<>();
    private final Map<String, Spot> spots = new LinkedHashMap<>();
    private final List<Spot> newSpots = new ArrayList<>();
    private final Map<String, Set<Integer>> problems = new LinkedHashMap<>();
    private final Map<String, Set<Integer>> remarks = new LinkedHashMap<>();
    private final List<PracticeStop> stops = new ArrayList<>();
    private int known;
    private @Nullable Group above;

    /**
     * How the rows are meant.
     *
     * @param monthFirst whether 6/3/2027 is in June
     * @param weighed    whether sizes without a word on it come from the scale
     * @param hooks      of presentations that the event does not know yet, by name; single ones where it says nothing
     * @param spotTaken  codes that no new spot may get
     * @param batch      begins the codes of the stops
     */
    record Options(
            boolean monthFirst, boolean weighed, Map<String, Hooks> hooks, Predicate<String> spotTaken, String batch) {}

    /** @param rows numbers of the rows it is about, none for the whole sheet */
    record Problem(String message, List<Integer> rows) {}

    /**
     * The content of the sheet.
     *
     * @param known    stops that are logged already, which stay as they are
     * @param problems what must be corrected before anything is taken
     * @param remarks  what is taken otherwise than it stands there
     */
    record Result(
            List<PracticeStop> stops,
            List<Spot> newSpots,
            List<Presentation> newPresentations,
            int known,
            List<Problem> problems,
            List<Problem> remarks) {

        public int bites() {
            return stops.stream().mapToInt(s -> s.bites().size()).sum();
        }
    }

    /** The rows of one stop. */
    private record Group(int firstRow, Map<LogColumn, String> cells, Set<String> fished, List<BiteRow> bites) {}

    private record BiteRow(int row, Map<LogColumn, String> cells) {}

    private LogImport(Map<LogColumn, Integer> columns, EventData event, Units units, Options options) {
        this.columns = columns;
        this.event = event;
        this.units = units;
        this.options = options;
        event.presentations().forEach(p -> presentations.put(CellText.name(p.name()), p));
        event.spots().forEach(s -> spots.put(CellText.name(s.name()), s));
    }

    /** @param columns where each column stands, from 0 */
    static Result read(CsvTable table, Map<LogColumn, Integer> columns, EventData event, Units units, Options options) {
        LogImport log = new LogImport(columns, event, units, options);
        log.checkColumns();
        if (log.problems.isEmpty()) {
            table.rows().forEach(log::group);
            log.groups.values().forEach(log::take);
        }
        return new Result(
                List.copyOf(log.stops),
                List.copyOf(log.newSpots),
                List.copyOf(log.newPresentations),
                log.known,
                listed(log.problems),
                listed(log.remarks));
    }

    private static List<Problem> listed(Map<String, Set<Integer>> told) {
        return told.entrySet().stream()
                .map(e -> new Problem(e.getKey(), List.copyOf(e.getValue())))
                .toList();
    }

    private void checkColumns() {
        for (LogColumn needed : List.of(LogColumn.DATE, LogColumn.SPOT, LogColumn.START)) {
            if (!columns.containsKey(needed)) {
                problem("No column is said to hold “" + needed.label() + "”: choose the one that does.");
            }
        }
        if (!columns.containsKey(LogColumn.END) && !columns.containsKey(LogColumn.MINUTES)) {
            problem(
                    "How long was it fished? Choose the column of the end, or of the minutes fished: without effort a bite cannot be counted.");
        }
    }

    private void problem(String message) {
        problems.computeIfAbsent(message, m -> new LinkedHashSet<>());
    }

    private void problem(int row, String message) {
        problems.computeIfAbsent(message, m -> new LinkedHashSet<>()).add(row);
    }

    private void problems(int row, Form form) {
        form.allErrors().forEach((field, messages) -> {
            String label = Stream.of(LogColumn.values())
                    .filter(c -> c.code().equals(field))
                    .findFirst()
                    .orElse(LogColumn.FISHED)
                    .label();
            messages.forEach(m -> problem(row, label + ": " + m));
        });
    }

    private void group(CsvTable.Row row) {
        Map<LogColumn, String> cells = new EnumMap<>(LogColumn.class);
        columns.forEach((column, at) -> {
            if (!row.cells().get(at).isEmpty()) {
                cells.put(column, column.asForm(row.cells().get(at), options.monthFirst()));
            }
        });
        Group group = groupOf(row.number(), cells);
        if (group == null) {
            return;
        }
        cells.forEach((column, cell) -> {
            if (column.of() == LogColumn.Of.STOP && !cell.equals(group.cells().computeIfAbsent(column, c -> cell))) {
                remarks.computeIfAbsent(
                                column.label() + " differs within one stop: what its first row says is taken.",
                                m -> new LinkedHashSet<>())
                        .add(row.number());
            }
        });
        if (cells.containsKey(LogColumn.PRESENTATION)) {
            group.fished().add(cells.get(LogColumn.PRESENTATION));
        }
        if (cells.keySet().stream().anyMatch(c -> c.of() == LogColumn.Of.BITE && !NO_BITE.contains(c))) {
            group.bites().add(new BiteRow(row.number(), cells));
        }
    }

    /** The stop that a row belongs to; null when it cannot be told. */
    private @Nullable Group groupOf(int row, Map<LogColumn, String> cells) {
        String same = SAME_STOP.stream()
                .map(c -> CellText.name(cells.getOrDefault(c, "")))
                .collect(Collectors.joining("\n"));
        if (!same.isBlank()) {
            above = groups.computeIfAbsent(
                    same,
                    k -> new Group(row, new EnumMap<>(LogColumn.class), new LinkedHashSet<>(), new ArrayList<>()));
        } else if (above == null) {
            problem(row, "The spot, the date and the times are empty, and no stop stands above.");
        }
        return above;
    }

    private void take(Group group) {
        Form form = new Form(units).put("anglers", event.anglers()).put("follows", 0);
        group.cells().forEach((column, cell) -> form.put(column.code(), cell));
        String name = form.value(LogColumn.SPOT.code());
        Spot spot = spot(group.firstRow(), name, form);
        if (spot != null) {
            form.put(LogColumn.SPOT.code(), spot.id());
        }
        putFished(group, form);
        // The table that is looked at before anything is saved shows how long each was.
        form.put("longStop", "on");
        putEnd(form);
        Optional<PracticeStop> stop = StopForm.read(
                form, options.batch() + stops.size(), List.of(), List.copyOf(presentations.values()), zone());
        if (stop.isPresent() && stop.get().end() == null) {
            form.error(LogColumn.END.code(), "The end is missing: give an end or the minutes fished.");
        }
        problems(group.firstRow(), form);
        List<Bite> bites = new ArrayList<>();
        for (BiteRow bite : group.bites()) {
            bite(bite, stop.orElse(null)).ifPresent(bites::add);
        }
        if (stop.isPresent() && spot != null && form.ok()) {
            add(stop.get(), bites);
        }
    }

    private void add(PracticeStop stop, List<Bite> bites) {
        boolean there = event.stops().stream()
                .anyMatch(s -> s.spotId().equals(stop.spotId())
                        && s.start()
                                .truncatedTo(ChronoUnit.MINUTES)
                                .equals(stop.start().truncatedTo(ChronoUnit.MINUTES)));
        if (there) {
            known++;
        } else {
            Conditions filled = stop.conditions().filledIn(Conditions.UNKNOWN, null);
            stops.add(stop.withBites(bites).withConditions(filled));
        }
    }

    private ZoneId zone() {
        return event.timeZone();
    }

    /** The spot of a name, a new one when its position is given; null when there is none. */
    private @Nullable Spot spot(int row, String name, Form form) {
        Spot known = spots.get(CellText.name(name));
        if (known != null || name.isEmpty()) {
            return known;
        }
        if (!form.has(LogColumn.POSITION.code())) {
            problem(
                    row,
                    "No spot is called “" + name
                            + "”: add it first, correct the name, or give its position in a column.");
            return null;
        }
        Position at = form.position(LogColumn.POSITION.code());
        if (at == null || name.length() > LONGEST_NAME) {
            form.words(LogColumn.SPOT.code(), "The name of the spot", LONGEST_NAME);
            return null;
        }
        Spot fresh = Spot.fresh(
                Codes.of(
                        name,
                        c -> options.spotTaken().test(c) || newSpots.stream().anyMatch(s -> s.id().equals(c))),
                name,
                at,
                SpotType.orUnsorted(form.value(LogColumn.SPOT_TYPE.code())));
        spots.put(CellText.name(name), fresh);
        newSpots.add(fresh);
        return fresh;
    }

    /** Reads what was fished: "swim jig 40 min; drop shot" in a column of its own, and the lures named with bites. */
    private void putFished(Group group, Form form) {
        for (String part : form.value(LogColumn.FISHED.code()).split(";")) {
            Matcher timed = TIMED.matcher(part.strip());
            Presentation fished = presentation(group.firstRow(), timed.matches() ? timed.group(1) : part.strip());
            if (fished != null) {
                form.put("fished/" + fished.id(), "on");
                form.put("minutes/" + fished.id(), timed.matches() ? timed.group(2) : "");
            }
        }
        for (String name : group.fished()) {
            Presentation fished = presentation(group.firstRow(), name);
            if (fished != null) {
                form.put("fished/" + fished.id(), "on");
            }
        }
    }

    /** The presentation of a name, a new one when the event knows none; null for an empty name or one too long. */
    private @Nullable Presentation presentation(int row, String name) {
        String key = CellText.name(name);
        if (key.isEmpty() || name.length() > LONGEST_NAME) {
            if (!key.isEmpty()) {
                problem(
                        row,
                        "Presentation: the name has " + name.length() + " characters: expected at most " + LONGEST_NAME
                                + ".");
            }
            return null;
        }
        return presentations.computeIfAbsent(key, k -> {
            Set<String> taken =
                    presentations.values().stream().map(Presentation::id).collect(Collectors.toSet());
            Presentation fresh = new Presentation(
                    Codes.of(name, taken::contains), name, options.hooks().getOrDefault(name, Hooks.SINGLE));
            newPresentations.add(fresh);
            return fresh;
        });
    }

    private void putEnd(Form form) {
        if (form.has(LogColumn.END.code()) || !form.has(LogColumn.MINUTES.code())) {
            return;
        }
        Matcher minutes = WHOLE_MINUTES.matcher(form.value(LogColumn.MINUTES.code()));
        LocalTime start = CellText.time(form.value(LogColumn.START.code())).orElse(null);
        if (!minutes.matches()) {
            form.fail(LogColumn.MINUTES.code(), "forms.minutes", form.value(LogColumn.MINUTES.code()));
        } else if (start != null) {
            long fished = Long.parseLong(minutes.group(1));
            LocalTime end = start.plusMinutes(fished);
            form.put(LogColumn.END.code(), end.toString());
            LocalDate date = form.date(LogColumn.DATE.code());
            if (date != null && end.isBefore(start)) {
                form.put(LogColumn.END_DATE.code(), date.plusDays(1));
            }
        }
    }

    /** @param stop null when it could not be read: its bites are checked all the same */
    private Optional<Bite> bite(BiteRow row, @Nullable PracticeStop stop) {
        Form form = new Form(units);
        row.cells().forEach((column, cell) -> form.put(column.code(), cell));
        if (!form.has(LogColumn.HOW.code()) && options.weighed()) {
            form.put(LogColumn.HOW.code(), "scale");
        }
        if (!columns.containsKey(LogColumn.OUTCOME) && form.has(LogColumn.SIZE.code())) {
            form.put(LogColumn.OUTCOME.code(), Outcome.LANDED.code());
        }
        Presentation on = presentation(row.row(), form.value(LogColumn.PRESENTATION.code()));
        form.put(LogColumn.PRESENTATION.code(), on == null ? "" : on.id());
        Instant at = stop == null ? null : at(form, stop);
        Optional<Bite> bite = BiteForm.read(form, at);
        if (bite.isPresent()
                && bite.get().species() != null
                && event.rules().species().stream()
                        .noneMatch(s -> s.species() == bite.get().species())) {
            form.fail(LogColumn.SPECIES.code(), "practiceforms.species", form.value(LogColumn.SPECIES.code()));
        }
        problems(row.row(), form);
        return form.ok() ? bite : Optional.empty();
    }

    private @Nullable Instant at(Form form, PracticeStop stop) {
        LocalTime time = form.time(LogColumn.AT.code());
        if (time == null || stop.end() == null) {
            return null;
        }
        Instant at = stop.start()
                .atZone(zone())
                .toLocalDate()
                .atTime(time)
                .atZone(zone())
                .toInstant();
        Instant inside =
                at.isBefore(stop.start()) && !at.plus(Duration.ofDays(1)).isAfter(stop.end())
                        ? at.plus(Duration.ofDays(1))
                        : at;
        if (inside.isBefore(stop.start()) || inside.isAfter(stop.end())) {
            form.error(LogColumn.AT.code(), "The bite lies outside its stop: give a time in it, or none.");
        }
        return inside;
    }
}
