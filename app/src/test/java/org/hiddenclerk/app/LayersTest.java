package org.hiddenclerk.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

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
    static final ArchRule viewsHoldNoRows = noClasses()
            .that()
            .haveSimpleNameEndingWith("View")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameEndingWith("Repository");

    @ArchTest
    static final ArchRule controllersUseNoRepositories = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .dependOnClassesThat(JavaClass.Predicates.resideInAPackage("org.hiddenclerk..")
                    .and(JavaClass.Predicates.simpleNameEndingWith("Repository")));
}
