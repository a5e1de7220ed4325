package org.ysometron.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;

/** Numbers as they are printed: grouped by blanks (SI Brochure, 9th ed., 5.4.4), prefixes that differ by their case (3.1). */
class AsPrintedTest {

    private static final UnitOfMeasure NEWTON = UnitOfMeasure.working(Dimension.FORCE);

    @ParameterizedTest
    @ValueSource(
            strings = {"1 234,5 N", "1\u00a0234,5 N", "1\u202f234.5\u00a0N", "1\u2009234,5", "1234.5 N", "1234,5\u00a0N"
            })
    void blanksBetweenGroupsAreNoneOfTheNumber(String text) {
        assertThat(Typed.read("force", text, NEWTON))
                .isInstanceOfSatisfying(
                        Typed.Accepted.class, read -> assertThat(read.value()).isCloseTo(1234.5, within(1e-9)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"12 34 N", "1 23,5 N", "1 2345 N", "12.345,6 N"})
    void otherBlanksAreASlip(String text) {
        assertThat(Typed.read("force", text, NEWTON)).isInstanceOf(Typed.Refused.class);
    }

    @Test
    void theTrueMinusIsAMinus() {
        assertThat(Typed.read("force", "\u22125 N", NEWTON))
                .isInstanceOfSatisfying(
                        Typed.Refused.class,
                        refused -> assertThat(refused.problem().text()).contains("not above zero"));
    }

    /** A milli is no mega: what differs in its prefix alone is another unit, not another case. */
    @ParameterizedTest
    @CsvSource({"5 MJ, ENERGY", "1 mPa, STRESS", "14 MJ/cm², DOSE", "3 MPa·s, VISCOSITY", "2 kJ/Mm², ENERGY_PER_AREA"})
    void aPrefixIsNotFolded(String text, Dimension dimension) {
        assertThat(Typed.read("value", text, UnitOfMeasure.working(dimension))).isInstanceOf(Typed.Refused.class);
    }

    /** Below zero and at zero there are temperatures; below absolute zero there are none. */
    @Test
    void frostIsATemperature() {
        UnitOfMeasure celsius = UnitOfMeasure.working(Dimension.TEMPERATURE);
        assertThat(Typed.read("oven", "\u22125 °C", celsius))
                .isInstanceOfSatisfying(
                        Typed.Accepted.class, read -> assertThat(read.value()).isEqualTo(-5));
        assertThat(Typed.read("oven", "0", celsius)).isInstanceOf(Typed.Accepted.class);
        assertThat(Typed.read("oven", "-274", celsius)).isInstanceOf(Typed.Refused.class);
        assertThat(Typed.read("force", "0 N", NEWTON)).isInstanceOf(Typed.Refused.class);
    }

    @Test
    void capitalsOfAWholeUnitAreStillRead() {
        assertThat(UnitOfMeasure.find("KGF")).isPresent();
        assertThat(UnitOfMeasure.find("mpa").map(UnitOfMeasure::symbol)).contains("MPa");
    }

    /** 0.0833333 mm/s is 5 mm/min (60 s a minute): one speed, however it was written. */
    @Test
    void aSpeedConvertedIsTheSameSpeed() {
        assertThat(bar(0.0833333 * 60)).isEqualTo(bar(5));
        assertThat(bar(5.1)).isNotEqualTo(bar(5));
    }

    private static Conditions bar(double rate) {
        return new Conditions("tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, rate, "bar");
    }
}
