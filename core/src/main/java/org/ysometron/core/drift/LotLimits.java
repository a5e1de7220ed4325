package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Limits of the charts of a series, for lots of any number of specimens.
 *
 * <p>The variance of a lot mean is that between lots and that within lots over n: σ²(n) = σ_b² + σ_w²/n. A baseline knows their sum at the n
 * of its own lots, σ̂², from the change from lot to lot, and σ_w from the scatter within lots; so σ²(n) = σ̂² − v + v·n₀/n with v = σ_w²/n₀, the
 * harmonic mean n₀ of its lots' n, and v at most σ̂² (the part between lots is not below zero). At n₀ these are the limits of
 * {@link IndividualsLimits}. Source: components of variance, as in ISO 5725-2; the limit of a change between two lots is D₄·MR̄ times
 * √((σ²(n₁) + σ²(n₂))/2σ̂²).
 *
 * @param centre of the lot means
 * @param sigma σ̂, standard deviation of a mean of n₀, above 0
 * @param rangeUpper upper limit of the change between two lots of n₀
 * @param size n₀, at least 1; empty where the limits are the same for every n
 * @param within σ_w; empty where no lot of the baseline has a scatter
 */
public record LotLimits(double centre, double sigma, double rangeUpper, OptionalDouble size, OptionalDouble within) {

    private static final double LIMITS = 3;

    /** d₂(2). */
    private static final double MEAN_RANGE = 2 / Math.sqrt(Math.PI);

    /** Checks the ranges. */
    public LotLimits {
        if (!(sigma > 0) || !Double.isFinite(sigma) || !Double.isFinite(centre)) {
            throw new IllegalArgumentException("limits need a centre and a standard deviation above 0, got " + sigma);
        }
        if (size.isPresent() && !(size.getAsDouble() >= 1)) {
            throw new IllegalArgumentException("a lot has at least one specimen, got " + size.getAsDouble());
        }
    }

    /**
     * Limits from the lots of a baseline, in order of making.
     *
     * @throws IllegalArgumentException for fewer than two lots, and for lots that are all alike
     */
    public static LotLimits of(ChartSignal.Lots lots) {
        IndividualsLimits.Estimates means = IndividualsLimits.Estimates.of(lots.means());
        int[] scattered = IntStream.range(0, lots.count())
                .filter(i -> lots.sizes()[i] > 1 && lots.deviations()[i] >= 0)
                .toArray();
        double[] deviations =
                Arrays.stream(scattered).mapToDouble(i -> lots.deviations()[i]).toArray();
        int[] sizes = Arrays.stream(scattered).map(i -> lots.sizes()[i]).toArray();
        return new LotLimits(
                means.centre(),
                means.sigma(),
                means.rangeUpper(),
                OptionalDouble.of(harmonic(lots.sizes())),
                scattered.length == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(SpreadLimits.mean(deviations, sizes)));
    }

    /** Limits where everything is known: for trials of charts. */
    static LotLimits known(double centre, double sigma, double size, double within) {
        double range = IndividualsLimits.Constants.EXACT.rangeUpper(sigma);
        return new LotLimits(centre, sigma, range, OptionalDouble.of(size), OptionalDouble.of(within));
    }

    /** Harmonic mean of the lots' n: that of a mean variance of s²/n. */
    public static double harmonic(int[] sizes) {
        return sizes.length / Arrays.stream(sizes).mapToDouble(n -> 1.0 / n).sum();
    }

    /** The same limits for every n, as they were set before they followed it. */
    public LotLimits ofOneSize() {
        return new LotLimits(centre, sigma, rangeUpper, OptionalDouble.empty(), within);
    }

    /** Standard deviation of the mean of n specimens of a lot, n at least 1. */
    public double sigma(int n) {
        if (size.isEmpty() || within.isEmpty()) {
            return sigma;
        }
        double own = ofWithin();
        return Math.sqrt(sigma * sigma - own + own * size.getAsDouble() / n);
    }

    /** How the limits for a lot of n came about; nothing where they are the same for every n. */
    public Working explain(int n, String unit) {
        if (size.isEmpty() || within.isEmpty()) {
            return Working.NONE;
        }
        String source = "ISO 5725-2, components of variance";
        return Working.of(
                Step.of("harmonic mean of the baseline's n", "n₀", "", size.getAsDouble(), source),
                Step.of("variance of a mean of n₀ from within lots", "v", "σ_w²/n₀, at most σ̂²", ofWithin(), source),
                new Step(
                        "standard deviation of a mean of " + n,
                        "σ(" + n + ")",
                        "√(σ̂² − v + v·n₀/n)",
                        "",
                        sigma(n),
                        unit,
                        source),
                new Step("lower limit for n = " + n, "", "x̄ − 3σ(" + n + ")", "", lower(n), unit, source),
                new Step("upper limit for n = " + n, "", "x̄ + 3σ(" + n + ")", "", upper(n), unit, source));
    }

    private double ofWithin() {
        double whole = sigma * sigma;
        return Math.min(within.orElse(0) * within.orElse(0) / size.orElse(1), whole);
    }

    /** Upper limit of the mean of n specimens. */
    public double upper(int n) {
        return centre + LIMITS * sigma(n);
    }

    /** Lower limit of the mean of n specimens. */
    public double lower(int n) {
        return centre - LIMITS * sigma(n);
    }

    /** Upper limit of the distance between the means of a lot of n and of the one before it. */
    public double range(int n, int before) {
        return rangeUpper * Math.sqrt((sigma(n) * sigma(n) + sigma(before) * sigma(before)) / 2) / sigma;
    }

    /** What that distance is on average, while nothing changes: d₂(2)·σ. */
    public double rangeCentre(int n, int before) {
        return MEAN_RANGE * Math.sqrt((sigma(n) * sigma(n) + sigma(before) * sigma(before)) / 2);
    }

    /** Upper limit of the standard deviation within a lot of n; empty where there is none. */
    public OptionalDouble scatter(int n) {
        return within.isEmpty() || n < 2
                ? OptionalDouble.empty()
                : OptionalDouble.of(SpreadLimits.upper(within.getAsDouble(), n));
    }

    /** What the standard deviation within a lot of n lies about: c₄σ_w, below σ_w; empty where there is none. */
    public OptionalDouble scatterCentre(int n) {
        return within.isEmpty() || n < 2
                ? OptionalDouble.empty()
                : OptionalDouble.of(ChartConstants.c4(n) * within.getAsDouble());
    }

    /** Means as far from the centre as each is in the measure of its own n, told in that of σ̂: what a rule about zones reads. */
    double[] inOwnMeasure(ChartSignal.Lots lots) {
        double[] measured = new double[lots.count()];
        Arrays.setAll(measured, i -> inOwnMeasure(lots.means()[i], lots.sizes()[i]));
        return measured;
    }

    private double inOwnMeasure(double mean, int n) {
        double own = sigma(n);
        // Of lots like those of the baseline the figure itself, to the last digit: a mean on a limit stays on it.
        return own == sigma ? mean : centre + (mean - centre) * sigma / own;
    }
}
