package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** M51: a lot whose blend changed is another material under the same name. */
class BlendTest {

    private static final Blend BEFORE = new Blend("F3", "SL-7", 2);

    @Test
    void capitalsAndBlanksMakeNoOtherBlend() {
        assertThat(new Blend(" f3 ", "sl-7", 2.0).isSame(BEFORE)).isTrue();
        assertThat(new Blend("F  3", "", 0).formulation()).isEqualTo("F 3");
    }

    @Test
    void formulationMasterbatchAndItsShareEachDo() {
        assertThat(new Blend("F4", "SL-7", 2).differences(BEFORE)).containsExactly("formulation F4 (before: F3)");
        assertThat(new Blend("F3", "SL-8", 2).differences(BEFORE))
                .containsExactly("masterbatch SL-8 at 2 % (before: masterbatch SL-7 at 2 %)");
        assertThat(new Blend("F3", "SL-7", 3.5).differences(BEFORE))
                .containsExactly("masterbatch SL-7 at 3.5 % (before: masterbatch SL-7 at 2 %)");
        assertThat(new Blend("", "", 0).differences(BEFORE))
                .containsExactly(
                        "formulation not on record (before: F3)", "no masterbatch (before: masterbatch SL-7 at 2 %)");
        assertThat(BEFORE.differences(BEFORE)).isEmpty();
        assertThat(new Blend("F3", "SL-7", 3.5).isSame(BEFORE)).isFalse();
    }

    @Test
    void whatNobodySaidHasNoWords() {
        assertThat(Blend.UNKNOWN.words()).isEmpty();
        assertThat(BEFORE.words()).isEqualTo("formulation F3, masterbatch SL-7 at 2 %");
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1, 100, Double.NaN, Double.POSITIVE_INFINITY, 0})
    void aShareThatIsNoneIsRefused(double share) {
        assertThatIllegalArgumentException().isThrownBy(() -> new Blend("F3", "SL-7", share));
    }

    @Test
    void aShareOfNothingIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Blend("F3", "", 2));
    }
}
