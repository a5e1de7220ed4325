package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Capability of single specimens of a series of lots. What customers meet is the scatter from lot to lot and that within lots together:
 * σ² = S² + σ_w²(1 − 1/n₀), with S² the variance of the lot means, σ_w the scatter within lots, pooled, and n₀ the harmonic mean of their n. Its
 * degrees of freedom are Satterthwaite's, which are far fewer than the specimens where lots differ; the mean is as well known as S²/k allows.
 * Of the scatter within lots alone the index is that which the process could have if every lot were alike.
 *
 * <p>Source: ISO 22514-2; F. E. Satterthwaite, Biometrics Bulletin 2, 1946. It supposes that lots and specimens are normal and the series stable.
 *
 * @param overall of the specimens as they are
 * @param within of the scatter within lots; empty where no lot has one
 * @param lots how many
 * @param specimens in all of them
 * @param working the steps
 */
public record LotCapability(Capability overall, Optional<Capability> within, int lots, int specimens, Working working) {

    /** Fewest lots: below these nobody knows how lots scatter. */
    public static final int FEWEST = 3;

    /**
     * From lots in any order.
     *
     * @param lower least allowed; empty for none
     * @param upper most allowed; empty for none
     * @throws IllegalArgumentException for fewer than {@value #FEWEST} lots, lots all alike, or no edge
     */
    public static LotCapability of(ChartSignal.Lots lots, OptionalDouble lower, OptionalDouble upper) {
        int count = lots.count();
        if (count < FEWEST) {
            throw new IllegalArgumentException("capability needs " + FEWEST + " lots at least, got " + count);
        }
        Summary means = Summary.of(lots.means());
        double between = Math.pow(means.sd().orElseThrow(), 2);
        int[] scattered = IntStream.range(0, count)
                .filter(i -> lots.sizes()[i] > 1 && lots.deviations()[i] >= 0)
                .toArray();
        double freedomWithin =
                Arrays.stream(scattered).map(i -> lots.sizes()[i] - 1).sum();
        double squares = Arrays.stream(scattered)
                .mapToDouble(i -> (lots.sizes()[i] - 1) * Math.pow(lots.deviations()[i], 2))
                .sum();
        double within = freedomWithin > 0 ? squares / freedomWithin : 0;
        double rest = within * (1 - 1 / LotLimits.harmonic(lots.sizes()));
        double whole = between + rest;
        if (!Double.isFinite(whole * whole)) {
            throw new IllegalArgumentException("the means or their scatter are too large to be squared");
        }
        double freedom = whole
                * whole
                / (between * between / (count - 1) + (freedomWithin > 0 ? rest * rest / freedomWithin : 0));
        // The mean is known as well as that of so many specimens of one population; never better than all there are.
        double known =
                Math.min(count * whole / between, Arrays.stream(lots.sizes()).sum());
        int asManyAs = (int) Math.max(2, Math.round(known));
        int specimens = Arrays.stream(lots.sizes()).sum();
        Capability overall = new Capability(means.mean(), Math.sqrt(whole), asManyAs, freedom, lower, upper);
        Optional<Capability> alone = within > 0
                ? Optional.of(new Capability(means.mean(), Math.sqrt(within), specimens, freedomWithin, lower, upper))
                : Optional.empty();
        return new LotCapability(overall, alone, count, specimens, working(overall, between, within, count));
    }

    private static Working working(Capability overall, double between, double within, int count) {
        return Working.of(
                Step.of("lots", "k", "", count),
                Step.of("mean of the lot means", "x̄", "", overall.mean()),
                Step.of("variance of the lot means", "S²", "", between),
                Step.of("variance within lots, pooled", "σ_w²", "Σ(n − 1)s²/Σ(n − 1)", within),
                Step.of("scatter of single specimens", "σ", "√(S² + σ_w²(1 − 1/n₀))", overall.sigma()),
                Step.of("degrees of freedom", "ν", "Satterthwaite 1946", overall.freedom()),
                Step.of(
                        "lesser index",
                        "Ppk",
                        "min(x̄ − L, U − x̄)/3σ",
                        overall.least(0.95).value(),
                        "ISO 22514-2"));
    }
}
