package org.ysometron.app.make;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.core.plan.Order;

/** The order in which a lot's specimens are tested: by chance, from a number that is kept. */
@Component
public class Orders {

    private static final int NUMBERS = 1_000_000;

    private final TestOrderRepository orders;
    private final Lots lots;
    private final Clock clock;
    private final SecureRandom chance = new SecureRandom();

    Orders(TestOrderRepository orders, Lots lots, Clock clock) {
        this.orders = orders;
        this.lots = lots;
        this.clock = clock;
    }

    /** Gives a lot its order; one that it has stays. */
    @Write
    public void give(LotView lot, String by) {
        lots.lockUndecided(lot.id());
        if (!orders.existsById(lot.id())) {
            TestOrder order = new TestOrder();
            order.lotId = lot.id();
            order.seed = chance.nextInt(NUMBERS);
            order.givenBy = by;
            order.givenAt = clock.instant();
            orders.save(order);
        }
    }

    /** The number that a lot's order follows from; empty when it has none. */
    public Optional<Long> number(long lotId) {
        return orders.findById(lotId).map(order -> order.seed);
    }

    /** Turn of each specimen of a lot, from 1; empty when the lot has no order. */
    public Map<Long, Integer> turns(long lotId, List<SpecimenView> specimens) {
        Map<Long, Integer> turns = new HashMap<>();
        number(lotId).ifPresent(seed -> {
            List<Long> ranked =
                    Order.ranked(specimens.stream().map(SpecimenView::id).toList(), seed);
            for (int i = 0; i < ranked.size(); i++) {
                turns.put(ranked.get(i), i + 1);
            }
        });
        return turns;
    }
}
