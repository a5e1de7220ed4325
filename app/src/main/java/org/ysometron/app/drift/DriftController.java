package org.ysometron.app.drift;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.ReferenceTests;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.drift.ChartRules;

@Controller
class DriftController {

    private final OnePage page;
    private final Products products;
    private final Lots lots;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;
    private final DriftCharts charts;
    private final ReferenceTests references;
    private final Events events;

    private final Derivations derivations;

    DriftController(
            OnePage page,
            Products products,
            Lots lots,
            SeriesPoints series,
            Baselines baselines,
            Signals signals,
            DriftCharts charts,
            ReferenceTests references,
            Events events,
            Derivations derivations) {
        this.page = page;
        this.derivations = derivations;
        this.references = references;
        this.events = events;
        this.products = products;
        this.lots = lots;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
        this.charts = charts;
    }

    @GetMapping("/products/{code}/drift")
    String product(
            @PathVariable String code,
            @RequestParam(name = "series", required = false) @Nullable Long wanted,
            @RequestParam(required = false) @Nullable Integer to,
            Model model) {
        Products.ProductView product = products.named(code);
        derivations.refresh(Set.of(product.id()));
        List<SeriesView> all = series.ofProduct(product.id());
        model.addAttribute("product", product);
        model.addAttribute("all", all);
        if (all.isEmpty()) {
            return "drift/none";
        }
        long shown = wanted == null ? asking(product, all) : wanted;
        if (series.series(shown).productId() != product.id()) {
            throw new NotFound("series " + shown + " of " + product.name());
        }
        return show(shown, to, BaselineForm.EMPTY, new Problems(), model);
    }

    /** The series to begin with: one that asks something of a lot that waits, or one with limits, or the first. */
    private long asking(Products.ProductView product, List<SeriesView> all) {
        Set<Long> asked =
                signals
                        .stored(lots.undecidedOf(product.id()).stream()
                                .map(LotView::id)
                                .toList())
                        .values()
                        .stream()
                        .flatMap(List::stream)
                        .filter(signal -> !signal.isAnswered())
                        .map(Signals.LotSignal::seriesId)
                        .collect(Collectors.toSet());
        return first(all, asked)
                .or(() -> first(
                        all, baselines.signed(all.stream().map(SeriesView::id).toList())))
                .orElse(all.get(0))
                .id();
    }

    private static Optional<SeriesView> first(List<SeriesView> all, Set<Long> wanted) {
        return all.stream().filter(one -> wanted.contains(one.id())).findFirst();
    }

