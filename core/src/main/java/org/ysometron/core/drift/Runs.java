package org.ysometron.core.drift;

import java.util.List;
import java.util.Set;
import org.ysometron.core.drift.Signal.Side;

/**
 * The points one after another. What the rules must know of the points before is one of a few hundred states, so that a step is
 * three looks into tables made from the rules' own words, and a point at which no rule has anything to say costs no decision, however
 * long the series.
 *
 * <p>A point has a <em>code</em>: twice the lines that lie nearer to the centre than it does, one more where it lies between two of
 * them, negative below the centre. 0 is on the centre, ±1 within one sigma, ±2 on that line, ±7 beyond the limits.
 */
final class Runs {

    private static final RunRule[] RULES = RunRule.values();

    private static final double PART = 1e-12;
    private static final double HALF = 0.5;

    /** Lines on either side; the zones between them are numbered from the lowest. */
    private static final int LINES = 3;

    private static final int ZONES = 8;
    private static final int FARTHEST = ZONES / 2;

    // A state with what its newest point says: rows of the tables below, then up to three rules met. The tables are as
    // long as a row's number may become, so that a row needs no check.
    private static final int ROW = 0x1fff;
    private static final int MOVES_ROW = 0x1ff;
    private static final int SAYS = 13;

    private static final int BEYOND = 1;
    private static final int TWO_OF_THREE = 2;
    private static final int FOUR_OF_FIVE = 4;
    private static final int ONE_SIDE = 1;
    private static final int WITHIN = 2;
    private static final int OUTSIDE = 4;
    private static final int CLIMBING_OR_FALLING = 1;
    private static final int ALTERNATING = 2;

    /** The last four points as digits: 0 near, 1 and 2 beyond so many lines above, 3 and 4 below. */
    private static final char[] WINDOWS = new char[ROW + 1];

    /** Points in a row on one side, −8 to 8, and in a row within one sigma (to 15) or outside (to −8). */
    private static final char[] SIDES = new char[ROW + 1];

    /** Moves in a row up or down, to 5, moves in a row that turn, to 12, and where the last one went. */
    private static final char[] MOVES = new char[MOVES_ROW + 1];

    private static final int NO_SIDES = (8 * 24 + 8) * ZONES;
    private static final int NO_MOVES = 2;

    static {
        for (int row = 0; row < 625 * ZONES; row++) {
            WINDOWS[row] = (char) windows(row, codeOfZone(row % ZONES));
        }
        for (int row = 0; row < 17 * 24 * ZONES; row++) {
            SIDES[row] = (char) sides(row, codeOfZone(row % ZONES));
        }
        for (int row = 0; row < 6 * 13 * 3 * 2; row++) {
            MOVES[row] = (char) moves(row, row % 2 == 0 ? 1 : -1);
        }
    }

    private static int codeOfZone(int zone) {
        return 2 * (zone - FARTHEST) + 1;
    }

    private static int windows(int before, int code) {
        int five = before / ZONES * 5 + digit(code);
        int says = (Math.abs(code) > 6 ? BEYOND : 0)
                | (Math.abs(code) > 4 && some(five, 3, code, 2) >= 2 ? TWO_OF_THREE : 0)
                | (Math.abs(code) > 2 && some(five, 5, code, 1) >= 4 ? FOUR_OF_FIVE : 0);
        return five % 625 * ZONES | says << SAYS;
    }

    private static int digit(int code) {
        int lines = Math.abs(code) > 4 ? 2 : Math.abs(code) > 2 ? 1 : 0;
        return lines > 0 && code < 0 ? lines + 2 : lines;
    }

    /** How many of the last so many points lie beyond so many lines on the code's side. */
    private static int some(int digits, int last, int code, int lines) {
        int found = 0;
        for (int i = 0, left = digits; i < last; i++, left /= 5) {
            found += lies(left % 5, code, lines) ? 1 : 0;
        }
        return found;
    }

