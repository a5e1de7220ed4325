package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.statistics.PowerLaw;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Creep in tension under a dead load (ISO 899-1): strain ε(t) = ΔL/L₀, creep modulus σ/ε(t) with the stress of the section before the
 * load, and the exponent of ε = ε₀ + m·tⁿ. Days may be missing between readings. After unloading the recovery is (ε_end −
 * ε_t)/ε_end; a bar that broke between two readings broke in the interval between them.
 */
@AutoService(Method.class)
public final class Creep extends Method {

    private static final double CONFIDENCE = 0.95;
    private static final String SOURCE = "ISO 899-1";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] times = times(readings, "extension", "extensions");
        double[] extensions = readings.all("extension");
        double length = pinned.value("length");
        double[] strains = new double[times.length];
        for (int i = 0; i < strains.length; i++) {
            strains[i] = extensions[i] / length;
        }
        double last = strains[strains.length - 1];
        Working read = Working.of(
                step("last reading under load", "t", "as read", times[times.length - 1], "s", ""),
                step("strain then", "ε", "ΔL/L₀", last, "", SOURCE, extensions[extensions.length - 1], length));
        return Map.of(
                "creep-strain",
                Figure.of(last, read),
                "creep-modulus",
                modulus(readings, last, read),
                "creep-fit",
                exponent(times, strains),
                "creep-recovery",
                recovery(readings.mean("left"), extensions[extensions.length - 1]),
                "creep-rupture-time",
                rupture(times[times.length - 1], readings.mean("broken-by")));
    }

    private static Figure modulus(Readings readings, double strain, Working read) {
        double area = readings.number("width") * readings.number("thickness");
        double stress = weight(readings.number("mass")) / area;
        if (!(strain > 0)) {
            return Figure.none("no strain was read under the load", read);
        }
        return Figure.of(
                stress / strain,
                read.then(step("stress", "σ", "m·g/(w·t)", stress, "MPa", SOURCE, readings.number("mass"), area))
                        .then(step("creep modulus", "E_c", "σ/ε(t)", stress / strain, "MPa", SOURCE, stress, strain)));
    }

    private static Figure exponent(double[] times, double[] strains) {
        PowerLaw fit;
        try {
            fit = PowerLaw.fit(times, strains, CONFIDENCE);
        } catch (IllegalArgumentException tooFew) {
            return Figure.none(String.valueOf(tooFew.getMessage()), Working.NONE);
        }
        return Figure.of(
                fit.exponent(),
                Working.of(
                        Step.of("readings", "k", "", times.length),
                        Step.of("strain at once", "ε₀", "ε₀ + m·tⁿ by least squares", fit.offset()),
                        Step.of("factor", "m", "t in s", fit.factor()),
                        Step.of("exponent", "n", "the least sum of squares", fit.exponent()),
                        Step.note(
                                "95 % interval of n",
                                Figures.significant(fit.lower(), 3) + " to " + Figures.significant(fit.upper(), 3)
                                        + ", by the profile of the sum of squares")));
    }

    private static Figure recovery(OptionalDouble left, double end) {
        if (left.isEmpty()) {
            return Figure.none("nothing was read after unloading", Working.NONE);
        }
        if (!(end > 0)) {
            return Figure.none("there was no extension to come back from", Working.NONE);
        }
        double recovery = (end - left.getAsDouble()) / end;
        return Figure.of(
                recovery,
                Working.of(
                        step("extension at the end", "d_end", "as read", end, "mm", ""),
                        step("left after unloading", "d_t", "as read", left.getAsDouble(), "mm", ""),
                        step(
                                "recovery",
                                "",
                                "(d_end − d_t)/d_end",
                                recovery,
                                "",
                                "common practice, no source",
                                end,
                                left.getAsDouble())));
    }

    private static Figure rupture(double held, OptionalDouble brokenBy) {
        Working steps = Working.of(step("last reading that it bore", "t₁", "as read", held, "s", ""));
        return brokenBy.isEmpty()
                ? Figure.of(held, steps)
                : Figure.between(
                        held,
                        brokenBy.getAsDouble(),
                        steps.then(step("found broken", "t₂", "t₁ < t ≤ t₂", brokenBy.getAsDouble(), "s", "")));
    }
}
