package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.ysometron.core.drift.Signal.Side;

/**
 * Patterns that make a point a signal. z = (x − centre)/σ.
 *
 * <p>Where texts differ, one reading holds for all: comparisons are strict (a point on a line is on neither side of it);
 * flagged are the point that completes a pattern and each that prolongs it. What differs from a line by rounding alone lies on
 * it: 10.3 is on the upper limit of 10 ± 3 · 0.1. Source of the patterns: ISO 7870-2, with eight
 * instead of nine points on one side (common practice, no source).
 */
public enum RunRule {
    /** |z| &gt; 3. */
    BEYOND_LIMITS("beyond the limits") {
        @Override
        String words(int length, Side side) {
            return "beyond the " + (side == Side.ABOVE ? "upper" : "lower") + " limit";
        }
    },
    /** The point and at least one of the two before it beyond 2σ on the same side. */
    TWO_OF_THREE_BEYOND_TWO("two of three beyond 2σ on one side") {
        @Override
        String words(int length, Side side) {
            return "two of three lots far " + side.words() + " the centre";
        }
    },
    /** The point and at least three of the four before it beyond 1σ on the same side. */
    FOUR_OF_FIVE_BEYOND_ONE("four of five beyond 1σ on one side") {
        @Override
        String words(int length, Side side) {
            return "four of five lots well " + side.words() + " the centre";
        }
    },
    /** Eight or more in a row on one side of the centre. */
    EIGHT_ON_ONE_SIDE("eight in a row on one side") {
        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots in a row " + side.words() + " the centre";
        }
    },
    /** Six or more points in a row, each above the one before, or each below. */
    SIX_CLIMBING_OR_FALLING("six climbing or falling") {
        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots " + (side == Side.ABOVE ? "climbing" : "falling");
        }
    },
    /** Fourteen or more points in a row alternating up and down. */
    FOURTEEN_ALTERNATING("fourteen alternating up and down") {
        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots alternating up and down";
        }
    },
    /** Fifteen or more in a row within 1σ of the centre. */
    FIFTEEN_WITHIN_ONE("fifteen in a row within 1σ") {
        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots hugging the centre";
        }
    },
    /** Eight or more in a row outside 1σ, with both sides among the last eight. */
    EIGHT_OUTSIDE_ONE_BOTH_SIDES("eight in a row outside 1σ, on both sides") {
        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots on both sides, none near the centre";
        }
    };

    /** The small set that is on unless a series says otherwise. */
    public static final Set<RunRule> USUAL = Set.of(BEYOND_LIMITS, EIGHT_ON_ONE_SIDE);

    private final String looksFor;

    RunRule(String looksFor) {
        this.looksFor = looksFor;
    }

    /** The pattern that it looks for: "eight in a row on one side". */
    public String looksFor() {
        return looksFor;
    }

    abstract String words(int length, Side side);

    /**
     * Every signal of the given rules on a series, in order of the point, then of the rule; one pass, however long the runs.
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
        Runs runs = new Runs(values, centre, sigma, rules);
        List<Signal> found = new ArrayList<>();
        while (runs.toNextThatSays()) {
            runs.say(found);
        }
        return found;
    }
}
