package org.ysometron.app.bench;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.line.Lines;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Due;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.reading.Field;

@Controller
class BenchController {

    /** Fields of one form at the most. */
    private static final int MOST_FIELDS = 60;

    private final Lots lots;
    private final Products products;
    private final Bench bench;
    private final Owing owing;
    private final BenchPages pages;
    private final Confirmations confirmations;
    private final Due due;
    private final Instruments instruments;
    private final Lines lines;

    BenchController(
            Lots lots,
            Products products,
            Bench bench,
            Owing owing,
            BenchPages pages,
            Confirmations confirmations,
            Due due,
            Instruments instruments,
            Lines lines) {
        this.lines = lines;
        this.instruments = instruments;
        this.confirmations = confirmations;
        this.due = due;
        this.lots = lots;
        this.products = products;
        this.bench = bench;
        this.owing = owing;
        this.pages = pages;
    }

    /** What was typed of one specimen: fields and texts side by side. */
    record Form(
            @Nullable String specimen,
            @Nullable End outcome,
            @Nullable Long gauge,
            @Nullable Cause cause,
            @Nullable String reason) {

        String label() {
            return String.valueOf(specimen);
        }

        long gaugeId() {
            return gauge == null ? 0 : gauge;
        }
    }

    /** Texts by key of their place, as they stand in the form. */
    private static Map<String, String> texts(HttpServletRequest request, String name) {
        String[] keys = request.getParameterValues("field");
        String[] texts = request.getParameterValues(name);
        Map<String, String> found = new LinkedHashMap<>();
        for (int i = 0; keys != null && i < Math.min(keys.length, MOST_FIELDS); i++) {
            found.put(keys[i], texts != null && i < texts.length ? texts[i] : "");
        }
        if (found.isEmpty()) {
            throw new NotFound("a field at the bench");
        }
        return found;
    }

    /** Bare numbers with the unit that stood beside their field: what the display showed to whoever typed them. */
    private static Map<String, String> shown(HttpServletRequest request, Map<String, String> typed) {
        Map<String, String> units = texts(request, "unit");
        Map<String, String> shown = new LinkedHashMap<>();
        typed.forEach((key, text) -> shown.put(key, Typed.shownIn(text, units.getOrDefault(key, ""))));
        return shown;
    }

    /** Says which unit an instrument's display is set to. */
    @PostMapping("/lots/{code}/bench/display")
    @PreAuthorize("hasAuthority('ENTRY')")
    String display(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long instrument,
            @RequestParam(defaultValue = "") String unit,
            @RequestParam(defaultValue = "") String method,
            @RequestParam(defaultValue = "") String step,
            @RequestParam(defaultValue = "0") long gauge) {
        LotView lot = lots.named(code);
        instruments.show(instrument, unit);
        return back(lot.code(), Map.of("method", method, "step", step, "gauge", String.valueOf(gauge)));
    }

    /** The readings typed; of several those that say something, of one that one, whatever it says. */
    private static List<Bench.Entry> entries(
            Method method,
            Form form,
            Map<String, String> typed,
            Map<String, String> confirmed,
            Map<String, String> pressed) {
        List<Bench.Entry> entries = new ArrayList<>();
        typed.forEach((text, value) -> {
            BenchPages.Key key = BenchPages.Key.of(method, text);
            if (typed.size() == 1 || !value.isBlank()) {
                entries.add(new Bench.Entry(
                                form.label(),
                                key.field().key(),
                                key.place(),
                                value,
                                key.isTest() ? form.outcome() : null,
                                form.gaugeId(),
                                confirmed.getOrDefault(text, ""))
                        .sentBy(press(pressed.getOrDefault(text, ""))));
            }
        });
        if (entries.isEmpty()) {
            BenchPages.Key first =
                    BenchPages.Key.of(method, typed.keySet().iterator().next());
            entries.add(new Bench.Entry(
                    form.label(), first.field().key(), first.place(), "", form.outcome(), form.gaugeId(), ""));
        }
        return entries;
    }

    /** The press of an instrument that a field was filled by; null for what was typed. */
    private static @Nullable Long press(String text) {
        return text.matches("\\d{1,18}") ? Long.valueOf(text) : null;
    }

