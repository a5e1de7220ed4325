package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.ysometron.core.drift.Signal.Side;

/**
 * Patterns that make a point a signal. z = (x − centre)/σ.
 *
 * <p>Where texts differ, one reading holds for all: comparisons are strict (a point on a line is on neither side of it);
 * flagged are the point that completes a pattern and each that prolongs it. Source of the patterns: ISO 7870-2, with eight
 * instead of nine points on one side (common practice, no source).
 */
public enum RunRule {
    /** |z| &gt; 3. */
    BEYOND_LIMITS {
        @Override
        int patternEndingAt(double[] z, int last) {
            return Math.abs(z[last]) > 3 ? 1 : 0;
        }

        @Override
        String words(int length, Side side) {
            return "beyond the " + (side == Side.ABOVE ? "upper" : "lower") + " limit";
        }
    },
    /** The point and at least one of the two before it beyond 2σ on the same side. */
    TWO_OF_THREE_BEYOND_TWO {
        @Override
        int patternEndingAt(double[] z, int last) {
            return someBeyond(z, last, 3, 2, 2.0);
        }

        @Override
        String words(int length, Side side) {
            return "two of three lots far " + side.words() + " the centre";
        }
    },
    /** The point and at least three of the four before it beyond 1σ on the same side. */
    FOUR_OF_FIVE_BEYOND_ONE {
        @Override
        int patternEndingAt(double[] z, int last) {
            return someBeyond(z, last, 5, 4, 1.0);
        }

        @Override
        String words(int length, Side side) {
            return "four of five lots well " + side.words() + " the centre";
        }
    },
    /** Eight or more in a row on one side of the centre. */
    EIGHT_ON_ONE_SIDE {
        @Override
        int patternEndingAt(double[] z, int last) {
            int run = runOf(
                    z, last, (previous, current) -> current != 0 && Math.signum(previous) == Math.signum(current));
            return z[last] != 0 && run >= 8 ? run : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots in a row " + side.words() + " the centre";
        }
    },
    /** Six or more points in a row, each above the one before, or each below. */
    SIX_CLIMBING_OR_FALLING {
        @Override
        int patternEndingAt(double[] z, int last) {
            int up = runOf(z, last, (previous, current) -> current > previous);
            int down = runOf(z, last, (previous, current) -> current < previous);
            int run = Math.max(up, down);
            return run >= 6 ? run : 0;
        }

        @Override
        Side side(double[] z, int last) {
            return z[last] > z[last - 1] ? Side.ABOVE : Side.BELOW;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots " + (side == Side.ABOVE ? "climbing" : "falling");
        }
    },
    /** Fourteen or more points in a row alternating up and down. */
    FOURTEEN_ALTERNATING {
        @Override
        int patternEndingAt(double[] z, int last) {
            if (last < 2) {
                return 0;
            }
            int run = z[last] != z[last - 1] ? 2 : 1;
            for (int i = last; run >= 2 && i >= 2 && (z[i] - z[i - 1]) * (z[i - 1] - z[i - 2]) < 0; i--) {
                run++;
            }
            return run >= 14 ? run : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots alternating up and down";
        }
    },
    /** Fifteen or more in a row within 1σ of the centre. */
    FIFTEEN_WITHIN_ONE {
        @Override
        int patternEndingAt(double[] z, int last) {
            int run = countBack(z, last, value -> Math.abs(value) < 1);
            return run >= 15 ? run : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots hugging the centre";
        }
    },
    /** Eight or more in a row outside 1σ, with both sides among the last eight. */
    EIGHT_OUTSIDE_ONE_BOTH_SIDES {
        @Override
        int patternEndingAt(double[] z, int last) {
            int run = countBack(z, last, value -> Math.abs(value) > 1);
            if (run < 8) {
                return 0;
            }
            boolean above = false;
            boolean below = false;
            for (int i = last - 7; i <= last; i++) {
                above |= z[i] > 1;
                below |= z[i] < -1;
            }
            return above && below ? run : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots on both sides, none near the centre";
        }
    };

    /** The small set that is on unless a series says otherwise. */
    public static final Set<RunRule> USUAL = Set.of(BEYOND_LIMITS, EIGHT_ON_ONE_SIDE);

    /** Length of the pattern that the point at {@code last} completes or prolongs; 0 when there is none. */
    abstract int patternEndingAt(double[] z, int last);

    abstract String words(int length, Side side);

    Side side(double[] z, int last) {
        return z[last] > 0 ? Side.ABOVE : Side.BELOW;
    }

    /**
     * Every signal of the given rules on a series, in order of the point, then of the rule.
     *
     * @param values lot means in order
     * @param centre of the baseline
     * @param sigma between lots, above 0
     * @param rules which rules are on
     * @throws IllegalArgumentException when sigma is not above zero or a value is not finite
     */
    public static List<Signal> signals(double[] values, double centre, double sigma, Set<RunRule> rules) {
        if (!(sigma > 0) || !Double.isFinite(sigma)) {
            throw new IllegalArgumentException("rules need a standard deviation above zero, got " + sigma);
        }
        double[] z = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            z[i] = (values[i] - centre) / sigma;
            if (!Double.isFinite(z[i])) {
                throw new IllegalArgumentException("point " + i + " is not finite: " + values[i]);
            }
        }
        List<Signal> found = new ArrayList<>();
        for (int last = 0; last < z.length; last++) {
            for (RunRule rule : values()) {
                int length = rules.contains(rule) ? rule.patternEndingAt(z, last) : 0;
                if (length > 0) {
                    Side side = rule.side(z, last);
                    found.add(new Signal(rule, last - length + 1, last, side, rule.words(length, side)));
                }
            }
        }
        return found;
    }

    private interface Step {
        boolean continues(double previous, double current);
    }

    private interface Test {
        boolean holds(double value);
    }

    private static int runOf(double[] z, int last, Step step) {
        int run = 1;
        for (int i = last; i >= 1 && step.continues(z[i - 1], z[i]); i--) {
            run++;
        }
        return run;
    }

    private static int countBack(double[] z, int last, Test test) {
        int run = 0;
        for (int i = last; i >= 0 && test.holds(z[i]); i--) {
            run++;
        }
        return run;
    }

    private static int someBeyond(double[] z, int last, int window, int wanted, double limit) {
        double side = Math.signum(z[last]);
        if (last < wanted - 1 || Math.abs(z[last]) <= limit) {
            return 0;
        }
        int first = last;
        int count = 0;
        for (int i = last; i >= Math.max(0, last - window + 1); i--) {
            if (z[i] * side > limit) {
                count++;
                first = i;
            }
        }
        return count >= wanted ? last - first + 1 : 0;
    }
}
