package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.statistics.ShareInside;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;

/**
 * What people read, word for word. The figures in it are those of R (`verdicts.R`): five bars of mean 55.14 MPa whose bounds are 54.50
 * and 55.78 MPa at 95 %.
 */
class SentencesTest {

    private static final Evidence FIVE = Evidence.of(55.1, 54.2, 56.0, 55.5, 54.9);
    private static final String ONCE =
            ", as a look planned before the first result; judged again at the same level they" + " prove less";
    private static final String SEEM = "likely, if mean and scatter are what they seem)";

    private static Evidence bounds(double[] values, double... atLeast) {
        return new Evidence(values, atLeast, 0, 0, Optional.empty());
    }

    private static Requirement atLeast(double least, int minimum) {
        return Requirement.atLeast(least, "MPa", minimum);
    }

    static Stream<Arguments> ofAMean() {
        return Stream.of(
                Arguments.of(
                        atLeast(50, 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies above 54.50 MPa; claimed at least 50 MPa."),
                Arguments.of(
                        Requirement.atMost(60, "MPa", 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies below 55.78 MPa; claimed at most 60 MPa."),
                Arguments.of(
                        Requirement.between(50, 60, "MPa", 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies between 54.50 MPa and 55.78 MPa; claimed between 50 and 60 MPa."),
                Arguments.of(
                        atLeast(58, 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies below 55.78 MPa; claimed at least 58 MPa."),
                Arguments.of(
                        Requirement.between(57, 60, "MPa", 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies below 55.78 MPa; claimed between 57 and 60 MPa."),
                Arguments.of(
                        Requirement.between(40, 50, "MPa", 5),
                        FIVE,
                        Looks.ONCE,
                        "With 95 % confidence the mean lies above 54.50 MPa; claimed between 40 and 50 MPa."),
                Arguments.of(
                        atLeast(54.8, 5),
                        FIVE,
                        Looks.ONCE,
                        "The claim (at least 54.8 MPa) lies between the bounds 54.50 MPa and 55.78 MPa. 8 more specimens should settle it (57 % "
                                + SEEM + ONCE + "."),
                Arguments.of(
                        atLeast(54.8, 5),
                        FIVE,
                        new Looks(2),
                        "The claim (at least 54.8 MPa) lies between the bounds 54.34 MPa and 55.94 MPa. 13 more specimens should settle it (54 % "
                                + SEEM + "."),
                Arguments.of(
                        atLeast(54.8, 5),
                        FIVE,
                        new Looks(2, 3),
                        "The claim (at least 54.8 MPa) lies between the bounds 54.35 MPa and 55.93 MPa. No further look was planned: more of this set would settle nothing."),
                Arguments.of(
                        atLeast(55.14, 5),
                        FIVE,
                        Looks.ONCE,
                        "The claim (at least 55.14 MPa) lies between the bounds 54.50 MPa and 55.78 MPa. More specimens are not expected to settle it."),
                Arguments.of(
                        atLeast(50, 8),
                        FIVE,
                        Looks.ONCE,
                        "n = 5 is below the claim's minimum of 8: 3 more specimens. So far it points the right way."),
                Arguments.of(
                        atLeast(50, 6),
                        FIVE,
                        Looks.ONCE,
                        "n = 5 is below the claim's minimum of 6: 1 more specimen. So far it points the right way."),
                Arguments.of(
                        atLeast(50, 5),
                        Evidence.of(55.1),
                        Looks.ONCE,
                        "One specimen has no scatter of its own; 4 more specimens at least."),
                Arguments.of(atLeast(50, 5), Evidence.of(), Looks.ONCE, "No specimen has been tested yet."),
                Arguments.of(
                        atLeast(50, 5),
                        bounds(new double[] {52}, 55, 56, 57, 58),
                        Looks.ONCE,
                        "4 of 5 specimens did not break; every one carried at least 52.00 MPa, claimed at least 50 MPa."),
                Arguments.of(
                        Requirement.atMost(50, "MPa", 5),
                        bounds(new double[0], 60, 60, 60, 60, 60),
                        Looks.ONCE,
                        "5 of 5 specimens did not break; every one reached at least 60.00 MPa, claimed at most 50 MPa."),
                Arguments.of(
                        atLeast(54, 5),
                        bounds(new double[] {52}, 55, 56),
                        Looks.ONCE,
                        "2 of 3 specimens did not break; bounds alone do not settle at least 54 MPa."),
                Arguments.of(
                        atLeast(50, 2),
                        Evidence.of(50, 50, 50),
                        Looks.ONCE,
                        "All values are alike and no uncertainty is known: would be supported. With 95 % confidence the mean lies above 50.00 MPa; claimed at least 50 MPa."));
    }

    @ParameterizedTest
    @MethodSource("ofAMean")
    void ofAMean(Requirement claim, Evidence evidence, Looks looks, String expected) {
        assertThat(MeanVerdict.of(claim, evidence, looks).reason()).isEqualTo(expected);
    }

    @Test
    void ofPartsAndRatios() {
        assertThat(PartsVerdict.of(Requirement.between(50, 60, "MPa", 5), FIVE).reason())
                .isEqualTo(
                        "With 95 % confidence the part (95 % of all) lies between 51.72 MPa and 58.56 MPa; claimed between"
                                + " 50 and 60 MPa.");
        assertThat(PartsVerdict.of(atLeast(53, 5), FIVE).reason())
                .isEqualTo(
                        "The claim (at least 53 MPa) lies between the bounds 52.31 MPa and 57.97 MPa. 4 more parts should"
                                + " settle it" + ONCE + ".");
        assertThat(RatioVerdict.of(Requirement.atLeast(0.5, "", 5), Evidence.of(28.1, 29.0, 27.5, 28.8, 28.2), FIVE)
                        .reason())
                .isEqualTo("With 95 % confidence the ratio lies above 0.5030; claimed at least 0.5.");
    }

    /** The share inside as it seems: Φ(1) − Φ(−1) = 0.6827 between the standard deviations (any table). */
    @Test
    void theShareInsideAsItSeems() {
        Summary values = Summary.of(-1, 0, 1);
        assertThat(new ShareInside(values, OptionalDouble.of(-1), OptionalDouble.of(1), 0).estimate())
                .isCloseTo(0.682689, within(1e-6));
        assertThat(new ShareInside(values, OptionalDouble.of(1), OptionalDouble.empty(), 0).estimate())
                .isCloseTo(0.158655, within(1e-6));
        assertThat(new ShareInside(values, OptionalDouble.empty(), OptionalDouble.of(2), 0).estimate())
                .isCloseTo(0.977250, within(1e-6));
        ShareInside inside = new ShareInside(values, OptionalDouble.of(-1), OptionalDouble.of(1), 0);
        assertThatThrownBy(() -> inside.confidence(0.5)).hasMessageContaining("above 0.5");
        assertThatThrownBy(() -> inside.confidence(1)).hasMessageContaining("below 1");
        assertThatThrownBy(() -> new ShareInside(values, OptionalDouble.empty(), OptionalDouble.empty(), 0))
                .hasMessageContaining("an edge");
        assertThatThrownBy(() -> new ShareInside(values, OptionalDouble.of(0), OptionalDouble.empty(), -1e-9))
                .hasMessageContaining("at least 0");
    }

    /** The ends of what a tolerance factor is given for are taken, one step beyond is not. */
    @Test
    void toleranceFactorsHaveEnds() {
        assertThat(ToleranceFactor.oneSided(2, 0.0001, 0.0001)).isFinite();
        assertThat(ToleranceFactor.oneSided(1_000_000, 0.9999, 0.9999)).isFinite();
        assertThat(ToleranceFactor.twoSided(2, 0.9999, 0.9999)).isFinite();
        for (Runnable wrong : new Runnable[] {
            () -> ToleranceFactor.oneSided(1, 0.95, 0.95),
            () -> ToleranceFactor.oneSided(1_000_001, 0.95, 0.95),
            () -> ToleranceFactor.oneSided(5, 0.00009, 0.95),
            () -> ToleranceFactor.oneSided(5, 0.99991, 0.95),
            () -> ToleranceFactor.twoSided(5, 0.95, 0.00009),
            () -> ToleranceFactor.twoSided(5, 0.95, 0.99991),
            () -> ToleranceFactor.twoSided(1, 0.95, 0.95),
            () -> ToleranceFactor.twoSided(5, Double.NaN, 0.95)
        }) {
            assertThatThrownBy(wrong::run).hasMessageContaining("n from 2 to 1,000,000");
        }
    }
}
