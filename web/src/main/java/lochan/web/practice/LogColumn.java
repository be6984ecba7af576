package lochan.web.practice;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import lochan.core.Coded;
import lochan.web.csv.CellText;

/** What a column of a practice log in a spreadsheet tells, in the order it is exported. */
enum LogColumn implements Coded {
    DATE("date", Kind.DATE, Of.STOP, "Date", "day"),
    SPOT("spot", Kind.TEXT, Of.STOP, "Spot", "place", "location", "where"),
    START("start", Kind.TIME, Of.STOP, "Start", "from", "start time", "began", "time in"),
    END("end", Kind.TIME, Of.STOP, "End", "to", "until", "end time", "ended", "time out"),
    END_DATE("endDate", Kind.DATE, Of.STOP, "End date"),
    MINUTES("minutes", Kind.TEXT, Of.STOP, "Minutes fished", "minutes", "min", "duration"),
    POSITION("position", Kind.TEXT, Of.STOP, "Position", "coordinates", "lat lon", "gps"),
    SPOT_TYPE("spotType", Kind.TEXT, Of.STOP, "Spot type", "structure", "cover", "kind of place"),
    ANGLERS("anglers", Kind.TEXT, Of.STOP, "Anglers"),
    FISHED("fished", Kind.TEXT, Of.STOP, "Fished with", "presentations", "lures"),
    FOLLOWS("follows", Kind.TEXT, Of.STOP, "Follows"),
    BYCATCH("bycatch", Kind.TEXT, Of.STOP, "Bycatch"),
    WATER_TEMP("waterTempC", Kind.TEXT, Of.STOP, "Water temperature", "water temp", "temp", "temperature"),
    VISIBILITY("visibilityM", Kind.TEXT, Of.STOP, "Visibility", "clarity"),
    CLARITY_TREND("clarityTrend", Kind.CHOICE, Of.STOP, "Clarity trend"),
    WIND("windMps", Kind.TEXT, Of.STOP, "Wind", "wind speed"),
    WIND_FROM("windFromDeg", Kind.TEXT, Of.STOP, "Wind from", "wind direction", "wind dir"),
    SURFACE("surface", Kind.CHOICE, Of.STOP, "Surface"),
    SKY("sky", Kind.CHOICE, Of.STOP, "Sky", "clouds"),
    FRONT("recentFront", Kind.TRUTH, Of.STOP, "After a front", "front"),
    LEVEL("levelTrend", Kind.CHOICE, Of.STOP, "Level trend", "level"),
    CURRENT("current", Kind.CHOICE, Of.STOP, "Current"),
    BAIT("baitSeen", Kind.TRUTH, Of.STOP, "Bait", "bait seen"),
    BAIT_DEPTH("baitDepthM", Kind.TEXT, Of.STOP, "Bait depth"),
    SEEN_POSITION("seenPosition", Kind.WORDS, Of.STOP, "Fish seen"),
    SEEN_DEPTH("seenDepthM", Kind.TEXT, Of.STOP, "Fish seen at"),
    SEEN_COUNT("seenCount", Kind.CHOICE, Of.STOP, "Fish seen, number"),
    SEEN_SHAPE("seenShape", Kind.WORDS, Of.STOP, "Fish seen, shape"),
    IDLE("idleMinutes", Kind.TEXT, Of.STOP, "Minutes not fished"),
    BOATS("boatsNear", Kind.TEXT, Of.STOP, "Boats near", "boats"),
    AT("at", Kind.TIME, Of.BITE, "Bite at", "time", "caught at"),
    OUTCOME("outcome", Kind.CHOICE, Of.BITE, "Outcome", "result"),
    PRESENTATION("presentation", Kind.TEXT, Of.BITE, "Presentation", "lure", "technique"),
    SPECIES("species", Kind.CHOICE, Of.BITE, "Species", "fish"),
    SIZE("size", Kind.TEXT, Of.BITE, "Size", "weight", "length"),
    HOW("how", Kind.CHOICE, Of.BITE, "Size by", "weighed"),
    GUESSED("guessed", Kind.TEXT, Of.BITE, "Guessed before", "guess"),
    RETRIEVE("retrieve", Kind.TEXT, Of.BITE, "Retrieve"),
    FISH_DEPTH("fishDepthM", Kind.TEXT, Of.BITE, "Fish depth"),
    WATER_DEPTH("waterDepthM", Kind.TEXT, Of.BITE, "Water depth", "depth"),
    TAKEN_ON("takenOn", Kind.CHOICE, Of.BITE, "Taken"),
    ON_RIG("onRig", Kind.TEXT, Of.BITE, "On the rig"),
    FISH_POSITION("fishPosition", Kind.WORDS, Of.BITE, "Fish position"),
    FISH_COUNT("fishCount", Kind.CHOICE, Of.BITE, "Fish, number"),
    FISH_SHAPE("fishShape", Kind.WORDS, Of.BITE, "Fish, shape"),
    BAIT_NEAR("baitNear", Kind.TRUTH, Of.BITE, "Bait near"),
    COLOUR("colour", Kind.CHOICE, Of.BITE, "Colour"),
    LURE_SIZE("lureSize", Kind.CHOICE, Of.BITE, "Lure size"),
    LOSS_WAY("lossWay", Kind.WORDS, Of.BITE, "Lost how");

    /** How its cells are read. */
    enum Kind {
        TEXT,
        DATE,
        TIME,
        TRUTH,
        CHOICE,
        /** A choice of more than one word. */
        WORDS
    }

    /** Tells whether it is given once a stop or with each bite. */
    enum Of {
        STOP,
        BITE
    }

    private final String code;
    private final Kind kind;
    private final Of of;
    private final String label;
    private final List<String> otherNames;

    LogColumn(String code, Kind kind, Of of, String label, String... otherNames) {
        this.code = code;
        this.kind = kind;
        this.of = of;
        this.label = label;
        this.otherNames = List.of(otherNames);
    }

    /** The field of the forms of practice that holds the same. */
    @Override
    public String code() {
        return code;
    }

    Of of() {
        return of;
    }

    /** The name it is exported under. */
    public String label() {
        return label;
    }

    /** The column that a name in a header means. */
    static Optional<LogColumn> named(String header) {
        String name = CellText.name(header);
        return Arrays.stream(values())
                .filter(c -> CellText.name(c.label).equals(name))
                .findFirst()
                .or(() -> Arrays.stream(values())
                        .filter(c -> c.otherNames.contains(name))
                        .findFirst());
    }

    /** A cell in the words of forms; a cell that cannot be read stays as it is, for the form to name. */
    String asForm(String cell, boolean monthFirst) {
        return switch (kind) {
            case TEXT -> cell;
            case DATE -> CellText.date(cell, monthFirst).map(Object::toString).orElse(cell);
            case TIME -> CellText.time(cell).map(Object::toString).orElse(cell);
            case TRUTH -> CellText.truth(cell);
            case CHOICE -> choice(CellText.name(cell));
            case WORDS -> CellText.name(cell).replace(" the ", " ").replace(' ', '-');
        };
    }

    private static String choice(String words) {
        return switch (words) {
            case "shaken off" -> "shaken";
            case "caught" -> "landed";
            case "weighed" -> "scale";
            default ->
                words.endsWith(" bass")
                        ? words.substring(0, words.length() - " bass".length())
                        : words.startsWith("on the ")
                                ? words.substring("on the ".length())
                                : words.startsWith("on ") ? words.substring("on ".length()) : words;
        };
    }
}
