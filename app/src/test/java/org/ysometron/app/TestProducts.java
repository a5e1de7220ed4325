package org.ysometron.app;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** Products for tests, each with a datasheet of its own. */
@Component
public class TestProducts {

    private static final OptionalDouble NONE = OptionalDouble.empty();
    private static final int LEAST = 5;

    private final Products products;
    private final Publications publications;
    private final Lots lots;

    TestProducts(Products products, Publications publications, Lots lots) {
        this.products = products;
        this.publications = publications;
        this.lots = lots;
    }

    /** That a lot has at least so much, of five specimens at the least. */
    public static Statement atLeast(Topic topic, double edge, Conditions terms) {
        return claim(topic, Form.AT_LEAST, NONE, OptionalDouble.of(edge), NONE, "", terms);
    }

    /** A claim in any form. */
    public static Statement claim(
            Topic topic,
            Form form,
            OptionalDouble value,
            OptionalDouble low,
            OptionalDouble high,
            String qualifier,
            Conditions terms) {
        return new Statement(0, topic, form, "as typed", value, low, high, "", qualifier, Terms.of(terms), LEAST);
    }

    /** A filament whose datasheet, three weeks old, says this. */
    public Products.ProductView saying(Publications.Draft... drafts) {
        String code = "p-" + UUID.randomUUID().toString().substring(0, 8);
        Products.ProductView product = products.register(
                new Products.NewProduct(code, code, "PBT filament", "natural", "", Family.FILAMENT, false));
        publications.publish(
                product.id(),
                Publication.Kind.DATASHEET,
                LocalDate.now().minusDays(20),
                "",
                Publications.Attachment.NONE,
                List.of(drafts),
                "quality");
        return product;
    }

    /** The same of claims that name no other product. */
    public Products.ProductView claiming(Statement... statements) {
        return saying(java.util.Arrays.stream(statements)
                .map(statement -> new Publications.Draft(statement, null))
                .toArray(Publications.Draft[]::new));
    }

    /** The first lot of it, of which nothing is known yet. */
    public LotView lot(Products.ProductView product) {
        return lots.enter(
                new Lots.NewLot(
                        product.code() + "-1",
                        product.code(),
                        "natural",
                        LocalDate.now().minusDays(9),
                        "",
                        ""),
                "bench");
    }
}
