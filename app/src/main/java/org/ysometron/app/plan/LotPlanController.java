package org.ysometron.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.plan.Budget;
import org.ysometron.core.working.Figures;

/** A lot's own plan: planned against done, material, when, and what a delay or a retest would do. */
@Controller
class LotPlanController {

    private final Treatments treatments;
    private final OnePage page;
    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Samples samples;
    private final Plans plans;
    private final ProductPlanPages pages;
    private final Needs needs;
    private final Calendar calendar;
    private final References references;
    private final Progress progress;

    LotPlanController(
            Treatments treatments,
            OnePage page,
            Lots lots,
            Products products,
            Publications publications,
            Samples samples,
            Plans plans,
            ProductPlanPages pages,
            Needs needs,
            Calendar calendar,
            References references,
            Progress progress) {
        this.treatments = treatments;
        this.page = page;
        this.references = references;
        this.lots = lots;
        this.products = products;
        this.publications = publications;
        this.samples = samples;
        this.plans = plans;
        this.pages = pages;
        this.needs = needs;
        this.calendar = calendar;
        this.progress = progress;
    }

    /** A line with how far it is, specimen by specimen. */
    record Done(ProductPlanPages.LineView line, List<PlanMatrix.Cell> cells) {

        public long made() {
            return count(PlanMatrix.State.MADE);
        }

        public long measured() {
            return count(PlanMatrix.State.MEASURED);
        }

        public long tested() {
            return count(PlanMatrix.State.SPOILT);
        }

        /** Those that came at least so far. */
        private long count(PlanMatrix.State least) {
            return cells.stream()
                    .filter(cell -> cell.state().compareTo(least) >= 0)
                    .count();
        }

        public boolean missing() {
            return !line.leftOut() && tested() < line.n();
        }
    }

    /** What is left to be made against what the samples hold. */
    record Stock(String needed, String held, @Nullable String wrong) {}

    /** The forecast in words. */
    record Forecast(String release, long lateDays, List<String> chain) {}

