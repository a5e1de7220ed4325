package org.ysometron.app.lot;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;

@Controller
class LotController {

    private final Lots lots;
    private final Products products;
    private final Clock clock;

    LotController(Lots lots, Products products, Clock clock) {
        this.lots = lots;
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
            @Nullable String note) {}

    @GetMapping("/lots/new")
    String blank(Model model) {
        return form(model, new Form("", "", "", LocalDate.now(clock).toString(), "", ""), new Problems());
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
        LocalDate madeOn = date(form.madeOn(), problems);
        if (problems.none() && madeOn != null) {
            int bar = chosen.indexOf('|');
            String product = bar < 0 ? chosen : chosen.substring(0, bar);
            String colour = bar < 0 ? String.valueOf(form.colour()) : chosen.substring(bar + 1);
            try {
                lots.enter(new Lots.NewLot(code, product, colour, madeOn, size, note), by.getName());
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
        Lots.NewSet set = form.read(problems);
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
        SetForm.show(model, form, problems);
        return "lot/set";
    }

    private String form(Model model, Form form, Problems problems) {
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("products", products.all());
        return "lot/new";
    }

    private static @Nullable LocalDate date(@Nullable String typed, Problems problems) {
        try {
            return LocalDate.parse(String.valueOf(typed).strip());
        } catch (DateTimeParseException notADate) {
            problems.add("madeOn", "'" + typed + "' is not a date; expected for example 2026-03-14.");
            return null;
        }
    }
}
