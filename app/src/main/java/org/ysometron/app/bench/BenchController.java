package org.ysometron.app.bench;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
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
import org.springframework.web.util.UriComponentsBuilder;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Due;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.Outcome;
import org.ysometron.core.method.TestMethod;

@Controller
class BenchController {

    private final Lots lots;
    private final Products products;
    private final Bench bench;
    private final BenchPages pages;
    private final Confirmations confirmations;
    private final Due due;

    BenchController(Lots lots, Products products, Bench bench, BenchPages pages, Confirmations confirmations, Due due) {
        this.confirmations = confirmations;
        this.due = due;
        this.lots = lots;
        this.products = products;
        this.bench = bench;
        this.pages = pages;
    }

    /** A reading as typed. */
    record Form(
            @Nullable String specimen,
            @Nullable String field,
            @Nullable String typed,
            @Nullable Outcome outcome,
            @Nullable Long gauge,
            @Nullable String confirm,
            @Nullable Cause cause,
            @Nullable String reason) {

        Bench.Entry entry() {
            BenchPages.Key key = BenchPages.Key.of(String.valueOf(field));
            boolean force = key.quantity() == Quantity.FORCE;
            return new Bench.Entry(
                    String.valueOf(specimen),
                    key.quantity(),
                    key.place(),
                    typed == null ? "" : typed,
                    force ? outcome : null,
                    gauge == null ? 0 : gauge,
                    confirm == null ? "" : confirm);
        }

        String step() {
            return "F1".equals(field) ? BenchPages.BREAK : BenchPages.MEASURE;
        }
    }

    @GetMapping("/lots/{code}/bench")
    String page(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable String step,
            @RequestParam(required = false) @Nullable String specimen,
            @RequestParam(required = false, defaultValue = "0") long gauge,
            @RequestParam(required = false) @Nullable String after,
            Authentication who,
            Model model) {
        return show(lots.named(code), new BenchPages.Asked(step, specimen, gauge, after, null, false), who, model);
    }

