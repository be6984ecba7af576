package lochan.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaCodeUnit;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTag;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.HashSet;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import org.jspecify.annotations.NullMarked;

/** The borders of the application: features meet through services, and records stop at repositories. */
@ArchTag("slow")
@AnalyzeClasses(packages = "lochan", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final Pattern WRITING = Pattern.compile(
            "insertInto|update|deleteFrom|mergeInto|batch.*|store|executeInsert|executeUpdate|newRecord");

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

    /** An event kept in memory is valid until one of these methods runs. */
    @ArchTest
    static final ArchRule WHAT_WRITES_TO_AN_EVENT_IS_MARKED = methods()
            .that()
            .areDeclaredInClassesThat()
            .haveSimpleNameEndingWith("Repository")
            .and(DescribedPredicate.describe("write to an event", ArchitectureTest::writesToAnEvent))
            .should(onlyBeCalledFrom(
                    "a method that is @EventWrite",
                    caller -> caller.isAnnotatedWith(EventWrite.class)
                            || caller.getOwner().getSimpleName().matches(".*Repository|EventWrites|EventRevisions")));

    private static boolean writesToAnEvent(JavaMethod method) {
        return method.getRawParameterTypes().stream().anyMatch(t -> t.isEquivalentTo(EventKey.class))
                && writes(method, new HashSet<>());
    }

    private static boolean writes(JavaMethod method, Set<JavaMethod> seen) {
        return seen.add(method)
                && method.getMethodCallsFromSelf().stream()
                        .anyMatch(call -> WRITING.matcher(call.getName()).matches()
                                        && call.getTargetOwner()
                                                .getPackageName()
                                                .startsWith("org.jooq")
                                || call.getTargetOwner().equals(method.getOwner())
                                        && call.getTarget().resolveMember().stream()
                                                .anyMatch(m -> writes(m, seen)));
    }

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
            .resideInAPackage("lochan.web..")
            .and()
            .haveNameMatching(".*(Controller|Repository|Form)")
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
            .definedBy("lochan.web.modelling..", "lochan.web.lake..")
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

    private static ArchCondition<JavaMethod> onlyBeCalledFrom(String what, Predicate<JavaCodeUnit> fits) {
        return new ArchCondition<>("only be called from " + what) {
            @Override
            public void check(JavaMethod method, ConditionEvents events) {
                method.getCallsOfSelf().stream()
                        .filter(call -> !fits.test(call.getOrigin()))
                        .forEach(call -> events.add(SimpleConditionEvent.violated(method, call.getDescription())));
            }
        };
    }
}
