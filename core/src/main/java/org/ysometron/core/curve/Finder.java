package org.ysometron.core.curve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.curve.Analysis.Point;
import org.ysometron.core.curve.Analysis.Point.Kind;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Finds points on one record. Each step uses what the ones before it found; nothing of the record is changed. */
final class Finder {

    /** Least share of the largest force that is a load at all. */
    private static final double LOADED = 0.02;

    /** Below this share of the largest force a specimen has broken. */
    private static final double BROKEN = 0.2;

    /** Least share of the largest force that a drop is. */
    private static final double DROP = 0.005;

    /** Extensions nearer than this share of the length are the same: what is left of sums in binary. */
    private static final double SAME = 1e-9;

    /** Offset of a yield without a maximum, as a strain (ISO 527-1, offset yield). */
    private static final double OFFSET = 0.002;

    private final Piece piece;
    private final Rules rules;
    private final int n;
    private final double[] x;
    private final double[] f;
    private final List<String> said = new ArrayList<>();
    private final List<Point> points = new ArrayList<>();

    private final double noise;
    private final int peak;
    private final int end;
    private final boolean broke;
    private final Line elastic;
    private final double zero;
    private boolean clipped;

    /** A line of force by extension. */
    private record Line(double slope, double foot) {}

    Finder(Trace trace, Piece piece, Rules rules) {
        Trace own = piece.compliance().isPresent()
                ? trace.without(piece.compliance().getAsDouble())
                : trace;
        this.piece = piece;
        this.rules = rules;
        this.n = own.size();
        this.x = own.rawExtensions();
        this.noise = Signal.noise(own.rawForces());
        this.f = Signal.withoutWildPoints(own.rawForces(), noise, said);
        int highest = Signal.highest(f, n);
        if (!(f[highest] > Math.max(8 * noise, 0))) {
            throw new IllegalArgumentException(
                    "nothing was pulled: the " + piece.loading().loadWords() + " never leaves its noise of "
                            + load(noise, 2) + "; a pull is positive");
        }
        int found = rules.breakAt().isPresent() ? rules.breakAt().getAsInt() : breakAfter(highest);
        if (found < 1 || found >= n) {
            throw new IllegalArgumentException(
                    "the break is a point of the record, from 1 to " + (n - 1) + "; got " + found);
        }
        this.broke = rules.breakAt().isPresent() || found < n - 1;
        this.end = found;
        this.peak = Signal.highest(f, end + 1);
        this.elastic = steepest();
        this.zero = elastic.foot();
    }

    Analysis analysis() {
        if (piece.compliance().isPresent()) {
            said.add("What the frame gives way, "
                    + Figures.significant(piece.compliance().getAsDouble(), 3) + " mm/N, was subtracted.");
        }
        begin();
        int plateau = plateau();
        clipped = plateau >= 0;
        slips();
        Analysis.Slope slope = slope();
        Yield yield = yieldOf(slope);
        strength(plateau);
        breakPoint();
        double energy = energy();
        points.sort(Comparator.comparingInt(Point::index));
        double volume = piece.area() * piece.length();
        return new Analysis(
                points,
                stress(f[peak]),
                clipped,
                strain(x[peak]),
                broke ? OptionalDouble.of(strain(x[end])) : OptionalDouble.empty(),
                slope,
                yield.stress,
                yield.strain,
                yield.why,
                zero,
                end,
                energy * piece.loading().joule(),
                energy / volume,
                said,
                working(slope, energy));
    }

    // ---- where it broke ------------------------------------------------------------------------------------------

    /** The last point before the fall that the specimen does not come back from; the last point where there is no such fall. */
    private int breakAfter(int highest) {
        double least = BROKEN * f[highest];
        int last = n - 1;
        while (last > highest && f[last] < least) {
            last--;
        }
        if (last == n - 1) {
            return last;
        }
        double step = Math.max(DROP * f[highest], 4 * noise);
        int before = last;
        while (before > highest && f[before - 1] - f[before] > step) {
            before--;
        }
        if (f[before] - f[Math.min(n - 1, last + 1)] <= step) {
            said.add("It tore slowly: its break is taken where the force is a fifth of the largest.");
        }
        return before;
    }

    private void breakPoint() {
        if (!broke) {
            said.add("It did not break within the record.");
            return;
        }
        String how = rules.breakAt().isPresent()
                ? "moved there by hand"
                : "the last point before the force falls and does not come back";
        points.add(point(Kind.BREAK, end, how));
        if (end < n - 1) {
            int behind = n - 1 - end;
            said.add(
                    behind == 1
                            ? "One point behind the break was passed over."
                            : behind + " points behind the break were passed over.");
        }
    }

