package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Templates, scripts and styles as they stand in the sources. */
class PageSourcesTest {

    private static final Path RESOURCES = Path.of("src/main/resources");

    private static Stream<Path> files(String folder, String ending) throws IOException {
        return Files.walk(RESOURCES.resolve(folder)).filter(p -> p.toString().endsWith(ending));
    }

    /** An expression evaluated twice, or not escaped, would let a typed or imported name run as code. */
    @Test
    void templatesEvaluateNothingThatAnAnglerTyped() throws IOException {
        Pattern unsafe = Pattern.compile("__\\$\\{|th:utext|\\[\\(\\$");
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates).isNotEmpty().allSatisfy(t -> assertThat(Files.readString(t))
                    .doesNotContainPattern(unsafe));
        }
    }

    /** A name that nothing gives is null: what it stands for is left out of the page without a word. */
    @Test
    void templatesNameOnlyWhatTheyAreGiven() throws IOException {
        Set<String> given = new HashSet<>(Set.of("_csrf"));
        try (Stream<Path> sources = Files.walk(Path.of("src/main/java"))) {
            for (Path source :
                    sources.filter(p -> p.toString().endsWith(".java")).toList()) {
                String java = Files.readString(source);
                for (String components : found("record \\w+(?:<[^>]*>)?\\(((?:[^()]|\\([^()]*\\))*)\\)", java)) {
                    Stream.of(components.split(","))
                            .map(c -> c.strip().replaceAll(".*\\W", ""))
                            .forEach(given::add);
                }
                given.addAll(found("(?:Attribute|setVariable)\\(\\s*\"(\\w+)\"", java));
            }
        }
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates).allSatisfy(t -> assertThat(names(Files.readString(t)))
                    .as(t.toString())
                    .allMatch(given::contains));
        }
    }

    private static final Set<String> WORDS_OF_EXPRESSIONS = Set.of("null", "true", "false", "and", "or", "not");

    /** Names that a template's expressions begin with and that it does not make itself. */
    private static Set<String> names(String template) {
        Set<String> own = new HashSet<>(WORDS_OF_EXPRESSIONS);
        own.addAll(found("th:each=\"(\\w+)", template));
        own.addAll(found("th:each=\"\\w+, (\\w+)", template));
        found("th:with=\"([^\"]*)\"", template).forEach(w -> own.addAll(found("(?:^|,)\\s*(\\w+)\\s*=", w)));
        found("th:fragment=\"\\w+\\(([^)]*)\\)", template).forEach(f -> own.addAll(found("(\\w+)", f)));
        Set<String> names = new HashSet<>();
        for (String expression : found("\\$\\{([^}]*)\\}", template)) {
            names.addAll(found("(?<![\\w.#@])([a-z]\\w*+)(?!\\()", expression.replaceAll("'[^']*'|T\\([^)]*\\)", "")));
        }
        names.removeAll(own);
        return names;
    }

    private static List<String> found(String pattern, String text) {
        return Pattern.compile(pattern)
                .matcher(text)
                .results()
                .map(m -> m.group(1))
                .toList();
    }

    /** Print templates are not pages: they hold their own style. */
    @Test
    void pagesHoldNoInlineScriptOrStyle() throws IOException {
        Pattern inline = Pattern.compile(
                "<script(?![^>]*src=)|<style|\\sstyle=|\\son[a-z]+=\"|https?://(?!www\\.thymeleaf\\.org)");
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates.filter(t -> !t.getParent().endsWith("print")))
                    .allSatisfy(t -> assertThat(Files.readString(t)).doesNotContainPattern(inline));
        }
    }

    @Test
    void scriptsAndStylesLoadNothingFromElsewhere() throws IOException {
        try (Stream<Path> scripts = files("static/js", ".js")) {
            assertThat(scripts).isNotEmpty().allSatisfy(s -> assertThat(Files.readString(s))
                    .doesNotContainPattern("https?://"));
        }
        assertThat(Files.readString(Path.of("src/main/css/lochan.css"))).doesNotContainPattern("https?://");
    }
}