    @GetMapping("/lots/{code}/bench")
    String page(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable String method,
            @RequestParam(required = false) @Nullable String step,
            @RequestParam(required = false) @Nullable String specimen,
            @RequestParam(required = false, defaultValue = "0") long gauge,
            @RequestParam(required = false) @Nullable String after,
            Authentication who,
            Model model) {
        return show(
                lots.named(code), new BenchPages.Asked(method, step, specimen, gauge, after, null, false), who, model);
    }

    /** Opens the bench for a method on this day. */
    @PostMapping("/lots/{code}/bench/confirmation")
    @PreAuthorize("hasAuthority('ENTRY')")
    String confirm(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String method,
            @RequestParam(required = false) @Nullable List<String> confirmed,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        Method confirmedFor = method(method);
        try {
            confirmations.confirm(
                    who.getName(),
                    confirmedFor,
                    points(lot, confirmedFor),
                    confirmed == null ? 0 : (int) confirmed.stream().distinct().count());
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("unconfirmed", refusal.words());
            return show(lot, new BenchPages.Asked(method, BenchPages.BREAK, null, 0, null, null, false), who, model);
        }
        return back(
                code,
                Map.of("step", BenchPages.BREAK, "method", confirmedFor.data().id()));
    }

    /** The method that a form names; the usual one where it names none. */
    private static Method method(String id) {
        return id.isEmpty()
                ? Methods.usual()
                : Methods.of(id).orElseThrow(() -> new NotFound("method '" + id + "' in the catalogue"));
    }

    private List<String> points(LotView lot, Method method) {
        return confirmations.points(method, products.product(lot.productId()), pages.expectedLoad(lot, method));
    }

    @GetMapping("/lots/{code}/bench/preview")
    String preview(@PathVariable String code, Form form, HttpServletRequest request, Model model) {
        model.addAttribute(
                "preview",
                pages.preview(
                        lots.named(code),
                        form.label(),
                        shown(request, texts(request, "typed")),
                        form.outcome(),
                        form.gaugeId()));
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
        Map<String, String> typed = texts(request, "typed");
        Method method = bench.method(lot, form.label());
        String first = typed.keySet().iterator().next();
        BenchPages.Key key = BenchPages.Key.of(method, first);
        String step = key.isTest() ? BenchPages.BREAK : BenchPages.MEASURE;
        try {
            // What is fetched once the test is over breaks nothing any more.
            if (key.isTest()
                    && !confirmations.isConfirmed(by.getName(), method)
                    && !bench.record(lot, form.label()).isTested()) {
                throw new Refusal("typed", "Confirm first that it is safe to break: once a day, for each method.");
            }
            Map<String, String> confirmed = shown(request, texts(request, "confirm"));
            bench.enterTest(
                    lot,
                    form.label(),
                    entries(method, form, shown(request, typed), confirmed, texts(request, "press")),
                    by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            String where = refusal instanceof Bench.NotTaken taken ? taken.key() : first;
            model.addAttribute("outcome", form.outcome());
            return show(
                    lot,
                    new BenchPages.Asked(
                            method.data().id(),
                            step,
                            form.label(),
                            form.gaugeId(),
                            null,
                            new BenchPages.Refused(form.label(), where, typed, texts(request, "press"), refusal),
                            isPart(request)),
                    by,
                    model);
        }
        // The specimen in hand stays in hand until its last size, by either way of sending: a scanner may press Enter
        // before the
        // page has taken the form over.
        boolean stays = !key.isTest() && !isLast(method, key);
        if (!isPart(request)) {
            return back(
                    code,
                    Map.of(
                            "method",
                            method.data().id(),
                            "step",
                            step,
                            "gauge",
                            String.valueOf(form.gaugeId()),
                            stays ? "specimen" : "after",
                            form.label()));
        }
        if (stays) {
            BenchView view = pages.further(lot, form.label(), form.gaugeId());
            model.addAttribute("lot", lot);
            model.addAttribute("bench", view);
            model.addAttribute("changed", view.rows());
            return "bench/stroke";
        }
        return show(
                lot,
                new BenchPages.Asked(method.data().id(), step, null, form.gaugeId(), form.label(), null, true),
                by,
                model);
    }

    /** Whether a size is the last one that the sheet asks for. */
    private static boolean isLast(Method method, BenchPages.Key key) {
        List<Field> sizes = method.data().sheet().of(Field.Role.SIZE);
        return key.field().equals(sizes.get(sizes.size() - 1))
                && key.place() == key.field().places();
    }

    /** One more of the same in place of a specimen whose test was void. */
    @PostMapping("/lots/{code}/bench/specimens/{label}/replacement")
    String replace(@PathVariable String code, @PathVariable String label, Authentication by) {
        LotView lot = lots.named(code);
        Method method = bench.replace(lot, label, by.getName());
        return back(code, Map.of("method", method.data().id()));
    }

    /** Says of readings that were to be fetched after their test that they will not come. */
    @PostMapping("/lots/{code}/bench/owed")
    String waive(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable List<Long> owed,
            @RequestParam(defaultValue = "false") boolean all,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String method,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            List<Long> chosen = all ? stillOwed(lot) : owed == null ? List.of() : owed;
            // All of nothing: sent twice.
            if (!all || !chosen.isEmpty()) {
                owing.waive(lot, chosen, reason, by.getName());
            }
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("waiving", refusal.words());
            model.addAttribute("chosen", owed == null ? List.of() : owed);
            model.addAttribute("waivingReason", reason);
            model.addAttribute("allOwed", all);
            return show(lot, new BenchPages.Asked(method, BenchPages.BREAK, null, 0, null, null, false), by, model);
        }
        return back(code, Map.of("method", method, "step", BenchPages.BREAK));
    }

