package org.ysometron.app.product;

import java.time.Clock;
import java.time.LocalDate;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;

/** Registers a product, on its own or with what another of the same family publishes and plans. */
@Component
class Registration {

    private final Products products;
    private final Publications publications;
    private final Clock clock;

    Registration(Products products, Publications publications, Clock clock) {
        this.products = products;
        this.publications = publications;
        this.clock = clock;
    }

    /**
     * Registers it.
     *
     * @param from code of the product to copy from; empty for none
     */
    @Write
    public Products.ProductView register(Products.NewProduct product, String from, String by) {
        Products.ProductView made = products.register(product);
        if (!from.isEmpty()) {
            Products.ProductView other = products.find(from)
                    .orElseThrow(() -> new Refusal("from", "There is no product '" + from + "' to copy from."));
            if (other.family() != made.family()) {
                throw new Refusal(
                        "from",
                        other.name() + " is a " + other.family().words() + ": what it publishes makes no sense for a "
                                + made.family().words() + ".");
            }
            publications.copy(other, made, LocalDate.now(clock), by);
        }
        return made;
    }
}
