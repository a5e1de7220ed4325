package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.statistics.Trend;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Bending of a bar on two supports by weights in steps: stiffness k = 1/(ds/dF), the slope of deflection on load by least squares over
 * the steps up to the one that bends the line, which is named. Loads are weighed, the hanger's own mass with them. It is the modulus
 * of ISO 178 only where all steps used lie at strains of 0.0005 to 0.0025: E = k·L³/(4·b·h³), ε = 6·s·h/L² (mechanics handbook).
 */
@AutoService(Method.class)
public final class BendingByWeights extends Method {

    private static final double LEAST_STRAIN = 0.0005;
    private static final double MOST_STRAIN = 0.0025;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] masses = readings.all("mass");
        double[] dials = readings.all("dial");
        if (masses.length != dials.length) {
            throw new IllegalArgumentException("each load has its deflection, got " + masses.length + " loads and "
                    + dials.length + " deflections");
        }
        double[] forces = Arrays.stream(masses).map(Method::weight).toArray();
        Working steps = Working.of(
                step("loads", "n", "F = m·g each, the hanger with them", forces.length, "", "g = 9.80665 m/s²", forces),
                step("deflections", "n", "s as read", dials.length, "", "", dials));
        if (forces.length < 3) {
            Figure few = Figure.none("a slope needs three loads", steps);
            return Map.of("bending-stiffness", few, "slope-modulus", few, "residual-deflection", left(readings, steps));
        }
        int straight = straight(forces, dials, pinned.value("bend"));
        Trend line = Trend.of(Arrays.copyOf(forces, straight), Arrays.copyOf(dials, straight));
        if (!(line.slope() > 0)) {
            Figure none = Figure.none("the deflection does not grow with the load", steps);
            return Map.of(
                    "bending-stiffness", none, "slope-modulus", none, "residual-deflection", left(readings, steps));
        }
        double stiffness = 1 / line.slope();
        List<String> notes = straight == forces.length
                ? List.of()
                : List.of("Step " + (straight + 1) + " (" + Figures.significant(forces[straight], 3)
                        + " N) bends the line; it and what follows are not in the slope.");
        Working sloped = steps.then(step("loads on the line", "n", "", straight, "", ""))
                .then(step("slope", "ds/dF", "least squares", line.slope(), "mm/N", ""))
                .then(interval(line, straight))
                .then(step("stiffness", "k", "1/(ds/dF)", stiffness, "N/mm", "", line.slope()));
        return Map.of(
                "bending-stiffness",
                Figure.of(stiffness, sloped).noting(notes),
                "slope-modulus",
                modulus(readings, pinned, stiffness, Arrays.copyOf(dials, straight), sloped)
                        .noting(notes),
                "residual-deflection",
                left(readings, steps));
    }

    /** 95 % of such intervals hold the slope (normal errors of the dial, Student's t). */
    private static Step interval(Trend line, int n) {
        double reach = StudentT.quantile(0.975, n - 2.0) * line.slopeError();
        return Step.note(
                "95 % interval of the slope",
                Figures.significant(line.slope() - reach, 4) + " to " + Figures.significant(line.slope() + reach, 4)
                        + " mm/N");
    }

    /** How many loads, at least three, stand on one line: the first that lies further from the line before it than the share pinned ends it. */
    private static int straight(double[] forces, double[] dials, double share) {
        for (int n = 3; n < forces.length; n++) {
            Trend before = Trend.of(Arrays.copyOf(forces, n), Arrays.copyOf(dials, n));
            double expected = before.intercept() + before.slope() * forces[n];
            if (Math.abs(dials[n] - expected) > share * Math.abs(expected)) {
                return n;
            }
        }
        return forces.length;
    }

    private static Figure modulus(Readings readings, Pinned pinned, double stiffness, double[] dials, Working sloped) {
        double span = pinned.value("span");
        double b = readings.number("width");
        double h = readings.number("thickness");
        double low = 6 * Arrays.stream(dials).min().orElse(0) * h / (span * span);
        double high = 6 * Arrays.stream(dials).max().orElse(0) * h / (span * span);
        Working strained = sloped.then(step("strains of the loads", "ε", "6·s·h/L²", high, "", "ISO 178", low, high));
        if (low < LEAST_STRAIN * (1 - 1e-9) || high > MOST_STRAIN * (1 + 1e-9)) {
            return Figure.none(
                    "the loads do not all lie at strains of 0.0005 to 0.0025: it is a slope, not this modulus",
                    strained);
        }
        double modulus = stiffness * Math.pow(span, 3) / (4 * b * Math.pow(h, 3));
        return Figure.of(
                modulus,
                strained.then(
                        step("modulus", "E", "k·L³/(4·b·h³)", modulus, "MPa", "mechanics handbook", stiffness, b, h)));
    }

    private static Figure left(Readings readings, Working steps) {
        return readings.mean("left").isEmpty()
                ? Figure.none("what was left after unloading was not read", steps)
                : Figure.of(
                        readings.number("left"),
                        steps.then(Step.note("after unloading", "as read"))
                                .then(step(
                                        "left after unloading", "s_r", "as read", readings.number("left"), "mm", "")));
    }
}
