package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.EnumSet;
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
    BEYOND_LIMITS {
        @Override
        int length(Runs runs) {
            return Math.abs(runs.z()) > 3 ? 1 : 0;
        }

        @Override
        String words(int length, Side side) {
            return "beyond the " + (side == Side.ABOVE ? "upper" : "lower") + " limit";
        }
    },
    /** The point and at least one of the two before it beyond 2σ on the same side. */
    TWO_OF_THREE_BEYOND_TWO {
        @Override
        int length(Runs runs) {
            return runs.someBeyond(3, 2, 2.0);
        }

        @Override
        String words(int length, Side side) {
            return "two of three lots far " + side.words() + " the centre";
        }
    },
    /** The point and at least three of the four before it beyond 1σ on the same side. */
    FOUR_OF_FIVE_BEYOND_ONE {
        @Override
        int length(Runs runs) {
            return runs.someBeyond(5, 4, 1.0);
        }

        @Override
        String words(int length, Side side) {
            return "four of five lots well " + side.words() + " the centre";
        }
    },
    /** Eight or more in a row on one side of the centre. */
    EIGHT_ON_ONE_SIDE {
        @Override
        int length(Runs runs) {
            return runs.onOneSide >= 8 ? runs.onOneSide : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots in a row " + side.words() + " the centre";
        }
    },
    /** Six or more points in a row, each above the one before, or each below. */
    SIX_CLIMBING_OR_FALLING {
        @Override
        int length(Runs runs) {
            int run = Math.max(runs.climbing, runs.falling);
            return run >= 6 ? run : 0;
        }

        @Override
        Side side(Runs runs) {
            return runs.climbing > 1 ? Side.ABOVE : Side.BELOW;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots " + (side == Side.ABOVE ? "climbing" : "falling");
        }
    },
    /** Fourteen or more points in a row alternating up and down. */
    FOURTEEN_ALTERNATING {
        @Override
        int length(Runs runs) {
            return runs.alternating >= 14 ? runs.alternating : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots alternating up and down";
        }
    },
    /** Fifteen or more in a row within 1σ of the centre. */
    FIFTEEN_WITHIN_ONE {
        @Override
        int length(Runs runs) {
            return runs.within >= 15 ? runs.within : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots hugging the centre";
        }
    },
    /** Eight or more in a row outside 1σ, with both sides among the last eight. */
    EIGHT_OUTSIDE_ONE_BOTH_SIDES {
        @Override
        int length(Runs runs) {
            // Both sides are among the last eight just where they do not all lie on one.
            return runs.outside >= 8 && runs.onOneSide < 8 ? runs.outside : 0;
        }

        @Override
        String words(int length, Side side) {
            return Count.of(length) + " lots on both sides, none near the centre";
        }
    };

    /** The small set that is on unless a series says otherwise. */
    public static final Set<RunRule> USUAL = Set.of(BEYOND_LIMITS, EIGHT_ON_ONE_SIDE);

    /** Length of the pattern that the newest point completes or prolongs; 0 when there is none. */
    abstract int length(Runs runs);

    abstract String words(int length, Side side);

    Side side(Runs runs) {
        return runs.z() > 0 ? Side.ABOVE : Side.BELOW;
    }

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
        RunRule[] on = rules.isEmpty() ? new RunRule[0] : EnumSet.copyOf(rules).toArray(RunRule[]::new);
        Runs runs = new Runs(centre, sigma);
        List<Signal> found = new ArrayList<>();
        for (int last = 0; last < values.length; last++) {
            if (!runs.take(values[last])) {
                throw new IllegalArgumentException("point " + last + " is not finite: " + values[last]);
            }
            if (runs.isQuiet()) {
                continue;
            }
            for (RunRule rule : on) {
                int length = rule.length(runs);
                if (length > 0) {
                    Side side = rule.side(runs);
                    found.add(new Signal(rule, last - length + 1, last, side, rule.words(length, side)));
                }
            }
        }
        return found;
    }

    /** How long each run is at the newest point. */
    private static final class Runs {

        private static final int WINDOW = 5;
        private static final double PART = 1e-12;

        private final double centre;
        private final double perSigma;
        private final double[] last = new double[WINDOW];
        private int taken;
        private int onOneSide;
        private int climbing;
        private int falling;
        private int alternating;
        private int within;
        private int outside;

        Runs(double centre, double sigma) {
            this.centre = centre;
            this.perSigma = 1 / sigma;
        }

        double z() {
            return last[0];
        }

        /** Takes the next point; false for one that is no number. */
        boolean take(double value) {
            double z = (value - centre) * perSigma;
            if (!(Math.abs(z) <= Double.MAX_VALUE)) {
                return false;
            }
            double slack = PART * Math.max(Math.abs(value), Math.abs(centre)) * perSigma;
            double line = Math.rint(z);
            if (Math.abs(z - line) <= slack && Math.abs(line) <= 3) {
                z = line;
            }
            double before = last[0];
            double change = Math.abs(z - before) <= slack ? 0 : z - before;
            onOneSide = z == 0 ? 0 : taken > 0 && (z > 0) == (before > 0) && before != 0 ? onOneSide + 1 : 1;
            boolean turns = taken > 1 && ((change > 0 && falling > 1) || (change < 0 && climbing > 1));
            boolean moved = taken > 0 && change != 0;
            alternating = turns ? alternating + 1 : moved ? 2 : 1;
            climbing = moved && change > 0 ? climbing + 1 : 1;
            falling = moved && change < 0 ? falling + 1 : 1;
            double away = Math.abs(z);
            within = away < 1 ? within + 1 : 0;
            outside = away > 1 ? outside + 1 : 0;
            System.arraycopy(last, 0, last, 1, WINDOW - 1);
            last[0] = z;
            taken++;
            return true;
        }

        /** Whether no rule can have anything to say, so that most points ask none. */
        boolean isQuiet() {
            return outside == 0 && onOneSide < 8 && within < 15 && climbing < 6 && falling < 6 && alternating < 14;
        }

        int someBeyond(int window, int wanted, double limit) {
            double side = Math.signum(last[0]);
            int first = 0;
            int count = 0;
            for (int back = 0; back < Math.min(window, taken); back++) {
                if (last[back] * side > limit) {
                    count++;
                    first = back;
                } else if (back == 0) {
                    return 0;
                }
            }
            return count >= wanted ? first + 1 : 0;
        }
    }
}
