package org.ysometron.app.lot;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.publication.Family;

@Controller
class LotController {

    private final Lots lots;
    private final Products products;
    private final Samples samples;
    private final Clock clock;

    LotController(Lots lots, Products products, Samples samples, Clock clock) {
        this.lots = lots;
        this.samples = samples;
        this.products = products;
        this.clock = clock;
    }

    /** A lot as typed. */
    record Form(
            @Nullable String code,
            @Nullable String product,
            @Nullable String colour,
            @Nullable String madeOn,
            @Nullable String size,
            @Nullable String note,
            @Nullable String line,
            @Nullable String regrind,
            @Nullable String formulation,
            @Nullable String grade,
            @Nullable String masterbatchShare,
            @Nullable String polymer,
            @Nullable String fibre,
            @Nullable String masterbatch,
            @Nullable String photoinitiator) {

        static Form blank(LocalDate today) {
            return new Form("", "", "", today.toString(), "", "", "", "", "", "", "", "", "", "", "");
        }

        Lots.Origin origin(Problems problems) {
            Entry share = problems.entry("regrind", "The share of regrind", regrind);
            String stated = share.text(20);
            if (share.share().isPresent() && !stated.endsWith("%")) {
                stated = stated + " %";
            }
            List<Lots.RawMaterial> raw = new ArrayList<>();
            add(raw, Lots.RawMaterial.Kind.POLYMER, polymer, problems);
            add(raw, Lots.RawMaterial.Kind.FIBRE, fibre, problems);
            add(raw, Lots.RawMaterial.Kind.COLOUR, masterbatch, problems);
            add(raw, Lots.RawMaterial.Kind.PHOTOINITIATOR, photoinitiator, problems);
            return new Lots.Origin(
                    problems.text("line", line, "The line", 60, false),
                    stated,
                    Blends.read(formulation, grade, masterbatchShare, problems),
                    raw);
        }

        private static void add(
                List<Lots.RawMaterial> raw, Lots.RawMaterial.Kind kind, @Nullable String codes, Problems problems) {
            for (String code :
                    problems.entry("raw", "The raw-material lots", codes).list()) {
                if (code.length() > 60) {
                    problems.add("raw", "A raw-material lot has at most 60 characters.");
                } else {
                    raw.add(new Lots.RawMaterial(kind, code));
                }
            }
        }
    }

    @GetMapping("/lots/new")
    String blank(Model model) {
        return form(model, Form.blank(LocalDate.now(clock)), new Problems());
    }

    @PostMapping("/lots/new")
    String enter(Form form, Authentication by, Model model, HttpServletResponse response) {
        Problems problems = new Problems();
        String code = problems.text("code", form.code(), "The lot's code", 40, true);
        if (!code.isEmpty() && (!code.matches("[A-Za-z0-9][A-Za-z0-9._-]*") || code.equals("new"))) {
            problems.add("code", "A code has letters, digits, dots, dashes and underscores only, for example SK-2648.");
        }
        // Product and colour are chosen together, for not every product is made in every colour.
        String chosen = problems.text("product", form.product(), "The product", 100, true);
        String size = problems.text("size", form.size(), "The size", 60, false);
        String note = problems.text("note", form.note(), "The note", 1000, false);
        LocalDate madeOn = problems.date("madeOn", form.madeOn());
        Lots.Origin origin = form.origin(problems);
        if (problems.none() && madeOn != null) {
            int bar = chosen.indexOf('|');
            String product = bar < 0 ? chosen : chosen.substring(0, bar);
            String colour = bar < 0 ? String.valueOf(form.colour()) : chosen.substring(bar + 1);
            try {
                lots.enter(new Lots.NewLot(code, product, colour, madeOn, size, note, origin), by.getName());
                return "redirect:/lots/" + code;
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return form(model, form, problems);
    }

    @PostMapping("/lots/{code}/sets")
    String addSet(
            @PathVariable String code, SetForm form, Authentication by, Model model, HttpServletResponse response) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        boolean resin = products.product(lot.productId()).family() == Family.RESIN;
        Lots.NewSet set = form.read(resin, problems);
        if (problems.none()) {
            try {
                lots.addSet(lot.id(), set, by.getName());
                return "redirect:/lots/" + code + "#specimens";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        model.addAttribute("lot", lot);
        SetForm.show(model, form, samples.of(lot.id()), resin, problems);
        return "lot/set";
    }

    /** More of a set that was tested: what a page asks for, done where it asks. */
    @PostMapping("/lots/{code}/sets/{set}/more")
    String addToSet(
            @PathVariable String code,
            @PathVariable long set,
            @RequestParam(defaultValue = "0") int count,
            @RequestParam(defaultValue = "") String request,
            Authentication by) {
        LotView lot = lots.named(code);
        if (request.length() < 8 || request.length() > 60) {
            throw new Refusal("request", "This form is not one of ours; load the page again.");
        }
        lots.addToSet(lot, set, count, request, by.getName());
        return "redirect:/lots/" + code + "/bench";
    }

    @PostMapping("/lots/{code}/samples")
    String draw(
            @PathVariable String code, SampleForm form, Authentication by, Model model, HttpServletResponse response) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        Samples.NewSample sample = form.read(LocalDate.now(clock), problems);
        if (problems.none() && sample != null) {
            try {
                samples.draw(lot, sample, by.getName());
                return "redirect:/lots/" + code + "/intake#samples";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        model.addAttribute("lot", lot);
        SampleForm.show(model, form, problems);
        return "lot/sample";
    }

    /** Forwards from a lot of raw material to the lots made of it. */
    @GetMapping("/raw")
    String forwards(@RequestParam String code, Model model) {
        model.addAttribute("raw", code);
        model.addAttribute("made", lots.madeFrom(code));
        return "lot/raw";
    }

    private String form(Model model, Form form, Problems problems) {
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("formulations", lots.formulations());
        model.addAttribute("masterbatches", lots.masterbatches());
        model.addAttribute("products", products.all());
        return "lot/new";
    }
}
