package org.ysometron.app.product;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.publication.Family;
import org.ysometron.core.quantity.Dimension;

@Controller
class ProductController {

    private static final String MAY_PUBLISH = "hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')";

    private final Products products;
    private final Publications publications;
    private final ProductFile file;
    private final Prices prices;
    private final ShelfLives shelves;
    private final Registration registration;

    ProductController(
            ShelfLives shelves,
            Products products,
            Publications publications,
            ProductFile file,
            Prices prices,
            Registration registration) {
        this.registration = registration;
        this.products = products;
        this.publications = publications;
        this.file = file;
        this.prices = prices;
        this.shelves = shelves;
    }

    /** A row of the list. */
    record Row(Products.ProductView product, Optional<Publications.PublicationView> datasheet, long unsettled) {}

    @GetMapping("/products")
    String list(Model model) {
        List<Row> rows = products.all().stream()
                .map(product -> new Row(
                        product,
                        publications.newestDatasheet(product.id()),
                        publications.conflicts(product.id(), null).stream()
                                .filter(conflict -> conflict.resolution() == null)
                                .count()))
                .toList();
        model.addAttribute("rows", rows);
        return "product/list";
    }

    @GetMapping("/products/new")
    @PreAuthorize("hasAuthority('ADMINISTRATION')")
    String blank(Model model) {
        return form(model, new ProductForm("", "", "", "", "", Family.FILAMENT, false, false, ""), new Problems());
    }

    @PostMapping("/products/new")
    @PreAuthorize("hasAuthority('ADMINISTRATION')")
    String register(ProductForm form, Authentication by, Model model, HttpServletResponse response) {
        Problems problems = new Problems();
        String code = problems.text("code", form.code(), "The code", 30, true);
        if (!code.matches("[A-Za-z0-9][A-Za-z0-9._-]*") || code.equals("new")) {
            problems.add("code", "A code has letters, digits, dots, dashes and underscores only.");
        }
        String name = problems.text("name", form.name(), "The name", 80, true);
        String material = problems.text("material", form.material(), "The material", 200, true);
        String colours = problems.text("colours", form.colours(), "The list of colours", 200, true);
        String caution = problems.text("caution", form.caution(), "The caution", 400, false);
        if (problems.none()) {
            try {
                Products.NewProduct product = new Products.NewProduct(
                        code,
                        name,
                        material,
                        colours,
                        caution,
                        form.family() == null ? Family.FILAMENT : form.family(),
                        Boolean.TRUE.equals(form.hygroscopic()),
                        Boolean.TRUE.equals(form.filled()));
                String from = form.from() == null ? "" : form.from().strip();
                return "redirect:/products/"
                        + registration.register(product, from, by.getName()).code();
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return form(model, form, problems);
    }

    /** A product as typed. */
    record ProductForm(
            @Nullable String code,
            @Nullable String name,
            @Nullable String material,
            @Nullable String colours,
            @Nullable String caution,
            @Nullable Family family,
            @Nullable Boolean hygroscopic,
            @Nullable Boolean filled,
            @Nullable String from) {}

    @GetMapping("/products/{code}")
    String page(@PathVariable String code, Model model) {
        return show(products.named(code), new Problems(), model);
    }

    @GetMapping("/products/{code}/wanting")
    String wanting(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("file", file.of(product));
        return "product/wanting";
    }

    @PostMapping("/products/{code}/life")
    @PreAuthorize(MAY_PUBLISH)
    String move(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable Life life,
            @RequestParam(defaultValue = "") String lifeReason,
            @RequestParam(defaultValue = "") String equivalents,
            HttpServletResponse response,
            Model model) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        problems.reason("lifeReason", lifeReason, "The reason", 300);
        problems.text("equivalents", equivalents, "The list of equivalents", 300, false);
        if (problems.none()) {
            products.move(product.id(), life == null ? product.life() : life, lifeReason, equivalents);
            return "redirect:/products/" + code + "#life";
        }
        response.setStatus(422);
        model.addAttribute("typedReason", lifeReason);
        model.addAttribute("typedEquivalents", equivalents);
        return show(product, problems, model);
    }

    @PostMapping("/products/{code}/shelf")
    @PreAuthorize(MAY_PUBLISH)
    String keep(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String keeps,
            @RequestParam(defaultValue = "") String shelfReason,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        OptionalDouble time =
                problems.entry("shelf", "How long it keeps", keeps).neededQuantity(Dimension.TIME);
        if (problems.none()) {
            try {
                shelves.say(
                        product.id(),
                        (int) Math.min(1_000_000L, Math.round(time.orElse(0) / 86_400)),
                        shelfReason,
                        by.getName());
                return "redirect:/products/" + code + "#life";
            } catch (Refusal refusal) {
                problems.add("shelf", refusal.words());
            }
        }
        response.setStatus(422);
        model.addAttribute("typedKeeps", keeps);
        model.addAttribute("typedShelfReason", shelfReason);
        return show(product, problems, model);
    }

    @PostMapping("/products/{code}/prices")
    @PreAuthorize(MAY_PUBLISH)
    String price(
            @PathVariable String code, Prices.Form form, Authentication by, HttpServletResponse response, Model model) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        prices.enter(product, form, by.getName(), problems);
        if (problems.none()) {
            return "redirect:/products/" + code + "#cost";
        }
        response.setStatus(422);
        model.addAttribute("priceForm", form);
        return show(product, problems, model);
    }

    @PostMapping("/products/{code}/conflicts")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String resolve(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long governs,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String correction,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        problems.reason("reason", reason, "The reason", 400);
        problems.text("correction", correction, "The correction", 400, false);
        if (governs == 0) {
            problems.add("governs", "Choose which publication governs.");
        }
        if (problems.none()) {
            try {
                publications.resolve(product.id(), null, governs, reason, correction, by.getName());
                return "redirect:/products/" + code + "#publications";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        model.addAttribute("governs", governs);
        model.addAttribute("typedConflictReason", reason);
        model.addAttribute("typedCorrection", correction);
        return show(product, problems, model);
    }

    private String show(Products.ProductView product, Problems problems, Model model) {
        model.addAttribute("product", product);
        model.addAttribute("file", file.of(product));
        model.addAttribute("lives", Life.values());
        model.addAttribute("shelves", shelves.of(product.id()));
        model.addAttribute("cost", prices.of(product));
        if (!model.containsAttribute("priceForm")) {
            model.addAttribute("priceForm", Prices.Form.BLANK);
        }
        model.addAttribute("problems", problems);
        return "product/product";
    }

    private String form(Model model, ProductForm form, Problems problems) {
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("families", Family.values());
        model.addAttribute("others", products.all());
        return "product/new";
    }
}
