package org.ysometron.app.product;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.material.Conditioning;
import org.ysometron.core.material.Drying;
import org.ysometron.core.publication.Family;

/** Products: what they are, how their material is kept, and where they stand in their life. */
@Component
public class Products {

    private final PageMemory memory;
    private final ProductRepository products;

    private final Revisions revisions;

    Products(PageMemory memory, ProductRepository products, Revisions revisions) {
        this.memory = memory;
        this.revisions = revisions;
        this.products = products;
    }

    /**
     * A product as other slices see it.
     *
     * @param caution what the site wants said beside its tests; may be empty
     * @param hygroscopic whether it takes up water so that its state must be on record before it is tested
     * @param filled whether there are fibres or hard fillers in it, which wear a nozzle
     * @param openHours hours in the open after which it must be dried again
     * @param boxHumidity largest relative humidity where it is kept, 0 to 1
     * @param conditioningHours hours a printed part takes to reach the standard atmosphere
     */
    public record ProductView(
            long id,
            String code,
            String name,
            String material,
            List<String> colours,
            String caution,
            Family family,
            Life life,
            String lifeReason,
            String equivalents,
            boolean hygroscopic,
            boolean filled,
            double openHours,
            double boxHumidity,
            double conditioningHours) {}

    /** What a new product is, checked for form already. */
    public record NewProduct(
            String code,
            String name,
            String material,
            String colours,
            String caution,
            Family family,
            boolean hygroscopic,
            boolean filled) {

        /** A product without fibres or hard fillers. */
        public NewProduct(
                String code,
                String name,
                String material,
                String colours,
                String caution,
                Family family,
                boolean hygroscopic) {
            this(code, name, material, colours, caution, family, hygroscopic, false);
        }
    }

    /** All products by name. */
    public List<ProductView> all() {
        return products.findAllByOrderByName().stream().map(Products::view).toList();
    }

    /** The product with this code. */
    public ProductView named(String code) {
        return find(code).orElseThrow(() -> new NotFound("product '" + code + "'"));
    }

    /** The product with this code or name, in any case; empty when there is none. */
    Optional<ProductView> find(String codeOrName) {
        return products.findByCode(codeOrName)
                .or(() -> products.findFirstByNameIgnoreCase(codeOrName.strip()))
                .map(Products::view);
    }

    /** The product with this key. */
    public ProductView product(long id) {
        ProductView found = all(List.of(id)).get(id);
        if (found == null) {
            throw new NotFound("product " + id);
        }
        return found;
    }

    /** Several products by their keys. */
    public Map<Long, ProductView> all(Collection<Long> ids) {
        return memory.each("product", ids, missing -> products.findAllById(missing).stream()
                .map(Products::view)
                .collect(Collectors.toMap(ProductView::id, Function.identity())));
    }

    /** Registers a product. */
    @Write
    public ProductView register(NewProduct form) {
        if (products.findByCode(form.code()).isPresent()) {
            throw new Refusal("code", "There is already a product '" + form.code() + "'.");
        }
        Product product = new Product();
        product.code = form.code();
        product.name = form.name();
        product.material = form.material();
        product.colours = form.colours();
        product.caution = form.caution();
        product.family = form.family();
        product.life = Life.ON_SALE;
        product.lifeReason = "";
        product.equivalents = "";
        product.hygroscopic = form.hygroscopic();
        product.filled = form.filled();
        product.openHours = Drying.OPEN_HOURS;
        product.boxHumidity = Drying.BOX_HUMIDITY;
        product.conditioningHours = Conditioning.USUAL_HOURS;
        return view(products.save(product));
    }

    /** Moves a product to another place in its life. */
    @Write
    public void move(long id, Life life, String reason, String equivalents) {
        Reasons.require("lifeReason", reason, "The reason", 300);
        Product product = products.findById(id).orElseThrow(() -> new NotFound("product " + id));
        revisions.raise(Revisions.product(id));
        product.life = life;
        product.lifeReason = reason.strip();
        product.equivalents = equivalents.strip();
    }

    private static ProductView view(Product product) {
        List<String> colours = Arrays.stream(product.colours.split(","))
                .map(String::strip)
                .filter(colour -> !colour.isEmpty())
                .toList();
        return new ProductView(
                product.id,
                product.code,
                product.name,
                product.material,
                colours,
                product.caution,
                product.family,
                product.life,
                product.lifeReason,
                product.equivalents,
                product.hygroscopic,
                product.filled,
                product.openHours,
                product.boxHumidity,
                product.conditioningHours);
    }
}
