package org.ysometron.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LineMap;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreeScanner;
import com.sun.source.util.Trees;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.ysometron.core.method.Method;

/** The law of the core. Each message names the breach, both ends and the remedy. */
class ArchitectureTest {

    private static final int LONGEST = 40;

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
                        "com.ezylang.evalex..",
                        "de.siegmar.fastcsv..",
                        "org.hipparchus..",
                        "org.apache.commons.numbers..",
                        "org.yaml.snakeyaml..",
                        "com.google.auto.service..",
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
    void noMethodIsNamedOutsideItsRoom() {
        noClasses()
                .that()
                .resideOutsideOfPackage("org.ysometron.core.method")
                .should()
                .dependOnClassesThat(com.tngtech.archunit.base.DescribedPredicate.describe(
                        "are one of the methods",
                        one -> one.isAssignableTo(Method.class) && !one.isEquivalentTo(Method.class)))
                .because(
                        "whatever offers methods goes by their data, so that the next one needs no line here: ask Methods")
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

    /** A method is read at one look: its body has 40 lines at the most, counted from brace to brace by the compiler's own tree. */
    @Test
    void noMethodIsLongerThanOneLook() throws Exception {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        List<String> longer = new ArrayList<>();
        try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null);
                Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            List<Path> sources =
                    files.filter(file -> file.toString().endsWith(".java")).toList();
            JavacTask task = (JavacTask) compiler.getTask(
                    null, manager, null, List.of(), null, manager.getJavaFileObjectsFromPaths(sources));
            SourcePositions positions = Trees.instance(task).getSourcePositions();
            for (CompilationUnitTree unit : task.parse()) {
                new TreeScanner<Void, Void>() {
                    @Override
                    public Void visitMethod(MethodTree method, Void nothing) {
                        if (method.getBody() != null) {
                            LineMap lines = unit.getLineMap();
                            long from = lines.getLineNumber(positions.getStartPosition(unit, method.getBody()));
                            long to = lines.getLineNumber(positions.getEndPosition(unit, method.getBody()));
                            if (to - from + 1 > LONGEST) {
                                longer.add(method.getName() + " of "
                                        + unit.getSourceFile().getName() + ": " + (to - from + 1));
                            }
                        }
                        return super.visitMethod(method, nothing);
                    }
                }.scan(unit, null);
            }
        }
        assertThat(longer)
                .as("give a part of it a name of its own; lines of each")
                .isEmpty();
    }

    private static boolean holdsJava(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.anyMatch(file -> file.toString().endsWith(".java"));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
