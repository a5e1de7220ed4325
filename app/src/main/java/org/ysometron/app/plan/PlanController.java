package org.ysometron.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;

/** A product's test plan, and what a number of specimens can show of each of its claims. */
@Controller
class PlanController {

    private static final int USUAL_PERCENT = 5;
    private static final int MOST = 20;
    private static final int BLANK_ROWS = 2;

    private final OnePage page;
    private final Products products;
    private final Plans plans;
    private final PlanPages pages;
    private final ProductPlanPages planPages;
    private final Treatments treatments;

    PlanController(
            OnePage page,
            Products products,
            Plans plans,
            PlanPages pages,
            ProductPlanPages planPages,
            Treatments treatments) {
        this.treatments = treatments;
        this.page = page;
        this.products = products;
        this.plans = plans;
        this.pages = pages;
        this.planPages = planPages;
    }

    @GetMapping("/products/{code}/plan")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "5") int n,
            @RequestParam(defaultValue = "" + USUAL_PERCENT) double margin,
            @RequestParam(defaultValue = "false") boolean draft,
            Model model) {
        Products.ProductView product = products.named(code);
        shows(product, n, margin, model);
        if (Boolean.TRUE.equals(model.getAttribute("fragment"))) {
            return "plan/plan :: shows";
        }
        Optional<Plans.ProductPlan> newest = plans.newest(product.id());
        List<Plans.Line> lines =
                new ArrayList<>(newest.map(Plans.ProductPlan::lines).orElse(List.of()));
        // Nobody starts from nothing: what the datasheet claims is what is to be tested.
        boolean drafted = draft || newest.isEmpty();
        List<Plans.Line> proposed = drafted ? PlanDraft.of(lines, planPages.claims(product)) : List.of();
        lines.addAll(proposed);
        model.addAttribute("proposed", proposed.size());
        return show(product, LineForm.rows(lines, BLANK_ROWS), "", new Problems(), model);
    }

    @PostMapping("/products/{code}/plan")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String revise(
            @PathVariable String code,
            @RequestParam MultiValueMap<String, String> sent,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        List<LineForm.Row> rows = LineForm.rows(sent);
        if (sent.containsKey("more")) {
            shows(product, 5, USUAL_PERCENT, model);
            model.addAttribute("more", true);
            return show(product, LineForm.longer(rows), reason, problems, model);
        }
        List<Plans.Line> lines = LineForm.read(rows, problems);
        if (problems.none()) {
            try {
                plans.revise(product.id(), lines, reason, by.getName());
                return "redirect:/products/" + code + "/plan";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        shows(product, 5, USUAL_PERCENT, model);
        return show(product, rows, reason, problems, model);
    }

    private void shows(Products.ProductView product, int n, double margin, Model model) {
        int specimens = Math.max(1, Math.min(MOST, n));
        double percent =
                Double.isFinite(margin) ? Math.max(0, Math.min(PlanPages.MOST_PERCENT, margin)) : USUAL_PERCENT;
        model.addAttribute("product", product);
        model.addAttribute("n", specimens);
        model.addAttribute("margin", percent);
        model.addAttribute("claims", pages.claims(product, specimens, percent));
    }

    private String show(
            Products.ProductView product, List<LineForm.Row> rows, String reason, Problems problems, Model model) {
        return page.read(() -> read(product, rows, reason, problems, model));
    }

    private String read(
            Products.ProductView product, List<LineForm.Row> rows, String reason, Problems problems, Model model) {
        Optional<Plans.ProductPlan> newest = plans.newest(product.id());
        model.addAttribute("plan", newest.orElse(null));
        model.addAttribute("history", plans.history(product.id()));
        model.addAttribute(
                "view",
                planPages.view(
                        product, newest.map(Plans.ProductPlan::lines).orElse(List.of()), planPages.claims(product)));
        editor(treatments.of(product.id()), rows, problems, model);
        model.addAttribute("reason", reason);
        return "plan/plan";
    }

    /** What the editor of lines needs. */
    static void editor(
            List<Treatments.TreatmentView> programmes, List<LineForm.Row> rows, Problems problems, Model model) {
        model.addAttribute("programmes", programmes);
        model.addAttribute("rows", rows);
        model.addAttribute("problems", problems);
        model.addAttribute("methods", Methods.all());
        model.addAttribute("designs", Designs.offered());
        model.addAttribute("orientations", Orientation.ofSpecimens());
        model.addAttribute("notches", PlannedTest.Notch.values());
        model.addAttribute("bases", List.of(Basis.SOLID, Basis.AS_PRINTED));
        model.addAttribute("states", Conditioning.ofSpecimens());
    }
}
