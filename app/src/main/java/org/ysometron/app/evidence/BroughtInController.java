package org.ysometron.app.evidence;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;

/** Lots of before this application, brought in from a spreadsheet. */
@Controller
class BroughtInController {

    /** Megabytes of a file of past lots, which has twenty thousand rows at the most. */
    private static final int LARGEST_FILE = 8;

    private static final String JUDGES = "hasAuthority('JUDGEMENT')";

    private final Products products;
    private final BroughtIn broughtIn;

    BroughtInController(Products products, BroughtIn broughtIn) {
        this.products = products;
        this.broughtIn = broughtIn;
    }

    @GetMapping("/products/{code}/past-lots")
    @PreAuthorize(JUDGES)
    String form(@PathVariable String code, Model model) {
        model.addAttribute("product", products.named(code));
        model.addAttribute("columns", String.join(", ", BroughtIn.COLUMNS));
        return "evidence/brought-in";
    }

    @PostMapping("/products/{code}/past-lots")
    @PreAuthorize(JUDGES)
    String take(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String rows,
            @RequestParam(required = false) @Nullable MultipartFile file,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Products.ProductView product = products.named(code);
        try {
            String text = SentFile.text("file", file, rows, LARGEST_FILE);
            model.addAttribute("taken", broughtIn.take(product, text, by.getName()));
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("problem", refusal.words());
            model.addAttribute("typed", rows);
        }
        return form(code, model);
    }
}
