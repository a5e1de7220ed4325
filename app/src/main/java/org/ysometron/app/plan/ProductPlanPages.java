package org.ysometron.app.plan;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.plan.Budget;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.working.Figures;

/** Shapes plans for their pages: lines with what they serve, what they take and what stands against them. */
@Component
class ProductPlanPages {

    private final Publications publications;
    private final SiteMethods methods;
    private final Needs needs;
    private final Loads loads;

    ProductPlanPages(Publications publications, SiteMethods methods, Needs needs, Loads loads) {
        this.publications = publications;
        this.methods = methods;
        this.needs = needs;
        this.loads = loads;
    }

    /**
     * A line as a page shows it.
     *
     * @param serves titles of the claims that it is evidence for
     * @param pinned method, revision and pinned parameters
     * @param accordance the standard, and every deviation from it
     */
    record LineView(
            String label,
            String terms,
            int n,
            List<String> serves,
            Loads.LoadView load,
            String material,
            String pinned,
            String accordance,
            boolean leftOut,
            String deviation) {}

    /**
     * The whole plan.
     *
     * @param unserved claims that no line is evidence for
     */
    record PlanView(List<LineView> lines, List<String> unserved, String total, List<String> assumed) {}

    PlanView view(Products.ProductView product, List<Plans.Line> lines, List<Claim> claims) {
        Needs.Ground ground = needs.of(product);
        List<LineView> views =
                lines.stream().map(line -> line(product, line, claims, ground)).toList();
        List<String> unserved = claims.stream()
                .filter(claim -> claim.property().isMechanical())
                .filter(claim -> lines.stream().noneMatch(line -> line.serves(claim)))
                .map(Claim::title)
                .distinct()
                .toList();
        Budget total = ground.budget(lines.stream()
                .filter(line -> !line.leftOut())
                .map(Plans.Line::test)
                .toList());
        return new PlanView(views, unserved, words(total), ground.assumed());
    }

    /** The claims of the newest datasheet. */
    List<Claim> claims(Products.ProductView product) {
        Optional<Publications.PublicationView> sheet = publications.newestDatasheet(product.id());
        return sheet.map(view -> publications.claims(view.id())).orElse(List.of());
    }

    private LineView line(Products.ProductView product, Plans.Line line, List<Claim> claims, Needs.Ground ground) {
        PlannedTest test = line.test();
        return new LineView(
                test.label(),
                test.conditions().words(),
                line.leftOut() ? 0 : test.n(),
                claims.stream()
                        .filter(line::serves)
                        .map(Claim::title)
                        .distinct()
                        .toList(),
                line.leftOut() ? new Loads.LoadView("", List.of()) : loads.of(product.id(), line, claims),
                line.leftOut() ? "" : words(ground.budget(List.of(test))),
                methods.of(test.method()).pinned(),
                test.method().data().accordance(),
                line.leftOut(),
                line.deviation());
    }

    /** A budget in words. */
    static String words(Budget budget) {
        String material = budget.metres() > 0
                ? Figures.decimals(budget.metres(), 1) + " m (" + Figures.decimals(budget.grams(), 0) + " g)"
                : Figures.decimals(budget.millilitres(), 0) + " ml (" + Figures.decimals(budget.grams(), 0) + " g)";
        return material + ", " + Figures.decimals(budget.printMinutes() / 60.0, 1) + " h of printing";
    }
}
