package org.ysometron.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LabTest {

    static List<double[]> pairs() throws IOException {
        try (InputStream in = Objects.requireNonNull(LabTest.class.getResourceAsStream("ciede2000.txt"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> Arrays.stream(line.split(" "))
                            .mapToDouble(Double::parseDouble)
                            .toArray())
                    .toList();
        }
    }

    /** Each published pair, both ways, to the four decimals that are printed. */
    @ParameterizedTest
    @MethodSource("pairs")
    void publishedPairs(double[] row) {
        Lab one = new Lab(row[0], row[1], row[2]);
        Lab two = new Lab(row[3], row[4], row[5]);
        assertThat(one.difference(two)).isCloseTo(row[6], within(5.1e-5));
        assertThat(two.difference(one)).isCloseTo(row[6], within(5.1e-5));
    }

    @Test
    void allPairsAreThere() throws IOException {
        assertThat(pairs()).hasSize(34);
    }

    @Property
    void itIsSymmetricAndNothingToItself(
            @ForAll @DoubleRange(max = 100) double l,
            @ForAll @DoubleRange(min = -100, max = 100) double a,
            @ForAll @DoubleRange(min = -100, max = 100) double b,
            @ForAll @DoubleRange(max = 100) double m,
            @ForAll @DoubleRange(min = -100, max = 100) double c,
            @ForAll @DoubleRange(min = -100, max = 100) double d) {
        Lab one = new Lab(l, a, b);
        Lab two = new Lab(m, c, d);
        assertThat(one.difference(one)).isZero();
        assertThat(one.difference(two)).isGreaterThanOrEqualTo(0).isCloseTo(two.difference(one), within(1e-9));
    }

    /** L* = 100 is the white itself; L* = 50 sends back 18.4 % (a handbook's grey card), L* = 8 lies on the straight part. */
    @Test
    void luminance() {
        assertThat(new Lab(100, 0, 0).luminance()).isCloseTo(1, within(1e-12));
        assertThat(new Lab(50, 0, 0).luminance()).isCloseTo(0.184, within(5e-4));
        assertThat(new Lab(8, 0, 0).luminance()).isCloseTo(8 / 903.3, within(1e-5));
        assertThat(new Lab(0, 0, 0).luminance()).isCloseTo(0, within(1e-12));
    }

    @Test
    void whatIsNoColour() {
        assertThatThrownBy(() -> new Lab(101, 0, 0)).hasMessageContaining("between 0 and 100");
        assertThatThrownBy(() -> new Lab(50, Double.NaN, 0)).hasMessageContaining("NaN");
    }
}
