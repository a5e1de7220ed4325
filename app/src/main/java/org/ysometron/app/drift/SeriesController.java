package org.ysometron.app.drift;

import jakarta.servlet.http.HttpServletResponse;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Problems;

/** What is asked of a series beside its chart: what rules would catch of it and cry, and how far its lots lie apart. */
@Controller
class SeriesController {

    private final TrialPage page;
    private final DifferencePage differences;
    private final CountsPage counts;
    private final AllAtOncePage atOnce;
    private final SeriesPoints series;
    private final Products products;

    SeriesController(
            TrialPage page,
            DifferencePage differences,
            CountsPage counts,
            AllAtOncePage atOnce,
            SeriesPoints series,
            Products products) {
        this.page = page;
        this.differences = differences;
        this.counts = counts;
        this.atOnce = atOnce;
        this.series = series;
        this.products = products;
    }

    /** How tests and prints of a product end, lot by lot. */
    @GetMapping("/products/{code}/counts")
    String counts(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("view", counts.view(product.id()));
        return "drift/counts";
    }

    /** Several characteristics of a product's lots at once. */
    @GetMapping("/products/{code}/together")
    String together(@PathVariable String code, @RequestParam(defaultValue = "0") int of, Model model) {
        Products.ProductView product = products.named(code);
        model.addAttribute("product", product);
        model.addAttribute("view", atOnce.view(product.id(), of));
        return "drift/all-at-once";
    }

    @GetMapping("/series/{id}/trial")
    String trial(@PathVariable long id, TrialPage.Asked asked, HttpServletResponse response, Model model) {
        SeriesView found = series.series(id);
        Problems problems = new Problems();
        model.addAttribute("product", products.product(found.productId()));
        model.addAttribute("series", found);
        model.addAttribute("kinds", TrialPage.Kind.values());
        model.addAttribute("view", page.view(found, asked, problems));
        model.addAttribute("problems", problems);
        if (!problems.none()) {
            response.setStatus(422);
        }
        return "drift/trial";
    }

    /** Lots of a series set against one another. */
    @GetMapping("/series/{id}/differences")
    String differences(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable String lots,
            HttpServletResponse response,
            Model model) {
        SeriesView found = series.series(id);
        Problems problems = new Problems();
        model.addAttribute("product", products.product(found.productId()));
        model.addAttribute("series", found);
        model.addAttribute("view", differences.view(found, lots, problems));
        model.addAttribute("problems", problems);
        // What nobody has typed yet is no mistake of theirs.
        if (!problems.none() && lots != null) {
            response.setStatus(422);
        }
        return "drift/differences";
    }
}
