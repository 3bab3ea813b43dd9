package org.evensheen.app;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaAccess.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.simpleName;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.name;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.evensheen.app.studies.Behind;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
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

    /** What the codes of a closed study stand for has one gate; every other way to a name would be found here. */
    @Test
    void aContendersNameIsReachedThroughTheGateOnly() {
        noClasses()
                .that(not(anyOf(Study.class, StudyStore.class, Key.class, Judging.class, Behind.class)))
                .should()
                .callMethodWhere(target(owner(type(Behind.class)))
                        .or(target(owner(type(Study.class))).and(target(name("behind")))))
                .check(ALL);
        noClasses()
                .that(not(anyOf(Key.class)))
                .should()
                .callMethodWhere(target(owner(type(Study.class))).and(target(name("named"))))
                .check(ALL);
        noClasses()
                .that(not(resideInAPackage("..demo..")))
                .should()
                .callMethod(Key.class, "forTheStandIns", Study.class)
                .check(ALL);
        noClasses()
                .that(not(simpleName("RunMaker").or(simpleName("StudyScreen")).or(simpleName("PrintController"))))
                .should()
                .callMethod(Key.class, "forReckoning", Study.class)
                .because("what is reckoned from names is told in counts, and ClosedKeyTest looks at what these show")
                .check(ALL);
    }

    /** Names come out of the database where they are held back while a key is closed, and nowhere else. */
    @Test
    void onlyStoresThatKnowOfTheKeyJoinContendersToTheirProducts() throws IOException {
        Path sources = Files.exists(Path.of("src/main/java")) ? Path.of("src/main/java") : Path.of("app/src/main/java");
        try (Stream<Path> files = Files.walk(sources)) {
            assertThat(files.filter(f -> f.toString().endsWith(".java"))
                            .filter(f -> joins(f))
                            .map(f -> f.getFileName().toString()))
                    .containsExactlyInAnyOrder(
                            "StudyStore.java", "BedStore.java", "EarlierStore.java", "StandingStore.java");
        }
    }

    /** Numbers become text alike on every machine, and no page or class types a measure or an option of its own again. */
    @Test
    void nothingLeansOnTheMachinesLocaleAndNothingAsksWhichMeasureItHas() throws IOException {
        Path root = Files.exists(Path.of("core")) ? Path.of(".") : Path.of("..");
        List<String> leaning = new ArrayList<>();
        List<String> asking = new ArrayList<>();
        for (String module : List.of("core", "app", "standins")) {
            try (Stream<Path> files = Files.walk(root.resolve(module).resolve("src/main"))) {
                for (Path file : files.filter(f -> f.toString().matches(".*\\.(java|html)"))
                        .toList()) {
                    String text = Files.readString(file);
                    String name = file.getFileName().toString();
                    boolean bare = text.matches("(?s).*\"[^\"\n]*%[-+, 0-9]*\\.\\d+[feg][^\"\n]*\"\\s*\\.formatted.*")
                            || text.matches("(?s).*to(Lower|Upper)Case\\(\\).*");
                    if (name.endsWith("java") && bare) {
                        leaning.add(name);
                    }
                    boolean asks = text.matches("(?s).*(case (PULL|DROP|GLOSS|FOAM)\\b|== Measures?\\.[A-Z]).*")
                            || name.endsWith("html") && text.matches("(?s).*measure == '.*");
                    if (asks && !file.toString().contains("core/measure/")) {
                        asking.add(name);
                    }
                }
            }
        }
        // Parts of a sheet and kinds of instrument have names of their own.
        assertThat(leaning).isEmpty();
        assertThat(asking).isEmpty();
    }

    private static boolean joins(Path file) {
        try {
            String text = Files.readString(file);
            return text.contains("contender") && text.matches("(?s).*(from|join) product [a-z]\\b.*");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static DescribedPredicate<JavaClass> anyOf(Class<?>... classes) {
        return DescribedPredicate.describe(
                "the gate", c -> Stream.of(classes).anyMatch(k -> c.getName().startsWith(k.getName())));
    }

    @Test
    void partsOfTheApplicationDoNotGoInCircles() {
        slices().matching("org.evensheen.app.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void onlyStoresSpeakSqlAndControllersStayAmongTheirOwn() {
        noClasses()
                .that(not(DescribedPredicate.describe(
                        "stores, what brings records into a home before there is an application, and what tells a trouble by its code",
                        c -> c.getName()
                                .replaceAll("\\$.*", "")
                                .matches(".*Store|.*\\.backups\\.Program|.*\\.page\\.Trouble"))))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc..", "java.sql..", "javax.sql..")
                .check(ALL);
        classes()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .bePackagePrivate()
                .check(ALL);
    }
}
