package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NumericChars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.statistics.Holm;

/** Places, rigs, codes and gauges. */
class ComparisonTest {

    /** Three places of 4, 4 and 3 values; F, p and the scatter within by aov of R 4.2.2. */
    @Test
    void aPlaceEffectAgainstAGeneralEnvironment() {
        PlaceEffect effect =
                effect(new double[] {54.1, 55.3, 53.9, 54.8}, new double[] {55.9, 56.4, 55.2, 56.8}, new double[] {
                    54.4, 54.9, 55.6
                });

        assertThat(effect.f()).isCloseTo(5.93523673778, within(1e-9));
        assertThat(effect.p()).isCloseTo(0.0262740538322, within(1e-9));
        assertThat(effect.withinSd()).isCloseTo(0.652080005316, within(1e-9));
        assertThat(effect.betweenSd()).isPositive();
        assertThat(effect.betweenNegative()).isFalse();
    }

    /** M57: places that add nothing may give a negative component: shown as zero and said so. */
    @Test
    void aNegativeComponentIsSaid() {
        PlaceEffect effect = effect(new double[] {1, 3, 5}, new double[] {1.1, 3.1, 4.8});

        assertThat(effect.f()).isLessThan(1);
        assertThat(effect.betweenSd()).isZero();
        assertThat(effect.betweenNegative()).isTrue();
        assertThatThrownBy(() -> effect(new double[] {1, 2})).hasMessageContaining("two places");
        assertThatThrownBy(() -> effect(new double[] {1, 1}, new double[] {2, 2}))
                .hasMessageContaining("all alike");
    }

    /** M44: five lots by the old and the new rig; the interval by t.test(paired) of R 4.2.2. */
    @Test
    void aBridgingStudyDecidesWithNumbers() {
        double[] old = {54.1, 55.3, 53.9, 54.8, 56.1};
        double[] fresh = {54.6, 55.5, 54.7, 55.2, 56.4};
        Bridging wide = Bridging.of(old, fresh, 1);
        Bridging narrow = Bridging.of(old, fresh, 0.4);
        Bridging tight = Bridging.of(old, fresh, 0.1);

        assertThat(wide.difference()).isCloseTo(0.44, within(1e-12));
        assertThat(wide.lower()).isCloseTo(0.2205129, within(1e-7));
        assertThat(wide.upper()).isCloseTo(0.6594871, within(1e-7));
        assertThat(wide.finding()).isEqualTo(Bridging.Finding.SHARE);
        assertThat(narrow.finding()).isEqualTo(Bridging.Finding.SHARE_WITH_OFFSET);
        assertThat(tight.finding()).isEqualTo(Bridging.Finding.APART);
        assertThat(narrow.sentence("MPa")).contains("Over 5 lots", "0.440 MPa", "once the difference is taken off");
        assertThatThrownBy(() -> Bridging.of(new double[] {1, 2}, new double[] {1, 2}, 1))
                .hasMessageContaining("3 lots or more");
    }

    /** The example of ISO 7064 MOD 37,36 in the release identifier of the recording trade: …ABC1234002-M (from memory). */
    @Test
    void theCheckCharacterOfThePublishedExample() {
        assertThat(CheckCharacter.of("A1-2425G-ABC1234002")).isEqualTo('M');
        assertThat(CheckCharacter.holds("A1-2425G-ABC1234002-M")).isTrue();
        assertThat(CheckCharacter.holds("A1-2425G-ABC1234003-M")).isFalse();
        assertThat(CheckCharacter.holds("M")).isFalse();
        assertThat(CheckCharacter.holds("SK/1")).isFalse();
        assertThatThrownBy(() -> CheckCharacter.of("SK/1")).hasMessageContaining("'/'");
        assertThatThrownBy(() -> CheckCharacter.of("--")).hasMessageContaining("at least one");
    }

    /** Every single wrong character is found. */
    @Property(tries = 300)
    void aWrongCharacterIsFound(
            @ForAll @AlphaChars @NumericChars @StringLength(min = 1, max = 12) String code,
            @ForAll @IntRange(max = 11) int at,
            @ForAll @IntRange(min = 1, max = 35) int by) {
        String right = code.toUpperCase(java.util.Locale.ROOT) + CheckCharacter.of(code);
        int place = at % right.length();
        int value = Character.digit(right.charAt(place), 36);
        char wrong = Character.toUpperCase(Character.forDigit((value + by) % 36, 36));
        String spoilt = right.substring(0, place) + wrong + right.substring(place + 1);

        assertThat(CheckCharacter.holds(right)).isTrue();
        assertThat(CheckCharacter.holds(spoilt))
                .as(right + " typed as " + spoilt)
                .isFalse();
    }

