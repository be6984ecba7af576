package lochan.web.map;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import lochan.core.Coded;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.ContourGrid;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.core.lake.depth.GridShore;
import lochan.core.lake.sounding.Sounding;
import lochan.core.lake.sounding.SoundingCleaner;
import lochan.core.lake.sounding.SoundingGrid;
import lochan.core.lake.sounding.SoundingRules;
import lochan.mapfiles.GridToDegrees;
import lochan.mapfiles.MapFile;
import lochan.mapfiles.MapFile.Shape;
import lochan.mapfiles.MapFileException;
import lochan.offline.form.Form;
import lochan.web.lake.MapProblem;
import org.jspecify.annotations.Nullable;

/** What a file means once the angler said what its numbers are. */
final class ImportReading {

    private static final double USUAL_DEPTH_SHARE = 0.5;
    /** Cells that are tried to see whether a grid lies on the lake. */
    private static final int LOOKED_AT = 20_000;

    /** What a file is taken for. */
    enum Use implements Coded {
        LAKE("lake", "the lake: shores and islands"),
        CELLS("cells", "depths on a grid"),
        LINES("lines", "lines of one depth"),
        SOUNDINGS("soundings", "soundings"),
        TIMBER("timber", "standing timber"),
        GRASS("grass", "grass"),
        DOCKS("docks", "docks");

        private final String code;
        private final String words;

        Use(String code, String words) {
            this.code = code;
            this.words = words;
        }

