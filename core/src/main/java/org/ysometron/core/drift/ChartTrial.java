package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * How soon charts find a change, and how soon they cry wolf without one, by running them on simulated lots: limits from so many lots of a baseline as
 * they would be estimated, then lots until the first signal. What is known of points that are independent, normal and set against exact limits
 * ({@link AverageRunLength}) is too kind to limits from twenty lots. Seeded: the same question has the same answer.
 */
public final class ChartTrial {

    /** Lots of all series together, so that no question takes minutes. */
    private static final int MOST_LOTS = 20_000_000;

    /** From so many specimens on the scatter within a lot is drawn by Wilson and Hilferty's cube, which is exact to four digits there. */
    private static final int MANY = 31;

    private static final int FIRST = 64;
    private static final int LONGER = 4;

    private ChartTrial() {}

    /** Charts that watch a series of lots. */
    public interface Watch {

        /** Index of the first lot at which it signals, or −1. */
        int first(ChartSignal.Lots lots, LotLimits limits);
    }

    /** The chart of means, of changes and of scatter by these rules. */
    public static Watch byRules(ChartRules rules) {
        return (lots, limits) -> {
            int first = Integer.MAX_VALUE;
            for (ChartSignal signal : ChartSignal.of(lots, limits, rules)) {
                first = Math.min(first, signal.last());
            }
            return first == Integer.MAX_VALUE ? -1 : first;
        };
    }

    /**
     * How much is simulated.
     *
     * @param series how many, 1 to 100,000
     * @param most lots after which a chart that has said nothing is given up, 1 to 10,000; such runs count as longer; of all series
     *     together 20 million at most
     * @param seed of the simulation
     */
    public record Extent(int series, int most, long seed) {

        /** Checks the ranges. */
        public Extent {
            if (series < 1 || series > 100_000 || most < 1 || most > 10_000 || (long) series * most > MOST_LOTS) {
                throw new IllegalArgumentException(
                        "1 to 100,000 series of 1 to 10,000 lots, 20 million lots in all, are simulated, asked for "
                                + series + " of " + most);
            }
        }
    }

    /**
     * The series that is simulated; its lot means have the standard deviation 1.
     *
     * @param baseline lots that the limits are estimated from, 3 to 500; 0 for limits that are known
     * @param baselineSize n of these lots, 1 to 100
     * @param size n of the lots that are watched, 1 to 100
     * @param within share of the variance of a mean of the baseline that comes from within lots, 0 to 1
     */
    public record Setting(int baseline, int baselineSize, int size, double within) {

        /** Checks the ranges. */
        public Setting {
            boolean known = baseline == 0;
            if (!(known || (baseline >= 3 && baseline <= 500))
                    || Math.min(baselineSize, size) < 1
                    || Math.max(baselineSize, size) > 100
                    || !(within >= 0 && within <= 1)) {
                throw new IllegalArgumentException(
                        "a trial needs a baseline of 3 to 500 lots (0: known limits), 1 to 100 specimens and a share from 0 to 1");
            }
        }
    }

    /**
     * What becomes of the series from the first watched lot on, in standard deviations of a lot mean of the baseline.
     *
     * @param step of the level, at most 30 either way
     * @param slope of the level by lot, at most 30 either way
     * @param scatter ratio of the scatter within lots to that of before, above 0, at most 30
     */
    public record Change(double step, double slope, double scatter) {

        /** Nothing: what is counted then are false alarms. */
        public static final Change NONE = new Change(0, 0, 1);

        /** Checks the ranges. */
        public Change {
            if (!(Math.abs(step) <= 30 && Math.abs(slope) <= 30 && scatter > 0 && scatter <= 30)) {
                throw new IllegalArgumentException(
                        "a change of at most 30 standard deviations, and a ratio from 0 to 30");
            }
        }
    }

    /**
     * Lots until the first signal, of every run in rising order; one more than were tried where none came.
     *
     * @param lengths at least one
     * @param most lots that were tried
     */
    public record Runs(int[] lengths, int most) {