    /** Opens the bench for a method on this day. */
    @PostMapping("/lots/{code}/bench/confirmation")
    @PreAuthorize("hasAuthority('ENTRY')")
    String confirm(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable List<String> confirmed,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            confirmations.confirm(
                    who.getName(),
                    TestMethod.TENSION,
                    points(lot),
                    confirmed == null ? 0 : (int) confirmed.stream().distinct().count());
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("unconfirmed", refusal.words());
            return show(lot, new BenchPages.Asked(BenchPages.BREAK, null, 0, null, null, false), who, model);
        }
        return "redirect:/lots/" + code + "/bench?step=" + BenchPages.BREAK;
    }

    private List<String> points(LotView lot) {
        return confirmations.points(TestMethod.TENSION, products.product(lot.productId()), pages.expectedLoad(lot));
    }

    @GetMapping("/lots/{code}/bench/preview")
    String preview(@PathVariable String code, Form form, Model model) {
        model.addAttribute(
                "preview",
                pages.preview(
                        lots.named(code),
                        String.valueOf(form.specimen()),
                        String.valueOf(form.field()),
                        form.typed() == null ? "" : form.typed(),
                        form.gauge() == null ? 0 : form.gauge()));
        return "bench/bench :: preview";
    }

    @PostMapping("/lots/{code}/bench")
    String enter(
            @PathVariable String code,
            Form form,
            Authentication by,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        long gauge = form.gauge() == null ? 0 : form.gauge();
        try {
            if (form.step().equals(BenchPages.BREAK) && !confirmations.isConfirmed(by.getName(), TestMethod.TENSION)) {
                throw new Refusal("typed", "Confirm first that it is safe to break: once a day, for each method.");
            }
            bench.enter(lot, form.entry(), by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            BenchPages.Refused refused = new BenchPages.Refused(
                    String.valueOf(form.specimen()),
                    String.valueOf(form.field()),
                    form.typed() == null ? "" : form.typed(),
                    refusal);
            model.addAttribute("outcome", form.outcome());
            return show(
                    lot,
                    new BenchPages.Asked(form.step(), form.specimen(), gauge, null, refused, isPart(request)),
                    by,
                    model);
        }
        // The specimen in hand stays in hand until its last dimension, by either way of sending: a scanner may press
        // Enter
        // before the page has taken the form over.
        String stay = form.step().equals(BenchPages.MEASURE) && !"T3".equals(form.field()) ? form.specimen() : null;
        if (!isPart(request)) {
            return UriComponentsBuilder.fromPath("redirect:/lots/{code}/bench")
                    .queryParam("step", form.step())
                    .queryParam("gauge", gauge)
                    .queryParam(stay == null ? "after" : "specimen", "{label}")
                    .encode()
                    .buildAndExpand(code, form.specimen())
                    .toUriString();
        }
        if (stay != null) {
            BenchView view = pages.further(lot, stay, gauge);
            model.addAttribute("lot", lot);
            model.addAttribute("bench", view);
            model.addAttribute("changed", view.rows());
            return "bench/stroke";
        }
        return show(lot, new BenchPages.Asked(form.step(), null, gauge, form.specimen(), null, true), by, model);
    }

    private static boolean isPart(HttpServletRequest request) {
        return request.getHeader("HX-Request") != null;
    }

    @GetMapping("/lots/{code}/bench/readings/{id}")
    String correction(@PathVariable String code, @PathVariable long id, Model model) {
        return correctionForm(lots.named(code), id, "", "", null, model);
    }

    @PostMapping("/lots/{code}/bench/readings/{id}")
    String correct(
            @PathVariable String code,
            @PathVariable long id,
            Form form,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        String typed = form.typed() == null ? "" : form.typed();
        String reason = form.reason() == null ? "" : form.reason();
        try {
            bench.correct(
                    lot,
                    id,
                    new Bench.Correction(
                            typed,
                            form.outcome(),
                            0,
                            form.cause(),
                            reason,
                            form.confirm() == null ? "" : form.confirm()),
                    by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("outcome", form.outcome());
            model.addAttribute("cause", form.cause());
            return correctionForm(lot, id, typed, reason, refusal, model);
        }
        return "redirect:/lots/" + code + "/bench";
    }

    private String correctionForm(
            LotView lot, long id, String typed, String reason, @Nullable Refusal refusal, Model model) {
        SpecimenRecord record = bench.records(lot.id()).stream()
                .filter(candidate -> candidate.readings().stream().anyMatch(reading -> reading.id() == id))
                .findFirst()
                .orElseThrow(() -> new NotFound("reading " + id + " in lot " + lot.code()));
        ReadingView reading = record.readings().stream()
                .filter(candidate -> candidate.id() == id)
                .findFirst()
                .orElseThrow();
        BenchPages.Key key = new BenchPages.Key(reading.quantity(), reading.place());
        model.addAttribute("lot", lot);
        model.addAttribute("specimen", record.specimen());
        model.addAttribute("reading", reading);
        model.addAttribute("label", key.label());
        model.addAttribute("unit", reading.quantity().unit().symbol());
        model.addAttribute("typed", typed);
        model.addAttribute("reason", reason);
        model.addAttribute("refusal", refusal);
        model.addAttribute("confirm", refusal instanceof ReadingCheck.Doubted ? typed.strip() : "");
        model.addAttribute("outcomes", Outcome.values());
        model.addAttribute("causes", Cause.values());
        model.addAttribute("late", record.force().isPresent());
        return "bench/correction";
    }

    private String show(LotView lot, BenchPages.Asked asked, Authentication who, Model model) {
        BenchView view = pages.page(lot, asked);
        // What has to be confirmed and heeded before breaking is nothing to the calipers.
        boolean breaking = view.step().equals(BenchPages.BREAK);
        boolean confirmed = breaking && confirmations.isConfirmed(who.getName(), TestMethod.TENSION);
        model.addAttribute("confirmed", confirmed);
        model.addAttribute("points", breaking && !confirmed ? points(lot) : List.of());
        model.addAttribute(
                "caution", breaking ? products.product(lot.productId()).caution() : "");
        model.addAttribute("due", asked.part() ? List.of() : due.of(lot));
        model.addAttribute("lot", lot);
        model.addAttribute("bench", view);
        model.addAttribute("outcomes", Outcome.values());
        model.addAttribute(
                "refusal", asked.refused() == null ? null : asked.refused().refusal());
        if (!asked.part()) {
            return "bench/bench";
        }
        model.addAttribute("changed", view.rows());
        return "bench/stroke";
    }
}
