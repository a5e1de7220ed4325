package org.ysometron.app.product;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;

/** Products, the revisions of their datasheets and the claims in them. */
@Component
public class Products {

    private final ProductRepository products;
    private final DatasheetRepository datasheets;
    private final PublishedClaimRepository claims;

    Products(ProductRepository products, DatasheetRepository datasheets, PublishedClaimRepository claims) {
        this.products = products;
        this.datasheets = datasheets;
        this.claims = claims;
    }

    /**
     * A product as other slices see it.
     *
     * @param caution what the site wants said beside its tests; may be empty
     */
    public record ProductView(
            long id, String code, String name, String material, List<String> colours, String caution) {}

    /** A revision of a datasheet. */
    public record DatasheetView(long id, int revision, LocalDate validFrom) {}

    /** All products by name. */
    public List<ProductView> all() {
        return products.findAllByOrderByName().stream().map(Products::view).toList();
    }

    /** The product with this code. */
    public ProductView named(String code) {
        return products.findByCode(code).map(Products::view).orElseThrow(() -> new NotFound("product '" + code + "'"));
    }

    /** The product with this key. */
    public ProductView product(long id) {
        return products.findById(id).map(Products::view).orElseThrow(() -> new NotFound("product " + id));
    }

    /** The newest datasheet of a product; empty when it has published none. */
    public Optional<DatasheetView> newestDatasheet(long productId) {
        return datasheets.findFirstByProductIdOrderByRevisionDesc(productId).map(Products::view);
    }

    /** One revision by its key. */
    public DatasheetView datasheet(long id) {
        return datasheets.findById(id).map(Products::view).orElseThrow(() -> new NotFound("datasheet " + id));
    }

    /** The claims of a revision, in their order. */
    public List<Claim> claims(long datasheetId) {
        return claims.findByDatasheetIdOrderByPlace(datasheetId).stream()
                .map(PublishedClaim::resolve)
                .toList();
    }

    /** Registers a product. */
    @Transactional
    public ProductView register(String code, String name, String material, String colours, String caution) {
        if (products.findByCode(code).isPresent()) {
            throw new Refusal("code", "There is already a product '" + code + "'.");
        }
        Product product = new Product();
        product.code = code;
        product.name = name;
        product.material = material;
        product.colours = colours;
        product.caution = caution;
        return view(products.save(product));
    }

    /** Publishes the next revision of a product's datasheet. Earlier revisions stay with the lots made under them. */
    @Transactional
    public DatasheetView publish(long productId, LocalDate validFrom, List<Claim.Draft> drafts) {
        if (drafts.isEmpty()) {
            throw new Refusal("A datasheet revision needs at least one claim.");
        }
        Datasheet datasheet = new Datasheet();
        datasheet.productId = productId;
        datasheet.revision =
                newestDatasheet(productId).map(DatasheetView::revision).orElse(0) + 1;
        datasheet.validFrom = validFrom;
        long id = datasheets.save(datasheet).id;
        int place = 1;
        for (Claim.Draft draft : drafts) {
            claims.save(new PublishedClaim(id, place++, draft));
        }
        return view(datasheet);
    }

    private static ProductView view(Product product) {
        List<String> colours = Arrays.stream(product.colours.split(","))
                .map(String::strip)
                .filter(colour -> !colour.isEmpty())
                .toList();
        return new ProductView(product.id, product.code, product.name, product.material, colours, product.caution);
    }

    private static DatasheetView view(Datasheet datasheet) {
        return new DatasheetView(datasheet.id, datasheet.revision, datasheet.validFrom);
    }
}
