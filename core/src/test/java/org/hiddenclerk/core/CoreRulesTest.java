package org.hiddenclerk.core;

import static com.tngtech.archunit.base.DescribedPredicate.doNot;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.belongToAnyOf;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.hiddenclerk.core.electrical.check.LeftOver;
import org.hiddenclerk.core.electrical.solving.FixedNets;
import org.hiddenclerk.core.electrical.solving.Neighbourhood;
import org.hiddenclerk.core.electrical.solving.Sets;
import org.hiddenclerk.core.electrical.solving.TruthTable;

/** What the core may know, and which stage may use which. */
@AnalyzeClasses(packages = "org.hiddenclerk.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreRulesTest {
    private static final String CORE = "org.hiddenclerk.core.";

    @ArchTest
    static final ArchRule coreKnowsOnlyTheJdkAndItsSolver = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "org.hiddenclerk.core..",
                    "java..",
                    "javax.crypto..",
                    "org.jspecify.annotations..",
                    "com.google.ortools..",
                    "org.shredzone.commons.suncalc..",
                    "org.dmfs.rfc5545..");

    @ArchTest
    static final ArchRule electricalUsesNoLaterStage = noClasses()
            .that()
            .resideInAPackage(CORE + "electrical..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    CORE + "job..", CORE + "catalogue..", CORE + "wiring..", CORE + "matching..", CORE + "fitting..");

    /** They are public for the rooms beside theirs, and for nobody else: whoever needs a proof asks WiringCheck. */
    @ArchTest
    static final ArchRule theInsideOfTheProofStaysInside = noClasses()
            .that()
            .resideOutsideOfPackage(CORE + "electrical..")
            .should()
            .dependOnClassesThat(resideInAPackage(CORE + "electrical.solving")
                    .and(doNot(belongToAnyOf(
                            TruthTable.class, FixedNets.class, Neighbourhood.class, Sets.class, Sets[].class))))
            .orShould()
            .dependOnClassesThat(resideInAPackage(CORE + "electrical.check").and(doNot(belongToAnyOf(LeftOver.class))));

    @ArchTest
    static final ArchRule draftsStayWithTheSchemesThatWriteThem = noClasses()
            .that()
            .resideOutsideOfPackage(CORE + "wiring..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage(CORE + "wiring.routing");

    @ArchTest
    static final ArchRule wiringUsesNoLaterStage = noClasses()
            .that()
            .resideInAPackage(CORE + "wiring..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(CORE + "matching..", CORE + "fitting..");

    @ArchTest
    static final ArchRule matchingUsesNoLaterStage = noClasses()
            .that()
            .resideInAPackage(CORE + "matching..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(CORE + "ordering..", CORE + "fitting..");

    @ArchTest
    static final ArchRule radioKnowsNoWiring = noClasses()
            .that()
            .resideInAPackage(CORE + "radio..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(CORE + "wiring..", CORE + "matching..", CORE + "ordering..", CORE + "fitting..");

    @ArchTest
    static final ArchRule onlyChoosingAndSchedulingKnowTheSolver = noClasses()
            .that()
            .resideOutsideOfPackages(CORE + "matching.allocation..", CORE + "day..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("com.google.ortools..");

    @ArchTest
    static final ArchRule onlySchedulesKnowSunAndCalendar = noClasses()
            .that()
            .resideOutsideOfPackage(CORE + "schedule..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.shredzone..", "org.dmfs..");

    @ArchTest
    static final ArchRule behavioursAndRulesKnowNoWiring = noClasses()
            .that()
            .resideInAnyPackage(CORE + "behaviour..", CORE + "rules..", CORE + "schedule..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    CORE + "electrical..", CORE + "job..", CORE + "wiring..", CORE + "matching..", CORE + "fitting..");

    @ArchTest
    static final ArchRule conductorsUseNoLaterStage = noClasses()
            .that()
            .resideInAPackage(CORE + "conductors..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(CORE + "wiring..", CORE + "matching..", CORE + "fitting..", CORE + "practice..");

    @ArchTest
    static final ArchRule theBenchKnowsNoStage = noClasses()
            .that()
            .resideInAnyPackage(CORE + "credentials..", CORE + "naming..", CORE + "firmware..", CORE + "bench..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    CORE + "electrical..",
                    CORE + "job..",
                    CORE + "wiring..",
                    CORE + "matching..",
                    CORE + "ordering..",
                    CORE + "fitting..");

    @ArchTest
    static final ArchRule nothingIsBuiltOnPractice = noClasses()
            .that()
            .resideOutsideOfPackage(CORE + "practice..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage(CORE + "practice..");

    /** Whoever reads one package need not read another one that needs it again. */
    @ArchTest
    static final ArchRule packagesGoRoundInNoCircle =
            slices().matching(CORE + "(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule nothingReadsAClock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(Math.class, "random");
}
