package org.ysometron.app.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.app.product.Claim;

/** What a plan wants to know of the lots before; answered by a later room. */
public interface History {

    /**
     * How the lots of a claim's series scatter.
     *
     * @param within pooled standard deviation within lots
     * @param lots how many lots stand behind it
     * @param mean mean of the lot means
     * @param between standard deviation of a lot mean between lots; empty with too few lots
     */
    record Scatter(double within, int lots, double mean, OptionalDouble between) {}

    /** The scatter of the newest lots of the series that a claim speaks of, the one with most lots; empty when no lot has two specimens. */
    Optional<Scatter> scatter(long productId, Claim claim);
}