    @GetMapping("/lots/{code}/plan")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") int later,
            @RequestParam(defaultValue = "0") int again,
            @RequestParam(defaultValue = "28") int days,
            Model model) {
        LotView lot = lots.named(code);
        return show(lot, null, new Problems(), Map.of(), clamp(later, 120), clamp(again, 20), days, model);
    }

    @PostMapping("/lots/{code}/plan/take")
    @PreAuthorize("hasAuthority('ENTRY')")
    String take(@PathVariable String code) {
        LotView lot = lots.named(code);
        plans.take(lot);
        return "redirect:/lots/" + code + "/plan";
    }

    @PostMapping("/lots/{code}/plan")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String deviate(
            @PathVariable String code,
            @RequestParam MultiValueMap<String, String> sent,
            Model model,
            HttpServletResponse response) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        List<LineForm.Row> rows = LineForm.rows(sent);
        if (sent.containsKey("more")) {
            model.addAttribute("more", true);
            return show(lot, LineForm.longer(rows), problems, Map.of(), 0, 0, Timeline.MOST_DAYS, model);
        }
        List<Plans.Line> lines = LineForm.read(rows, problems);
        if (problems.none()) {
            try {
                plans.deviate(lot, lines);
                return "redirect:/lots/" + code + "/plan";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return show(lot, rows, problems, Map.of(), 0, 0, Timeline.MOST_DAYS, model);
    }

    /** The address of a form that was refused: somebody loads it again. */
    @GetMapping({"/lots/{code}/plan/dates", "/lots/{code}/plan/take"})
    String again(@PathVariable String code) {
        return "redirect:/lots/" + lots.named(code).code() + "/plan";
    }

    @PostMapping("/lots/{code}/plan/dates")
    @PreAuthorize("hasAuthority('ENTRY')")
    String want(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String wantedOn,
            @RequestParam(defaultValue = "") String notBefore,
            @RequestParam(defaultValue = "") String delayReason,
            Model model,
            HttpServletResponse response) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        LocalDate wanted = wantedOn.isBlank() ? null : problems.date("wantedOn", wantedOn);
        LocalDate hold = notBefore.isBlank() ? null : problems.date("notBefore", notBefore);
        String why = problems.text("delayReason", delayReason, "What holds it up", 200, false);
        if (problems.none()) {
            try {
                plans.want(lot, wanted, hold, why);
                return "redirect:/lots/" + code + "/plan#when";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return show(
                lot,
                null,
                problems,
                Map.of("wantedOn", wantedOn, "notBefore", notBefore, "delayReason", delayReason),
                0,
                0,
                Timeline.MOST_DAYS,
                model);
    }

    private String show(
            LotView lot,
            @Nullable List<LineForm.Row> rows,
            Problems problems,
            Map<String, String> typed,
            int later,
            int again,
            int days,
            Model model) {
        return page.read(() -> read(lot, rows, problems, typed, later, again, days, model));
    }

    private String read(
            LotView lot,
            @Nullable List<LineForm.Row> rows,
            Problems problems,
            Map<String, String> typed,
            int later,
            int again,
            int days,
            Model model) {
        Products.ProductView product = products.product(lot.productId());
        Optional<Plans.LotPlanView> plan = plans.ofLot(lot.id());
        model.addAttribute("lot", lot);
        model.addAttribute("product", product);
        model.addAttribute("plan", plan.orElse(null));
        model.addAttribute("hasProductPlan", plans.newest(lot.productId()).isPresent());
        model.addAttribute("typed", typed);
        model.addAttribute("later", later);
        model.addAttribute("again", again);
        List<Plans.Line> lines = plan.map(Plans.LotPlanView::lines).orElse(List.of());
        PlanController.editor(
                treatments.of(lot.productId()), rows == null ? LineForm.rows(lines, 1) : rows, problems, model);
        if (plan.isPresent()) {
            matrix(lot, product, lines, model);
        }
        calendar(lot, later, again, days, model);
        return "plan/lot";
    }

    private void matrix(LotView lot, Products.ProductView product, List<Plans.Line> lines, Model model) {
        ProductPlanPages.PlanView view = pages.view(product, lines, publications.claims(lot.datasheetId()));
        Progress.Done done = progress.of(List.of(lot)).getOrDefault(lot.id(), Progress.Done.NOTHING);
        List<SpecimenView> specimens = lots.specimens(lot.id());
        List<Done> rows = new ArrayList<>();
        Budget left = Budget.NOTHING;
        Needs.Ground ground = needs.of(product);
        for (int i = 0; i < lines.size(); i++) {
            Plans.Line line = lines.get(i);
            List<SpecimenView> own = specimens.stream()
                    .filter(s -> s.conditions().equals(line.test().conditions()))
                    .toList();
            int wanted = line.leftOut() ? 0 : line.test().n();
            rows.add(new Done(view.lines().get(i), PlanMatrix.cells(own, done, wanted)));
            int missing = wanted
                    - (int) own.stream().filter(s -> done.countsOn(s.id())).count();
            if (missing > 0) {
                left = left.plus(ground.budget(List.of(line.test().of(missing))));
            }
        }
        model.addAttribute("view", view);
        model.addAttribute(
                "reference",
                references.isDue(lot)
                        ? references
                                .of(lot.productId())
                                .map(r -> r.lot().code())
                                .orElse(null)
                        : null);
        model.addAttribute("done", rows);
        model.addAttribute(
                "beside",
                PlanMatrix.cells(
                        specimens.stream()
                                .filter(s -> lines.stream().noneMatch(line -> s.conditions()
                                        .equals(line.test().conditions())))
                                .toList(),
                        done,
                        0));
        model.addAttribute("stock", stock(lot, left));
    }

    private Stock stock(LotView lot, Budget left) {
        double held = 0;
        int unknown = 0;
        List<Samples.SampleView> drawn = samples.of(lot.id());
        for (Samples.SampleView sample : drawn) {
            held += sample.holds().grams().orElse(0);
            unknown += sample.holds().grams().isPresent() ? 0 : 1;
        }
        String wrong = left.grams() > held && unknown == 0 && !drawn.isEmpty()
                ? "The samples hold " + Figures.decimals(held, 0) + " g and "
                        + Figures.decimals(left.grams(), 0)
                        + " g are needed: draw another before anything is printed."
                : null;
        String words = drawn.isEmpty()
                ? "no sample is drawn yet"
                : "the samples hold " + Figures.decimals(held, 0) + " g"
                        + (unknown == 0 ? "" : ", and " + unknown + " of them nobody knows");
        return new Stock(left.grams() > 0 ? ProductPlanPages.words(left) : "nothing", words, wrong);
    }

    private void calendar(LotView lot, int later, int again, int days, Model model) {
        model.addAttribute("days", days);
        Optional<Calendar.Board> board = calendar.all();
        Optional<Calendar.Forecast> forecast =
                board.flatMap(found -> Optional.ofNullable(found.forecasts().get(lot.id())));
        model.addAttribute(
                "forecast",
                forecast.map(f -> words(lot, f, board.orElseThrow())).orElse(null));
        if (board.isEmpty() || forecast.isEmpty()) {
            model.addAttribute(
                    "broken", board.map(found -> found.broken().get(lot)).orElse(null));
            return;
        }
        model.addAttribute(
                "due",
                Due.of(board.get()).stream()
                        .filter(item -> item.lot().equals(lot.code()))
                        .toList());
        Calendar.Board shown = board.get();
        if (later > 0 || again > 0) {
            Optional<Calendar.Board> changed = calendar.all(new Calendar.WhatIf(lot.id(), later, again));
            shown = changed.orElse(shown);
            model.addAttribute(
                    "changed",
                    words(
                            lot,
                            Optional.ofNullable(shown.forecasts().get(lot.id())).orElseThrow(),
                            shown));
        }
        model.addAttribute("timeline", Timeline.of(shown, lot.code(), days));
        model.addAttribute("wanting", calendar.wanting(shown));
        model.addAttribute(
                "latest", calendar.latestStart(lot).map(LotPlanController::day).orElse(null));
    }

    private static Forecast words(LotView lot, Calendar.Forecast forecast, Calendar.Board board) {
        return new Forecast(
                day(forecast.release()),
                forecast.lateDays(),
                forecast.chain().stream()
                        .map(id -> board.plan().slot(id).job())
                        .map(job -> job.owner().equals(lot.code()) ? job.title() : job.words())
                        .toList());
    }

    private static String day(LocalDateTime at) {
        return java.time.format.DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", java.util.Locale.ENGLISH)
                .format(at);
    }

    private static int clamp(int value, int most) {
        return Math.max(0, Math.min(most, value));
    }
}
