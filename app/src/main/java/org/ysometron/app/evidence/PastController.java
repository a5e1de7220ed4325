package org.ysometron.app.evidence;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.publication.Policy;
import org.ysometron.core.publication.PublishedValue;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** What the lots before would have said of a value before it is published. */
@Controller
class PastController {

    private final Products products;
    private final PastLots past;

    PastController(Products products, PastLots past) {
        this.products = products;
        this.past = past;
    }

    /** A row of the editor, as far as it is typed. */
    record Row(
            @Nullable String topic,
            @Nullable String form,
            @Nullable String published,
            @Nullable String orientation,
            @Nullable String specimens) {}

    @GetMapping("/products/{code}/past")
    String past(@PathVariable String code, Row row, Model model) {
        model.addAttribute("words", words(products.named(code), row));
        return "evidence/past";
    }

    private String words(Products.ProductView product, Row row) {
        try {
            Topic topic = Topic.meant(String.valueOf(row.topic())).orElseThrow(IllegalArgumentException::new);
            Form form = Form.valueOf(String.valueOf(row.form()));
            if (!topic.needsTerms() || topic.dimension().isEmpty()) {
                return "Only what is tested on specimens has past lots to ask.";
            }
            PublishedValue.Read read = PublishedValue.read(
                    topic.title(),
                    String.valueOf(row.published()),
                    topic.dimension().get());
            if (read instanceof PublishedValue.Read.Accepted accepted) {
                read = accepted.value().in(form, topic.title(), String.valueOf(row.published()));
            }
            if (read instanceof PublishedValue.Read.Refused refused) {
                return refused.problem().text();
            }
            PublishedValue value = ((PublishedValue.Read.Accepted) read).value();
            Orientation orientation =
                    row.orientation() == null || row.orientation().isBlank()
                            ? Orientation.ZX
                            : Orientation.valueOf(row.orientation());
            int n = new Problems().entry("specimens", "n", row.specimens()).whole(0, 999, 0);
            Statement statement = new Statement(
                    0,
                    topic,
                    form,
                    String.valueOf(row.published()),
                    value.value(),
                    value.low(),
                    value.high(),
                    "",
                    "",
                    Terms.NONE,
                    n);
            Optional<List<String>> said = statement
                    .requirement(Policy.USUAL)
                    .map(requirement ->
                            past.of(product.id(), topic.property().orElseThrow(), orientation, requirement));
            return said.map(lines -> lines.isEmpty() ? "No past lot has results on this." : String.join(" ", lines))
                    .orElse("This form promises nothing that lots could be asked about.");
        } catch (IllegalArgumentException unknown) {
            return "Choose first what the row is about and how it is promised.";
        }
    }
}
