package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DiameterExcursionsTest {

    private static DiameterExcursions of(double... diameters) {
        DiameterExcursions seen = new DiameterExcursions(1.75, 0.05);
        for (int i = 0; i < diameters.length; i++) {
            // Round and oval by turns: the mean of both is what counts.
            double oval = i % 2 == 0 ? 0 : 0.02;
            seen.accept(10 * i, diameters[i] + oval, diameters[i] - oval);
        }
        return seen;
    }

    /** By hand: readings 2 and 3 too thick, 6 too thin and still going on. */
    @Test
    void lengthsAreSaidAsTheyCome() {
        List<DiameterExcursions.Length> lengths =
                of(1.75, 1.79, 1.81, 1.84, 1.80, 1.75, 1.69).lengths();
        assertThat(lengths)
                .usingRecursiveFieldByFieldElementComparator(
                        org.assertj.core.api.recursive.comparison.RecursiveComparisonConfiguration.builder()
                                .withComparatorForType(
                                        (a, b) -> Math.abs(a - b) < 1e-9 ? 0 : Double.compare(a, b), Double.class)
                                .build())
                .containsExactly(
                        new DiameterExcursions.Length(10, 30, 1.84, false),
                        new DiameterExcursions.Length(50, 60, 1.69, true));
    }

    @Test
    void nothingIsSaidOfWhatIsInside() {
        // On the edge is inside, whatever its last bit: 1.80 and 1.70.
        assertThat(of(1.80, 1.70, 1.75).lengths()).isEmpty();
        assertThat(of().lengths()).isEmpty();
        // The first reading of all outside begins where it stands.
        assertThat(of(1.9).lengths()).containsExactly(new DiameterExcursions.Length(0, 0, 1.9, true));
    }

    /** The lengths together are the share of the log: the same rule, said while it runs and when it is over. */
    @Test
    void theLengthsAreTheShareOfTheLog() {
        Random chance = new Random(5);
        DiameterLog log = new DiameterLog(1.75, 0.05);
        DiameterExcursions seen = new DiameterExcursions(1.75, 0.05);
        double d = 1.75;
        int n = 5000;
        for (int i = 0; i < n; i++) {
            d = 1.75 + 0.98 * (d - 1.75) + 0.008 * chance.nextGaussian();
            log.accept(i, d, d);
            seen.accept(i, d, d);
        }
        double sum = seen.lengths().stream()
                .mapToDouble(length -> length.to() - length.from())
                .sum();
        assertThat(sum / (n - 1)).isCloseTo(log.finish().shareOutside(), within(1e-12));
        assertThat(sum).isGreaterThan(50);
    }

    @Test
    void whatIsNoNumberIsRefused() {
        DiameterExcursions seen = new DiameterExcursions(1.75, 0.05);
        assertThatThrownBy(() -> seen.accept(Double.NaN, 1.75, 1.75)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> seen.accept(1, Double.POSITIVE_INFINITY, 1.75))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DiameterExcursions(1.75, 1.75)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DiameterExcursions(Double.NaN, 0.05)).isInstanceOf(IllegalArgumentException.class);
    }
}
