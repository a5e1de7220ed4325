package org.ysometron.app.plan;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.product.Products;

/** What a number of specimens can show, for every claim of a product. */
@Controller
class PlanController {

    private static final int MOST = 20;

    private final Products products;
    private final PlanPages pages;

    PlanController(Products products, PlanPages pages) {
        this.products = products;
        this.pages = pages;
    }

    @GetMapping("/products/{code}/plan")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "5") int n,
            @RequestParam(defaultValue = "5") double margin,
            Model model) {
        int specimens = Math.max(1, Math.min(MOST, n));
        double percent = Math.max(0, Math.min(PlanPages.MOST_PERCENT, margin));
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("n", specimens);
        model.addAttribute("margin", percent);
        model.addAttribute("claims", pages.claims(product, specimens, percent));
        return Boolean.TRUE.equals(model.getAttribute("fragment")) ? "plan/plan :: shows" : "plan/plan";
    }
}
