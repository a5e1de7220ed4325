package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** The margin is what the deciding bound has to the edge, and the claim moved by it is where the verdict turns. */
class MarginTest {

    private static final Evidence BARS = Evidence.of(52.1, 51.4, 52.9, 52.3, 51.8);

    @Test
    void aClaimMovedByItsMarginIsJustSupportedAndNoFurther() {
        Requirement claim = Requirement.atLeast(50, "MPa", 3);
        Margin margin = Margin.of(claim, MeanVerdict.of(claim, BARS)).orElseThrow();
        assertThat(margin.distance()).isPositive();
        Requirement moved = Requirement.atLeast(50 + margin.distance() - 1e-6, "MPa", 3);
        Requirement beyond = Requirement.atLeast(50 + margin.distance() + 1e-3, "MPa", 3);
        assertThat(MeanVerdict.of(moved, BARS).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(MeanVerdict.of(beyond, BARS).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(margin.words(3, "MPa")).contains("inside the claim", "% of its edge");
        assertThat(margin.carried(3, "MPa")).startsWith("at least 51");
    }

    @Test
    void ofTwoEdgesTheNearerCounts() {
        Requirement claim = Requirement.between(50, 53, "MPa", 3);
        Judgement judgement = MeanVerdict.of(claim, BARS);
        Margin margin = Margin.of(claim, judgement).orElseThrow();
        assertThat(margin.isLower()).isFalse();
        assertThat(margin.distance())
                .isCloseTo(53 - judgement.upper().orElseThrow(), within(1e-12))
                .isLessThan(judgement.lower().orElseThrow() - 50);
    }

    @Test
    void shortOfTheClaimItIsBelowZero() {
        Requirement claim = Requirement.atLeast(60, "MPa", 3);
        Margin margin = Margin.of(claim, MeanVerdict.of(claim, BARS)).orElseThrow();
        assertThat(margin.distance()).isNegative();
        assertThat(margin.words(3, "MPa")).contains("short of the claim");
        assertThat(new Margin(0.5, 0, 0.5, true).words(2, "%")).isEqualTo("0.50 % inside the claim");
    }

    @Test
    void withoutBoundsThereIsNone() {
        Requirement claim = Requirement.atLeast(60, "MPa", 3);
        assertThat(Margin.of(claim, MeanVerdict.of(claim, Evidence.of()))).isEmpty();
    }
}
