package org.ysometron.app.product;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditioning;

@Controller
class ProductController {

    private final Products products;
    private final Clock clock;

    ProductController(Products products, Clock clock) {
        this.products = products;
        this.clock = clock;
    }

    /** A row of the list. */
    record Row(Products.ProductView product, Optional<Products.DatasheetView> datasheet) {}

    @GetMapping("/products")
    String list(Model model) {
        List<Row> rows = products.all().stream()
                .map(product -> new Row(product, products.newestDatasheet(product.id())))
                .toList();
        model.addAttribute("rows", rows);
        return "product/list";
    }

    @GetMapping("/products/new")
    @PreAuthorize("hasAuthority('ADMINISTRATION')")
    String blank(Model model) {
        return form(model, new ProductForm("", "", "", "", ""), new Problems());
    }

    @PostMapping("/products/new")
    @PreAuthorize("hasAuthority('ADMINISTRATION')")
    String register(ProductForm form, Model model, HttpServletResponse response) {
        Problems problems = new Problems();
        String code = problems.text("code", form.code(), "The code", 30, true);
        if (!code.matches("[A-Za-z0-9][A-Za-z0-9._-]*")) {
            problems.add("code", "A code has letters, digits, dots, dashes and underscores only.");
        }
        String name = problems.text("name", form.name(), "The name", 80, true);
        String material = problems.text("material", form.material(), "The material", 200, true);
        String colours = problems.text("colours", form.colours(), "The list of colours", 200, true);
        String caution = problems.text("caution", form.caution(), "The caution", 400, false);
        if (problems.none()) {
            try {
                return "redirect:/products/"
                        + products.register(code, name, material, colours, caution)
                                .code();
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
            @Nullable String caution) {}

    @GetMapping("/products/{code}")
    String page(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        Optional<Products.DatasheetView> datasheet = products.newestDatasheet(product.id());
        model.addAttribute("product", product);
        model.addAttribute("datasheet", datasheet.orElse(null));
        model.addAttribute("claims", datasheet.map(d -> products.claims(d.id())).orElse(List.of()));
        return "product/product";
    }

    @GetMapping("/products/{code}/datasheet")
    @PreAuthorize("hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')")
    String datasheet(@PathVariable String code, Model model) {
        return datasheetForm(products.named(code), DatasheetForm.blank(), new Problems(), model);
    }

    @PostMapping("/products/{code}/datasheet")
    @PreAuthorize("hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')")
    String publish(
            @PathVariable String code,
            DatasheetForm form,
            @RequestParam(required = false) @Nullable LocalDate validFrom,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        List<Claim.Draft> drafts = form.drafts(problems);
        if (problems.none()) {
            LocalDate from = validFrom == null ? LocalDate.now(clock) : validFrom;
            products.publish(product.id(), from, drafts);
            return "redirect:/products/" + code;
        }
        response.setStatus(422);
        return datasheetForm(product, form, problems, model);
    }

    private static String form(Model model, ProductForm form, Problems problems) {
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        return "product/new";
    }

    private static String datasheetForm(
            Products.ProductView product, DatasheetForm form, Problems problems, Model model) {
        model.addAttribute("product", product);
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("states", Conditioning.values());
        return "product/datasheet";
    }
}
