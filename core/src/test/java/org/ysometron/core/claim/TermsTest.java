package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;

/** What makes results comparable: every term counts, each is named where it differs, and nothing else is. */
class TermsTest {

    private static final Conditions UPRIGHT = new Conditions(
            "tension", Basis.SOLID, Orientation.ZX, Conditioning.CONDITIONED, 5, "bar 4 × 4, revision 1", "");

    static Stream<Arguments> oneTermOther() {
        return Stream.of(
                Arguments.of(
                        new Conditions(
                                "bending",
                                UPRIGHT.basis(),
                                Orientation.ZX,
                                Conditioning.CONDITIONED,
                                5,
                                UPRIGHT.design()),
                        "method: claimed tension, tested bending",
                        true),
                Arguments.of(UPRIGHT.turned(Orientation.XY), "orientation: claimed ZX upright, tested XY flat", true),
                Arguments.of(
                        new Conditions(
                                "tension", UPRIGHT.basis(), Orientation.ZX, Conditioning.DRY, 5, UPRIGHT.design()),
                        "conditioning: claimed conditioned 23 °C/50 % RH, tested dry as printed",
                        true),
                Arguments.of(
                        new Conditions(
                                "tension", UPRIGHT.basis(), Orientation.ZX, Conditioning.CONDITIONED, 5, "bar 3 × 3"),
                        "specimen: claimed bar 4 × 4, revision 1, tested bar 3 × 3",
                        true),
                Arguments.of(
                        new Conditions(
                                "tension",
                                UPRIGHT.basis(),
                                Orientation.ZX,
                                Conditioning.CONDITIONED,
                                5,
                                UPRIGHT.design(),
                                "cured 30 min"),
                        "exposure and cure: claimed nothing, tested cured 30 min",
                        true),
                Arguments.of(
                        new Conditions(
                                "tension",
                                UPRIGHT.basis(),
                                Orientation.ZX,
                                Conditioning.CONDITIONED,
                                50,
                                UPRIGHT.design()),
                        "rate: claimed 5 mm/min, tested 50 mm/min",
                        false));
    }

    /** Each term by itself is found, in words, and only another rate lets the comparison go on. */
    @ParameterizedTest
    @MethodSource("oneTermOther")
    void aTermThatDiffersIsNamed(Conditions tested, String words, boolean blocking) {
        assertThat(UPRIGHT.compare(UPRIGHT)).isEmpty();
        assertThat(UPRIGHT.compare(tested)).singleElement().satisfies(mismatch -> {
            assertThat(mismatch.words()).isEqualTo(words);
            assertThat(mismatch.blocking()).isEqualTo(blocking);
        });
    }

