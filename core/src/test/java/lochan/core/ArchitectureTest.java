package lochan.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTag;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The core is plain Java: no framework, no clock, no input or output, no randomness but a seed passed in. */
@ArchTag("slow")
@AnalyzeClasses(packages = "lochan.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule DEPENDS_ON_PLAIN_LIBRARIES = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "lochan.core..",
                    "java.lang..",
                    "java.util..",
                    "java.time..",
                    "java.math..",
                    "java.text..",
                    "org.apache.commons.statistics..",
                    "org.apache.commons.rng..",
                    "org.shredzone.commons.suncalc..",
                    "org.ejml..",
                    "org.tinfour..",
                    "org.jspecify.annotations..",
                    "io.soabase.recordbuilder.core..",
                    "net.sf.geographiclib..",
                    "mil.nga.mgrs..",
                    "mil.nga.grid..");

    @ArchTest
    static final ArchRule PACKAGES_HAVE_NO_CYCLES =
            slices().matching("lochan.core.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule ASKS_NO_CLOCK = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime")
            .orShould()
            .dependOnClassesThat()
            .areAssignableTo(java.util.Random.class);

    @ArchTest
    static final ArchRule HAS_NO_SETTERS =
            noMethods().that().haveRawReturnType(void.class).should().haveNameMatching("set[A-Z].*");

    @ArchTest
    static final ArchRule HAS_NO_CHANGEABLE_STATICS =
            fields().that().areStatic().should().haveModifier(JavaModifier.FINAL);
}
