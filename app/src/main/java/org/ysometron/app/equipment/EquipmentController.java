package org.ysometron.app.equipment;

import jakarta.servlet.http.HttpServletResponse;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

@Controller
class EquipmentController {

    private final Instruments instruments;

    EquipmentController(Instruments instruments) {
        this.instruments = instruments;
    }

    /** An instrument as typed; calipers have no capacity. */
    record Form(
            @Nullable String name,
            @Nullable String capacity,
            @Nullable String uncertainty) {}

    @GetMapping("/equipment")
    String page(Model model) {
        return show(model, new Form("", "", ""), new Problems());
    }

    @PostMapping("/equipment")
    @PreAuthorize("hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')")
    String register(Form form, Model model, HttpServletResponse response) {
        Problems problems = new Problems();
        String name = problems.text("name", form.name(), "The name", 60, true);
        boolean calipers = form.capacity() == null || form.capacity().isBlank();
        double capacity = calipers ? 0 : read("capacity", "Capacity", form.capacity(), Dimension.FORCE, problems);
        Dimension uncertain = calipers ? Dimension.LENGTH : Dimension.RATIO;
        double uncertainty = read("uncertainty", "Uncertainty", form.uncertainty(), uncertain, problems);
        if (problems.none()) {
            try {
                if (calipers) {
                    instruments.registerCalipers(name, uncertainty);
                } else {
                    instruments.registerGauge(name, capacity, uncertainty);
                }
                return "redirect:/equipment";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return show(model, form, problems);
    }

    private String show(Model model, Form form, Problems problems) {
        model.addAttribute("instruments", instruments.all());
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        return "equipment/list";
    }

    private static double read(
            String field, String name, @Nullable String typed, Dimension dimension, Problems problems) {
        Typed read = Typed.read(name, typed == null ? "" : typed, UnitOfMeasure.working(dimension));
        if (read instanceof Typed.Accepted accepted) {
            return accepted.value();
        }
        problems.add(field, ((Typed.Refused) read).problem().beside());
        return 0;
    }
}
