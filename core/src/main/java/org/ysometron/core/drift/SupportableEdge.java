package org.ysometron.core.drift;

import java.util.Optional;
import java.util.stream.IntStream;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * The edge that a claim about a mean could carry instead: one that at least 95 % of lots like these would support by their own specimens, at 95 %
 * confidence. A lot supports an edge that its one-sided 95 % bound of the mean does not pass, x̄ ∓ t·s/√n; the edge is the one-sided tolerance bound
 * of these bounds, so that both the scatter from lot to lot and the few specimens of each lot are in it.
 *
 * <p>Source: ISO 16269-6 for the factor. It supposes lots to come, tested with as many specimens, and their bounds normal.
 *
 * @param edge least (or most) value that could be claimed
 * @param lots whose bounds were used
 * @param working the steps
 */
public record SupportableEdge(double edge, int lots, Working working) {

    /** Fewest lots; below these the factor makes any edge meaningless (common practice, no source). */
    public static final int FEWEST = 10;

    private static final double SHARE = 0.95;

    /** Which edge is asked for. */
    public enum Edge {
        LEAST,
        MOST
    }

    /**
     * The edge that these lots could carry.
     *
     * @return empty where fewer than {@value #FEWEST} lots have a scatter of their own, n of at least 2
     */
    public static Optional<SupportableEdge> of(ChartSignal.Lots lots, Edge edge) {
        double sign = edge == Edge.LEAST ? -1 : 1;
        double[] bounds = IntStream.range(0, lots.count())
                .filter(i -> lots.sizes()[i] > 1 && lots.deviations()[i] >= 0)
                .mapToDouble(i -> lots.means()[i]
                        + sign
                                * StudentT.quantile(SHARE, lots.sizes()[i] - 1.0)
                                * lots.deviations()[i]
                                / Math.sqrt(lots.sizes()[i]))
                .toArray();
        if (bounds.length < FEWEST) {
            return Optional.empty();
        }
        Summary summary = Summary.of(bounds);
        double sd = summary.sd().orElseThrow();
        double factor = ToleranceFactor.oneSided(bounds.length, SHARE, SHARE);
        double found = summary.mean() + sign * factor * sd;
        if (!Double.isFinite(found)) {
            throw new IllegalArgumentException("the means or their scatter are too large to be squared");
        }
        String source = "ISO 16269-6";
        return Optional.of(new SupportableEdge(
                found,
                bounds.length,
                Working.of(
                        Step.of("lots with a bound of their own", "k", "x̄ ∓ t·s/√n", bounds.length),
                        Step.of("mean of the bounds", "m", "", summary.mean()),
                        Step.of("scatter of the bounds", "s_b", "", sd),
                        Step.of("tolerance factor, 95 % of lots at 95 %", "K", "", factor, source),
                        Step.of("edge", "", edge == Edge.LEAST ? "m − K·s_b" : "m + K·s_b", found, source))));
    }
}
