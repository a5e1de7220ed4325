package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.ysometron.core.drift.Signal.Side;

/**
 * The points one after another, what was so of the last of them kept as bits, so that a point at which no rule has anything to
 * say costs a few operations and no decision, however long the series.
 */
final class Runs {

    /**
     * What is asked of each point about the lines, as a field of bits in one long, the newest point's bit lowest. Above a field that
     * is asked for a run there is a guard, into which one added to a field of ones is carried.
     */
    enum Field {
        ABOVE(0, 8, true),
        BELOW(9, 8, true),
        OUTSIDE(18, 8, true),
        WITHIN(27, 15, true),
        ABOVE_ONE(43, 5, false),
        BELOW_ONE(48, 5, false),
        ABOVE_TWO(53, 3, false),
        BELOW_TWO(56, 3, false),
        BEYOND(59, 1, false);

        private final int shift;
        private final long newest;
        private final long mask;
        private final boolean run;

        Field(int shift, int width, boolean run) {
            this.shift = shift;
            this.newest = 1L << shift;
            this.mask = ((1L << width) - 1) << shift;
            this.run = run;
        }
    }

    private static final double PART = 1e-12;
    private static final int KEPT_WORDS = 64;

    /** Codes of a distance: twice the lines that lie nearer, one more where it lies between two. */
    private static final int CODES = 8;

    private static final int LINES = 3;
    private static final double HALF = 0.5;

    private static final int FALLS = 16;
    private static final long RISES_KEPT = 0x1ffeL;
    private static final long MOVES_KEPT = RISES_KEPT | (RISES_KEPT << FALLS);
    private static final long FIVE_RISES = 0x1f;
    private static final long FIVE_FALLS = FIVE_RISES << FALLS;
    private static final long FIRST_MOVES = 1L | (1L << FALLS);
    private static final long MOVES_GUARDS = FIRST_MOVES << 5;
    private static final long UP_AND_DOWN = 0x1555L | (0x0aaaL << FALLS);
    private static final long DOWN_AND_UP = 0x0aaaL | (0x1555L << FALLS);

    private static final long KEPT;
    private static final long ONES;
    private static final long GUARDS;
    private static final long[] BITS = new long[2 * CODES];

    static {
        long kept = 0;
        long ones = 0;
        long guards = 0;
        for (Field field : Field.values()) {
            kept |= field.mask & ~field.newest;
            ones |= field.run ? field.newest : 0;
            guards |= field.run ? field.mask + field.newest : 0;
        }
        KEPT = kept;
        ONES = ones;
        GUARDS = guards;
        for (int code = 0; code < CODES; code++) {
            BITS[code] = bits(code, Field.ABOVE, Field.ABOVE_ONE, Field.ABOVE_TWO);
            BITS[CODES + code] = bits(code, Field.BELOW, Field.BELOW_ONE, Field.BELOW_TWO);
        }
    }

    private static long bits(int code, Field side, Field one, Field two) {
        return (code > 0 ? side.newest : 0)
                | (code < 2 ? Field.WITHIN.newest : 0)
                | (code > 2 ? Field.OUTSIDE.newest | one.newest : 0)
                | (code > 4 ? two.newest : 0)
                | (code > 6 ? Field.BEYOND.newest : 0);
    }

    private final double[] values;
    private final double centre;
    private final double perSigma;
    private final double slackOfCentre;
    private final double slackPerUnit;
    private final Map<RunRule, Signal> newest = new EnumMap<>(RunRule.class);
    private final Map<RunRule, List<String>> words = new EnumMap<>(RunRule.class);
    private int at = -1;
    private double z;
    private long zones;
    private long moves;
    private int outside;

    Runs(double[] values, double centre, double sigma) {
        this.values = values;
        this.centre = centre;
        this.perSigma = 1 / sigma;
        this.slackPerUnit = PART / sigma;
        this.slackOfCentre = Math.abs(centre) * slackPerUnit;
    }

