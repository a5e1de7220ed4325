package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.quantity.Dimension;

class EntryTest {

    private final Problems problems = new Problems();

    private Entry typed(String text) {
        return problems.entry("field", "The field", text);
    }

    @Test
    void aBlankFieldIsNothingAndNotZero() {
        Entry blank = typed("  ");
        assertThat(blank.quantity(Dimension.FORCE)).isEmpty();
        assertThat(blank.share()).isEmpty();
        assertThat(blank.number(10, "5")).isEmpty();
        assertThat(blank.key()).isEmpty();
        assertThat(blank.moment()).isEmpty();
        assertThat(blank.choice(Orientation.values())).isEmpty();
        assertThat(blank.whole(1, 5, 3)).isEqualTo(3);
        assertThat(problems.none()).isTrue();
    }

    @Test
    void whatIsNeededAndBlankIsSaid() {
        assertThat(typed("").neededWhole(1, 60)).isEqualTo(1);
        assertThat(problems.at("field")).isEqualTo("The field is missing; expected for example 1 to 60.");
        assertThat(problems.entry("force", "Force", "").neededQuantity(Dimension.FORCE))
                .isEmpty();
        assertThat(problems.at("force")).contains("Nothing was typed");
    }

    /** By definition: 1 kgf is 9.80665 N, 1 in is 25.4 mm. */
    @ParameterizedTest
    @CsvSource({"1 kgf,FORCE,9.80665", "'1,5 kN',FORCE,1500", "1 in,LENGTH,25.4", "12.5,LENGTH,12.5"})
    void aQuantityIsTakenInAnyUnitOfItsDimension(String text, Dimension dimension, double value) {
        assertThat(typed(text).quantity(dimension).orElseThrow()).isCloseTo(value, within(1e-9));
        assertThat(problems.none()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"5 mm,FORCE", "-3 N,FORCE", "abc,LENGTH", "1 234.5.6,LENGTH", "NaN,LENGTH", "1e999 N,FORCE"})
    void whatIsNoQuantityIsSaidAtItsField(String text, Dimension dimension) {
        assertThat(typed(text).quantity(dimension)).isEmpty();
        assertThat(problems.at("field")).isNotBlank().contains("expected");
    }

    @ParameterizedTest
    @CsvSource({"12 %,0.12", "12,0.12", "'2,5',0.025", "0,0", "0 %,0", "100 %,1"})
    void aShareIsTypedInPercent(String text, double share) {
        assertThat(typed(text).share().orElseThrow()).isEqualTo(share);
        assertThat(problems.none()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"101", "-1", "5 mm", "many", "1e308"})
    void aShareIsNoMoreThanTheWhole(String text) {
        assertThat(typed(text).share()).isEmpty();
        assertThat(problems.at("field")).contains("is no share");
    }

    @ParameterizedTest
    @CsvSource({"2.5", "-1", "1e3", "five", "61", "0", "99999999999999999999"})
    void aWholeNumberIsWholeAndInItsRange(String text) {
        assertThat(typed(text).whole(1, 60, 7)).isEqualTo(7);
        assertThat(problems.at("field")).isEqualTo("'" + text + "' is not a whole number from 1 to 60.");
    }

    @Test
    void aBareNumberHasNoUnitAndItsLimit() {
        assertThat(typed("24,90").number(1e7, "24.90")).hasValue(24.9);
        assertThat(problems.none()).isTrue();
        assertThat(typed("24 %").number(1e7, "24.90")).isEmpty();
        assertThat(problems.at("field")).isEqualTo("'24 %' is not a number above zero; expected for example 24.90.");
        assertThat(problems.entry("more", "More", "1e8").number(1e7, "1")).isEmpty();
        assertThat(problems.at("more")).isNotNull();
    }

    @Test
    void aRangeIsSaidInItsUnit() {
        assertThat(typed("3 m").within(Dimension.LENGTH, 1, 2000, 220, "220 mm"))
                .isEqualTo(220);
        assertThat(problems.at("field")).isEqualTo("'3 m' is not between 1 and 2000 mm; expected for example 220 mm.");
        assertThat(typed("25 cm").within(Dimension.LENGTH, 1, 2000, 220, "220 mm"))
                .isEqualTo(250);
    }

    @Test
    void aWordOfTheTradeIsFoundHoweverItIsSpelt() {
        assertThat(typed("xy").choice(Orientation.values())).contains(Orientation.XY);
        assertThat(problems.entry("field", "Orientation", "up").choice(Orientation.values()))
                .isEmpty();
        assertThat(problems.at("field")).isEqualTo("'up' is no orientation that is known here.");
    }

    @Test
    void aCellSaysWhichCellItMeansAndAFieldDoesNot() {
        problems.cell("row-3", "Rate", "fast").quantity(Dimension.SPEED);
        assertThat(problems.at("row-3")).startsWith("Rate: 'fast' is not a number");
        problems.entry("rate", "Rate", "fast").quantity(Dimension.SPEED);
        assertThat(problems.at("rate")).startsWith("'fast' is not a number");
    }

    @Test
    void aListIsPartedAndEachNameStandsOnce() {
        assertThat(typed(" XY1, XY2;XY1\nZX3 ").names()).containsExactly("XY1", "XY2", "ZX3");
        assertThat(typed("drum 4; drum 5, drum 4").list()).containsExactly("drum 4", "drum 5");
        assertThat(typed("").names()).isEmpty();
    }

    @Test
    void momentsAndDaysAreReadOrSaid() {
        assertThat(typed("2026-03-14 09:30").moment()).contains(LocalDateTime.of(2026, 3, 14, 9, 30));
        assertThat(typed("14.3.2026").moment()).isEmpty();
        assertThat(problems.at("field")).contains("is not a date with its time");
    }

    @Test
    void outsideAFormWhatIsWrongIsARefusal() {
        assertThatThrownBy(() -> Entry.strict("mass", "Mass", "5 mm").neededQuantity(Dimension.MASS))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("mass"))
                .hasMessageContaining("'mm' is a length, not a mass");
    }
}
