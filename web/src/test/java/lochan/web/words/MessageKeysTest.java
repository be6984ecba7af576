package lochan.web.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lochan.core.ReasonCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Holds the message files and the program together: each key is used, each key used has a message, and its values are
 * those it gets.
 */
@Tag("slow")
class MessageKeysTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final Path FILES = ROOT.resolve("wording/src/main/resources/messages");
    private static final Pattern IN_JAVA = Pattern.compile("\"([a-z]+\\.[a-z0-9-]+)\"");
    private static final Pattern IN_TEMPLATE = Pattern.compile("#\\{([a-z]+\\.[a-z0-9-]+)");
    private static final Pattern PLACE = Pattern.compile("\\{(\\d+)");

    private static TreeMap<String, String> messages() throws IOException {
        TreeMap<String, String> messages = new TreeMap<>();
        try (Stream<Path> files = Files.list(FILES)) {
            for (Path file : files.toList()) {
                Properties properties = new Properties();
                try (var in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
                    properties.load(in);
                }
                String name = file.getFileName().toString().replace(".properties", "");
                properties.stringPropertyNames().forEach(k -> messages.put(name + "." + k, properties.getProperty(k)));
            }
        }
        return messages;
    }

    private static Stream<ReasonCode> codes() {
        return new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS).importPackages("lochan").stream()
                        .filter(c -> c.isAssignableTo(ReasonCode.class) && c.isEnum())
                        .map(JavaClass::reflect)
                        .flatMap(c -> Arrays.stream((ReasonCode[]) c.getEnumConstants()));
    }

    /** Returns the keys of the enums, and the literals that look like a key of a file there is. */
    private static Set<String> used() throws IOException {
        Set<String> used = new TreeSet<>();
        Set<String> files = messages().keySet().stream()
                .map(k -> k.substring(0, k.indexOf('.')))
                .collect(Collectors.toSet());
        codes().forEach(c -> used.add(c.key()));
        try (Stream<Path> sources = Files.walk(ROOT)) {
            for (Path source : sources.filter(p -> p.toString().contains("/src/main/")
                            && (p.toString().endsWith(".java") || p.toString().endsWith(".html")))
                    .toList()) {
                Pattern pattern = source.toString().endsWith(".java") ? IN_JAVA : IN_TEMPLATE;
                Matcher keys = pattern.matcher(Files.readString(source));
                while (keys.find()) {
                    String key = keys.group(1);
                    if (files.contains(key.substring(0, key.indexOf('.')))) {
                        used.add(key);
                    }
                }
            }
        }
        return used;
    }

    @Test
    void everyKeyHasAMessageAndEveryMessageIsUsed() throws IOException {
        assertThat(used()).isEqualTo(messages().keySet());
    }

    @Test
    void noMessageNamesAValueItsReasonDoesNotGive() throws IOException {
        TreeMap<String, String> messages = messages();
        codes().forEach(code -> {
            Matcher places = PLACE.matcher(messages.getOrDefault(code.key(), ""));
            while (places.find()) {
                assertThat(Integer.parseInt(places.group(1))).as(code.key()).isLessThan(code.arity());
            }
        });
    }
}
