package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Templates, scripts and styles as they stand in the sources. */
class PageSourcesTest {

    private static final Path RESOURCES = Path.of("src/main/resources");

    private static Stream<Path> files(String folder, String ending) throws IOException {
        return Files.walk(RESOURCES.resolve(folder)).filter(p -> p.toString().endsWith(ending));
    }

    /** What is evaluated twice, or not escaped, lets a name typed or imported run as code. */
    @Test
    void templatesEvaluateNothingThatAnAnglerTyped() throws IOException {
        Pattern unsafe = Pattern.compile("__\\$\\{|th:utext|\\[\\(\\$");
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates).isNotEmpty().allSatisfy(t -> assertThat(Files.readString(t))
                    .doesNotContainPattern(unsafe));
        }
    }

    /** What is printed is no page: it holds its style. */
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
