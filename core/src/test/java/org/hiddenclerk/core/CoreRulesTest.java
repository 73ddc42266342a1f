package org.hiddenclerk.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

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