    /** Moves on to the next point at which a rule may have something to say; false at the end of the series. */
    boolean toNextThatMaySay() {
        double before = z;
        long lines = zones;
        long directions = moves;
        for (int i = at + 1; i < values.length; i++) {
            double value = values[i];
            double away = (value - centre) * perSigma;
            double far = Math.abs(away);
            if (!(far <= Double.MAX_VALUE)) {
                throw new IllegalArgumentException("point " + i + " is not finite: " + value);
            }
            double slack = slackOfCentre + Math.abs(value) * slackPerUnit;
            int nearer = Math.min((int) far, LINES);
            int code = 2 * nearer + 1;
            if (Math.abs(far - nearer - HALF) >= HALF - slack) {
                code = nearLine(far, slack, code);
            }
            lines = ((lines << 1) & KEPT) | BITS[code + (negative(away) << 3)];
            double change = i == 0 ? 0 : away - before;
            directions = ((directions << 1) & MOVES_KEPT)
                    | negative(slack - change)
                    | ((long) negative(slack + change) << FALLS);
            before = away;
            // One decision a point, which is nearly always the same: every question gives bits that are 0 where it is
            // not met.
            long runs = (((lines + ONES) & GUARDS) | (lines & Field.BEYOND.mask));
            int some = ((Long.bitCount(lines & Field.ABOVE_ONE.mask) + 4) & 8)
                    | ((Long.bitCount(lines & Field.BELOW_ONE.mask) + 4) & 8)
                    | ((Long.bitCount(lines & Field.ABOVE_TWO.mask) + 2) & 4)
                    | ((Long.bitCount(lines & Field.BELOW_TWO.mask) + 2) & 4);
            long moving = (((directions & (FIVE_RISES | FIVE_FALLS)) + FIRST_MOVES) & MOVES_GUARDS)
                    | (((directions ^ UP_AND_DOWN) - 1) >>> 63)
                    | (((directions ^ DOWN_AND_UP) - 1) >>> 63);
            if ((runs | some | moving) != 0) {
                stopAt(i, away, lines, directions);
                return true;
            }
        }
        return false;
    }

    private void stopAt(int point, double away, long lines, long directions) {
        boolean goesOn = outside > 0 && at == point - 1;
        at = point;
        z = away;
        zones = lines;
        moves = directions;
        outside = !isFull(Field.OUTSIDE) ? 0 : goesOn ? outside + 1 : 8;
    }

    /** The code of a distance that is beyond the last line or lies on one but for rounding. */
    private static int nearLine(double far, double slack, int between) {
        double line = Math.rint(far);
        return Math.abs(far - line) <= slack && line <= LINES ? 2 * (int) line : between;
    }

    /** The signal of a rule at this point, its words made once however often they are said. */
    Signal signal(RunRule rule, int length) {
        Side side = rule.side(this);
        Signal signal = new Signal(rule, at - length + 1, at, side, words(rule, length, side));
        newest.put(rule, signal);
        return signal;
    }

    private String words(RunRule rule, int length, Side side) {
        if (length >= KEPT_WORDS) {
            return rule.words(length, side);
        }
        List<String> known = words.computeIfAbsent(
                rule, any -> new ArrayList<>(Collections.nCopies(Side.values().length * KEPT_WORDS, "")));
        int place = side == Side.ABOVE ? length : KEPT_WORDS + length;
        if (known.get(place).isEmpty()) {
            known.set(place, rule.words(length, side));
        }
        return known.get(place);
    }

    /** Points in a row outside the lines at one standard deviation, where they are eight or more; else 0. */
    int outside() {
        return outside;
    }

    /** The sign bit. */
    private static int negative(double number) {
        return (int) (Double.doubleToRawLongBits(number) >>> 63);
    }

    boolean isAbove() {
        return (zones & Field.ABOVE.newest) != 0;
    }

    boolean isBeyondLimits() {
        return (zones & Field.BEYOND.mask) != 0;
    }

    boolean isFull(Field field) {
        return (zones & field.mask) == field.mask;
    }

    boolean climbs() {
        return (moves & FIVE_RISES) == FIVE_RISES;
    }

    boolean falls() {
        return (moves & FIVE_FALLS) == FIVE_FALLS;
    }

    boolean alternates() {
        return moves == UP_AND_DOWN || moves == DOWN_AND_UP;
    }

    /** Points back to the first of so many that are set with the newest; 0 when they are fewer, or the newest is not. */
    int some(Field field, int wanted) {
        long bits = (zones & field.mask) >>> field.shift;
        return (bits & 1) != 0 && Long.bitCount(bits) >= wanted ? Long.SIZE - Long.numberOfLeadingZeros(bits) : 0;
    }

    /** How long a run is that is no longer than {@code least} where the point before did not complete or prolong it. */
    int prolonged(RunRule rule, int least) {
        Signal before = newest.get(rule);
        if (before == null || before.last() != at - 1) {
            return least;
        }
        boolean anySide = rule == RunRule.FOURTEEN_ALTERNATING || rule == RunRule.FIFTEEN_WITHIN_ONE;
        return anySide || before.side() == rule.side(this) ? before.last() - before.first() + 2 : least;
    }
}
