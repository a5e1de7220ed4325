package org.ysometron.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers that people typed are compared as they typed them, and what is doubted is doubted at the same edge for all. */
class RoundingTest {

    /** One part in a million million is rounding, two parts are a difference, of small numbers as of large ones. */
    @ParameterizedTest
    @CsvSource({"1", "1e-9", "1e9", "-1", "-250"})
    void aPartInAMillionMillionIsTheSameNumber(double number) {
        double size = Math.abs(number);

        assertThat(Rounding.above(number + 0.9e-12 * size, number)).isFalse();
        assertThat(Rounding.above(number + 2.1e-12 * size, number)).isTrue();
        assertThat(Rounding.below(number - 0.9e-12 * size, number)).isFalse();
        assertThat(Rounding.below(number - 2.1e-12 * size, number)).isTrue();
        assertThat(Rounding.above(number, number)).isFalse();
        assertThat(Rounding.below(number, number)).isFalse();
    }

    /** The largest of value, centre and distance says what rounding is. */
    @Test
    void aDistanceHasRoundingOfItsOwn() {
        assertThat(Rounding.beyond(0.3, 0, 0.1 + 0.2)).isFalse();
        assertThat(Rounding.beyond(-(0.1 + 0.2), 0, 0.3)).isFalse();
        assertThat(Rounding.beyond(10.3, 10, 3 * 0.1)).isFalse();
        assertThat(Rounding.beyond(10.3001, 10, 0.3)).isTrue();
        assertThat(Rounding.beyond(9.6999, 10, 0.3)).isTrue();
        assertThat(Rounding.beyond(5, 5, 0)).isFalse();
        assertThat(Rounding.beyond(1e-15 + 1e-3, 1e-3, 1)).isFalse();
        // Far from zero more is rounding: 1e6 + 1 + 5e-7 lies on a distance of 1.
        assertThat(Rounding.beyond(1e6 + 1 + 5e-7, 1e6, 1)).isFalse();
        assertThat(Rounding.beyond(1e6 + 1 + 5e-6, 1e6, 1)).isTrue();
    }

    /** Common practice, no source: 0.6 to 1.6 times the nominal is believed, both ends; so is what a slip of the point explains. */
    @ParameterizedTest
    @CsvSource({
        "2.4, ''",
        "6.4, ''",
        "2.399, '2.399 mm is far below anything seen: about 4.00 mm is expected here.'",
        "6.401, '6.401 mm is far above anything seen: about 4.00 mm is expected here.'",
        "24, 'Has the decimal point slipped? 24.00 mm was read, about 4.00 mm is expected here; 2.400 would fit.'",
        "64, 'Has the decimal point slipped? 64.00 mm was read, about 4.00 mm is expected here; 6.400 would fit.'",
        "0.24, 'Has the decimal point slipped? 0.2400 mm was read, about 4.00 mm is expected here; 2.400 would fit.'",
        "22, '22.00 mm is far above anything seen: about 4.00 mm is expected here.'"
    })
    void whatIsDoubted(double value, String words) {
        assertThat(Plausibility.OF_A_DIMENSION.doubt(value, 4, "mm").orElse("")).isEqualTo(words);
    }

    /** Absolute zero is the coldest: −273.15 °C by definition of the degree Celsius, 0 K and −459.67 °F the same. */
    @ParameterizedTest
    @CsvSource({"-273.15, true", "-273.16, false", "0 K, true", "-1 K, false", "-459.67 °F, true", "-460 °F, false"})
    void nothingIsColderThanAbsoluteZero(String typed, boolean taken) {
        Typed read = Typed.read("oven", typed, UnitOfMeasure.working(Dimension.TEMPERATURE));

        assertThat(read instanceof Typed.Accepted).isEqualTo(taken);
        if (read instanceof Typed.Refused refused) {
            assertThat(refused.problem().beside())
                    .isEqualTo("'" + typed + "' is colder than anything: expected a temperature, for example 23 °C.");
        }
    }

    /** 2.50 g was read on a balance that shows hundredths; a unit moves the point, a zero of another scale does not. */
    @ParameterizedTest
    @CsvSource({
        "2.50 g, 0.01",
        "2.50, 0.01",
        "2, 1",
        "2., 1",
        ".5, 0.1",
        "12.345 kg, 1",
        "1.5e3, 0.1",
        "20.1 °F, 0.0555556",
        "20.1 °C, 0.1",
        "two, 0"
    })
    void theStepOfADisplay(String typed, double step) {
        assertThat(Typed.step(typed)).isCloseTo(step, within(1e-6));
    }

    /** What is read back beside the figure: the unit typed where it was not the working one, and a hint only where it helps. */
    @Test
    void whatWasTypedIsShownWhereItWasConverted() {
        Typed.Accepted inch = (Typed.Accepted) Typed.read("width", "0.16 in", UnitOfMeasure.working(Dimension.LENGTH));
        Typed.Accepted millimetres =
                (Typed.Accepted) Typed.read("width", "4 mm", UnitOfMeasure.working(Dimension.LENGTH));

        assertThat(inch.isConverted()).isTrue();
        assertThat(inch.value()).isCloseTo(4.064, within(1e-12));
        assertThat(millimetres.isConverted()).isFalse();
        assertThat(hint("1.234,5")).startsWith("Leave out thousands separators");
        assertThat(hint("1,234.5")).startsWith("Leave out thousands separators");
        assertThat(hint(",1.5")).startsWith("Leave out thousands separators");
        assertThat(hint(".1,5")).startsWith("Leave out thousands separators");
        assertThat(hint("1,2,3")).isEmpty();
        assertThat(hint("1.2.3")).isEmpty();
        assertThat(new Problem("width", "nothing was typed", "a length", "Type one.").beside())
                .isEqualTo("Nothing was typed: expected a length. Type one.");
        assertThat(new Problem("width", "nothing was typed", "a length", "").text())
                .isEqualTo("width: nothing was typed; expected a length.");
    }

    private static String hint(String typed) {
        return ((Typed.Refused) Typed.read("width", typed, UnitOfMeasure.working(Dimension.LENGTH)))
                .problem()
                .wayOut();
    }

    /** 1 lbf/in is 4.4482216152605 N on 25.4 mm by definition; a peel is no notch: J/m is another thing than N/m. */
    @ParameterizedTest
    @CsvSource({"1 N/mm, 1", "1000 N/m, 1", "10 N/cm, 1", "1 kN/m, 1", "1 lbf/in, 0.17512683524647636"})
    void aForcePerWidth(String typed, double value) {
        UnitOfMeasure unit = UnitOfMeasure.working(Dimension.FORCE_PER_LENGTH);
        assertThat(((Typed.Accepted) Typed.read("peel", typed, unit)).value()).isCloseTo(value, within(1e-12));
        assertThat(Typed.read("peel", "53 J/m", unit)).isInstanceOf(Typed.Refused.class);
    }

    /** Case is folded where nothing else can be meant: a newton has no small letter of its own, a milli has. */
    @ParameterizedTest
    @CsvSource({"mpa, MPa", "MPA, MPa", "LBF, lbf", "n, N", "KJ/M2, kJ/m²"})
    void capitalsAreForgiven(String typed, String meant) {
        assertThat(UnitOfMeasure.find(typed)).hasValueSatisfying(unit -> {
            assertThat(unit.symbol()).isEqualTo(meant);
            assertThat(unit.fromWorking(unit.toWorking(3))).isCloseTo(3, within(1e-12));
        });
    }
}
