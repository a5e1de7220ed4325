package org.ysometron.core.gate;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** M76: one rule for every reason. What is refused was typed by people in a hurry (common practice, no source). */
class SubstanceTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                ".",
                "....................",
                "\u00a0\u00a0\u00a0\u00a0\u00a0\u00a0\u00a0\u00a0\u00a0",
                "\u200b\u200b\u200b\u200b\u200b\u200b\u200b\u200b\u200b",
                "\u2800\u2800\u2800\u2800\u2800\u2800\u2800\u2800\u2800\u2800",
                "ok",
                "aaaaaaaaaaaaaaaa",
                "1212121212",
                "x x x x x x x x x",
            })
    void isRefused(String text) {
        assertThat(Substance.problem(text)).isPresent();
    }

    @ParameterizedTest
    @ValueSource(strings = {"misread the vernier", "Zweite Probe genommen", "перепутаны образцы", "K-2231 lapsed"})
    void isTaken(String text) {
        assertThat(Substance.problem(text)).isEmpty();
    }

    /** Nothing that is added takes substance away. */
    @Test
    void moreIsNeverLess() {
        assertThat(Substance.problem("misread the vernier" + "\u200b".repeat(40)))
                .isEmpty();
    }
}
