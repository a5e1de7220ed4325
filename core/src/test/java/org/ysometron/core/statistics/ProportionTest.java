package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProportionTest {

    /** R 4.2.2: binom.test(hits, of, conf.level = confidence)$conf.int, to six decimals. */
    @ParameterizedTest
    @CsvSource({
        "0, 10, 0.95, 0, 0.308497",
        "10, 10, 0.95, 0.691503, 1",
        "4, 20, 0.90, 0.071354, 0.401028",
        "95, 100, 0.95, 0.887165, 0.983568",
    })
    void exactBounds(int hits, int of, double confidence, double lower, double upper) {
        Proportion share = Proportion.of(hits, of, confidence);
        assertThat(share.lower()).isCloseTo(lower, within(1e-6));
        assertThat(share.upper()).isCloseTo(upper, within(1e-6));
        assertThat(share.share()).isEqualTo((double) hits / of);
    }

    @Property
    void theShareLiesBetweenItsBounds(@ForAll @IntRange(max = 60) int hits, @ForAll @IntRange(max = 60) int others) {
        int of = Math.max(1, hits + others);
        Proportion share = Proportion.of(Math.min(hits, of), of, 0.95);
        assertThat(share.share()).isBetween(share.lower(), share.upper());
    }

    @Test
    void rangesAreChecked() {
        assertThatThrownBy(() -> Proportion.of(0, 0, 0.95)).hasMessageContaining("0 of 0");
        assertThatThrownBy(() -> Proportion.of(3, 2, 0.95)).hasMessageContaining("3 of 2");
        assertThatThrownBy(() -> Proportion.of(1, 2, Double.NaN)).hasMessageContaining("NaN");
    }
}