    private static boolean lies(int digit, int code, int lines) {
        return code > 0 ? digit >= lines && digit <= 2 : digit >= lines + 2;
    }

    private static int sides(int before, int code) {
        int state = before / ZONES;
        int side = inARow(state / 24 - 8, Integer.signum(code), 8, 8);
        int near = inARow(state % 24 - 8, Integer.signum(2 - Math.abs(code)), 15, 8);
        int says = (Math.abs(side) == 8 ? ONE_SIDE : 0) | (near == 15 ? WITHIN : 0) | (near == -8 ? OUTSIDE : 0);
        return ((side + 8) * 24 + near + 8) * ZONES | says << SAYS;
    }

    /** Goes on counting, up or down, or starts anew. */
    private static int inARow(int before, int direction, int most, int least) {
        return switch (direction) {
            case 1 -> Math.min(Math.max(before, 0) + 1, most);
            case -1 -> Math.max(Math.min(before, 0) - 1, -least);
            default -> 0;
        };
    }

    private static int moves(int before, int direction) {
        int state = before / 2;
        int last = state % 3 - 1;
        int alike = direction == 0 ? 0 : direction == last ? Math.min(state / 3 % 6 + 1, 5) : 1;
        int turns = direction != 0 && direction == -last ? Math.min(state / 18 + 1, 12) : 0;
        int says = (alike == 5 ? CLIMBING_OR_FALLING : 0) | (turns == 12 ? ALTERNATING : 0);
        return (turns * 18 + alike * 3 + direction + 1) * 2 | says << SAYS;
    }

    private final double[] values;
    private final double centre;
    private final double perSigma;
    private final double lowest;
    private final double slackAtMost;
    private final int on;
    private final int[] saidAt = new int[RULES.length];
    private final int[] saidLength = new int[RULES.length];
    private int at = -1;
    private int windows;
    private int sides = NO_SIDES;
    private int moves = NO_MOVES;
    private int outside;

    Runs(double[] values, double centre, double sigma, Set<RunRule> rules) {
        this.values = values;
        this.centre = centre;
        this.perSigma = 1 / sigma;
        this.lowest = FARTHEST - centre * perSigma;
        this.slackAtMost = 4 * PART * (Math.abs(centre) * perSigma + FARTHEST);
        int wanted = 0;
        for (int rule = 0; rule < RULES.length; rule++) {
            wanted |= rules.contains(RULES[rule]) ? 1 << rule : 0;
        }
        this.on = wanted;
    }

    /** Moves on to the next point at which a rule has something to say; false at the end of the series. */
    boolean toNextThatSays() {
        for (int point = clearTo(at + 1); point < values.length; point = clearTo(point + 1)) {
            if (!says()) {
                int code = code(point);
                windows = windows(windows, code);
                sides = sides(sides, code);
                moves = moves(moves, direction(point));
            }
            if (says()) {
                stopAt(point);
                return true;
            }
        }
        return false;
    }

    private boolean says() {
        return (windows | sides | moves) > ROW;
    }

    /**
     * Goes on to the first point that says something, or that must be looked at by itself, because it may lie on a line, as high as
     * the point before it or outside the tables. Copies of all that is asked at each point, and no calls: the loop is
     * as long as the series.
     */
    private int clearTo(int from) {
        double[] points = values;
        double scale = perSigma;
        double origin = lowest;
        double touching = slackAtMost;
        double clear = HALF - touching;
        double before = from == 0 ? Double.NaN : points[from - 1] * scale + origin;
        int window = windows & ROW;
        int side = sides & ROW;
        int move = moves & ROW;
        int point = from;
        for (; point < points.length; point++) {
            double place = points[point] * scale + origin;
            double up = place - before;
            before = place;
            int zone = (int) place;
            if (!(Math.abs(place - zone - HALF) < clear && zone < ZONES && Math.abs(up) > touching)) {
                break;
            }
            window = WINDOWS[(window + zone) & ROW];
            side = SIDES[(side + zone) & ROW];
            move = MOVES[(move + (int) (Double.doubleToRawLongBits(up) >>> 63)) & MOVES_ROW];
            if ((window | side | move) > ROW) {
                break;
            }
        }
        windows = window;
        sides = side;
        moves = move;
        return point;
    }

