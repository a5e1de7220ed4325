package org.ysometron.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedTest {

    /**
     * Unit definitions. Sources: SI Brochure 9th edition for SI; international yard and pound agreement 1959 (1 in = 25.4
     * mm, 1 lb = 0.45359237 kg); 3rd CGPM 1901 (9.80665 m/s²). Products of these worked by hand.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            FORCE           | 1 kgf      | 9.80665
            FORCE           | 1 lbf      | 4.4482216152605
            FORCE           | 1.2 kN     | 1200
            FORCE           | 88,4kgf    | 866.90786
            FORCE           | 812        | 812
            FORCE           | 812 n      | 812
            FORCE           | 0.8 KN     | 800
            LENGTH          | 1 in       | 25.4
            LENGTH          | 157 mil    | 3.9878
            LENGTH          | 3,98       | 3.98
            LENGTH          | 3.98mm     | 3.98
            LENGTH          | 4020 µm    | 4.02
            LENGTH          | 4020 um    | 4.02
            STRESS          | 1 psi      | 0.006894757293168361
            STRESS          | 1 ksi      | 6.894757293168361
            STRESS          | 45 N/mm²   | 45
            STRESS          | 45 N/mm2   | 45
            STRESS          | 2.1 GPa    | 2100
            ENERGY          | 1 ft·lbf   | 1.3558179483314004
            ENERGY_PER_AREA | 12 mJ/mm²  | 12
            ENERGY_PER_AREA | 1200 J/m²  | 1.2
            ENERGY_PER_AREA | 1.2 J/cm²  | 12
            TORQUE          | 1 Nm       | 1
            TORQUE          | 1 N.m      | 1
            TORQUE          | 1 lbf·in   | 0.1129848290276167
            TEMPERATURE     | 50 °F      | 10
            RATIO           | 50 %       | 0.5
            SPEED           | 1 mm/s     | 60
            """)
    void unitsConvertByTheirDefinitions(Dimension dimension, String typed, double expected) {
        Typed read = Typed.read("field", typed, UnitOfMeasure.working(dimension));

        assertThat(read).isInstanceOfSatisfying(Typed.Accepted.class, accepted -> {
            assertThat(accepted.value()).isCloseTo(expected, within(Math.abs(expected) * 1e-13));
            assertThat(accepted.text()).isEqualTo(typed);
        });
    }

    /** M1: a unit of the wrong dimension is refused, with the one that was likely meant. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            FORCE           | 88 kg     | is a mass, not a force                | kgf
            FORCE           | 195 lbs   | is a mass, not a force                | lbf
            FORCE           | 12 Nm     | is a torque, not a force              | type N
            FORCE           | 55 MPa    | is a stress, not a force              | the force the gauge showed
            LENGTH          | 4 N       | is a force, not a length              | ''
            ENERGY_PER_AREA | 53 J/m    | is an energy per length, not          | kJ/m²
            ENERGY_PER_AREA | 5 kJ/m    | is an energy per length, not          | kJ/m²
            ENERGY_PER_AREA | 0.8 J     | is an energy, not                     | kJ/m²
            TEMPERATURE     | 90 degrees| the unit 'degrees' is not known       | °C
            FORCE           | 812 Newtron | the unit 'Newtron' is not known     | ''
            """)
    void aUnitOfTheWrongDimensionIsRefused(Dimension dimension, String typed, String found, String wayOut) {
        Typed read = Typed.read("breaking force", typed, UnitOfMeasure.working(dimension));

        assertThat(read).isInstanceOfSatisfying(Typed.Refused.class, refused -> {
            assertThat(refused.text()).isEqualTo(typed);
            assertThat(refused.problem().found()).contains(found);
            assertThat(refused.problem().wayOut()).contains(wayOut);
            assertThat(refused.problem().expected()).contains(dimension.example());
            assertThat(refused.problem().text()).startsWith("breaking force: ");
        });
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            ''       | nothing was typed
            abc      | is not a number
            4.0.2    | is not a number
            1.234,5  | is not a number
            1,234.5  | is not a number
            --4      | is not a number
            0        | is not above zero
            -4.02    | is not above zero
            1e400    | is larger than anything
            NaN      | is not a number
            """)
    void whatIsNoPositiveNumberIsRefused(String typed, String found) {
        assertThat(Typed.read("width", typed, UnitOfMeasure.working(Dimension.LENGTH)))
                .isInstanceOfSatisfying(
                        Typed.Refused.class,
                        refused -> assertThat(refused.problem().found()).contains(found));
    }

    @Test
    void torqueAndEnergyShareBaseUnitsAndAreStillToldApart() {
        assertThat(Typed.read("energy", "1 N·m", UnitOfMeasure.working(Dimension.ENERGY)))
                .isInstanceOf(Typed.Refused.class);
    }

    @Property
    void aValueTypedInItsWorkingUnitIsUnchanged(@ForAll @DoubleRange(min = 0.01, max = 1e6) double value) {
        assertThat(Typed.read("force", value + " N", UnitOfMeasure.working(Dimension.FORCE)))
                .isInstanceOfSatisfying(Typed.Accepted.class, accepted -> assertThat(accepted.value())
                        .isEqualTo(value));
    }

    /** A slipped point is told from a value that is merely far off (common practice, no source). */
    @ParameterizedTest
    @CsvSource({
        "40.2, 4.0, slipped",
        "0.402, 4.0, slipped",
        "402, 4.0, slipped",
        "4.3, 4.0, ''",
        "2.5, 4.0, ''",
        "2.0, 4.0, far below",
        "7.5, 4.0, far above"
    })
    void aSlippedDecimalPointIsNamed(double value, double expected, String words) {
        var doubt = Plausibility.OF_A_DIMENSION.doubt(value, expected, "mm");

        if (words.isEmpty()) {
            assertThat(doubt).isEmpty();
        } else {
            assertThat(doubt).get().asString().contains(words).contains("mm");
        }
    }

    /**
     * The same number in another unit is asked about by that unit's name. Factors by definition: 1 lbf = 4.44822 N, 1 kgf = 9.80665 N,
     * 1 in = 25.4 mm. A kgf lies so near to ten newtons that a moved point explains it as well, and both are named.
     */
    @ParameterizedTest
    @CsvSource({
        "180, 800, N, 'Was it read in ''lbf''?', '180 lbf would be 801 N'",
        "82, 800, N, 'Has the decimal point slipped, or was it read in ''kgf''?', '82 kgf would be 804 N'",
        "0.1575, 4, mm, 'Was it read in ''in''?', '0.1575 in would be 4.00 mm'",
        "400, 800, N, '', ''"
    })
    void anotherUnitIsNamed(double value, double expected, String unit, String asked, String fits) {
        Plausibility rule = unit.equals("mm") ? Plausibility.OF_A_DIMENSION : Plausibility.OF_A_FORCE;
        String doubt = rule.doubt(value, expected, unit).orElse("");
        assertThat(doubt).startsWith(asked).contains(fits);
        assertThat(doubt.isEmpty()).isEqualTo(asked.isEmpty());
    }

    /** Bars of 10 × 4 mm (ISO 178) measured across the wrong way, or printed at three quarters (common practice, no source). */
    @ParameterizedTest
    @CsvSource({
        "4.02, 10, 4, 'Is that the thickness?'",
        "10.1, 4, 10, 'Is that the thickness?'",
        "7.51, 10, 4, 'Was it printed at another scale?'",
        "9.6, 10, 4, ''",
        "8.8, 10, 4, ''",
        "3.98, 4, 4, ''",
        "44, 10, 4, '44.00 mm is far above anything seen'"
    })
    void aSizeMayBeAnotherOrOfAnotherScale(double value, double own, double other, String asked) {
        String doubt = Plausibility.OF_A_DIMENSION
                .doubtOfSize(value, own, java.util.Map.of("thickness", other))
                .orElse("");
        assertThat(doubt).startsWith(asked);
        assertThat(doubt.isEmpty()).isEqualTo(asked.isEmpty());
    }

    @ParameterizedTest
    @CsvSource({
        "52, kgf, 52 kgf",
        "'52,5', kgf, '52,5 kgf'",
        "1 234.5, lbf, 1 234.5 lbf",
        "52 N, kgf, 52 N",
        "52 kgf, kgf, 52 kgf",
        "later, kgf, later",
        "52, '', 52"
    })
    void aBareNumberIsInTheUnitOfTheDisplay(String text, String display, String kept) {
        assertThat(Typed.shownIn(text, display)).isEqualTo(kept);
    }
}