        /** So many lots that this share of the charts has signalled; one more than were tried where it has not. */
        public int within(double share) {
            int at = (int) Math.ceil(share * lengths.length) - 1;
            return lengths[Math.max(0, Math.min(lengths.length - 1, at))];
        }

        /** Half of the charts have signalled within so many lots. */
        public int median() {
            return within(0.5);
        }

        /** Share of the charts that have signalled within so many lots. */
        public double share(int lots) {
            return Arrays.stream(lengths).filter(length -> length <= lots).count() / (double) lengths.length;
        }

        /** Mean; a bound from below where some never signalled. */
        public double mean() {
            return Arrays.stream(lengths).average().orElseThrow();
        }

        /** How many never signalled. */
        public int never() {
            return (int) Arrays.stream(lengths).filter(length -> length > most).count();
        }
    }

    /** Runs charts on simulated series. */
    public static Runs of(Watch watch, Setting setting, Change change, Extent extent) {
        int[] lengths = new int[extent.series];
        for (int run = 0; run < extent.series; run++) {
            // A seed of its own for each series, so that rules are compared on the same lots.
            SplittableRandom chance = new SplittableRandom(extent.seed * 1_000_003 + run);
            LotLimits limits = limits(setting, chance);
            lengths[run] = length(watch, new Source(setting, change, setting.size, chance), limits, extent.most);
        }
        Arrays.sort(lengths);
        return new Runs(lengths, extent.most);
    }

    private static LotLimits limits(Setting setting, SplittableRandom chance) {
        if (setting.baseline == 0) {
            double within = Math.sqrt(setting.within * setting.baselineSize);
            return LotLimits.known(0, 1, setting.baselineSize, within);
        }
        ChartSignal.Lots chosen =
                new Source(setting, Change.NONE, setting.baselineSize, chance).next(null, setting.baseline);
        return LotLimits.of(chosen);
    }

    private static int length(Watch watch, Source source, LotLimits limits, int most) {
        ChartSignal.Lots lots = source.next(null, Math.min(FIRST, most));
        while (true) {
            int first = watch.first(lots, limits);
            if (first >= 0) {
                return first + 1;
            }
            if (lots.count() >= most) {
                return most + 1;
            }
            lots = source.next(lots, Math.min(most, LONGER * lots.count()));
        }
    }

    /** Lots as they come. */
    private record Source(Setting setting, Change change, int size, SplittableRandom chance) {

        /** Those of before and others behind them, so many in all. */
        ChartSignal.Lots next(ChartSignal.@org.jspecify.annotations.Nullable Lots before, int count) {
            double[] means = new double[count];
            double[] deviations = new double[count];
            int[] sizes = new int[count];
            Arrays.fill(sizes, size);
            int from = before == null ? 0 : before.count();
            if (before != null) {
                System.arraycopy(before.means(), 0, means, 0, from);
                System.arraycopy(before.deviations(), 0, deviations, 0, from);
            }
            double own = change.scatter * Math.sqrt(setting.within * setting.baselineSize);
            double between = Math.sqrt(1 - setting.within);
            for (int i = from; i < count; i++) {
                double level = change.step + change.slope * (i + 1);
                means[i] = level + between * chance.nextGaussian() + own / Math.sqrt(size) * chance.nextGaussian();
                deviations[i] = size > 1 ? own * deviation() : Double.NaN;
            }
            return new ChartSignal.Lots(means, deviations, sizes);
        }

        /** Of n normal values: the root of chi-square over its degrees of freedom. */
        private double deviation() {
            if (size >= MANY) {
                double part = 2.0 / (9 * (size - 1));
                return Math.sqrt(Math.pow(Math.max(0, 1 - part + Math.sqrt(part) * chance.nextGaussian()), 3));
            }
            double squares = 0;
            for (int i = 1; i < size; i++) {
                double one = chance.nextGaussian();
                squares += one * one;
            }
            return Math.sqrt(squares / (size - 1));
        }
    }
}
