package org.ysometron.app.bench;

import java.util.List;
import java.util.Optional;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;

/** What the bench wants to know of the lots before; answered by a later room. */
public interface EarlierLots {

    /**
     * A characteristic of earlier lots under the same conditions.
     *
     * @param means lot means, newest first
     */
    record Earlier(List<Double> means) {

        /** Mean of the lot means. */
        public double mean() {
            return means.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        }

        /** The smallest lot mean. */
        public double least() {
            return means.stream().mapToDouble(Double::doubleValue).min().orElseThrow();
        }

        /** The greatest lot mean. */
        public double greatest() {
            return means.stream().mapToDouble(Double::doubleValue).max().orElseThrow();
        }
    }

    /** What the lots made before this one gave; empty when there is none. */
    Optional<Earlier> of(LotView lot, Characteristic characteristic, Conditions conditions);
}