    // ---- the elastic line and its foot -----------------------------------------------------------------------------

    /** The steepest line of a tenth of the rise, before anything drops: toe and slack lie before it, yielding behind it. */
    private Line steepest() {
        int[] rise = rise();
        int width = Math.max(Trace.FEWEST / 2, (rise[1] - rise[0]) / 5);
        Sums sums = new Sums(x, f, rise[0], rise[1]);
        Line best = sums.line(rise[0], rise[1]);
        for (int from = rise[0]; from + width <= rise[1]; from++) {
            Line line = sums.line(from, from + width);
            if (line.slope() > best.slope() && Double.isFinite(line.slope())) {
                best = line;
            }
        }
        if (!(best.slope() > 0) || !Double.isFinite(best.slope()) || !Double.isFinite(best.foot())) {
            throw new IllegalArgumentException(
                    "the force does not rise with the extension: is the extension of this specimen,"
                            + " and of this test?");
        }
        return best;
    }

    /** From the first load to the first drop, or to six tenths of the largest force: the longest piece of it without a drop. */
    private int[] rise() {
        double load = Math.max(LOADED * f[peak], 6 * noise);
        double drop = Math.max(DROP * f[peak], 6 * noise);
        int first = 0;
        while (first < peak && f[first] < load) {
            first++;
        }
        int[] longest = {first, first};
        int from = first;
        double most = f[first];
        int i = first;
        while (i <= peak) {
            if (f[i] < most - drop) {
                longest = longer(longest, from, i);
                from = i;
                most = f[i];
            }
            if (f[i] > 0.6 * f[peak]) {
                break;
            }
            most = Math.max(most, f[i]);
            i++;
        }
        longest = longer(longest, from, Math.min(i, peak) + 1);
        if (longest[1] - longest[0] < 3) {
            throw new IllegalArgumentException("the force rises within fewer than three points: record faster");
        }
        return longest;
    }

    private int[] longer(int[] longest, int from, int to) {
        return f[Math.min(to, n) - 1] - f[from] > f[Math.max(longest[0], longest[1] - 1)] - f[longest[0]]
                ? new int[] {from, Math.min(to, n)}
                : longest;
    }

    /** Zero of extension: where the elastic line meets zero force; the load that was on before, and slack, are said. */
    private void begin() {
        int at = 0;
        while (at < n - 1 && x[at] < zero - SAME * piece.length()) {
            at++;
        }
        points.add(new Point(
                Kind.ZERO,
                at,
                0,
                0,
                "where the steepest line of the rise meets zero "
                        + piece.loading().loadWords() + " (ISO 527-1, toe compensation)"));
        if (f[0] > Math.max(DROP * f[peak], 5 * noise)) {
            said.add("The record begins under a preload of " + load(f[0], 3) + ": the zero of "
                    + piece.loading().wayWords() + " lies where the line meets zero "
                    + piece.loading().loadWords()
                    + ", " + way(x[0] - zero, 2) + " before its first point.");
        } else if (zero - x[0] > OFFSET / 4 * piece.length()) {
            said.add("A toe of " + way(zero - x[0], 3) + " (slack, seating) was taken off.");
        }
    }

    // ---- the gauge's end -------------------------------------------------------------------------------------------

    /** Where the display stopped at its most while the specimen went on; -1 where it did not. */
    private int plateau() {
        double most = f[peak];
        int from = -1;
        int to = -1;
        for (int i = 0; i <= end; i++) {
            if (f[i] == most) {
                from = from < 0 ? i : from;
                to = i;
            }
        }
        boolean atCapacity =
                piece.capacity().isPresent() && most >= piece.capacity().getAsDouble() * (1 - 1e-4);
        boolean stood = to - from >= 9 && x[to] - x[from] > 0.2 * (most / elastic.slope()) * LOADED;
        boolean below =
                piece.capacity().isPresent() && most < 0.98 * piece.capacity().getAsDouble();
        if (atCapacity || (stood && !below && isAbrupt(from))) {
            return from;
        }
        return -1;
    }

    /** Whether the force still rose when it stopped: a yield comes to its height softly, a display at its end does not. */
    private boolean isAbrupt(int from) {
        int back = from;
        double least = f[from] * 0.95;
        while (back > 0 && f[back] > least) {
            back--;
        }
        double before = (f[from] - f[back]) / Math.max(x[from] - x[back], 1e-12);
        return before > 0.25 * elastic.slope();
    }

    // ---- drops
    // -------------------------------------------------------------------------------------------------------

