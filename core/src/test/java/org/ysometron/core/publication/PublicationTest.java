package org.ysometron.core.publication;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.publication.Completeness.Kind;
import org.ysometron.core.publication.Conflict.Difference;

class PublicationTest {

    private static final Terms FULL = Terms.of(
            new Conditions("tension", Basis.SOLID, Orientation.ZX, Conditioning.DRY, 5, "tension bar 4 × 4 mm, rev 1"));

    private static Statement statement(
            Topic topic, Form form, OptionalDouble value, OptionalDouble low, OptionalDouble high, Terms terms) {
        return new Statement(0, topic, form, "as typed", value, low, high, "", "", terms, 0);
    }

    private static Statement range(Topic topic, double value, double low, double high) {
        return statement(
                topic,
                Form.STATED,
                OptionalDouble.of(value),
                OptionalDouble.of(low),
                OptionalDouble.of(high),
                Terms.NONE);
    }

    private static Statement single(Topic topic, double value) {
        return statement(
                topic,
                Form.STATED,
                OptionalDouble.of(value),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Terms.NONE);
    }

    private static Statement atLeast(double low, Terms terms) {
        return statement(
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                Form.AT_LEAST,
                OptionalDouble.empty(),
                OptionalDouble.of(low),
                OptionalDouble.empty(),
                terms);
    }

    private static Statement words(Topic topic, String words) {
        return new Statement(
                0,
                topic,
                Form.STATED,
                words,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                words,
                "",
                Terms.NONE,
                0);
    }

    private static List<Conflict> against(Statement label, Statement web) {
        return Conflict.among(List.of(
                new Publication(Publication.Kind.LABEL, 1, List.of(label)),
                new Publication(Publication.Kind.WEB_PAGE, 2, List.of(web))));
    }

    /** M17: label and web page that disagree are found, with the respect in which they do. */
    @Test
    void conflictsAreFoundWhereTheyDiffer() {
        assertThat(against(single(Topic.NOZZLE_TEMPERATURE, 215), single(Topic.NOZZLE_TEMPERATURE, 230)))
                .singleElement()
                .satisfies(c -> {
                    assertThat(c.differences()).containsExactly(Difference.VALUE);
                    assertThat(c.isTested()).isFalse();
                    assertThat(c.entries()).hasSize(2);
                });
        assertThat(against(
                        range(Topic.NOZZLE_TEMPERATURE, 215, 200, 230), range(Topic.NOZZLE_TEMPERATURE, 215, 205, 225)))
                .singleElement()
                .satisfies(c -> assertThat(c.differ()).isEqualTo("range"));
        Terms wet = new Terms(
                FULL.method(),
                FULL.basis(),
                FULL.orientation(),
                Optional.of(Conditioning.CONDITIONED),
                FULL.rate(),
                FULL.design(),
                "",
                FULL.build());
        assertThat(against(atLeast(24, FULL), atLeast(26, wet))).singleElement().satisfies(c -> {
            assertThat(c.differences()).containsExactlyInAnyOrder(Difference.RANGE, Difference.CONDITION);
            assertThat(c.isTested()).isTrue();
            assertThat(c.title()).isEqualTo("Tensile strength, ZX upright");
        });
        assertThat(against(words(Topic.BED_SURFACE, "glass"), words(Topic.BED_SURFACE, "textured steel")))
                .singleElement()
                .satisfies(c -> assertThat(c.differ()).isEqualTo("wording"));
    }

    /** Silence, other orientations, other light sources and the same number from another unit are no conflict. */
    @Test
    void whatIsNoConflict() {
        Terms flat = new Terms(
                FULL.method(),
                FULL.basis(),
                Optional.of(Orientation.XY),
                FULL.conditioning(),
                FULL.rate(),
                FULL.design(),
                "",
                FULL.build());

        assertThat(against(atLeast(24, FULL), atLeast(50, flat))).isEmpty();
        assertThat(against(single(Topic.BED_TEMPERATURE, 60), single(Topic.NOZZLE_TEMPERATURE, 215)))
                .isEmpty();
        assertThat(against(single(Topic.DENSITY, 1.24), single(Topic.DENSITY, 1.24 * (1 + 1e-9))))
                .isEmpty();
        assertThat(against(words(Topic.BED_SURFACE, "Glass "), words(Topic.BED_SURFACE, "glass")))
                .isEmpty();
    }

    /** A range of fifty degrees tells a user nothing; so does a list with gaps. */
    @Test
    void whatAUserIsNotTold() {
        List<Completeness.Finding> findings = Completeness.check(
                Family.FILAMENT, false, List.of(range(Topic.NOZZLE_TEMPERATURE, 215, 190, 240)), Policy.USUAL);

        assertThat(findings)
                .filteredOn(f -> f.kind() == Kind.MISSING)
                .extracting(Completeness.Finding::title)
                .contains(
                        "Fan setting",
                        "Bed surface",
                        "Drying temperature",
                        "Drying time",
                        "Density",
                        "Filament diameter");
        assertThat(findings)
                .filteredOn(f -> f.kind() == Kind.TOO_WIDE)
                .singleElement()
                .satisfies(f -> assertThat(f.what()).contains("50 K", "30 K"));
        assertThat(Completeness.check(
                        Family.FILAMENT, false, List.of(range(Topic.NOZZLE_TEMPERATURE, 215, 200, 230)), Policy.USUAL))
                .noneMatch(f -> f.kind() == Kind.TOO_WIDE);
        assertThat(Completeness.check(Family.RESIN, false, List.of(single(Topic.LAYER_EXPOSURE, 2.4)), Policy.USUAL))
                .anyMatch(f -> f.what().contains("no light source"));
    }

