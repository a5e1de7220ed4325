package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.StudentT;

class KnownNumbersTest {

    /** NIST StRD univariate sets NumAcc1 and NumAcc4, certified values (quoted from memory). */
    @Test
    void summaryKeepsItsDigitsOnIllConditionedData() {
        Summary first = Summary.of(10000001, 10000003, 10000002);
        assertThat(first.mean()).isEqualTo(10000002);
        assertThat(first.sd().getAsDouble()).isEqualTo(1);

        double[] fourth = new double[1001];
        fourth[0] = 10000000.2;
        for (int i = 1; i < fourth.length; i++) {
            fourth[i] = i % 2 == 1 ? 10000000.1 : 10000000.3;
        }
        assertThat(Summary.of(fourth).mean()).isCloseTo(10000000.2, within(1e-7));
        assertThat(Summary.of(fourth).sd().getAsDouble()).isCloseTo(0.1, within(1e-9));
    }

    @Test
    void oneValueHasNoStandardDeviation() {
        assertThat(Summary.of(4.2).sd()).isEmpty();
        assertThatThrownBy(() -> MeanBounds.of(Summary.of(4.2), 0, 0.95, "MPa"))
                .hasMessageContaining("n of at least 2");
        assertThatThrownBy(() -> Summary.of()).hasMessageContaining("at least one");
        assertThatThrownBy(() -> Summary.of(1, Double.NaN)).hasMessageContaining("finite");
    }

    /** Student's t, one-sided; NIST/SEMATECH e-Handbook 1.3.6.7.2, three decimals. */
    @ParameterizedTest
    @CsvSource({"0.95,1,6.314", "0.95,4,2.132", "0.95,9,1.833", "0.975,4,2.776", "0.99,10,2.764", "0.95,100,1.660"})
    void studentsTAgreesWithTheTable(double p, double nu, double table) {
        assertThat(StudentT.quantile(p, nu)).isCloseTo(table, within(0.0005));
    }

    /** One-sided tolerance factors, 95 %/95 % and others; ISO 16269-6 and Natrella 1963, three decimals. */
    @ParameterizedTest
    @CsvSource({
        "5,0.95,0.95,4.203",
        "10,0.95,0.95,2.911",
        "20,0.95,0.95,2.396",
        "10,0.90,0.95,2.355",
        "10,0.99,0.95,3.981",
        "3,0.95,0.95,7.656"
    })
    void toleranceFactorsAgreeWithTheTable(int n, double share, double confidence, double table) {
        assertThat(ToleranceFactor.oneSided(n, share, confidence)).isCloseTo(table, within(0.0006));
    }

    @ParameterizedTest
    @CsvSource({"1.5,4", "-0.7,9", "3.2,1", "0,30"})
    void withoutNoncentralityItIsStudentsT(double t, double nu) {
        // Reference: the general-purpose library's own central t.
        assertThat(NoncentralT.cumulative(t, nu, 0)).isCloseTo(StudentT.cumulative(t, nu), within(1e-9));
    }

    /** Five values worked by hand: mean 10, s = √2.5, t(0.95; 4) = 2.1318; lower 10 − 2.1318·√0.5. */
    @Test
    void meanBoundsOfAHandWorkedCase() {
        MeanBounds bounds = MeanBounds.of(Summary.of(8, 9, 10, 11, 12), 0, 0.95, "MPa");

        assertThat(bounds.lower()).isCloseTo(10 - 2.13184679 * Math.sqrt(0.5), within(1e-7));
        assertThat(bounds.upper()).isCloseTo(10 + 2.13184679 * Math.sqrt(0.5), within(1e-7));
        assertThat(bounds.degreesOfFreedom()).isEqualTo(4);
    }

    /** JCGM 100:2008 G.4.1: ν_eff = u⁴/Σ(uᵢ⁴/νᵢ); with u_s = u_cal, u⁴ = 4u_s⁴, so ν_eff = 4·4 = 16. */
    @Test
    void calibrationUncertaintyEntersByWelchSatterthwaite() {
        double standardError = Math.sqrt(0.5);
        MeanBounds bounds = MeanBounds.of(Summary.of(8, 9, 10, 11, 12), standardError, 0.95, "MPa");

        assertThat(bounds.standardUncertainty()).isCloseTo(1.0, within(1e-12));
        assertThat(bounds.degreesOfFreedom()).isCloseTo(16, within(1e-9));
        assertThat(bounds.lower())
                .isLessThan(
                        MeanBounds.of(Summary.of(8, 9, 10, 11, 12), 0, 0.95, "").lower());
    }

    @Property(tries = 100)
    void boundsFollowShiftAndScale(
            @ForAll @Size(min = 2, max = 12) List<@DoubleRange(min = -50, max = 50) Double> raw,
            @ForAll @DoubleRange(min = 0.1, max = 10) double scale,
            @ForAll @DoubleRange(min = -100, max = 100) double shift) {
        double[] values = raw.stream().mapToDouble(Double::doubleValue).toArray();
        double[] moved = Arrays.stream(values).map(v -> v * scale + shift).toArray();

        MeanBounds plain = MeanBounds.of(Summary.of(values), 0, 0.95, "");
        MeanBounds other = MeanBounds.of(Summary.of(moved), 0, 0.95, "");

        assertThat(other.lower()).isCloseTo(plain.lower() * scale + shift, within(1e-6));
        assertThat(other.upper()).isCloseTo(plain.upper() * scale + shift, within(1e-6));
    }

    @Test
    void aCommonFactorLeavesARatioAlone() {
        double[] upright = {28.1, 29.0, 27.5, 28.8, 28.2};
        double[] flat = {55.1, 54.2, 56.0, 55.5, 54.9};
        double[] uprightHigh = Arrays.stream(upright).map(v -> v * 1.02).toArray();
        double[] flatHigh = Arrays.stream(flat).map(v -> v * 1.02).toArray();

        RatioBounds plain = RatioBounds.of(Summary.of(upright), Summary.of(flat), 0.95);
        RatioBounds high = RatioBounds.of(Summary.of(uprightHigh), Summary.of(flatHigh), 0.95);

        assertThat(high.ratio()).isCloseTo(plain.ratio(), within(1e-12));
        assertThat(high.lower()).isCloseTo(plain.lower(), within(1e-12));
        assertThat(plain.lower()).isLessThan(plain.ratio()).isGreaterThan(0.49);
    }
}