    /** M16: what is the same stands beside what is another, and a comparison is made of the same rows. */
    @Test
    void m16ConditionsStandSideBySide() {
        Conditions tested = UPRIGHT.turned(Orientation.XY);
        List<Conditions.Term> rows = UPRIGHT.beside(tested);
        assertThat(rows)
                .extracting(Conditions.Term::condition)
                .contains("method", "basis", "orientation", "conditioning", "specimen", "rate");
        assertThat(rows.stream().filter(row -> row.fit() != Conditions.Fit.ALIKE))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.condition()).isEqualTo("orientation");
                    assertThat(row.fit()).isEqualTo(Conditions.Fit.BLOCKING);
                });
        assertThat(UPRIGHT.beside(UPRIGHT))
                .allSatisfy(row -> assertThat(row.fit()).isEqualTo(Conditions.Fit.ALIKE));
    }

    @Test
    void turningChangesTheOrientationAlone() {
        assertThat(UPRIGHT.turned(Orientation.XY).turned(Orientation.ZX)).isEqualTo(UPRIGHT);
        assertThat(UPRIGHT.turned(Orientation.XZ).orientation()).isEqualTo(Orientation.XZ);
    }

    /** What is not stated is left out of the line, with its comma. */
    @Test
    void termsAreOneLine() {
        assertThat(UPRIGHT.words())
                .startsWith("tension, ")
                .endsWith("ZX upright, conditioned 23 °C/50 % RH, 5 mm/min, bar 4 × 4, revision 1")
                .doesNotContain(", ,");
        Conditions viscosity = Conditions.ofMaterial("rotation at 25 °C", "spindle 2");
        assertThat(viscosity.words()).isEqualTo("rotation at 25 °C, as supplied, spindle 2");
        assertThat(viscosity.rate()).isZero();
    }

    /** An impact's speed is read in m/s: 2.9 m/s is that of ISO 179-1's smaller hammers, 174,000 mm/min. */
    @ParameterizedTest
    @CsvSource({"5, 5 mm/min", "12.7, 12.7 mm/min", "5999, 5999 mm/min", "6000, 0.100 m/s", "174000, 2.90 m/s"})
    void aSpeedIsReadInItsOwnUnit(double rate, String words) {
        assertThat(Conditions.rateWords(rate)).isEqualTo(words);
    }

    /** A form that shows a speed again and is sent unchanged changes no terms: each of four digits, in both units. */
    @ParameterizedTest
    @CsvSource({"0.0123", "5.125", "12.34", "5999", "6001", "123400", "173900", "174000", "999900"})
    void aSpeedOutlivesItsForm(double rate) {
        String[] typed = Conditions.rateTyped(rate).split(" ");
        double read = Double.parseDouble(typed[0]) * (typed[1].equals("m/s") ? 60_000 : 1);
        Conditions again = new Conditions("tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, read, "bar");
        assertThat(again.rate()).isEqualTo(rate);
        assertThat(Conditions.rateTyped(0)).isEmpty();
    }

    static List<Characteristic> characteristics() {
        return Characteristics.all();
    }

    /** M24: one name has one definition: a name, a unit that the product can convert, and digits that a measurement carries. */
    @ParameterizedTest
    @MethodSource("characteristics")
    void m24EveryCharacteristicIsDefined(Characteristic one) {
        assertThat(one.title()).matches("[A-Z].{4,}");
        assertThat(one.definition()).hasSizeGreaterThan(15);
        assertThat(one.digits()).isBetween(2, 5);
        assertThat(characteristics())
                .as("another of the same name, or of the same definition")
                .filteredOn(other -> other.title().equals(one.title())
                        || (!one.isRatio() && other.definition().equals(one.definition())))
                .containsExactly(one);
        if (!one.unit().isEmpty()) {
            assertThat(UnitOfMeasure.find(one.unit()))
                    .hasValueSatisfying(unit -> assertThat(unit.isWorking()).isTrue());
        }
        assertThat(one.isRatio()).isEqualTo(one.id().matches("(upright-flat|along-across|treated)-.*"));
        if (one.isRatio()) {
            assertThat(Characteristics.base(one).over(one.ratio())).isEqualTo(one);
        }
        assertThat(one.isMechanical())
                .as("needs a specimen's terms")
                .isEqualTo(OfMaterial.all().stream().noneMatch(one::equals));
        assertThat(one.hasRatio() && !one.isTested()).isFalse();
    }

    /** ISO/ASTM 52921's letters with the plain name; the material itself has neither orientation nor state. */
    @Test
    void waysToLieAndStates() {
        assertThat(Orientation.ofSpecimens())
                .extracting(Orientation::words)
                .containsExactly("XY flat", "YX flat across", "XZ on edge", "ZX upright");
        assertThat(Orientation.ofSpecimens())
                .extracting(Orientation::plainName)
                .containsExactly("flat", "flat across", "on edge", "upright");
        assertThat(Orientation.NONE.words()).isEmpty();
        assertThat(Conditioning.ofSpecimens())
                .extracting(Conditioning::words)
                .containsExactly("dry as printed", "conditioned 23 °C/50 % RH");
        assertThat(Conditioning.NONE.words()).isEmpty();
    }

    /** "Up to" promises nothing to anybody, and words cannot be measured; all else can be borne out. */
    @Test
    void whatCanBeBorneOut() {
        assertThat(Stream.of(Form.values()).filter(form -> !form.isVerifiable()))
                .containsExactly(Form.UP_TO, Form.STATED);
        assertThat(Stream.of(Form.values()).map(Form::words))
                .containsExactly("at least", "at most", "between", "typical", "up to", "better than", "stated");
    }

    /** Not counted is tested all the same: nobody may say that nothing was. */
    @Test
    void whatWasLeftOutWasTouched() {
        assertThat(Evidence.of().isTouched()).isFalse();
        assertThat(Evidence.none(1).isTouched()).isTrue();
        assertThat(Evidence.none(1).n()).isZero();
        assertThat(Evidence.of(5).isTouched()).isTrue();
        assertThat(new Evidence(new double[0], new double[] {5}, 0, 0, java.util.Optional.empty()).isTouched())
                .isTrue();
        assertThat(Dimension.values()).hasSizeGreaterThan(10);
        assertThat(UnitOfMeasure.all()).extracting(UnitOfMeasure::symbol).contains("MPa", "lbf", "kJ/m²");
    }

    /** M16, M55: another scale is another specimen, and nothing is converted between the two; another method compares with none. */
    @Test
    void m55NothingIsConvertedBetweenScales() {
        Conditions whole = new Conditions(
                "part-load",
                Basis.SOLID,
                Orientation.XY,
                Conditioning.DRY,
                5,
                org.ysometron.core.dimension.SpecimenDesign.HOOK.titleAt(1));
        Conditions half = new Conditions(
                "part-load",
                Basis.SOLID,
                Orientation.XY,
                Conditioning.DRY,
                5,
                org.ysometron.core.dimension.SpecimenDesign.HOOK.titleAt(0.5));
        assertThat(whole.compare(half)).singleElement().satisfies(mismatch -> {
            assertThat(mismatch.blocking()).isTrue();
            assertThat(mismatch.words()).contains("scaled 0.5");
        });
        Conditions other = new Conditions(
                "three-point-bending",
                Basis.SOLID,
                Orientation.XY,
                Conditioning.DRY,
                5,
                org.ysometron.core.dimension.SpecimenDesign.HOOK.titleAt(1));
        assertThat(whole.compare(other)).singleElement().satisfies(mismatch -> assertThat(mismatch.words())
                .isEqualTo("method: claimed load of a part, tested three-point bending"));
        assertThat(org.ysometron.core.method.Characteristics.all())
                .as("no strength is got from another scale")
                .noneMatch(one -> one.definition().contains("scaled"));
    }
}
