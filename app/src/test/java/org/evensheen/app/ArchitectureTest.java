package org.evensheen.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.evensheen");

    @Test
    void coreKnowsNothingOfTheFrameworkTheDatabaseOrThePages() {
        noClasses()
                .that()
                .resideInAPackage("..core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "java.sql..",
                        "javax.sql..",
                        "jakarta..",
                        "java.net..",
                        "org.thymeleaf..")
                .check(ALL);
    }

    @Test
    void dependenciesPointOneWay() {
        noClasses()
                .that()
                .resideInAPackage("org.evensheen.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.evensheen.app..", "org.evensheen.standins..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("org.evensheen.standins..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.evensheen.app..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("org.evensheen.app..")
                .and()
                .resideOutsideOfPackage("org.evensheen.app.demo..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.evensheen.standins..")
                .because("the application can't tell a stand-in from the real thing")
                .check(ALL);
    }

    @Test
    void partsOfTheApplicationDoNotGoInCircles() {
        slices().matching("org.evensheen.app.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void onlyStoresSpeakSqlAndControllersStayAmongTheirOwn() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Page")
                .or()
                .haveSimpleNameEndingWith("Drawing")
                .or()
                .haveSimpleNameEndingWith("Writer")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.springframework.jdbc..")
                .check(ALL);
        classes()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .bePackagePrivate()
                .check(ALL);
    }
}