    /** M2: too coarse a gauge and the wrong hammer are named with the ones that fit. */
    @Test
    void gaugesAndHammersThatFit() {
        Headroom.Gauge large = new Headroom.Gauge("load cell", 2000);
        Headroom.Gauge small = new Headroom.Gauge("hook gauge", 500);

        assertThat(Headroom.tooCoarse(60, large, List.of(large, small)))
                .hasValueSatisfying(warning -> assertThat(warning).contains("3.0 %", "Use hook gauge (500 N)"));
        assertThat(Headroom.tooCoarse(120, large, List.of(large, small))).isEmpty();
        assertThat(Headroom.tooCoarse(1, large, List.of(large)))
                .hasValueSatisfying(warning -> assertThat(warning).contains("larger specimen"));
        assertThat(Headroom.pendulum(0.3, 4, 0.5, 1, 4))
                .hasValueSatisfying(warning -> assertThat(warning).contains("8 %", "hammer of 0.5 J"));
        assertThat(Headroom.pendulum(0.4, 4, 1)).isEmpty();
        assertThat(Headroom.pendulum(3.6, 4))
                .hasValueSatisfying(warning -> assertThat(warning).contains("90 %", "No hammer"));
    }

    /**
     * Two sets on three places, unequal: F and p of R 4.2, anova(lm(y ~ set), lm(y ~ set + place)) for these numbers.
     */
    @Test
    void placesAreComparedWithinTheirSets() {
        double[] y = {54.1, 55.3, 53.9, 54.8, 28.9, 29.4, 28.2, 30.1, 55.9, 56.4, 29.8};
        int[] place = {1, 1, 2, 2, 1, 2, 3, 3, 3, 3, 1};
        int[] set = {1, 1, 1, 1, 2, 2, 2, 2, 1, 1, 2};
        PlaceEffect effect = PlaceEffect.of(y, place, set);

        assertThat(effect.f()).isCloseTo(0.99867818348384, within(1e-9));
        assertThat(effect.p()).isCloseTo(0.415375533283211, within(1e-9));
        assertThatThrownBy(
                        () -> PlaceEffect.of(new double[] {1, 2, 3, 4}, new int[] {1, 1, 2, 2}, new int[] {1, 1, 2, 2}))
                .hasMessageContaining("two places of one set");
    }

    /** Without any effect one test in twenty finds one, however unequally three sets lie on the places; and a real one is seen. */
    @Test
    void theLevelIsKeptForUnequalSets() {
        int[] place = {1, 1, 1, 1, 1, 2, 2, 2, 3, 3, 3, 3};
        int[] set = {1, 1, 1, 1, 2, 1, 2, 2, 2, 3, 3, 1};
        Random random = new Random(21);
        int found = 0;
        int real = 0;
        int runs = 4000;
        for (int run = 0; run < runs; run++) {
            double[] y = new double[place.length];
            double[] moved = new double[place.length];
            for (int i = 0; i < y.length; i++) {
                y[i] = 20 * set[i] + random.nextGaussian();
                moved[i] = y[i] + 3 * place[i];
            }
            found += PlaceEffect.of(y, place, set).p() < 0.05 ? 1 : 0;
            real += PlaceEffect.of(moved, place, set).p() < 0.05 ? 1 : 0;
        }
        assertThat(found / (double) runs).isCloseTo(0.05, within(3 * Math.sqrt(0.05 * 0.95 / runs)));
        assertThat(real / (double) runs).isGreaterThan(0.8);
    }

    /** R 4.2, p.adjust(c(0.01, 0.04, 0.03, 0.005), "holm"). */
    @Test
    void severalTestsAreCorrectedFor() {
        assertThat(Holm.adjust(0.01, 0.04, 0.03, 0.005))
                .containsExactly(new double[] {0.03, 0.06, 0.06, 0.02}, within(1e-12));
    }

    /** A difference that is known and does not matter is said all the same; a margin wider than the claim leaves room is refused. */
    @Test
    void aKnownDifferenceInsideTheMarginIsSaid() {
        double[] old = {54.1, 55.3, 53.9, 54.8, 56.1};
        double[] fresh = {54.4, 55.61, 54.19, 55.1, 56.41};
        Bridging study = Bridging.of(old, fresh, 0.4, OptionalDouble.of(5));

        assertThat(study.finding()).isEqualTo(Bridging.Finding.SHARE);
        assertThat(study.isDifferent()).isTrue();
        assertThat(study.sentence("MPa")).contains("known to differ all the same");
        assertThat(study.uncertainty()).isCloseTo(study.sd() / Math.sqrt(5), within(1e-12));
        assertThatThrownBy(() -> Bridging.of(old, fresh, 1000, OptionalDouble.of(5)))
                .hasMessageContaining("matters");
        assertThat(Bridging.of(old, new double[] {54.3, 55.1, 54.0, 54.7, 56.1}, 0.4, OptionalDouble.empty())
                        .isDifferent())
                .isFalse();
    }

    /** Of one set, by its groups. */
    private static PlaceEffect effect(double[]... groups) {
        double[] values = java.util.Arrays.stream(groups)
                .flatMapToDouble(java.util.Arrays::stream)
                .toArray();
        int[] places = new int[values.length];
        int next = 0;
        for (int place = 0; place < groups.length; place++) {
            for (int i = 0; i < groups[place].length; i++) {
                places[next++] = place;
            }
        }
        return PlaceEffect.of(values, places, new int[values.length]);
    }
}
