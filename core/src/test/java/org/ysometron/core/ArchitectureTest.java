package org.ysometron.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The law of the core. Each message names the breach, both ends and the remedy. */
class ArchitectureTest {

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.ysometron.core");

    @Test
    void coreKnowsOnlyJavaMathematicsAndUnits() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "org.ysometron.core..",
                        "java.lang..",
                        "java.util..",
                        "java.math..",
                        "java.io",
                        "java.nio.charset",
                        "java.time..",
                        "de.siegmar.fastcsv..",
                        "org.hipparchus..",
                        "org.apache.commons.numbers..",
                        "javax.measure..",
                        "tech.units..",
                        "org.jspecify..")
                .because("the core is arithmetic and rules only; hand what it needs in as an argument from app")
                .check(CORE);
    }

    @Test
    void coreNeverReadsTheClock() {
        noClasses()
                .should()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .dependOnClassesThat()
                .areAssignableTo(java.time.InstantSource.class)
                .orShould()
                .callMethodWhere(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                        com.tngtech.archunit.core.domain.properties.HasName.Predicates.name("now")))
                .because("time is passed in, so that a case computed today can be computed again next year")
                .check(CORE);
    }

    @Test
    void packagesFormNoCycle() {
        slices().matching("org.ysometron.core.(*)..")
                .should()
                .beFreeOfCycles()
                .because("each room must be readable alone; move the shared type to the lower room")
                .check(CORE);
    }

    @Test
    void noPackageIsNamedForNothing() {
        noClasses()
                .should()
                .resideInAnyPackage(
                        "..util..", "..common..", "..helper..", "..dto..", "..model..", "..impl..", "..service..")
                .because("a package is named for the question it answers")
                .check(CORE);
    }

    @Test
    void everyPackageSaysWhatItAnswersAndIsNullMarked() throws Exception {
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            for (Path folder : files.filter(Files::isDirectory)
                    .filter(ArchitectureTest::holdsJava)
                    .toList()) {
                Path info = folder.resolve("package-info.java");
                assertThat(info)
                        .as("%s needs a package-info that says which question it answers", folder)
                        .exists();
                assertThat(Files.readString(info)).as(info.toString()).contains("@NullMarked", "<p>");
            }
        }
    }

    private static boolean holdsJava(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.anyMatch(file -> file.toString().endsWith(".java"));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