    /** Slips: falls steeper than the specimen could unload by itself, that come back. */
    private void slips() {
        double drop = Math.max(DROP * f[peak], 6 * noise);
        int top = 0;
        for (int i = 1; i <= end; i++) {
            if (f[i] >= f[top]) {
                top = i;
            } else if (f[top] - f[i] > drop && isSteep(top, i)) {
                int low = lowest(i, drop);
                if (comesBack(top, low)) {
                    points.add(point(
                            Kind.SLIP,
                            top,
                            "the " + piece.loading().loadWords() + " fell by " + load(f[top] - f[low], 2)
                                    + " at once and came back"));
                    said.add("A slip of " + load(f[top] - f[low], 2) + " at " + load(f[top], 3)
                            + ": grips or a step of the record; what follows lies further along.");
                }
                top = low;
                i = low;
            }
        }
    }

    private int lowest(int from, double drop) {
        int low = from;
        for (int i = from; i <= end; i++) {
            if (f[i] < f[low]) {
                low = i;
            } else if (f[i] > f[low] + drop) {
                break;
            }
        }
        return low;
    }

    private boolean isSteep(int top, int low) {
        return f[top] - f[low] > 0.5 * elastic.slope() * Math.max(x[low] - x[top], 0);
    }

    private boolean comesBack(int top, int low) {
        for (int i = low; i <= end; i++) {
            if (f[i] >= f[top]) {
                return true;
            }
        }
        return false;
    }

    // ---- modulus
    // -------------------------------------------------------------------------------------------------------

    private Analysis.Slope slope() {
        int from = firstAt(rules.from());
        int to = firstAt(rules.to());
        boolean apparent = piece.by() == Piece.By.CROSSHEAD;
        int count = to - from;
        if (count < 10) {
            return none(
                    apparent,
                    0,
                    Math.max(count, 0),
                    List.of(),
                    "only " + Math.max(count, 0) + " points lie between strains " + Figures.plain(rules.from(), 4)
                            + " and " + Figures.plain(rules.to(), 4) + ", ten are wanted");
        }
        Fit fit = new Fit(from, to);
        List<Double> groups = fit.groups();
        String why = clippedBefore(to);
        if (why.isEmpty() && fit.r2 < 0.999) {
            why = "the line explains " + Figures.decimals(fit.r2, 4) + " of the scatter, 0.999 are wanted";
        }
        if (why.isEmpty() && fit.bends(groups)) {
            why = "its residuals bend (runs test, 1 %): this is no straight line";
        }
        if (!why.isEmpty()) {
            return none(apparent, fit.r2, count, groups, why);
        }
        double chord = (stressAt(rules.to()) - stressAt(rules.from())) / (rules.to() - rules.from());
        points.add(point(Kind.MODULUS_FROM, from, "strain " + Figures.plain(rules.from(), 4)));
        points.add(point(Kind.MODULUS_TO, to, "strain " + Figures.plain(rules.to(), 4)));
        if (apparent) {
            said.add(
                    "The crosshead's travel has grips and frame in it: its slope is an apparent modulus, never set against a"
                            + " claim of modulus.");
        }
        return new Analysis.Slope(
                OptionalDouble.of(fit.slope), OptionalDouble.of(chord), apparent, fit.r2, count, groups, "");
    }

    private String clippedBefore(int to) {
        return clipped && to >= plateau() ? "the gauge ended before this strain was reached" : "";
    }

    private static Analysis.Slope none(boolean apparent, double r2, int count, List<Double> groups, String why) {
        return new Analysis.Slope(OptionalDouble.empty(), OptionalDouble.empty(), apparent, r2, count, groups, why);
    }

    /** The first point at or beyond a strain, before the largest force or the break. */
    private int firstAt(double strain) {
        double at = zero + strain * piece.length();
        for (int i = 0; i <= end; i++) {
            if (x[i] >= at - SAME * piece.length()) {
                return i;
            }
        }
        return end;
    }

    private double stressAt(double strain) {
        double at = zero + strain * piece.length();
        int i = firstAt(strain);
        if (i == 0 || x[i] == x[i - 1]) {
            return stress(f[i]);
        }
        double share = (at - x[i - 1]) / (x[i] - x[i - 1]);
        return stress(f[i - 1] + share * (f[i] - f[i - 1]));
    }

    /** Stress by strain between two points, by least squares. */
    private final class Fit {

        private final int from;
        private final int to;
        private final double slope;
        private final double intercept;
        private final double r2;

