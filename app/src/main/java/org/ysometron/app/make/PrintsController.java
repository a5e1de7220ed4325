package org.ysometron.app.make;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.ysometron.app.product.Products;

/** Shares of good prints. */
@Controller
class PrintsController {

    private final Products products;
    private final Prints prints;

    PrintsController(Products products, Prints prints) {
        this.products = products;
        this.prints = prints;
    }

    @GetMapping("/products/{code}/prints")
    String page(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("shares", prints.ofProduct(product.id()));
        return "make/prints";
    }
}