    private List<Long> stillOwed(LotView lot) {
        return owing.of(lot, bench.records(lot.id())).stream()
                .filter(view -> !view.isWaived())
                .map(Owing.OwedView::id)
                .toList();
    }

    /** Back to the bench of a lot, whatever was typed being only a value there. */
    private static String back(String code, Map<String, String> asked) {
        UriComponentsBuilder page = UriComponentsBuilder.fromPath("redirect:/lots/{code}/bench");
        Map<String, String> values = new LinkedHashMap<>(Map.of("code", code));
        asked.forEach((name, value) -> {
            page.queryParam(name, "{" + name + "}");
            values.put(name, value);
        });
        return page.encode().buildAndExpand(values).toUriString();
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
            @RequestParam(defaultValue = "") String typed,
            @RequestParam(defaultValue = "") String confirm,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        String reason = form.reason() == null ? "" : form.reason();
        try {
            bench.correct(
                    lot,
                    id,
                    new Bench.Correction(typed, form.outcome(), 0, form.cause(), reason, confirm),
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
        model.addAttribute("lot", lot);
        model.addAttribute("specimen", record.specimen());
        model.addAttribute("reading", reading);
        model.addAttribute("label", reading.label());
        model.addAttribute("unit", reading.field().unit());
        model.addAttribute("typed", typed);
        model.addAttribute("reason", reason);
        model.addAttribute("refusal", refusal);
        model.addAttribute("confirm", refusal instanceof ReadingCheck.Doubted ? typed.strip() : "");
        model.addAttribute("outcomes", record.method().data().ends().keySet());
        model.addAttribute("choices", reading.field().choices());
        model.addAttribute("causes", Cause.values());
        model.addAttribute("late", record.isTested());
        return "bench/correction";
    }

    private String show(LotView lot, BenchPages.Asked asked, Authentication who, Model model) {
        BenchView view = pages.page(lot, asked, who.getName());
        // What has to be confirmed and heeded before breaking is nothing to the calipers.
        boolean breaking = view.step().equals(BenchPages.BREAK) && view.station() != null;
        Method method =
                view.station() == null ? Methods.usual() : method(view.station().id());
        boolean confirmed = breaking && confirmations.isConfirmed(who.getName(), method);
        model.addAttribute("confirmed", confirmed);
        model.addAttribute("points", breaking && !confirmed ? points(lot, method) : List.of());
        model.addAttribute(
                "caution", breaking ? products.product(lot.productId()).caution() : "");
        model.addAttribute("connected", !asked.part() && lines.any());
        model.addAttribute("due", asked.part() ? List.of() : due.of(lot));
        model.addAttribute("lot", lot);
        model.addAttribute("bench", view);
        model.addAttribute(
                "refusal", asked.refused() == null ? null : asked.refused().refusal());
        if (!asked.part()) {
            return "bench/bench";
        }
        model.addAttribute("changed", view.rows());
        return "bench/stroke";
    }
}
