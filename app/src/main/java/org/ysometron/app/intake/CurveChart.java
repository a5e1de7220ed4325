package org.ysometron.app.intake;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.chart.Scale;
import org.ysometron.core.working.Figures;

/**
 * A working curve as drawn: points, the fitted line over the logarithm of exposure, where it asks the exposure to be and
 * where it is.
 */
record CurveChart(
        String line,
        List<Dot> dots,
        List<Scale.Tick> depths,
        List<Scale.Tick> exposures,
        String unit,
        @Nullable Mark wanted,
        @Nullable Mark used,
        @Nullable Mark critical) {

    private static final double LEFT = 52;
    private static final double RIGHT = 520;
    private static final double BOTTOM = 230;

    /** A measured depth. */
    record Dot(double x, double y) {}

    /** An exposure marked on the axis. */
    record Mark(double x, double y, String words) {}

    static CurveChart of(Reduced.Curve curve) {
        double least = curve.fit().critical() * 0.9;
        double greatest = curve.recipe().orElse(0);
        for (double exposure : curve.exposures()) {
            least = Math.min(least, exposure * 0.9);
            greatest = Math.max(greatest, exposure);
        }
        Scale x = new Scale(Math.log(least), Math.log(greatest * 1.1), LEFT, RIGHT);
        List<Double> values = new ArrayList<>(List.of(0.0));
        for (double depth : curve.depths()) {
            values.add(depth);
        }
        values.add(curve.fit().depth(greatest * 1.1));
        Scale y = Scale.holding(values, BOTTOM, 14);
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < curve.exposures().length; i++) {
            dots.add(new Dot(x.at(Math.log(curve.exposures()[i])), y.at(curve.depths()[i])));
        }
        String line = "M" + x.at(Math.log(curve.fit().critical())) + " " + y.at(0) + "L" + RIGHT + " "
                + y.at(curve.fit().depth(greatest * 1.1));
        List<Scale.Tick> exposures = new ArrayList<>();
        for (double exposure : curve.exposures()) {
            exposures.add(new Scale.Tick(x.at(Math.log(exposure)), Figures.plain(exposure, 3)));
        }
        Mark used = null;
        Mark wanted = null;
        if (curve.recipe().isPresent()) {
            double recipe = curve.recipe().getAsDouble();
            double asked = curve.fit().exposureFor(curve.layer() * curve.overcure());
            used = new Mark(
                    x.at(Math.log(recipe)),
                    y.at(curve.fit().depth(recipe)),
                    "in use " + Figures.plain(recipe, 3) + " " + curve.unit());
            wanted = new Mark(
                    x.at(Math.log(asked)),
                    y.at(curve.fit().depth(asked)),
                    "asked for " + Figures.significant(asked, 2) + " " + curve.unit());
        }
        Mark critical = new Mark(
                x.at(Math.log(curve.fit().critical())),
                y.at(0),
                "Ec " + Figures.significant(curve.fit().critical(), 3) + " " + curve.unit());
        return new CurveChart(line, dots, y.ticks(5), exposures, curve.unit(), wanted, used, critical);
    }
}
