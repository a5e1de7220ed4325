package org.ysometron.app.curve;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.chart.Scale;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.working.Figures;

/** What is left beside the line of a slope, in order of strain: a straight one leaves nothing that bends. */
record ResidualPlot(double zero, List<Dot> dots, List<Scale.Tick> ticks, String words) {

    private static final double LEFT = 62;
    private static final double RIGHT = 510;
    private static final double TOP = 12;
    private static final double BOTTOM = 118;

    /** One of them. */
    record Dot(double x, double y) {}

    static @Nullable ResidualPlot of(Analysis.Slope slope) {
        List<Double> all = slope.residuals();
        if (all.size() < 2) {
            return null;
        }
        List<Double> held = new ArrayList<>(all);
        held.add(0.0);
        Scale y = Scale.holding(held, BOTTOM, TOP);
        Scale x = new Scale(0, all.size() - 1, LEFT + 8, RIGHT);
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            dots.add(new Dot(x.at(i), y.at(all.get(i))));
        }
        return new ResidualPlot(
                y.at(0),
                dots,
                y.ticks(6),
                "r² " + Figures.decimals(slope.r2(), 5) + " of " + slope.points() + " points");
    }
}