        @Override
        public String code() {
            return code;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** The result of the file. */
    sealed interface Result {

        /** @param lake with its shores; levels and cover as they were */
        record OfLake(Lake lake) implements Result {}

        /** @param shore null: unchanged */
        record OfDepths(DepthGrid grid, @Nullable Lake shore) implements Result {}

        /**
         * @param deeperBy how far they read deeper than what is known, m; null: it cannot be told
         * @param takenOn  null: not told
         */
        record OfSoundings(
                SoundingCleaner.Cleaned cleaned,
                @Nullable Double deeperBy,
                @Nullable LocalDate takenOn) implements Result {}

        /** @param lake with the cover in it */
        record OfCover(Lake lake, int pieces) implements Result {}
    }

    private final MapFile file;
    private final Form form;
    private final @Nullable Lake lake;
    private final @Nullable DepthGrid map;
    private final ZoneId zone;
    private final List<String> depthProperties;

    /** @param map depths that are known; null: none */
    ImportReading(MapFile file, Form form, @Nullable Lake lake, @Nullable DepthGrid map, ZoneId zone) {
        this.file = file;
        this.form = form;
        this.lake = lake;
        this.map = map;
        this.zone = zone;
        this.depthProperties = file instanceof MapFile.Drawing d ? depthProperties(d) : List.of();
    }

    /** What a file can be taken for, the likeliest first. */
    List<Use> uses() {
        return switch (file) {
            case MapFile.Cells c -> List.of(Use.CELLS);
            case MapFile.Readings r -> List.of(Use.SOUNDINGS);
            case MapFile.Drawing d -> usesOf(d);
        };
    }

    private List<Use> usesOf(MapFile.Drawing drawing) {
        boolean areas = drawing.shapes().stream().anyMatch(s -> s.kind() == Shape.Kind.AREA);
        boolean points = drawing.shapes().stream().allMatch(s -> s.kind() == Shape.Kind.POINT);
        boolean depths = !depthProperties.isEmpty();
        List<Use> uses = new ArrayList<>();
        if (points && depths) {
            uses.add(Use.SOUNDINGS);
        }
        if (!points && depths) {
            uses.add(Use.LINES);
        }
        if (!points) {
            uses.add(areas && !depths ? 0 : uses.size(), Use.LAKE);
        }
        uses.addAll(List.of(Use.TIMBER, Use.GRASS, Use.DOCKS));
        return uses;
    }

    Use use() {
        Use chosen = form.choice("use", Use.class);
        return chosen == null || !uses().contains(chosen) ? uses().getFirst() : chosen;
    }

    /** Names of what was written to the shapes and is a number, those that sound like a depth first. */
    List<String> depthProperties() {
        return depthProperties;
    }

    private static List<String> depthProperties(MapFile.Drawing drawing) {
        TreeSet<String> numbers = new TreeSet<>();
        drawing.shapes().forEach(s -> s.properties().forEach((name, value) -> {
            if (!Double.isNaN(number(value)) && isDepth(name)) {
                numbers.add(name);
            }
        }));
        return List.copyOf(numbers);
    }

    private static boolean isDepth(String name) {
        return name.toLowerCase(Locale.ROOT).matches(".*(depth|contour|elev|level|^z$|sounding|dpth).*|z");
    }

    private String depthProperty() {
        String chosen = form.value("property");
        if (depthProperties.contains(chosen)) {
            return chosen;
        }
        return depthProperties.isEmpty() ? "" : depthProperties.getFirst();
    }

    private static double number(@Nullable String text) {
        if (text == null) {
            return Double.NaN;
        }
        try {
            return Double.parseDouble(text.strip());
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    /** The unit that the file tells itself; null: it does not. */
    MapFile.@Nullable Unit toldUnit() {
        if (file instanceof MapFile.Readings r) {
            return r.unit();
        }
        String name = depthProperty().toLowerCase(Locale.ROOT).replace("_", "");
        if (name.endsWith("ft") || name.endsWith("feet")) {
            return MapFile.Unit.FEET;
        }
        return name.endsWith("depthm") || name.endsWith("metres") ? MapFile.Unit.METRES : null;
    }

    /** The unit as said, as told, or as the angler reads depths. */
    MapFile.Unit unit() {
        String said = form.value("unit");
        return Arrays.stream(MapFile.Unit.values())
                .filter(u -> u.words().equals(said))
                .findFirst()
                .orElseGet(() -> Objects.requireNonNullElseGet(toldUnit(), this::usualUnit));
    }

    /** Grids are made by surveyors, who write metres; lines and logs by people who read the angler's unit. */
    private MapFile.Unit usualUnit() {
        if (file instanceof MapFile.Cells) {
            return MapFile.Unit.METRES;
        }
        return form.units().depth().code().equals("ft") ? MapFile.Unit.FEET : MapFile.Unit.METRES;
    }

    /** All numbers that may be depths. */
    private DoubleStream values() {
        return switch (file) {
            case MapFile.Cells c -> IntStream.range(0, c.values().length).mapToDouble(i -> c.values()[i]);
            case MapFile.Readings r -> r.readings().stream().mapToDouble(MapFile.Reading::depth);
            case MapFile.Drawing d -> {
                String property = depthProperty();
                yield d.shapes().stream().mapToDouble(s -> number(s.properties().get(property)));
            }
        };
    }

    /** Whether the numbers are heights, growing upwards: as said, or as most of them look. */
    boolean areHeights() {
        String said = form.value("values");
        if (!said.isEmpty()) {
            return said.equals("heights");
        }
        long below = values().filter(v -> v < 0).count();
        long all = values().filter(v -> !Double.isNaN(v)).count();
        return below > USUAL_DEPTH_SHARE * all;
    }

    /** The smallest and the greatest number, in the file's unit; empty where there is none. */
    List<Double> range() {
        double[] numbers = values().filter(v -> !Double.isNaN(v)).toArray();
        return numbers.length == 0
                ? List.of()
                : List.of(
                        Arrays.stream(numbers).min().orElseThrow(),
                        Arrays.stream(numbers).max().orElseThrow());
    }

    /** From a number of the file to metres below the reference level. */
    private DoubleUnaryOperator metres() {
        double unit = unit().metres();
        double shift = datumM();
        if (areHeights()) {
            Double surface = form.number("surface");
            double height = surface == null ? 0 : surface;
            return v -> (height - v) * unit + shift;
        }
        return v -> v * unit + shift;
    }

    /** How far the level that the file tells depths from lies below the lake's reference level, m. */
    private double datumM() {
        Double below = form.number("datum");
        return below == null ? 0 : below * unit().metres();
    }

    /**
     * Returns the result of the file.
     *
     * @throws MapFileException what does not fit, in one line
     * @throws BadGridException the same
     */
    Result result() throws MapFileException, BadGridException {
        return switch (use()) {
            case LAKE -> new Result.OfLake(withShores(bodies()));
            case CELLS -> depths(possible(GridToDegrees.of((MapFile.Cells) file, metres())));
            case LINES -> new Result.OfDepths(possible(ContourGrid.of(neededLake(), lines())), null);
            case SOUNDINGS -> soundings();
            case TIMBER -> cover(LakeCover.Kind.TIMBER);
            case GRASS -> cover(LakeCover.Kind.GRASS);
            case DOCKS -> cover(LakeCover.Kind.DOCKS);
        };
    }

    private static DepthGrid possible(DepthGrid grid) throws BadGridException {
        if (grid.deepest() > EsriGrid.DEEPEST_M) {
            throw new BadGridException(MapProblem.TOO_DEEP);
        }
        return grid;
    }

    private Lake neededLake() throws BadGridException {
        if (lake == null) {
            throw new BadGridException(MapProblem.OUTLINE_NEEDED);
        }
        return lake;
    }

    private Result depths(DepthGrid grid) throws BadGridException {
        Lake shore = lake == null || form.has("shore") ? withShores(GridShore.of(grid)) : null;
        if (shore == null && lake != null && !reaches(lake, grid)) {
            throw new BadGridException(MapProblem.DEPTHS_OFF_LAKE);
        }
        return new Result.OfDepths(grid, shore);
    }

    private static boolean reaches(Lake lake, DepthGrid grid) {
        int every = Math.max(1, grid.size() / LOOKED_AT);
        return IntStream.iterate(0, i -> i < grid.size(), i -> i + every)
                .filter(i -> !grid.isLand(i))
                .mapToObj(i -> new Position(grid.y(i), grid.x(i)))
                .anyMatch(lake::holds);
    }

    private Lake withShores(List<Lake.Body> bodies) {
        return lake == null ? new Lake(bodies, List.of()) : lake.withBodies(bodies);
    }

    private List<Shape> shapes() {
        return ((MapFile.Drawing) file).shapes();
    }

    private List<Lake.Body> bodies() throws BadGridException {
        List<Lake.Body> bodies = new ArrayList<>();
        for (Shape s : shapes()) {
            if (s.kind() == Shape.Kind.AREA) {
                bodies.addAll(Rings.bodies(s.parts()));
            } else if (s.kind() == Shape.Kind.LINE) {
                s.parts().stream()
                        .map(Rings::open)
                        .filter(p -> p.size() > 2)
                        .forEach(p -> bodies.add(new Lake.Body(p, List.of())));
            }
            if (bodies.size() > Rings.MOST) {
                throw new BadGridException(MapProblem.TOO_MANY_PIECES, Rings.MOST);
            }
        }
        if (bodies.isEmpty()) {
            throw new BadGridException(MapProblem.NO_AREA);
        }
        return bodies;
    }

    private List<ContourGrid.Line> lines() throws BadGridException {
        DoubleUnaryOperator metres = metres();
        String property = depthProperty();
        List<ContourGrid.Line> lines = new ArrayList<>();
        for (Shape s : shapes()) {
            double depth = metres.applyAsDouble(number(s.properties().get(property)));
            if (depth >= 0 && s.kind() != Shape.Kind.POINT) {
                s.parts().stream().filter(p -> p.size() > 1).forEach(p -> lines.add(new ContourGrid.Line(depth, p)));
            }
        }
        if (lines.isEmpty()) {
            throw new BadGridException(MapProblem.NO_LINE_DEPTH);
        }
        return lines;
    }

    private Result soundings() throws BadGridException {
        Lake water = neededLake();
        LocalDate takenOn = takenOn();
        double above = takenOn == null ? 0 : water.levels().aboveReferenceM(takenOn);
        Double offset = form.number("offset");
        double offsetM = (offset == null ? 0 : offset * unit().metres()) - above;
        SoundingRules rules = SoundingRules.USUAL;
        SoundingCleaner.Cleaned cleaned = SoundingCleaner.clean(raw(), offsetM, nearWater(water, rules), rules);
        Double deeperBy = map == null ? null : SoundingGrid.deeperBy(cleaned.kept(), map, rules);
        return new Result.OfSoundings(cleaned, deeperBy, takenOn);
    }

    /**
     * The depths that come of a result, to be looked at; null: it has none.
     *
     * @throws BadGridException when its soundings do not lie on the lake
     */
    @Nullable
    DepthGrid depths(Result result) throws BadGridException {
        return switch (result) {
            case Result.OfDepths d -> d.grid();
            case Result.OfSoundings s ->
                SoundingGrid.of(neededLake(), s.cleaned().kept(), map, SoundingRules.USUAL);
            case Result.OfLake l -> null;
            case Result.OfCover c -> null;
        };
    }

    /** The date the angler said, or that of the first reading with a time. */
    @Nullable
    LocalDate takenOn() {
        LocalDate said = form.date("takenOn");
        if (said != null || !(file instanceof MapFile.Readings r)) {
            return said;
        }
        return r.readings().stream()
                .map(MapFile.Reading::at)
                .filter(Objects::nonNull)
                .findFirst()
                .map(t -> t.atZone(zone).toLocalDate())
                .orElse(null);
    }

    private List<Sounding> raw() {
        DoubleUnaryOperator metres = metres();
        if (file instanceof MapFile.Readings r) {
            return r.readings().stream()
                    .map(x -> new Sounding(x.position(), metres.applyAsDouble(x.depth())))
                    .toList();
        }
        String property = depthProperty();
        List<Sounding> raw = new ArrayList<>();
        for (Shape s : shapes()) {
            double depth = metres.applyAsDouble(number(s.properties().get(property)));
            s.parts().forEach(part -> part.forEach(p -> raw.add(new Sounding(p, depth))));
        }
        return raw;
    }

    /** On the water, or so near to it that the fix may be off. */
    private static Predicate<Position> nearWater(Lake lake, SoundingRules rules) {
        double lat = rules.outsideM() / Position.METRES_PER_DEGREE;
        return p -> {
            double lon = rules.outsideM() / Position.metresPerDegreeEast(p.lat());
            return lake.holds(p)
                    || lake.holds(new Position(p.lat() + lat, p.lon()))
                    || lake.holds(new Position(p.lat() - lat, p.lon()))
                    || lake.holds(new Position(p.lat(), p.lon() + lon))
                    || lake.holds(new Position(p.lat(), p.lon() - lon));
        };
    }

    private Result cover(LakeCover.Kind kind) throws BadGridException {
        Lake water = neededLake();
        List<Lake.Body> areas = new ArrayList<>();
        List<List<Position>> lines = new ArrayList<>();
        for (Shape s : shapes()) {
            switch (s.kind()) {
                case AREA -> areas.addAll(Rings.bodies(s.parts()));
                case LINE -> lines.addAll(s.parts());
                case POINT -> s.parts().forEach(part -> part.forEach(p -> lines.add(List.of(p))));
            }
        }
        List<LakeCover> all = new ArrayList<>(water.covers());
        all.removeIf(c -> c.kind() == kind);
        all.add(new LakeCover(kind, null, areas, lines));
        return new Result.OfCover(water.withCovers(all), areas.size() + lines.size());
    }

    /** Fills the form where the angler left it empty. */
    Map<String, String> filled() {
        return Map.of(
                "use", use().code(),
                "unit", unit().words(),
                "values", areHeights() ? "heights" : "depths",
                "property", depthProperty());
    }
}
