package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;

/**
 * One chart that watches the lots of a series: what it draws of each lot, between which limits, and at which lots it speaks. What its false
 * alarms cost is simulated by {@link ChartTrial} for all charts of a series together.
 */
public sealed interface LotChart permits MeansChart, ChangesChart, ScatterChart, AverageChart, SumsChart {

    /** What it looks for, in words: "a change from the lot before beyond its limit". */
    String words();

    /** Its course over lots in order of making. */
    Course over(ChartSignal.Lots lots, LotLimits limits);

    /** A figure that goes by n, of each lot; worked out once where neighbours have the same n. */
    static double[] byN(int[] sizes, IntToDoubleFunction figure) {
        double[] figures = new double[sizes.length];
        for (int i = 0; i < sizes.length; i++) {
            figures[i] = i > 0 && sizes[i] == sizes[i - 1] ? figures[i - 1] : figure.applyAsDouble(sizes[i]);
        }
        return figures;
    }

    /** Nothing to draw of so many lots. */
    static double[] none(int count) {
        double[] none = new double[count];
        Arrays.fill(none, Double.NaN);
        return none;
    }

    /**
     * What a chart draws, one entry for each lot; NaN where it has nothing to draw.
     *
     * @param traces what is drawn, mostly one line; two where a chart watches both sides apart
     * @param lower limit
     * @param centre what the line rests at
     * @param upper limit
     * @param signals at which lots it speaks, in order of the lot
     */
    record Course(List<double[]> traces, double[] lower, double[] centre, double[] upper, List<ChartSignal> signals) {

        /** Copies the lists. */
        public Course {
            traces = List.copyOf(traces);
            signals = List.copyOf(signals);
        }
    }
}
