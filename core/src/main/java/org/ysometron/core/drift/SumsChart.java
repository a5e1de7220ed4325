package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.ysometron.core.drift.Signal.Side;
import org.ysometron.core.working.Figures;

/**
 * Sums of what the lot means lie off the centre by more than k, upward and downward apart (tabular CUSUM, in standard deviations of a mean of the lot's
 * own n): a small lasting change adds up. Behind a lot at which it speaks both sums begin anew at the head start, so that a change that lasts is asked
 * about again, and one that was put right is not.
 *
 * <p>Source: {@link CusumChart}.
 *
 * @param k allowance, 0.25 to 1.5: half the shift that is to be found
 * @param h decision interval, 2 to 10
 * @param start head start, 0 to half of h
 */
public record SumsChart(double k, double h, double start) implements LotChart {

    /** A chart as often recommended, with a head start of half of h: published run lengths 430 and 6.35 (Lucas and Crosier 1982). */
    public static final SumsChart USUAL = new SumsChart(0.5, 5, 2.5);

    /** Least k. */
    public static final double LEAST_K = 0.25;

    /** Greatest k. */
    public static final double MOST_K = 1.5;

    /** Least h. */
    public static final double LEAST_H = 2;

    /** Greatest h. */
    public static final double MOST_H = 10;

    /** Checks the ranges. */
    public SumsChart {
        boolean sums = k >= LEAST_K && k <= MOST_K && h >= LEAST_H && h <= MOST_H;
        if (!(sums && start >= 0 && start <= h / 2)) {
            throw new IllegalArgumentException(
                    "sums need k from 0.25 to 1.5, h from 2 to 10 and a head start from 0 to half of h, got k " + k
                            + ", h " + h + " and " + start);
        }
    }

    @Override
    public String words() {
        return "sums of what lies off the centre (CUSUM, k " + Figures.plain(k, 4) + ", h " + Figures.plain(h, 4)
                + ", head start " + Figures.plain(start, 4) + ") beyond h";
    }

    @Override
    public Course over(ChartSignal.Lots lots, LotLimits limits) {
        CusumChart.Plan plan = new CusumChart.Plan(limits.centre(), limits.sigma(), k, h, start, true);
        List<CusumChart.Point> points =
                CusumChart.of(limits.inOwnMeasure(lots), plan).points();
        List<ChartSignal> signals = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            CusumChart.Point point = points.get(i);
            if (point.signal()) {
                // Both sides at once is only a head start that met a lot far out: the greater sum speaks.
                Side side = point.upper() >= point.lower() ? Side.ABOVE : Side.BELOW;
                int since = side == Side.ABOVE ? point.upperSince() : point.lowerSince();
                signals.add(new ChartSignal(ChartRules.SUMS, i - since + 1, i, side, words(since, side)));
            }
        }
        return new Course(
                List.of(
                        points.stream().mapToDouble(CusumChart.Point::upper).toArray(),
                        points.stream().mapToDouble(point -> -point.lower()).toArray()),
                level(-h, points.size()),
                level(0, points.size()),
                level(h, points.size()),
                signals);
    }

    private static String words(int lots, Side side) {
        return lots == 1
                ? "so far " + side.words() + " the centre that the sum is beyond h at once"
                : Count.of(lots) + " lots that add up to too much " + side.words() + " the centre";
    }

    private static double[] level(double at, int count) {
        double[] level = new double[count];
        Arrays.fill(level, at);
        return level;
    }
}
