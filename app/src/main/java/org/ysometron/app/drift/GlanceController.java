package org.ysometron.app.drift;

import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.OnePage;

/** All series at a glance. */
@Controller
class GlanceController {

    private final OnePage onePage;
    private final GlancePage page;
    private final Glances glances;
    private final Derivations derivations;
    private final Lots lots;
    private final Products products;
    private final ClaimsByLots claimsByLots;
    private final ShortRunPage shortRuns;

    GlanceController(
            OnePage onePage,
            GlancePage page,
            Glances glances,
            Derivations derivations,
            Lots lots,
            Products products,
            ClaimsByLots claimsByLots,
            ShortRunPage shortRuns) {
        this.shortRuns = shortRuns;
        this.products = products;
        this.claimsByLots = claimsByLots;
        this.onePage = onePage;
        this.page = page;
        this.glances = glances;
        this.derivations = derivations;
        this.lots = lots;
    }

    @GetMapping("/drift")
    String all(
            @RequestParam(defaultValue = "") String product,
            @RequestParam(defaultValue = "") String characteristic,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(name = "page", defaultValue = "0") int wantedPage,
            Model model) {
        refresh();
        model.addAttribute("due", glances.refresh());
        GlancePage.Wanted wanted = new GlancePage.Wanted(product, characteristic, state, wantedPage);
        model.addAttribute("wanted", wanted);
        model.addAttribute("view", onePage.read(() -> page.view(wanted)));
        return "drift/all";
    }

    /** Products of which there are few lots, by how others that are tested in the same way scatter. */
    @GetMapping("/drift/short-runs")
    String shortRuns(@RequestParam(defaultValue = "0") int of, Model model) {
        refresh();
        model.addAttribute("view", onePage.read(() -> shortRuns.view(of)));
        return "drift/short-runs";
    }

    /** Points as new as the readings of the lots on which a decision is due. */
    private void refresh() {
        derivations.refresh(lots.undecided().stream().map(LotView::productId).collect(Collectors.toSet()));
    }

    /** All claims of a product by its newest lots. */
    @GetMapping("/products/{code}/claims-by-lots")
    String claims(@PathVariable String code, Model model) {
        Products.ProductView product = products.named(code);
        derivations.refresh(Set.of(product.id()));
        glances.refresh();
        model.addAttribute("product", product);
        model.addAttribute("view", onePage.read(() -> claimsByLots.view(product)));
        return "drift/claims";
    }
}
