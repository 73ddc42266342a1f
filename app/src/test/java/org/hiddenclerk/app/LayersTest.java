package org.hiddenclerk.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Dependencies point one way: app to core, rows stay in the app. */
@AnalyzeClasses(packages = "org.hiddenclerk", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {

    @ArchTest
    static final ArchRule coreDoesNotKnowTheApplication = noClasses()
            .that()
            .resideInAPackage("org.hiddenclerk.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.hiddenclerk.app..",
                    "org.hiddenclerk.standins..",
                    "org.springframework..",
                    "jakarta..",
                    "tools.jackson..",
                    "java.sql..");

    @ArchTest
    static final ArchRule whatCarriesTheStagesKnowsNoneOfThem = noClasses()
            .that()
            .resideInAPackage("org.hiddenclerk.app.platform..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.hiddenclerk.app.stage..",
                    "org.hiddenclerk.app.job..",
                    "org.hiddenclerk.app.practice..",
                    "org.hiddenclerk.app.compute..",
                    "org.hiddenclerk.app.demo..");

    /** Also stages of the job lean on each other one way: whoever comes later knows the one before. */
    @ArchTest
    static final ArchRule packagesGoRoundInNoCircle =
            slices().matching("org.hiddenclerk.app.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule viewsAskNoRepositories = noClasses()
            .that()
            .haveSimpleNameEndingWith("View")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameEndingWith("Repository");

    /** A row goes no further than whatever keeps it: a view takes it apart, and holds none. */
    @ArchTest
    static final ArchRule viewsHaveNoRowAmongTheirFields = noFields()
            .that()
            .areDeclaredInClassesThat()
            .haveSimpleNameEndingWith("View")
            .should()
            .haveRawType(JavaClass.Predicates.simpleNameEndingWith("Row"));

    @ArchTest
    static final ArchRule controllersUseNoRepositories = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .dependOnClassesThat(JavaClass.Predicates.resideInAPackage("org.hiddenclerk..")
                    .and(JavaClass.Predicates.simpleNameEndingWith("Repository")));
}
