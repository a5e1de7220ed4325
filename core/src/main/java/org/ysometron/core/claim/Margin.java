package org.ysometron.core.claim;

import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.working.Figures;

/**
 * How far a verdict is from being another: the distance from the bound that decides to the claim's edge, and what the same specimens would carry instead.
 *
 * @param distance of the bound from the edge in working units; above 0 inside the claim
 * @param edge the edge that it is nearest to being lost at
 * @param bound the bound that faces it, or the estimate where no guard band is kept
 * @param isLower whether that is the lower edge
 */
public record Margin(double distance, double edge, double bound, boolean isLower) {

    /** The least margin of a judgement; empty where it has no bounds towards an edge. */
    public static Optional<Margin> of(Requirement claim, Judgement judgement) {
        boolean asMeasured = claim.guard() == GuardBand.NONE && judgement.mean().isPresent();
        Optional<Margin> low = towards(claim.lower(), asMeasured ? judgement.mean() : judgement.lower(), true);
        Optional<Margin> high = towards(claim.upper(), asMeasured ? judgement.mean() : judgement.upper(), false);
        if (low.isPresent() && high.isPresent()) {
            return low.get().distance <= high.get().distance ? low : high;
        }
        return low.isPresent() ? low : high;
    }

    private static Optional<Margin> towards(OptionalDouble edge, OptionalDouble bound, boolean isLower) {
        if (edge.isEmpty() || bound.isEmpty()) {
            return Optional.empty();
        }
        double distance = bound.getAsDouble() - edge.getAsDouble();
        return Optional.of(
                new Margin(isLower ? distance : -distance, edge.getAsDouble(), bound.getAsDouble(), isLower));
    }

    /** The distance in words, with its share of the edge where that is not 0: "2.1 MPa inside the claim, 4.2 % of its edge". */
    public String words(int digits, String unit) {
        double size = Math.abs(distance);
        String share = edge == 0 ? "" : ", " + Figures.significant(100 * size / Math.abs(edge), 2) + " % of its edge";
        return Figures.withUnit(size, digits, unit)
                + (distance >= 0 ? " inside the claim" : " short of the claim")
                + share;
    }

    /** What the same specimens would carry: "at least 52.3 MPa". */
    public String carried(int digits, String unit) {
        return (isLower ? "at least " : "at most ") + Figures.withUnit(bound, digits, unit);
    }
}
