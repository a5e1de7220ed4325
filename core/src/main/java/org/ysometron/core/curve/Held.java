package org.ysometron.core.curve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.curve.Analysis.Point;
import org.ysometron.core.curve.Analysis.Point.Kind;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * What a record of extension by time under a dead load shows (ISO 899-1): when the load came on, what the specimen had grown by at the times of
 * the standard, whether it broke or the load was taken off, and what was left ten minutes later. Its trace has the time where others have their
 * way, and the extension where they have their load.
 *
 * @param analysis points on the record, and what a reader must know
 * @param times after the load came on, in s, rising
 * @param extensions from the zero before the load, in mm, one a time
 * @param left of the extension ten minutes after the load was taken off, in mm; empty where the record does not show it
 * @param whyNothingLeft in words where it does not; empty where it does
 * @param brokenBy first time after the break that the record has, in s; empty where it did not break
 */
public record Held(
        Analysis analysis,
        List<Double> times,
        List<Double> extensions,
        OptionalDouble left,
        String whyNothingLeft,
        OptionalDouble brokenBy) {

    /** Times under load at which a creep test is read: ISO 899-1 as remembered (1, 3, 6, 12, 30 min; 1, 2, 5, 10 … 1000 h). */
    private static final double[] TIMES = {
        60, 180, 360, 720, 1800, 3600, 7200, 18_000, 36_000, 72_000, 180_000, 360_000, 720_000, 1_800_000, 3_600_000
    };

    /** A reading is the median of what lies so near to its time: creep slows down, so that a share of the time is one of the strain. */
    private static final double NEAR = 0.02;

    /** Where rows are far apart one of them stands for a time this near, with its own time. */
    private static final double AT_MOST = 0.05;

    private static final int FEW = 3;

    /** Rows behind a rise that must stay up for it to be a load, and no hand on the table. */
    private static final int LOOKED = 21;

    /** Of the time, so that a row at the very edge of a window falls the same way in any unit. */
    private static final double HAIR = 1e-7;

    /** After unloading (the method's own sheet). */
    private static final double RECOVERED = 600;

    /** Seconds within which a load laid on by hand is on. */
    private static final double LAID_ON = 5;

    /** A step between two rows, as a share of the extension so far, that no creep makes. */
    private static final double BREAKS = 0.5;

    private static final double FALLS = 0.15;

    /** Below this share of the extension nothing is left on the gauge: it let go, or the bar did. */
    private static final double NOTHING = 0.02;

    /** Copies the lists. */
    public Held {
        times = List.copyOf(times);
        extensions = List.copyOf(extensions);
    }

    /**
     * Works out a record of extension by time.
     *
     * @param trace with the time in s as its way and the extension in mm as its load
     * @param piece with the capacity of the gauge in mm
     * @param rules of which the break alone is used
     * @throws IllegalArgumentException in words where nothing grew, where it begins before zero time and the load is not seen to come on, or for a
     *     break that is no point of it
     */
    public static Held of(Trace trace, Piece piece, Rules rules) {
        return new Search(trace, piece, rules).held();
    }

    private static final class Search {

        private final int n;
        private final double[] t;
        private final double[] d;
        private final double noise;
        private final Rules rules;
        private final OptionalDouble capacity;
        private final List<String> said = new ArrayList<>();
        private final List<Point> points = new ArrayList<>();
        private final List<Double> times = new ArrayList<>();
        private final List<Double> extensions = new ArrayList<>();

        private int on;
        private double start;
        private double zero;
        private int end;
        private boolean broke;
        private int off = -1;
        private boolean clipped;

        Search(Trace trace, Piece piece, Rules rules) {
            this.n = trace.size();
            this.t = trace.rawExtensions();
            this.noise = Signal.noise(trace.rawForces());
            this.d = Signal.withoutWildPoints(trace.rawForces(), noise, said);
            this.rules = rules;
            this.capacity = piece.capacity();
        }

        Held held() {
            begin();
            finish();
            read();
            if (times.isEmpty()) {
                throw new IllegalArgumentException(
                        "the record ends before a minute under the load was over: nothing can be read on it");
            }
            double grown = extensions.get(extensions.size() - 1);
            if (!(grown > 4 * noise)) {
                throw new IllegalArgumentException(
                        "nothing grew: the extension never leaves its noise of " + mm(noise, 2));
            }
            OptionalDouble left = left();
            String whyNot = left.isPresent()
                    ? ""
                    : off < 0
                            ? "the record does not show the load taken off"
                            : "the record has nothing ten minutes after the load was taken off";
            return new Held(
                    analysis(grown),
                    times,
                    extensions,
                    left,
                    whyNot,
                    broke && end < n - 1 ? OptionalDouble.of(t[end + 1] - start) : OptionalDouble.empty());
        }

        private Analysis analysis(double grown) {
            points.sort(java.util.Comparator.comparingInt(Point::index));
            return new Analysis(
                    points,
                    zero + grown,
                    clipped,
                    t[end] - start,
                    broke ? OptionalDouble.of(t[end] - start) : OptionalDouble.empty(),
                    new Analysis.Slope(
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            false,
                            0,
                            0,
                            List.of(),
                            "a load that hangs has no slope"),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    "a load that hangs does not yield the specimen by its rise",
                    start,
                    end,
                    0,
                    0,
                    said,
                    Working.NONE);
        }

        /** The load comes on in the largest rise within a few seconds; a record that has none begins under it. */
        private void begin() {
            int from = 0;
            int to = 0;
            double most = 0;
            int high = 0;
            for (int low = 0; low < n; low++) {
                while (high < n - 1 && t[high + 1] - t[low] <= LAID_ON) {
                    high++;
                }
                int last = Math.max(Math.min(high, n - 1), Math.min(low + 1, n - 1));
                // What it grows by in one row is a load only where it stays: a break runs off at the end of the record.
                if (d[last] - d[low] > most
                        && t[n - 1] - t[last] > t[last] - t[0]
                        && median(last, Math.min(n, last + LOOKED)) > (d[low] + d[last]) / 2) {
                    most = d[last] - d[low];
                    from = low;
                    to = last;
                }
            }
            begin(from, to, most);
        }

        private void begin(int from, int to, double most) {
            double before = median(0, Math.max(1, from));
            boolean flat = from >= FEW && Math.abs(d[from - 1] - before) < Math.max(8 * noise, 0.1 * most);
            if (most > 8 * noise && flat) {
                zero = before;
                on = from;
                while (on < to && d[on] < zero + most / 2) {
                    on++;
                }
                start = t[on];
                said.add("The load came on at " + Figures.time(t[on])
                        + " of the record: times are counted from there, and " + mm(zero, 3)
                        + " that the gauge showed before was taken off.");
                points.add(new Point(
                        Kind.ZERO, Math.max(0, on - 1), 0, zero, "median of the " + from + " rows before the load"));
                return;
            }
            if (t[0] < 0) {
                throw new IllegalArgumentException("the record begins " + Figures.time(-t[0])
                        + " before its zero of time, and no load comes on in it");
            }
            said.add("The record begins under the load: its times and extensions stand as they are,"
                    + " from the zero of the gauge.");
            points.add(new Point(Kind.ZERO, 0, t[0], d[0], "the first row, under the load already"));
        }

        /** Where readings under the load end: at a break, as the load is taken off, at the end of the gauge, or of the record. */
        private void finish() {
            end = n - 1;
            if (rules.breakAt().isPresent()) {
                end = rules.breakAt().getAsInt();
                if (end <= on || end >= n) {
                    throw new IllegalArgumentException(
                            "the break is a point of the record, from " + (on + 1) + " to " + (n - 1) + "; got " + end);
                }
                broke = true;
                points.add(point(Kind.BREAK, end, "moved there by hand"));
                return;
            }
            for (int i = on + 1; i < n - 1; i++) {
                if (ends(i)) {
                    return;
                }
            }
            said.add("It held to the end of the record.");
        }

        private boolean ends(int i) {
            // A hand on the table comes and goes: a step is one from where the rows before lay.
            double level = median(Math.max(on, i + 1 - LOOKED), i + 1);
            double grown = level - zero;
            double step = d[i + 1] - level;
            boolean settled = t[i] - start > LAID_ON;
            if (capacity.isPresent() && d[i] >= 0.999 * capacity.getAsDouble()) {
                clipped = true;
                end = Math.max(on + 1, i - 1);
                said.add("The gauge ended at " + mm(capacity.getAsDouble(), 4) + ": what follows is not read.");
                points.add(point(Kind.PLATEAU, end, "the gauge shows no more than this"));
                return true;
            }
            if (!settled || !(grown > 8 * noise)) {
                return false;
            }
            if (step > Math.max(20 * noise, BREAKS * grown) && stays(i + 1, level + step / 2, true)) {
                broke = true;
                end = i;
                said.add("It ran off between " + Figures.time(t[i] - start) + " and " + Figures.time(t[i + 1] - start)
                        + " under the load: it broke in between.");
                points.add(point(Kind.BREAK, i, "the last row before the extension runs off and does not come back"));
                return true;
            }
            if (-step > Math.max(20 * noise, FALLS * grown) && stays(i + 1, level + step / 2, false)) {
                end = i;
                fell(i, grown);
                return true;
            }
            return false;
        }

        private void fell(int i, double grown) {
            if (d[i + 1] - zero < NOTHING * grown) {
                said.add("At " + Figures.time(t[i] - start)
                        + " the gauge fell back to nothing: it let go, or the bar broke."
                        + " Say which in how the test ended; no recovery is read.");
                points.add(point(Kind.UNLOADED, i, "the gauge fell back to nothing"));
                return;
            }
            off = i;
            said.add("The load was taken off at " + Figures.time(t[i] - start) + ".");
            points.add(point(Kind.UNLOADED, i, "the last row before the extension falls and does not come back"));
        }

        /** Whether all that follows, but for one row in fifty, lies beyond a height. */
        private boolean stays(int from, double height, boolean above) {
            int allowed = (n - from) / 50;
            for (int i = from; i < n && allowed >= 0; i++) {
                allowed -= above == d[i] > height ? 0 : 1;
            }
            return allowed >= 0;
        }

        private void read() {
            double under = t[end] - start;
            List<String> missed = new ArrayList<>();
            for (double wanted : TIMES) {
                if (wanted <= under && !readAt(wanted)) {
                    missed.add(Figures.time(wanted));
                }
            }
            // The end of the load is read too, unless one of the times stands for it.
            double last = times.isEmpty() ? 0 : times.get(times.size() - 1);
            if (under >= TIMES[0] && under > last * (1 + AT_MOST)) {
                // Of a bar that broke the last row itself, so that nothing is taken off the time that it bore; else the
                // middle of a few.
                int half = broke || end - 2 * (FEW / 2) <= on ? 0 : FEW / 2;
                add(t[end - half] - start, median(end - 2 * half, end + 1), end - half);
            }
            if (!missed.isEmpty()) {
                said.add("Nothing was recorded near " + String.join(", ", missed) + ": no reading stands there.");
            }
        }

        private boolean readAt(double wanted) {
            // As far behind the time as before it: a window that the end cuts off would lie early.
            double width = Math.min(NEAR * wanted, t[end] - start - wanted) + HAIR * wanted;
            int from = first(start + wanted - width);
            int to = Math.min(end + 1, first(start + wanted + width));
            int nearest = from;
            for (int i = Math.max(on, from - 1); i <= Math.min(end, to + 1); i++) {
                if (Math.abs(t[i] - start - wanted) < Math.abs(t[nearest] - start - wanted)) {
                    nearest = i;
                }
            }
            if (to - from >= FEW) {
                add(wanted, median(from, to), nearest);
                return true;
            }
            boolean near = nearest <= end && Math.abs(t[nearest] - start - wanted) <= AT_MOST * wanted;
            if (near) {
                add(t[nearest] - start, d[nearest], nearest);
            }
            return near;
        }

        private void add(double time, double shown, int at) {
            if (!times.isEmpty() && time <= times.get(times.size() - 1)) {
                return;
            }
            times.add(time);
            extensions.add(shown - zero);
            points.add(
                    new Point(Kind.READ, at, time, shown, "after " + Figures.time(time) + ": " + mm(shown - zero, 4)));
        }

        private OptionalDouble left() {
            if (off < 0) {
                return OptionalDouble.empty();
            }
            double at = t[off] + RECOVERED;
            int from = first(at - AT_MOST * RECOVERED);
            int to = first(at + AT_MOST * RECOVERED);
            return from < to ? OptionalDouble.of(median(from, to) - zero) : OptionalDouble.empty();
        }

        /** Index of the first row at a time or later. */
        private int first(double time) {
            int at = Arrays.binarySearch(t, time);
            return Math.min(n - 1, at < 0 ? -at - 1 : at);
        }

        private double median(int from, int to) {
            double[] part = Arrays.copyOfRange(d, from, to);
            Arrays.sort(part);
            int half = part.length / 2;
            return part.length % 2 == 1 ? part[half] : (part[half - 1] + part[half]) / 2;
        }

        private Point point(Kind kind, int i, String how) {
            return new Point(kind, i, t[i] - start, d[i], how);
        }

        private static String mm(double value, int digits) {
            return Figures.withUnit(value, digits, "mm");
        }
    }
}
