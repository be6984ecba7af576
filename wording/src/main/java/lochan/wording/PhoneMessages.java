package lochan.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.TreeMap;

/** Writes the messages the phone needs as a Java class, which takes the place of {@link MessageFile} in its modules. */
public final class PhoneMessages {

    private static final String NAME = "JsMessageFile";

    private PhoneMessages() {}

    /**
     * Writes the class.
     *
     * @param args the folder of the sources, and the names of the message files
     */
    public static void main(String... args) throws IOException {
        StringBuilder java = new StringBuilder("package lochan.offline.words;\n\n")
                .append(
                        "import java.util.HashMap;\nimport java.util.Map;\nimport org.jspecify.annotations.NullMarked;\n\n")
                .append("/** Has the messages of the phone; made from the message files. */\n")
                .append("public final class " + NAME + " {\n\n    private " + NAME + "() {}\n\n")
                .append("    public static Map<String, String> read(String file) {\n")
                .append("        Map<String, String> messages = new HashMap<>();\n")
                .append("        String text = text(file);\n        int at = 0;\n")
                .append("        while (at < text.length()) {\n")
                .append("            int value = text.indexOf('=', at) + 1;\n")
                .append("            int end = text.indexOf('\\n', value);\n")
                .append("            messages.put(text.substring(at, value - 1), text.substring(value, end));\n")
                .append("            at = end + 1;\n        }\n        return messages;\n    }\n\n")
                .append("    private static String text(String file) {\n        return switch (file) {\n");
        for (String file : Arrays.copyOfRange(args, 1, args.length)) {
            StringBuilder text = new StringBuilder();
            new TreeMap<>(MessageFile.read(file)).forEach((key, value) -> text.append(key + "=" + value + "\n"));
            java.append("            case \"" + file + "\" -> " + literal(text.toString()) + ";\n");
        }
        java.append("            default -> throw new IllegalArgumentException(file);\n        };\n    }\n");
        Path folder = Path.of(args[0], "lochan", "offline", "words");
        Files.createDirectories(folder);
        write(folder.resolve(NAME + ".java"), java.append("}\n").toString());
        write(
                folder.resolve("package-info.java"),
                "/** Has the messages of the phone. */\n@org.jspecify.annotations.NullMarked\npackage lochan.offline.words;\n");
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