    @PostMapping("/series/{id}/baseline")
    String sign(
            @PathVariable long id, BaselineForm form, Authentication by, HttpServletResponse response, Model model) {
        SeriesView found = series.series(id);
        Problems problems = new Problems();
        String reason = problems.reason("reason", form.reason(), "The reason", 300);
        try {
            Set<Long> chosen = chosen(id, form, problems);
            ChartRules rules = rules(id, form, problems);
            List<String> lifted = problems.none() ? signals.lifted(id, chosen, rules) : List.of();
            if (!lifted.isEmpty() && !"yes".equals(form.seen())) {
                model.addAttribute("lifted", lifted);
            } else if (problems.none()) {
                baselines.sign(id, chosen, rules, reason, by.getName());
                return "redirect:/products/"
                        + products.product(found.productId()).code() + "/drift?series=" + id;
            }
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        model.addAttribute("product", products.product(found.productId()));
        model.addAttribute("all", series.ofProduct(found.productId()));
        return show(id, null, form, problems, model);
    }

    @PostMapping("/series/{id}/answers")
    String answer(
            @PathVariable long id,
            @RequestParam long lot,
            @RequestParam(defaultValue = "") String answer,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        SeriesView found = series.series(id);
        try {
            signals.answer(id, lot, answer, by.getName());
            return "redirect:/products/" + products.product(found.productId()).code() + "/drift?series=" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("product", products.product(found.productId()));
            model.addAttribute("all", series.ofProduct(found.productId()));
            model.addAttribute("answerLot", lot);
            model.addAttribute("answerTyped", answer);
            model.addAttribute("answerProblem", refusal.words());
            return show(id, null, BaselineForm.EMPTY, new Problems(), model);
        }
    }

    /** What somebody says changed. */
    @PostMapping("/series/{id}/events")
    String event(
            @PathVariable long id, Events.Typed typed, Authentication by, HttpServletResponse response, Model model) {
        SeriesView found = series.series(id);
        Problems problems = new Problems();
        events.enter(found, typed, problems, by.getName());
        if (problems.none()) {
            return "redirect:/products/" + products.product(found.productId()).code() + "/drift?series=" + id;
        }
        response.setStatus(422);
        model.addAttribute("product", products.product(found.productId()));
        model.addAttribute("all", series.ofProduct(found.productId()));
        model.addAttribute("event", typed);
        model.addAttribute("eventProblems", problems);
        return show(id, null, BaselineForm.EMPTY, new Problems(), model);
    }

    @GetMapping("/baselines/{id}/working")
    String working(@PathVariable long id, Model model) {
        SeriesView found = series.series(baselines.seriesOf(id));
        model.addAttribute("title", "Limits of " + found.title());
        model.addAttribute(
                "steps", baselines.working(id, found.property().unit()).steps());
        return Boolean.TRUE.equals(model.getAttribute("fragment")) ? "drift/limits :: limits" : "drift/limits";
    }

    private String show(long id, @Nullable Integer to, BaselineForm form, Problems problems, Model model) {
        return page.read(() -> read(id, to, form, problems, model));
    }

    private String read(long id, @Nullable Integer to, BaselineForm form, Problems problems, Model model) {
        SeriesView found = series.series(id);
        model.addAttribute("sharing", series.sharing(id));
        model.addAttribute("versions", baselines.all(id));
        model.addAttribute("drift", charts.view(id, to));
        model.addAttribute(
                "beside",
                found.property().isTested()
                        ? ReferenceChart.of(
                                references.of(found.productId(), found.property(), found.conditions()),
                                found.property().unit())
                        : null);
        model.addAttribute("rules", ChartRules.all());
        model.addAttribute("inForce", inForce(id));
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("kinds", Events.Kind.values());
        if (!model.containsAttribute("event")) {
            model.addAttribute("event", Events.Typed.fresh());
            model.addAttribute("eventProblems", new Problems());
        }
        return "drift/drift";
    }

    /** Those in force stay where the form did not ask for them. */
    private ChartRules rules(long seriesId, BaselineForm form, Problems problems) {
        ChartRules before = inForce(seriesId);
        if (form.rules() == null) {
            return before;
        }
        ChartRules chosen = form.chosen(before, problems);
        if (chosen.isNone()) {
            throw new Refusal("rules", "A chart without a rule says nothing: choose at least one.");
        }
        return chosen;
    }

    private ChartRules inForce(long seriesId) {
        return baselines.newest(seriesId).map(Baselines.BaselineView::rules).orElse(ChartRules.USUAL);
    }

    /** The lots from one code to another in order of making, without those named. */
    private Set<Long> chosen(long seriesId, BaselineForm form, Problems problems) {
        List<PointView> points = series.points(seriesId);
        List<LotView> known = lots.all(points.stream().map(PointView::lotId).toList());
        int from = place(points, known, "from", form.from(), problems);
        int to = place(points, known, "to", form.to(), problems);
        Set<String> without = form.without() == null
                ? Set.of()
                : Arrays.stream(form.without().split("[,; ]+"))
                        .map(code -> code.strip().toUpperCase(Locale.ROOT))
                        .filter(code -> !code.isEmpty())
                        .collect(Collectors.toSet());
        Set<String> unknown = new HashSet<>(without);
        known.forEach(lot -> unknown.remove(lot.code().toUpperCase(Locale.ROOT)));
        if (!unknown.isEmpty()) {
            problems.add("without", "No lot of this series is called " + String.join(", ", unknown) + ".");
        }
        if (!problems.none()) {
            return Set.of();
        }
        if (from > to) {
            throw new Refusal("from", "The first lot was made after the last one.");
        }
        Set<Long> left = known.stream()
                .filter(lot -> without.contains(lot.code().toUpperCase(Locale.ROOT)))
                .map(LotView::id)
                .collect(Collectors.toSet());
        return points.subList(from, to + 1).stream()
                .map(PointView::lotId)
                .filter(lotId -> !left.contains(lotId))
                .collect(Collectors.toSet());
    }

    private static int place(
            List<PointView> points, List<LotView> known, String field, @Nullable String code, Problems problems) {
        String wanted = code == null ? "" : code.strip();
        for (LotView lot : known) {
            if (lot.code().equalsIgnoreCase(wanted)) {
                for (int i = 0; i < points.size(); i++) {
                    if (points.get(i).lotId() == lot.id()) {
                        return i;
                    }
                }
            }
        }
        problems.add(field, wanted.isEmpty() ? "Name a lot." : "No lot of this series is called '" + wanted + "'.");
        return -1;
    }
}