        Fit(int from, int to) {
            this.from = from;
            this.to = to;
            double meanX = 0;
            double meanY = 0;
            int count = to - from;
            for (int i = from; i < to; i++) {
                meanX += strain(x[i]);
                meanY += stress(f[i]);
            }
            meanX /= count;
            meanY /= count;
            double xx = 0;
            double xy = 0;
            double yy = 0;
            for (int i = from; i < to; i++) {
                double dx = strain(x[i]) - meanX;
                double dy = stress(f[i]) - meanY;
                xx += dx * dx;
                xy += dx * dy;
                yy += dy * dy;
            }
            this.slope = xx > 0 ? xy / xx : 0;
            this.intercept = meanY - slope * meanX;
            this.r2 = xx > 0 && yy > 0 ? xy * xy / (xx * yy) : 0;
        }

        /** Means of neighbouring residuals, so that noise and steps of the display do not stand for a bend. */
        List<Double> groups() {
            int count = Math.min(Analysis.Slope.SHOWN, (to - from) / 2);
            List<Double> groups = new ArrayList<>();
            for (int g = 0; g < count; g++) {
                int first = from + (int) ((long) (to - from) * g / count);
                int last = from + (int) ((long) (to - from) * (g + 1) / count);
                double sum = 0;
                for (int i = first; i < last; i++) {
                    sum += stress(f[i]) - intercept - slope * strain(x[i]);
                }
                groups.add(sum / (last - first));
            }
            return groups;
        }

        /** A runs test at 1 %, one-sided, of residuals that are more than a thousandth of the rise and than half a step of the display. */
        boolean bends(List<Double> groups) {
            double rise = slope * (rules.to() - rules.from());
            double least = Math.max(1e-3 * rise, stress(Signal.step(f, from, to)) / 2);
            boolean nothing = groups.stream().allMatch(one -> Math.abs(one) <= least);
            return !nothing && Signal.tooFewRuns(groups);
        }
    }

    // ---- yield
    // ---------------------------------------------------------------------------------------------------------

    private static final class Yield {
        private final OptionalDouble stress;
        private final OptionalDouble strain;
        private final String why;

        Yield(OptionalDouble stress, OptionalDouble strain, String why) {
            this.stress = stress;
            this.strain = strain;
            this.why = why;
        }

        static Yield none(String why) {
            return new Yield(OptionalDouble.empty(), OptionalDouble.empty(), why);
        }
    }

    private Yield yieldOf(Analysis.Slope slope) {
        if (clipped) {
            return Yield.none("the gauge ended before the specimen did");
        }
        if (rules.yield() == Rules.Yield.NONE) {
            return Yield.none("not looked for");
        }
        int maximum = rules.yield() == Rules.Yield.OFFSET ? -1 : firstMaximum();
        if (maximum >= 0) {
            points.add(point(Kind.YIELD, maximum, Analysis.FIRST_MAXIMUM));
            return new Yield(OptionalDouble.of(stress(f[maximum])), OptionalDouble.of(strain(x[maximum])), "");
        }
        if (rules.yield() == Rules.Yield.MAXIMUM) {
            return Yield.none("the force has no maximum before the break");
        }
        return offset(slope);
    }

    /** The first maximum that the force falls from softly; -1 where it rises to its break, and slips are none. */
    private int firstMaximum() {
        double drop = Math.max(DROP * f[peak], 6 * noise);
        int top = 0;
        for (int i = 1; i <= end; i++) {
            if (f[i] >= f[top]) {
                top = i;
            } else if (f[top] - f[i] > drop) {
                if (!isSteep(top, i)) {
                    return top;
                }
                int low = lowest(i, drop);
                top = low;
                i = low;
            }
        }
        return -1;
    }

    private Yield offset(Analysis.Slope slope) {
        if (slope.modulus().isEmpty()) {
            return Yield.none(
                    "no maximum before the break, and no offset of 0.2 % without a slope: " + slope.refused());
        }
        double modulus = slope.modulus().getAsDouble();
        double start = stressAt(rules.from()) - modulus * rules.from();
        for (int i = firstAt(rules.to()); i <= end; i++) {
            double line = start + modulus * (strain(x[i]) - OFFSET);
            if (stress(f[i]) < line) {
                String by = slope.apparent() ? ", of the crosshead's travel" : "";
                points.add(point(Kind.YIELD, i, "an offset of 0.2 % beside the slope" + by));
                return crossing(i, start, modulus);
            }
        }
        return Yield.none("it broke before it had yielded by 0.2 %");
    }

