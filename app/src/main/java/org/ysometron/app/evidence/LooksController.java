package org.ysometron.app.evidence;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;

/** What was looked at: grades, towers and colours, of one lot and lot by lot; and what light or heat did. */
@Controller
class LooksController {

    private final Lots lots;
    private final Products products;
    private final Looks looks;
    private final DosePages doses;

    LooksController(Lots lots, Products products, Looks looks, DosePages doses) {
        this.doses = doses;
        this.lots = lots;
        this.products = products;
        this.looks = looks;
    }

    @GetMapping("/lots/{code}/looks")
    String ofLot(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("product", products.product(lot.productId()));
        model.addAttribute("looks", looks.of(lot));
        return "evidence/looks";
    }

    @GetMapping("/lots/{code}/doses")
    String byDose(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("product", products.product(lot.productId()));
        model.addAttribute("series", doses.of(lot));
        return "evidence/doses";
    }

    @GetMapping("/products/{code}/grades")
    String lotByLot(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("graded", looks.lotByLot(product));
        return "evidence/grades";
    }
}
