package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Conclusion.Asked;

/** Which look this is, what each costs, and what a set that is not finished may say. */
class LooksTest {

    private static final Requirement CLAIM = Requirement.atLeast(50, "MPa", 5);

    @Test
    void oneLookIsNotCounted() {
        assertThat(Looks.ONCE.words(5)).isEmpty();
        assertThat(Looks.ONCE.confidence(0.95, 5)).isEqualTo(0.95);
        assertThat(Looks.ONCE.isUnplanned(5)).isFalse();
    }

    /** A look at as many specimens as an earlier one saw what that one saw, and is the same look. */
    @Test
    void aLookIsKnownByItsNumberOfSpecimens() {
        Looks twice = new Looks(2, 5);

        assertThat(twice.words(4)).isEqualTo("look 1 of 2");
        assertThat(twice.words(5)).isEqualTo("look 1 of 2");
        assertThat(twice.words(6)).isEqualTo("look 2 of 2");
        assertThat(twice.isUnplanned(6)).isFalse();
        assertThat(new Looks(2, 5, 8).isUnplanned(8)).isFalse();
        assertThat(new Looks(2, 5, 8).isUnplanned(9)).isTrue();
        assertThat(new Looks(2, 5, 8).words(9)).isEqualTo("look 2 of 2");
    }

    /** Two looks at 5 and 10: Pocock's constant for two equal looks is 2.178 two-sided, 1.875 one-sided at 5 % (tables). */
    @Test
    void aLookCostsConfidence() {
        double first = new Looks(2).confidence(0.95, 5);
        double second = new Looks(2, 5).confidence(0.95, 10);

        assertThat(first).isBetween(0.965, 0.975);
        assertThat(second).isBetween(first, 0.98);
        // One specimen has no scatter: there is nothing to spend.
        assertThat(new Looks(2).confidence(0.95, 1)).isEqualTo(0.95);
        assertThat(new Looks(2).confidence(0.95, 2)).isGreaterThan(0.95);
        // Looked at more often than was planned: the claim's own, and the verdict says that it settles nothing.
        assertThat(new Looks(2, 5, 8).confidence(0.95, 12)).isEqualTo(0.95);
    }

    @Test
    void looksThatAreNoneAreRefused() {
        assertThatThrownBy(() -> new Looks(0)).hasMessageContaining("one to 3 looks");
        assertThatThrownBy(() -> new Looks(4)).hasMessageContaining("one to 3 looks");
        assertThatThrownBy(() -> new Looks(2, 1)).hasMessageContaining("two at least");
        assertThatThrownBy(() -> new Looks(2, 5, 5)).hasMessageContaining("rising");
        assertThat(new Looks(3, 2, 3).earlier()).containsExactly(2, 3);
    }

    /** A look that could not have supported the claim, for want of specimens, is not one of those planned. */
    @Test
    void whatCouldNotSupportIsNoLook() {
        Asked three = Asked.ofSpecimens(CLAIM, new Looks(2), 3, 3);
        Asked five = Asked.ofSpecimens(CLAIM, new Looks(2), 5, 5);
        Asked eight = Asked.ofSpecimens(CLAIM, new Looks(2, 5), 8, 8);

        assertThat(three.next().earlier()).isEmpty();
        assertThat(five.next().earlier()).containsExactly(5);
        assertThat(eight.next().earlier()).containsExactly(5, 8);
        assertThat(three.mayLookAgain()).isTrue();
        assertThat(five.mayLookAgain()).isTrue();
        assertThat(eight.mayLookAgain()).isFalse();
        // An earlier look at as many is this one.
        assertThat(Asked.ofSpecimens(CLAIM, new Looks(2, 5), 5, 5).next().earlier())
                .containsExactly(5);
        assertThat(Asked.ofSpecimens(Requirement.atLeast(50, "MPa", 1), new Looks(2), 1, 1)
                        .next()
                        .earlier())
                .isEmpty();
    }

    @Test
    void theStepOfALookIsThere() {
        Asked first = Asked.ofSpecimens(CLAIM, new Looks(2), 5, 5);

        assertThat(Asked.ofSpecimens(CLAIM, Looks.ONCE, 5, 5).working().steps()).isEmpty();
        assertThat(first.working().steps()).singleElement().satisfies(step -> {
            assertThat(step.meaning()).isEqualTo("confidence of this look (look 1 of 2)");
            assertThat(step.formula()).isEqualTo("all looks together 95.00 %");
            assertThat(step.value()).isCloseTo(first.confidence(), within(1e-15));
        });
    }

    /** What was written down for a look is tested before the look supports anything; what contradicts need not wait. */
    @Test
    void aSetThatIsNotFinishedSupportsNothing() {
        Judgement good = MeanVerdict.of(CLAIM, Evidence.of(55.1, 54.2, 56, 55.5, 54.9));
        Judgement bad = MeanVerdict.of(CLAIM, Evidence.of(45.1, 44.2, 46, 45.5, 44.9));

        assertThat(Verification.unfinished(good, 0)).isSameAs(good);
        assertThat(Verification.unfinished(bad, 3)).isSameAs(bad);
        Judgement open = Verification.unfinished(good, 1);
        assertThat(open.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(open.reason())
                .startsWith("1 of the specimens made for it is not tested yet: would be supported. With 95 %");
        assertThat(open.moreSpecimens()).isEqualTo(OptionalInt.of(1));
        assertThat(open.mean()).isEqualTo(good.mean());
        assertThat(open.lower()).isEqualTo(good.lower());
        assertThat(open.upper()).isEqualTo(good.upper());
        assertThat(open.working().steps()).hasSize(good.working().steps().size() + 1);
        assertThat(Verification.unfinished(good, 4).reason()).startsWith("4 of the specimens made for it are not");
    }

    /** What settles nothing asks for no specimens; what was open asks for those it asked for before. */
    @Test
    void whatSettlesNothingKeepsWhatWasAsked() {
        Judgement good = MeanVerdict.of(CLAIM, Evidence.of(55.1, 54.2, 56, 55.5, 54.9));
        Judgement open = MeanVerdict.of(Requirement.atLeast(54.8, "MPa", 5), Evidence.of(55.1, 54.2, 56, 55.5, 54.9));

        assertThat(Verification.unsettled(good, "Provisional", "why").moreSpecimens())
                .isEmpty();
        assertThat(Verification.unsettled(open, "Provisional", "why").moreSpecimens())
                .isEqualTo(OptionalInt.of(8));
        assertThat(Verification.unsettled(open, "Provisional", "why").reason())
                .startsWith("Provisional. The claim (at least 54.8 MPa) lies");
    }
}
