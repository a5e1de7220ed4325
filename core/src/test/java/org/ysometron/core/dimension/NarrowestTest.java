package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Pinned;
import org.ysometron.core.reading.Readings;

/** Narrowest sections that an engineer wrote, beside plane geometry worked by hand. */
class NarrowestTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "w * t; 10; 4; 40",
                "(w - 3) * t; 10; 4; 28",
                "2*w*t; 2; 3; 12",
                "PI/4 * d*d; 6; 6; 28.274333882308138",
                "π/4·(d·d − 2·2); 6; 6; 25.132741228718345",
                "SQRT(w*w + t*t); 3; 4; 5",
                "w*t - 0,5*t; 4; 4; 14"
            })
    void itIsPlainArithmetic(String formula, double width, double thickness, double area) {
        assertThat(Narrowest.of(formula).area(width, thickness)).isCloseTo(area, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "w *",
                "w^t",
                "x*t",
                "9^9^9^9",
                "w*t; drop",
                "STR_LENGTH(w)",
                "w t",
                "w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*w*t*t",
                "PIPI*w",
                "((((w)*t"
            })
    void whatIsNoneIsRefusedInWords(String formula) {
        assertThatThrownBy(() -> Narrowest.of(formula))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("section");
    }

    @ParameterizedTest
    @CsvSource({"w-10, 10, 4", "(w-20)*t, 10, 4", "w/(t-4), 10, 4"})
    void aSectionThatComesToNothingIsRefused(String formula, double width, double thickness) {
        Narrowest read = Narrowest.of(formula);
        assertThatThrownBy(() -> read.area(width, thickness)).isInstanceOf(IllegalArgumentException.class);
    }

    /** A bar with a hole carries its stress over what the hole leaves. */
    @Property
    void aStressIsOfTheNarrowestPlace(
            @ForAll @DoubleRange(min = 6, max = 20) double width,
            @ForAll @DoubleRange(min = 1, max = 10) double thickness) {
        Map<String, double[]> numbers = Map.of(
                "width", new double[] {width}, "thickness", new double[] {thickness}, "force", new double[] {500});
        Method tension = Methods.of("tension").orElseThrow();
        double whole = strength(tension, new Readings(numbers, Map.of()));
        double holed = strength(tension, new Readings(numbers, Map.of(), Optional.of(Narrowest.of("(w - 3) * t"))));
        assertThat(holed).isCloseTo(whole * width / (width - 3), within(1e-9 * holed));
    }

    private static double strength(Method method, Readings readings) {
        Pinned pinned = method.data().pinned();
        return method.results(readings, pinned, method.data().usualEnd(), OptionalDouble.empty()).stream()
                .filter(one -> one.characteristic().id().equals("tension-strength"))
                .findFirst()
                .orElseThrow()
                .shown()
                .orElseThrow();
    }
}
