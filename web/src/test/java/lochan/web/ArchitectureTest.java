package lochan.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The borders of the application: features meet through services, records stop at repositories, templates and scripts only show. */
@AnalyzeClasses(packages = "lochan", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final Path RESOURCES = Path.of("src/main/resources");

    @ArchTest
    static final ArchRule DATABASE_STOPS_AT_THE_REPOSITORY = noClasses().that().resideInAPackage("lochan.web..")
            .and().resideOutsideOfPackage("lochan.web.db..").and().haveSimpleNameNotEndingWith("Repository")
            .should().dependOnClassesThat().resideInAnyPackage("org.jooq..", "lochan.web.db..");

    @ArchTest
    static final ArchRule SPRING_STOPS_AT_THE_WEB = noClasses().that().resideInAnyPackage("lochan.core..", "lochan.store..")
            .should().dependOnClassesThat().resideInAPackage("org.springframework..");

    @ArchTest
    static final ArchRule CONTROLLERS_AND_REPOSITORIES_STAY_IN_THEIR_FEATURE = classes().that().haveSimpleNameEndingWith("Controller")
            .or().haveSimpleNameEndingWith("Repository").or().haveSimpleNameEndingWith("Form").and().doNotHaveSimpleName("Form")
            .should().notBePublic();

    @ArchTest
    static final ArchRule THE_COMMAND_LINE_NEEDS_NO_DATABASE_AND_NO_SERVER = noClasses().that().resideInAnyPackage("lochan.web.cli..", "lochan.web.eventfile..")
            .should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "org.jooq..", "lochan.store..", "java.sql..");

    @ArchTest
    static final ArchRule TIME_COMES_FROM_THE_ONE_CLOCK = noClasses().that().resideInAPackage("lochan.web..")
            .should().callMethod(java.time.Instant.class, "now").orShould().callMethod(java.time.LocalDate.class, "now")
            .orShould().callMethod(System.class, "currentTimeMillis");

    private static Stream<Path> files(String folder, String ending) throws IOException {
        return Files.walk(RESOURCES.resolve(folder)).filter(p -> p.toString().endsWith(ending));
    }

    /** What is evaluated twice, or not escaped, lets a name typed or imported run as code. */
    @Test
    void templatesEvaluateNothingThatAnAnglerTyped() throws IOException {
        Pattern unsafe = Pattern.compile("__\\$\\{|th:utext|\\[\\(\\$");
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates).isNotEmpty().allSatisfy(t -> assertThat(Files.readString(t)).doesNotContainPattern(unsafe));
        }
    }

    @Test
    void pagesHoldNoInlineScriptOrStyle() throws IOException {
        Pattern inline = Pattern.compile("<script(?![^>]*src=)|<style|\\sstyle=|\\son[a-z]+=\"|https?://(?!www\\.thymeleaf\\.org)");
        try (Stream<Path> templates = files("templates", ".html")) {
            assertThat(templates).allSatisfy(t -> assertThat(Files.readString(t)).doesNotContainPattern(inline));
        }
    }

    @Test
    void scriptsAndStylesLoadNothingFromElsewhere() throws IOException {
        try (Stream<Path> scripts = files("static/js", ".js")) {
            assertThat(scripts).isNotEmpty().allSatisfy(s -> assertThat(Files.readString(s)).doesNotContainPattern("https?://"));
        }
        assertThat(Files.readString(Path.of("src/main/css/lochan.css"))).doesNotContainPattern("https?://");
    }
}