    /** Between the point before the line and the one behind it. */
    private Yield crossing(int i, double start, double modulus) {
        double above = stress(f[i - 1]) - start - modulus * (strain(x[i - 1]) - OFFSET);
        double below = stress(f[i]) - start - modulus * (strain(x[i]) - OFFSET);
        double share = above > below ? above / (above - below) : 1;
        return new Yield(
                OptionalDouble.of(stress(f[i - 1] + share * (f[i] - f[i - 1]))),
                OptionalDouble.of(strain(x[i - 1] + share * (x[i] - x[i - 1]))),
                "");
    }

    // ---- strength, energy
    // -----------------------------------------------------------------------------------------------

    private void strength(int plateau) {
        if (clipped) {
            points.add(point(Kind.PLATEAU, plateau, "the display stood still at its most while the specimen went on"));
            said.add("The gauge ended at " + load(f[peak], 4)
                    + ": the strength is at least this, and yield is unknown.");
            return;
        }
        points.add(point(Kind.STRENGTH, peak, "the largest " + piece.loading().loadWords() + " before the break"));
    }

    /** Work from the zero to the break by trapezoids, in N·mm. */
    private double energy() {
        double sum = 0;
        double lastX = zero;
        double lastF = 0;
        for (int i = 0; i <= end; i++) {
            if (x[i] > zero) {
                sum += (f[i] + lastF) / 2 * (x[i] - lastX);
                lastX = x[i];
                lastF = f[i];
            }
        }
        return sum;
    }

    private Working working(Analysis.Slope slope, double energy) {
        Loading by = piece.loading();
        List<Step> steps = new ArrayList<>(List.of(
                Step.note("points of the record", String.valueOf(n)),
                step("noise of the " + by.loadWords(), "s", "from second differences", noise, by.load()),
                step(
                        "zero of " + by.wayWords(),
                        "x₀",
                        "foot of the steepest line (ISO 527-1, toe compensation)",
                        zero,
                        by.way()),
                new Step("strength", by.symbol(), by.formula(), "", stress(f[peak]), by.stressUnit(), by.source()),
                step("energy", "W", "load by way, by trapezoids", energy * by.joule(), Dimension.ENERGY)));
        slope.modulus()
                .ifPresent(modulus -> steps.add(new Step(
                        slope.title(),
                        "E",
                        "least squares of " + slope.points() + " points, r² " + Figures.decimals(slope.r2(), 5),
                        "",
                        modulus,
                        "MPa",
                        "ISO 527-1, modulus between strains " + Figures.plain(rules.from(), 4) + " and "
                                + Figures.plain(rules.to(), 4))));
        return new Working(steps);
    }

    private static Step step(String meaning, String symbol, String formula, double value, Dimension dimension) {
        return new Step(meaning, symbol, formula, "", value, dimension.workingUnit(), "");
    }

    private String load(double value, int digits) {
        return Figures.withUnit(value, digits, piece.loading().load().workingUnit());
    }

    private String way(double value, int digits) {
        return Figures.withUnit(value, digits, piece.loading().way().workingUnit());
    }

    private double strain(double extension) {
        return (extension - zero) / piece.length();
    }

    private double stress(double force) {
        return force / piece.area();
    }

    private Point point(Kind kind, int i, String how) {
        return new Point(kind, i, strain(x[i]), stress(f[i]), how);
    }

    /** Sums up to each point, so that a line through any stretch costs the same. */
    private static final class Sums {

        private final int first;
        private final double[] sx;
        private final double[] sy;
        private final double[] sxx;
        private final double[] sxy;
        private final double originX;
        private final double originY;

        Sums(double[] x, double[] y, int from, int to) {
            first = from;
            int count = to - from + 1;
            sx = new double[count];
            sy = new double[count];
            sxx = new double[count];
            sxy = new double[count];
            originX = x[from];
            originY = y[from];
            for (int i = from; i < to; i++) {
                int k = i - from;
                double dx = x[i] - originX;
                double dy = y[i] - originY;
                sx[k + 1] = sx[k] + dx;
                sy[k + 1] = sy[k] + dy;
                sxx[k + 1] = sxx[k] + dx * dx;
                sxy[k + 1] = sxy[k] + dx * dy;
            }
        }

        Line line(int from, int to) {
            int a = from - first;
            int b = to - first;
            double count = to - from;
            double mx = (sx[b] - sx[a]) / count;
            double my = (sy[b] - sy[a]) / count;
            double xx = sxx[b] - sxx[a] - count * mx * mx;
            double xy = sxy[b] - sxy[a] - count * mx * my;
            double slope = xy / xx;
            return new Line(slope, originX + mx - (originY + my) / slope);
        }
    }
}