    /** A filled product is asked for its nozzle; every filament for surfaces to avoid and for the printer behind its values. */
    @Test
    void whatAFilledProductOwesItsUser() {
        List<Statement> bare = List.of(single(Topic.DENSITY, 1.4));
        assertThat(missing(true, bare))
                .contains("Nozzle, hardness and size", "Bed surfaces to avoid", "Values found on");
        assertThat(missing(false, bare))
                .contains("Bed surfaces to avoid", "Values found on")
                .doesNotContain("Nozzle, hardness and size");
        assertThat(missing(
                        true,
                        List.of(
                                words(Topic.NOZZLE_HARDNESS, "hardened steel, 0.4 mm or wider"),
                                words(Topic.SURFACES_TO_AVOID, "bare glass"),
                                words(Topic.FOUND_ON, "printer 1"))))
                .doesNotContain("Nozzle, hardness and size", "Bed surfaces to avoid", "Values found on");
    }

    private static List<String> missing(boolean filled, List<Statement> statements) {
        return Completeness.check(Family.FILAMENT, filled, statements, Policy.USUAL).stream()
                .filter(f -> f.kind() == Kind.MISSING)
                .map(Completeness.Finding::title)
                .toList();
    }

    /** A maker's three sets of settings, each for its purpose, are no conflict; two for one purpose are. */
    @Test
    void settingsForSeveralPurposesAreNoConflict() {
        assertThat(against(of("for strength", 255), of("for looks", 240))).isEmpty();
        assertThat(against(of("for speed", 255), of("For speed ", 240))).hasSize(1);
    }

    private static Statement of(String purpose, double degrees) {
        Statement plain = single(Topic.NOZZLE_TEMPERATURE, degrees);
        return new Statement(
                0,
                plain.topic(),
                plain.form(),
                plain.asTyped(),
                plain.value(),
                plain.low(),
                plain.high(),
                "",
                purpose,
                plain.terms(),
                0);
    }

    /** A strength without orientation, basis or conditioning is untestable, and the wording that would do is proposed. */
    @Test
    void aStrengthWithoutItsTermsIsUntestable() {
        Statement bare = atLeast(50, Terms.NONE);

        assertThat(Completeness.untestableFor(bare))
                .contains("method", "orientation", "conditioning", "rate", "basis (solid or as printed)");
        assertThat(Completeness.proposal(bare)).contains("solid", "dry as printed", "mm/min", "at least as typed");
        Terms drop = new Terms(
                Optional.of("drop-impact"),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.of(0),
                Optional.empty(),
                "",
                Build.NONE);
        assertThat(Completeness.proposal(atLeast(50, drop)))
                .contains("drop on a part")
                .doesNotContain("/min");
        assertThat(drop.words()).isEqualTo("drop on a part");
        assertThat(Completeness.untestableFor(atLeast(50, FULL))).isEmpty();
        assertThat(Completeness.check(
                        Family.FILAMENT, false, List.of(words(Topic.WORDING, "Same in all directions")), Policy.USUAL))
                .anyMatch(f -> f.kind() == Kind.UNTESTABLE && f.proposal().contains("ratio"));
    }

    @Test
    void everyFormBecomesARequirementOrPromisesNothing() {
        Policy policy = Policy.USUAL;
        Statement typical = statement(
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                Form.TYPICAL,
                OptionalDouble.of(50),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                FULL);
        Statement better = statement(
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                Form.BETTER_THAN,
                OptionalDouble.of(0.1),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                FULL);
        Statement upTo = statement(
                Topic.named("TENSILE_STRENGTH").orElseThrow(),
                Form.UP_TO,
                OptionalDouble.of(60),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                FULL);

        assertThat(typical.requirement(policy).map(Requirement::words)).contains("between 45 and 55 MPa");
        assertThat(atLeast(45, FULL).requirement(policy).map(Requirement::minimumN))
                .contains(5);
        assertThat(better.requirement(policy).map(Requirement::words)).contains("at least 1.1");
        assertThat(upTo.requirement(policy)).isEmpty();
        assertThat(Completeness.check(Family.FILAMENT, false, List.of(upTo), policy))
                .anyMatch(f -> f.kind() == Kind.PROMISES_NOTHING);
    }

    @Test
    void aTopicIsMeantByItsTitleOrItsNameAndNoTwoShareOne() {
        for (Topic topic : Topic.all()) {
            assertThat(Topic.meant(topic.title())).contains(topic);
            assertThat(Topic.meant(topic.title().toUpperCase(java.util.Locale.ROOT)))
                    .contains(topic);
            assertThat(Topic.meant(
                            topic.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')))
                    .contains(topic);
        }
        assertThat(Topic.meant("tensile")).isEmpty();
        assertThat(Topic.meant(" ")).isEmpty();
    }

    /** What is not printed has neither orientation nor conditioning: no empty place stands for them. */
    @Test
    void termsOfWhatIsNotPrintedHaveNoEmptyPlaces() {
        Terms piece = Terms.of(new Conditions(
                "filler-content",
                Basis.AS_SUPPLIED,
                Orientation.NONE,
                Conditioning.NONE,
                0,
                "piece of the sample, rev 1"));
        assertThat(piece.words()).doesNotContain(", ,").contains("as supplied, piece of the sample");
        assertThat(atLeast(0.09, piece).title()).doesNotContain(",");
    }
}
