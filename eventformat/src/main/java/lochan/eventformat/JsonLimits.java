package lochan.eventformat;

import java.io.InputStream;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** How large JSON from outside may be: it is refused while it is read, before all of it is in memory. */
public final class JsonLimits {

    public static final int MOST_BYTES = 20_000_000;
    /** Values, names, and the beginnings and ends of objects and lists: about 375 000 places of a line, or 20 000 bites with all their notes. */
    static final int MOST_TOKENS = 1_500_000;

    static final int DEEPEST = 60;
    private static final int LONGEST_NUMBER = 100;
    private static final int LONGEST_TEXT = 200_000;
    private static final int LONGEST_NAME = 1_000;

    private JsonLimits() {}

    private static final JsonMapper READER = reader();

    /** A field that an object has twice is refused. */
    private static JsonMapper reader() {
        JsonFactory factory = JsonFactory.builder()
                .streamReadConstraints(StreamReadConstraints.builder()
                        .maxDocumentLength(MOST_BYTES)
                        .maxTokenCount(MOST_TOKENS)
                        .maxNestingDepth(DEEPEST)
                        .maxNumberLength(LONGEST_NUMBER)
                        .maxStringLength(LONGEST_TEXT)
                        .maxNameLength(LONGEST_NAME)
                        .build())
                .build();
        return JsonMapper.builder(factory)
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .enable(
                        DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS,
                        DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                .build();
    }

    /**
     * Reads a file.
     *
     * @throws EventFileException when it is none, or too large
     */
    public static JsonNode read(InputStream in) throws EventFileException {
        try {
            return READER.readTree(in);
        } catch (JacksonException | NumberFormatException e) {
            throw refusal(e);
        }
    }

    /** Reads a text, as {@link #read(InputStream)} does. */
    public static JsonNode read(String text) throws EventFileException {
        try {
            return READER.readTree(text);
        } catch (JacksonException | NumberFormatException e) {
            throw refusal(e);
        }
    }

    private static EventFileException refusal(RuntimeException e) {
        JacksonException at = e instanceof JacksonException known ? known : null;
        String where = at == null || at.getLocation() == null
                ? ""
                : " at line " + at.getLocation().getLineNr() + ", column "
                        + at.getLocation().getColumnNr();
        String words = at == null ? String.valueOf(e.getMessage()) : at.getOriginalMessage();
        String what = e instanceof StreamConstraintsException
                ? "is too large" + where + ": at most " + MOST_BYTES / 1_000_000 + " MB with " + MOST_TOKENS
                        + " values and names, nested " + DEEPEST + " deep, with texts of " + LONGEST_TEXT
                        + " characters and numbers of " + LONGEST_NUMBER + " digits, are read"
                : "is no JSON" + where + ": "
                        + String.valueOf(words).lines().findFirst().orElse("");
        return new EventFileException(List.of(new EventFileException.Problem("", what)));
    }
}
