package org.ysometron.core.surprise;

import java.util.Arrays;
import java.util.Optional;

/**
 * Whether values of one series fall into two streams by turns, as from two machines or two hands: the best division of the ordered values into two groups,
 * set against how well values of one normal population divide by chance (simulated for each n).
 *
 * <p>A series with a change of level divides as well: it is looked at only where no change stands out.
 *
 * @param lower mean of the lower stream
 * @param upper mean of the upper stream
 * @param edge what parts them: midway between the greatest of the lower and the least of the upper
 * @param inLower how many lie in the lower
 * @param inUpper how many lie in the upper
 * @param chance probability that as many values of one population divide at least as well
 */
public record TwoStreams(double lower, double upper, double edge, int inLower, int inUpper, double chance) {

    /** Fewest values that are looked at. */
    public static final int FEWEST = 12;

    /** Level at which two streams are spoken of; with the looks for one change beside it about one sound series in twenty is named. */
    public static final double SPOKEN = 0.01;

    /** The division of at least {@value #FEWEST} finite values; empty of fewer, and of values that are all alike. */
    public static Optional<TwoStreams> of(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        if (sorted.length < FEWEST || !(sorted[sorted.length - 1] > sorted[0])) {
            return Optional.empty();
        }
        Shapes.Division division = Shapes.divided(sorted);
        int at = division.lower();
        return Optional.of(new TwoStreams(
                Arrays.stream(sorted, 0, at).average().orElseThrow(),
                Arrays.stream(sorted, at, sorted.length).average().orElseThrow(),
                sorted[at - 1] / 2 + sorted[at] / 2,
                at,
                sorted.length - at,
                Shapes.ofDivision(division.share(), sorted.length)));
    }

    /** Whether it is more than chance would do. */
    public boolean isSpoken() {
        return chance <= SPOKEN;
    }
}
