package lochan.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.TreeMap;

/** Writes the messages the phone needs as a Java class, which takes the place of {@link MessageFile} in its modules. */
public final class PhoneMessages {

    private static final String CLASS = """
            package lochan.offline.words;

            import java.util.HashMap;
            import java.util.Map;

            /** Has the messages of the phone; made from the message files. */
            public final class JsMessageFile {

                private JsMessageFile() {}

                public static Map<String, String> read(String file) {
                    Map<String, String> messages = new HashMap<>();
                    String text = text(file);
                    int at = 0;
                    while (at < text.length()) {
                        int value = text.indexOf('=', at) + 1;
                        int end = text.indexOf('\\n', value);
                        messages.put(text.substring(at, value - 1), text.substring(value, end));
                        at = end + 1;
                    }
                    return messages;
                }

                private static String text(String file) {
                    return switch (file) {
            CASES            default -> throw new IllegalArgumentException(file);
                    };
                }
            }
            """;
    private static final String PACKAGE = """
            /** Has the messages of the phone. */
            @org.jspecify.annotations.NullMarked
            package lochan.offline.words;
            """;

    private PhoneMessages() {}

    /**
     * Writes the class.
     *
     * @param args the folder of the sources, and the names of the message files
     */
    public static void main(String... args) throws IOException {
        StringBuilder cases = new StringBuilder();
        for (String file : Arrays.copyOfRange(args, 1, args.length)) {
            StringBuilder text = new StringBuilder();
            new TreeMap<>(MessageFile.read(file)).forEach((key, value) -> text.append(key + "=" + value + "\n"));
            cases.append("            case \"" + file + "\" -> " + literal(text.toString()) + ";\n");
        }
        Path folder = Path.of(args[0], "lochan", "offline", "words");
        Files.createDirectories(folder);
        write(folder.resolve("JsMessageFile.java"), CLASS.replace("CASES", cases));
        write(folder.resolve("package-info.java"), PACKAGE);
    }

    /** Writes a source unless it is there already, so that it isn't compiled again. */
    private static void write(Path source, String text) throws IOException {
        if (!Files.exists(source) || !Files.readString(source).equals(text)) {
            Files.writeString(source, text);
        }
    }

    private static String literal(String text) {
        return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + '"';
    }
}
