package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.evidence.ReferenceTests;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.working.Figures;

/** The reference lot's own small chart: one point each time that it was tested beside another lot. */
record ReferenceChart(List<Dot> dots, List<Line> lines, List<Scale.Tick> ticks, String trace, String words) {

    private static final double LEFT = 58;
    private static final double RIGHT = 1000;
    private static final double TOP = 14;
    private static final double BOTTOM = 130;

    /** One test. */
    record Dot(double x, double y, String lot, String words, boolean out) {}

    /** Centre or limit. */
    record Line(double y, String label, boolean limit) {}

    static @Nullable ReferenceChart of(List<ReferenceTests.Beside> tests, String unit) {
        if (tests.isEmpty()) {
            return null;
        }
        double[] means = tests.stream().mapToDouble(ReferenceTests.Beside::mean).toArray();
        List<Double> reach = new ArrayList<>();
        for (double mean : means) {
            reach.add(mean);
        }
        IndividualsLimits limits = ReferenceTests.limits(tests, unit).orElse(null);
        if (limits != null) {
            reach.add(limits.lower());
            reach.add(limits.upper());
        }
        Scale y = Scale.holding(reach, BOTTOM, TOP);
        double step = (RIGHT - LEFT) / Math.max(12, tests.size());
        List<Dot> dots = new ArrayList<>();
        StringBuilder trace = new StringBuilder();
        for (int i = 0; i < tests.size(); i++) {
            ReferenceTests.Beside test = tests.get(i);
            double x = Math.rint(10 * (LEFT + step * (i + 0.5))) / 10;
            boolean out = limits != null && !ReferenceTests.isInside(test, limits);
            dots.add(new Dot(
                    x,
                    y.at(test.mean()),
                    test.lot(),
                    "beside " + test.lot() + ": " + Figures.significant(test.mean(), 4) + " " + unit + ", n = "
                            + test.n(),
                    out));
            trace.append(trace.isEmpty() ? "M" : "L").append(x).append(' ').append(y.at(test.mean()));
        }
        List<Line> lines = limits == null
                ? List.of()
                : List.of(
                        new Line(y.at(limits.centre()), "centre " + Figures.significant(limits.centre(), 4), false),
                        new Line(y.at(limits.lower()), Figures.significant(limits.lower(), 4), true),
                        new Line(y.at(limits.upper()), Figures.significant(limits.upper(), 4), true));
        String words = limits == null
                ? "Tested " + tests.size() + " times; its own limits are set from the first six tests."
                : (dots.get(dots.size() - 1).out()
                                ? "The reference lot moved too: look at printer, rig and tester before the material is blamed."
                                : "The reference lot stands where it stood: what moves above is the material.")
                        + " Its limits are those of its first six tests, and provisional.";
        return new ReferenceChart(dots, lines, y.ticks(4), trace.toString(), words);
    }
}
