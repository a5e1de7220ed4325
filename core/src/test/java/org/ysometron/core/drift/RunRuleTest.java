package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class RunRuleTest {

    /** One row a case; the file's head says how the expected points were found. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvFileSource(resources = "/org/ysometron/core/run-rules.csv", delimiter = '|', numLinesToSkip = 3)
    void flagsThePointThatCompletesAPatternAndEachThatProlongsIt(RunRule rule, String series, String flagged) {
        double[] values = Arrays.stream(series.strip().split("\\s+"))
                .mapToDouble(Double::parseDouble)
                .toArray();
        List<Integer> expected = flagged == null
                ? List.of()
                : Arrays.stream(flagged.strip().split("\\s+"))
                        .map(Integer::valueOf)
                        .toList();

        assertThat(RunRule.signals(values, 0, 1, Set.of(rule)))
                .extracting(Signal::last)
                .isEqualTo(expected);
    }

    @Test
    void aSignalIsNamedInWords() {
        double[] falling = {0.5, 0.4, 0.3, 0.2, 0.1, -0.1, -0.2};
        double[] low = {-1, -1, -1, -1, -1, -1, -1, -1, -1, 4};

        assertThat(RunRule.signals(falling, 0, 1, Set.of(RunRule.SIX_CLIMBING_OR_FALLING)))
                .extracting(Signal::words)
                .containsExactly("six lots falling", "seven lots falling");
        assertThat(RunRule.signals(low, 0, 1, RunRule.USUAL))
                .extracting(Signal::words)
                .containsExactly(
                        "eight lots in a row below the centre",
                        "nine lots in a row below the centre",
                        "beyond the upper limit");
    }

    @Test
    void noSpreadNoRules() {
        assertThatThrownBy(() -> RunRule.signals(new double[] {1}, 0, 0, RunRule.USUAL))
                .hasMessageContaining("above zero");
        assertThatThrownBy(() -> RunRule.signals(new double[] {Double.NaN}, 0, 1, RunRule.USUAL))
                .hasMessageContaining("not finite");
    }

    @Property
    void mirroredSeriesGiveMirroredSignals(
            @ForAll @Size(min = 1, max = 40) List<@DoubleRange(min = -4, max = 4) Double> series) {
        double[] values = series.stream().mapToDouble(Double::doubleValue).toArray();
        double[] mirrored = Arrays.stream(values).map(value -> -value).toArray();
        Set<RunRule> all = EnumSet.allOf(RunRule.class);

        assertThat(RunRule.signals(mirrored, 0, 1, all))
                .extracting(Signal::rule, Signal::last)
                .isEqualTo(RunRule.signals(values, 0, 1, all).stream()
                        .map(signal -> org.assertj.core.groups.Tuple.tuple(signal.rule(), signal.last()))
                        .toList());
    }

    /** M62's other half: with the baseline fixed, a later point never changes what was said of an earlier one. */
    @Property
    void laterPointsDoNotRewriteEarlierSignals(
            @ForAll @Size(min = 2, max = 40) List<@DoubleRange(min = -4, max = 4) Double> series) {
        double[] values = series.stream().mapToDouble(Double::doubleValue).toArray();
        double[] before = Arrays.copyOf(values, values.length - 1);
        Set<RunRule> all = EnumSet.allOf(RunRule.class);

        assertThat(RunRule.signals(values, 0, 1, all))
                .filteredOn(signal -> signal.last() < before.length)
                .isEqualTo(RunRule.signals(before, 0, 1, all));
    }
}
