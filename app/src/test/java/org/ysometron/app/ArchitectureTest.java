package org.ysometron.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.stereotype.Controller;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The law of the application. Each message names the breach, both ends and the remedy. */
class ArchitectureTest {

    /** The way data walks; a slice may know those before it and none behind it. */
    private static final List<String> WAY = List.of(
            "design",
            "product",
            "lot",
            "equipment",
            "line",
            "plan",
            "make",
            "intake",
            "bench",
            "curve",
            "evidence",
            "drift",
            "gate",
            "demo");

    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.ysometron.app");

    @Test
    void slicesKnowOnlyThoseBeforeThem() {
        LayeredArchitecture law = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String slice : WAY) {
            law = law.layer(slice).definedBy("org.ysometron.app." + slice + "..");
        }
        for (int i = 0; i < WAY.size(); i++) {
            String[] behind = WAY.subList(i + 1, WAY.size()).toArray(String[]::new);
            law = behind.length == 0
                    ? law.whereLayer(WAY.get(i)).mayNotBeAccessedByAnyLayer()
                    : law.whereLayer(WAY.get(i)).mayOnlyBeAccessedByLayers(behind);
        }
        law.because("data walks one way; let the earlier slice publish an event or an interface instead")
                .check(APP);
    }

    @Test
    void slicesFormNoCycle() {
        slices().matching("org.ysometron.app.(*)..")
                .should()
                .beFreeOfCycles()
                .because("each slice must be readable alone")
                .check(APP);
    }

    @Test
    void whatASliceKeepsToItselfIsNotPublic() {
        for (Class<?> kind : List.of(Entity.class, Controller.class)) {
            classes()
                    .that()
                    .areAnnotatedWith(kind.getName())
                    .should()
                    .notBePublic()
                    .because("other slices go through the slice's component; make it package-private")
                    .check(APP);
        }
        classes()
                .that()
                .areAssignableTo(Repository.class)
                .should()
                .notBePublic()
                .because("tables belong to one slice; make the repository package-private")
                .check(APP);
    }

    @Test
    void noMethodIsNamedOutsideItsRoom() {
        noClasses()
                .that()
                .resideOutsideOfPackage("org.ysometron.app.demo")
                .should()
                .dependOnClassesThat(com.tngtech.archunit.base.DescribedPredicate.describe(
                        "are one of the methods",
                        one -> one.isAssignableTo(org.ysometron.core.method.Method.class)
                                && !one.isEquivalentTo(org.ysometron.core.method.Method.class)))
                .because("pages go by a method's data, so that the next one needs no line here: ask Methods")
                .check(APP);
    }

    @Test
    void instrumentsAreKnownByTheirLineAlone() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.ysometron.instruments.standin..")
                .because("a stand-in is a process of its own: the application knows the line that it speaks")
                .check(APP);
        noClasses()
                .that()
                .resideOutsideOfPackage("org.ysometron.app.line")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.ysometron.instruments..")
                .because("what came is asked of Presses and Streams, so that another driver touches nothing else")
                .check(APP);
    }

    @Test
    void whatIsTypedHasOneReader() {
        noClasses()
                .that()
                .resideOutsideOfPackage("org.ysometron.app.demo")
                .and()
                // A field's example tells which unit a bare number is meant in: read there, typed by nobody.
                .doNotHaveFullyQualifiedName("org.ysometron.app.intake.Field")
                .and()
                .doNotHaveFullyQualifiedName(org.ysometron.app.web.Entry.class.getName())
                .should()
                .callMethod(Typed.class, "read", String.class, String.class, UnitOfMeasure.class)
                .because("forms are read by Entry and readings by their method's sheet")
                .check(APP);
    }

    @Test
    void noPackageIsNamedForNothing() {
        noClasses()
                .should()
                .resideInAnyPackage(
                        "..util..", "..common..", "..helper..", "..dto..", "..model..", "..impl..", "..service..")
                .because("a package is named for the question it answers")
                .check(APP);
    }

    @Test
    void everyPackageSaysWhatItAnswers() throws IOException {
        try (Stream<Path> folders = Files.walk(Path.of("src/main/java/org/ysometron"))) {
            for (Path folder : folders.filter(Files::isDirectory)
                    .filter(f -> !f.endsWith("ysometron"))
                    .toList()) {
                Path info = folder.resolve("package-info.java");
                assertThat(info)
                        .as("%s needs a package-info that says which question it answers", folder)
                        .exists();
                assertThat(Files.readString(info)).as(info.toString()).contains("@NullMarked", "?");
            }
        }
    }

    @Test
    void templatesEscapeTextAndHoldNoScriptOrStyle() throws IOException {
        Pattern breach =
                Pattern.compile("th:utext|\\[\\(|\\sstyle=|th:style|<style|\\son[a-z]+=|<script(?![^>]*th:src)");
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                assertThat(breach.matcher(Files.readString(file))
                                .results()
                                .map(r -> r.group())
                                .toList())
                        .as("%s: the content policy forbids inline script and style, and text is always escaped", file)
                        .isEmpty();
            }
        }
    }
}
