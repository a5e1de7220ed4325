package org.ysometron.core.surprise;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Results of specimens that belong to one comparability key, in the order in which they were tested.
 *
 * @param values in their common unit, finite
 * @param groupings what was recorded of each specimen and splits no series: its sample, its place, who tested it
 * @param history scatter within the earlier lots of the series; empty where it is not known well enough
 */
public record SetOfResults(double[] values, List<Grouping> groupings, Optional<History> history) {

    /** More values than this are not looked at: no set of specimens has as many. */
    public static final int MOST = 1000;

    /** Checks that every grouping speaks of every value. */
    public SetOfResults {
        if (values.length > MOST || Arrays.stream(values).anyMatch(value -> !Double.isFinite(value))) {
            throw new IllegalArgumentException("finite values, " + MOST + " at most, are needed");
        }
        int n = values.length;
        if (groupings.stream().anyMatch(grouping -> grouping.levels.length != n)) {
            throw new IllegalArgumentException("a grouping says of every value to which group it belongs");
        }
        values = values.clone();
        groupings = List.copyOf(groupings);
    }

    /** Values alone. */
    public static SetOfResults of(double... values) {
        return new SetOfResults(values, List.of(), Optional.empty());
    }

    /** The same measured by the scatter of earlier lots. */
    public SetOfResults with(History known) {
        return new SetOfResults(values, groupings, Optional.of(known));
    }

    /**
     * Which values belong together by something recorded.
     *
     * @param name what it is: sample
     * @param levels group of each value, any numbers
     */
    public record Grouping(String name, int[] levels) {

        /** Copies the levels. */
        public Grouping {
            levels = levels.clone();
        }

        /** The same groups by numbers from 0 in order of appearance, so that two names of one division are seen to be one. */
        List<Integer> division() {
            List<Integer> seen = Arrays.stream(levels).distinct().boxed().toList();
            return Arrays.stream(levels).mapToObj(seen::indexOf).toList();
        }
    }

    /**
     * Whether so many values are alike that the display's step has shaped them: fewer than two thirds of them differ. Of what is read as 1 or 2 nobody can
     * say whether it falls into two groups (common practice, no source).
     */
    boolean isCoarse() {
        return 3 * Arrays.stream(values).distinct().count() < 2L * values.length;
    }

    int n() {
        return values.length;
    }

    /** The set without some of its values. */
    SetOfResults without(List<Integer> indices) {
        if (indices.isEmpty()) {
            return this;
        }
        return new SetOfResults(
                kept(values, indices),
                groupings.stream()
                        .map(grouping -> new Grouping(
                                grouping.name,
                                Arrays.stream(kept(
                                                Arrays.stream(grouping.levels)
                                                        .asDoubleStream()
                                                        .toArray(),
                                                indices))
                                        .mapToInt(level -> (int) level)
                                        .toArray()))
                        .toList(),
                history);
    }

    private static double[] kept(double[] all, List<Integer> left) {
        return java.util.stream.IntStream.range(0, all.length)
                .filter(i -> !left.contains(i))
                .mapToDouble(i -> all[i])
                .toArray();
    }
}
