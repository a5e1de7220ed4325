package org.ysometron.app.evidence;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.plan.Bridging;
import org.ysometron.core.working.Figures;

/** Bridging studies of a product: old and new way by the same lots. */
@Controller
class BridgingController {

    private static final double LEFT = 60;
    private static final double RIGHT = 520;

    private final Products products;
    private final Bridges bridges;

    BridgingController(Products products, Bridges bridges) {
        this.products = products;
        this.bridges = bridges;
    }

    /** A pair drawn: one line a lot, from the old way's value to the new way's. */
    record Row(String lot, String old, String fresh, String difference, double from, double to, double y) {}

    /** A study as the page shows it. */
    record StudyView(
            long oldId,
            long freshId,
            String title,
            String terms,
            String oldWay,
            String newWay,
            String differs,
            String unit,
            List<Row> rows,
            List<Scale.Tick> ticks,
            double height,
            @Nullable String wanting,
            @Nullable String finding,
            boolean offersOffset,
            @Nullable String decided,
            String margin,
            @Nullable String problem,
            String reason) {}

    @GetMapping("/products/{code}/bridging")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long series,
            @RequestParam(defaultValue = "0") long old,
            @RequestParam(defaultValue = "") String margin,
            Model model) {
        return show(products.named(code), new Asked(old, series, margin, "", null), model);
    }

    @PostMapping("/products/{code}/bridging")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String decide(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long series,
            @RequestParam(defaultValue = "0") long old,
            @RequestParam(defaultValue = "") String margin,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "false") boolean takeOff,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        try {
            bridges.decide(
                    product.id(), old, series, new Bridges.Decided(number(margin), takeOff, reason), by.getName());
            return "redirect:/products/" + code + "/bridging";
        } catch (Refusal refusal) {
            response.setStatus(422);
            return show(product, new Asked(old, series, margin, reason, refusal.words()), model);
        }
    }

    /** What was asked of one study, and why it was refused. */
    private record Asked(
            long old,
            long fresh,
            String margin,
            String reason,
            @Nullable String problem) {

        boolean of(Bridges.Study study) {
            return study.old().id() == old && study.fresh().id() == fresh;
        }
    }

    private String show(Products.ProductView product, Asked asked, Model model) {
        List<StudyView> views = new ArrayList<>();
        for (Bridges.Study study : bridges.of(product.id())) {
            views.add(
                    asked.of(study)
                            ? view(study, asked.margin(), asked.reason(), asked.problem())
                            : view(study, "", "", null));
        }
        model.addAttribute("product", product);
        model.addAttribute("studies", views);
        return "evidence/bridging";
    }

    private static StudyView view(Bridges.Study study, String margin, String reason, @Nullable String problem) {
        String unit = study.fresh().property().unit();
        int digits = study.fresh().property().digits();
        List<Double> all = new ArrayList<>();
        study.pairs().forEach(pair -> all.addAll(List.of(pair.old(), pair.fresh())));
        Scale x = Scale.holding(all, LEFT, RIGHT);
        List<Row> rows = new ArrayList<>();
        for (Bridges.Pair pair : study.pairs()) {
            rows.add(new Row(
                    pair.lot(),
                    Figures.significant(pair.old(), digits),
                    Figures.significant(pair.fresh(), digits),
                    Figures.significant(pair.fresh() - pair.old(), 2),
                    x.at(pair.old()),
                    x.at(pair.fresh()),
                    16 + 18.0 * rows.size()));
        }
        String finding = null;
        boolean offersOffset = false;
        String wanting = null;
        String refused = problem;
        if (study.decided() == null) {
            if (study.pairs().size() < Bridging.LEAST_LOTS) {
                wanting = study.pairs().size() + " of at least " + Bridging.LEAST_LOTS
                        + " lots were tested both ways: until then the two stay apart.";
            } else if (!margin.isBlank()) {
                try {
                    Bridging found = Bridges.compare(study, number(margin));
                    finding = found.sentence(unit);
                    offersOffset = found.finding() == Bridging.Finding.SHARE && found.isDifferent();
                } catch (Refusal refusal) {
                    refused = refusal.words();
                }
            }
        }
        return new StudyView(
                study.old().id(),
                study.fresh().id(),
                study.fresh().property().title() + ", "
                        + study.fresh().conditions().orientation().words() + ", "
                        + study.fresh().colour(),
                study.fresh().conditions().words(),
                named(study, study.old()),
                named(study, study.fresh()),
                differs(study.old().setup().differences(study.fresh().setup())),
                unit,
                rows,
                all.isEmpty() ? List.of() : x.ticks(5),
                30 + 18.0 * rows.size(),
                wanting,
                finding,
                offersOffset,
                study.decided() == null ? null : decided(study.decided(), unit),
                margin,
                refused,
                reason);
    }

    private static String decided(Bridge bridge, String unit) {
        return "By " + bridge.lots + " lots new minus old is " + Figures.significant(bridge.difference, 3) + " " + unit
                + ", 90 % " + Figures.significant(bridge.lowerEnd, 3) + " to "
                + Figures.significant(bridge.upperEnd, 3) + ", margin " + Figures.significant(bridge.margin, 3)
                + ": they " + bridge.finding.words()
                + (bridge.takenOff == 0
                        ? ""
                        : "; taken off is " + Figures.significant(bridge.takenOff, 3) + ", uncertain by "
                                + Figures.significant(bridge.uncertainty(), 2))
                + ". Decided by " + bridge.decidedBy + " on "
                + Moments.day(bridge.decidedAt) + ": " + bridge.reason;
    }

    private static String differs(List<String> factors) {
        return factors.size() < 2
                ? ""
                : "They differ in more than one thing: " + String.join(", ", factors)
                        + ". Whether they may share a chart can be told; which of these made a difference cannot.";
    }

    private static String named(Bridges.Study study, SeriesPoints.SeriesView one) {
        if (!study.isOfSetups()) {
            return one.conditions().design();
        }
        return one.setup().isNone() ? "set-up not on record" : one.setup().words();
    }

    /** A margin in the property's own unit, typed bare or with it. */
    private static double number(String typed) {
        String bare = typed.replaceAll("[^0-9.,]*$", "");
        return Entry.strict("margin", "The margin", bare)
                .number(Double.MAX_VALUE, "1")
                .orElseThrow(() -> new Refusal("margin", "'" + typed + "' is no margin; expected for example 1."));
    }
}