    private void stopAt(int point) {
        boolean goesOn = outside > 0 && at == point - 1;
        at = point;
        outside = (sides >>> SAYS & OUTSIDE) == 0 ? 0 : goesOn ? outside + 1 : 8;
    }

    /** The code of a point; what differs from a line by rounding alone lies on it. */
    private int code(int point) {
        double value = values[point];
        double away = (value - centre) * perSigma;
        double far = Math.abs(away);
        if (!(far <= Double.MAX_VALUE)) {
            throw new IllegalArgumentException("point " + point + " is not finite: " + value);
        }
        double slack = slack(value);
        double line = far <= slack ? 0 : Math.min(Math.rint(far), LINES);
        boolean isOnLine = Math.abs(far - line) <= slack;
        int lines = isOnLine ? 2 * (int) line : 2 * (int) Math.min(far, LINES) + 1;
        return away < 0 ? -lines : lines;
    }

    /** Where a point lies of the one before it: 1 above, −1 below, 0 as high but for rounding. */
    private int direction(int point) {
        double change = point == 0 ? 0 : (values[point] - values[point - 1]) * perSigma;
        return Math.abs(change) <= slack(values[point]) ? 0 : change > 0 ? 1 : -1;
    }

    private double slack(double value) {
        return PART * (Math.abs(centre) + Math.abs(value)) * perSigma;
    }

    /** Adds what the rules that are on say at this point, in their order. */
    void say(List<Signal> found) {
        int window = windows >>> SAYS;
        int side = sides >>> SAYS;
        // Both sides are among the last eight just where they do not all lie on one.
        boolean isOnBoth = (side & (OUTSIDE | ONE_SIDE)) == OUTSIDE;
        int met = window
                | (side & ONE_SIDE) << 3
                | (moves >>> SAYS) << 4
                | (side & WITHIN) << 5
                | (isOnBoth ? 1 << 7 : 0);
        for (int left = met & on; left != 0; left &= left - 1) {
            int rule = Integer.numberOfTrailingZeros(left);
            int length = length(RULES[rule], rule);
            saidAt[rule] = at;
            saidLength[rule] = length;
            found.add(new Signal(RULES[rule], at - length + 1, at, side(RULES[rule])));
        }
    }

    private Side side(RunRule rule) {
        boolean isUp = rule == RunRule.SIX_CLIMBING_OR_FALLING ? values[at] > values[at - 1] : code(at) > 0;
        return isUp ? Side.ABOVE : Side.BELOW;
    }

    private int length(RunRule rule, int place) {
        return switch (rule) {
            case BEYOND_LIMITS -> 1;
            case TWO_OF_THREE_BEYOND_TWO -> backTo(3, 5);
            case FOUR_OF_FIVE_BEYOND_ONE -> backTo(5, 3);
            case EIGHT_ON_ONE_SIDE -> prolonged(place, 8);
            case SIX_CLIMBING_OR_FALLING -> prolonged(place, 6);
            case FOURTEEN_ALTERNATING -> prolonged(place, 14);
            case FIFTEEN_WITHIN_ONE -> prolonged(place, 15);
            case EIGHT_OUTSIDE_ONE_BOTH_SIDES -> outside;
        };
    }

    /** How long a run is that is no longer than {@code least} where the point before did not complete or prolong it. */
    private int prolonged(int rule, int least) {
        return saidLength[rule] > 0 && saidAt[rule] == at - 1 ? saidLength[rule] + 1 : least;
    }

    /** Points back to the first within a window whose code, on the newest point's side, is at least so much. */
    private int backTo(int window, int least) {
        int sign = values[at] > centre ? 1 : -1;
        int length = Math.min(window, at + 1);
        while (code(at - length + 1) * sign < least) {
            length--;
        }
        return length;
    }
}
