package lochan.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTag;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import org.jspecify.annotations.NullMarked;

/** The borders of the application: features meet through services, and records stop at repositories. */
@ArchTag("slow")
@AnalyzeClasses(packages = "lochan", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule DATABASE_STOPS_AT_THE_REPOSITORY = noClasses()
            .that()
            .resideInAPackage("lochan.web..")
            .and()
            .resideOutsideOfPackage("lochan.web.db..")
            .and()
            .haveSimpleNameNotEndingWith("Repository")
            .and()
            .haveSimpleNameNotEndingWith("Row")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "lochan.web.db..");

    @ArchTest
    static final ArchRule WHAT_MAY_BE_NULL_IS_SAID = classes()
            .that()
            .resideOutsideOfPackage("lochan.web.db..")
            .should(ArchCondition.from(DescribedPredicate.describe(
                    "be in a package that is @NullMarked", c -> c.getPackage().isAnnotatedWith(NullMarked.class))));

    @ArchTest
    static final ArchRule SPRING_STOPS_AT_THE_WEB = noClasses()
            .that()
            .resideInAnyPackage("lochan.core..", "lochan.store..", "lochan.eventformat..", "lochan.offline..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.springframework..");

    @ArchTest
    static final ArchRule WHAT_RUNS_IN_THE_PAGE_KNOWS_NO_SERVER = noClasses()
            .that()
            .resideInAPackage("lochan.offline..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "org.jooq..",
                    "lochan.store..",
                    "lochan.web..",
                    "java.sql..",
                    "java.net..",
                    "java.io..");

    @ArchTest
    static final ArchRule CONTROLLERS_AND_REPOSITORIES_STAY_IN_THEIR_FEATURE = classes()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .or()
            .haveSimpleNameEndingWith("Repository")
            .or()
            .haveSimpleNameEndingWith("Form")
            .and()
            .doNotHaveSimpleName("Form")
            .should()
            .notBePublic();

    @ArchTest
    static final ArchRule THE_EVENT_FORMAT_NEEDS_NO_DATABASE_AND_NO_SERVER = noClasses()
            .that()
            .resideInAPackage("lochan.eventformat..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "org.jooq..", "lochan.store..", "lochan.web..", "java.sql..");

    @ArchTest
    static final ArchRule PACKAGES_HAVE_NO_CYCLES =
            slices().matching("lochan.web.(*)..").should().beFreeOfCycles();

    /** A layer may use those after it. */
    @ArchTest
    static final ArchRule FEATURES_STAND_ON_MODELLING_AND_THE_EVENT_BOOK = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("app")
            .definedBy("lochan.web.app..", "lochan.web.demo..")
            .layer("features")
            .definedBy(
                    "lochan.web.rules..",
                    "lochan.web.map..",
                    "lochan.web.spot..",
                    "lochan.web.practice..",
                    "lochan.web.weather..",
                    "lochan.web.tracklog..",
                    "lochan.web.rankings..",
                    "lochan.web.plan..",
                    "lochan.web.gear..",
                    "lochan.web.tackle..",
                    "lochan.web.competition..")
            .layer("modelling")
            .definedBy("lochan.web.modelling..")
            .layer("eventbook")
            .definedBy("lochan.web.eventbook..")
            .layer("shared")
            .definedBy("lochan.web.shared..")
            .whereLayer("app")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("features")
            .mayOnlyBeAccessedByLayers("app")
            .whereLayer("modelling")
            .mayOnlyBeAccessedByLayers("app", "features")
            .whereLayer("eventbook")
            .mayOnlyBeAccessedByLayers("app", "features", "modelling");

    @ArchTest
    static final ArchRule TIME_COMES_FROM_THE_ONE_CLOCK = noClasses()
            .that()
            .resideInAnyPackage("lochan.web..", "lochan.offline..")
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");
}
