package org.ysometron.app.plan;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;

/**
 * Reference lots: a retained lot of a product whose specimens are made and tested beside every nth lot, so that a weak
 * material can be told from a cold print or a drifting tester. Its stock is counted down.
 */
@Component
public class References {

    private final ReferenceRepository references;
    private final Lots lots;
    private final Clock clock;

    References(ReferenceRepository references, Lots lots, Clock clock) {
        this.references = references;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * A product's reference lot.
     *
     * @param everyNth tested beside every so many lots
     * @param stock specimens that can still be made of it
     */
    public record ReferenceView(LotView lot, int everyNth, int stock, int warnBelow) {

        /** Whether a new one is to be put aside soon. */
        public boolean runsOut() {
            return stock < warnBelow;
        }
    }

    /** The product's reference lot; empty when it has none. */
    public Optional<ReferenceView> of(long productId) {
        return references
                .findByProductId(productId)
                .map(row -> new ReferenceView(lots.lot(row.lotId), row.everyNth, row.stock, row.warnBelow));
    }

    /** Whether reference specimens are due in the run of this lot. */
    public boolean isDue(LotView lot) {
        return lot.state() != LotState.RETAINED
                && of(lot.productId())
                        .filter(reference -> lots.ordinal(lot) % reference.everyNth() == 0)
                        .isPresent();
    }

    /** Retains a lot as its product's reference; the one before it, if any, is no longer tested beside others. */
    @Write
    public void retain(LotView lot, int everyNth, int stock, int warnBelow, String by) {
        LotView locked = lots.lockUndecided(lot.id());
        if (everyNth < 1 || everyNth > 1000 || stock < 1 || stock > 100_000 || warnBelow < 0 || warnBelow > stock) {
            throw new Refusal(
                    "stock",
                    "Test it beside every 1st to 1000th lot, with a stock of 1 to 100,000 specimens and a warning below"
                            + " that.");
        }
        Reference row = references.findByProductId(locked.productId()).orElseGet(Reference::new);
        row.productId = locked.productId();
        row.lotId = locked.id();
        row.everyNth = everyNth;
        row.stock = stock;
        row.warnBelow = warnBelow;
        row.chosenBy = by;
        row.chosenAt = clock.instant();
        references.save(row);
        lots.move(locked.id(), LotState.RETAINED);
    }

    /** Takes specimens from the stock. */
    @Write
    public void take(long productId, int count) {
        Reference row =
                references.lock(productId).orElseThrow(() -> new NotFound("a reference lot of product " + productId));
        if (count > row.stock) {
            throw new Refusal(
                    "reference",
                    "The reference lot has material for " + row.stock + " specimens, not for " + count
                            + ": retain a new one first.");
        }
        row.stock -= count;
    }
}
