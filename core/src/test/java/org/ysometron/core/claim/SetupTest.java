package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

/** A set-up is its factors: each is named where it differs, and the key gives back just them. */
class SetupTest {

    private static final Setup FRAME = Setup.printed("printer 1", 2).tested("frame 1, wedge grips", "");

    @Test
    void whatDiffersIsNamedFactorByFactor() {
        assertThat(FRAME.differences(FRAME)).isEmpty();
        assertThat(FRAME.differences(Setup.printed("printer 1", 3).tested("frame 1, wedge grips", "")))
                .containsExactly("recipe 2 and 3");
        assertThat(FRAME.differences(Setup.bought("made by a works").tested("frame 2", "loaded before")))
                .containsExactly(
                        "printer printer 1 and none",
                        "recipe 2 and none",
                        "maker none and made by a works",
                        "rig frame 1, wedge grips and frame 2",
                        "rework none and loaded before");
    }

    @Test
    void itsWordsAreOneLine() {
        assertThat(FRAME.words()).isEqualTo("printer 1, recipe 2; frame 1, wedge grips");
        assertThat(Setup.NONE.words()).isEmpty();
        assertThat(Setup.NONE.tested("", "loaded before").words()).isEqualTo("loaded before");
        assertThat(Setup.NONE.isNone()).isTrue();
    }

    @Property(tries = 500)
    void itsKeyGivesItBack(
            @ForAll @StringLength(max = 20) String printer,
            @ForAll @IntRange(max = 99) int recipe,
            @ForAll @StringLength(max = 20) String maker,
            @ForAll @StringLength(max = 20) String rig,
            @ForAll @StringLength(max = 20) String rework) {
        Setup setup = new Setup(printer, recipe, maker, rig, rework);
        assertThat(Setup.ofKey(setup.key())).isEqualTo(setup);
    }

    @Test
    void aKeyThatIsNoneIsRefused() {
        assertThatThrownBy(() -> Setup.ofKey("printer 1, recipe 2")).hasMessageContaining("no key of a set-up");
        assertThatThrownBy(() -> Setup.ofKey("colour=red")).hasMessageContaining("no key of a set-up");
        assertThatThrownBy(() -> Setup.printed("printer 1", -1)).hasMessageContaining("at least 1");
    }
}
