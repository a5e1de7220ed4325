package org.ysometron.app.equipment;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Sent;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.quantity.Dimension;

/** What printers can do, and the log of what was done to equipment. */
@Controller
class PrinterController {

    private final Printers printers;
    private final Upkeep upkeep;
    private final Irradiances irradiances;
    private final EquipmentController pages;

    PrinterController(Printers printers, Upkeep upkeep, Irradiances irradiances, EquipmentController pages) {
        this.irradiances = irradiances;
        this.printers = printers;
        this.upkeep = upkeep;
        this.pages = pages;
    }

    @PostMapping("/equipment/{id}/limits")
    @PreAuthorize("hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')")
    String limit(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Sent form = new Sent(sent, new Problems(), "limits");
        OptionalDouble nozzle = form.inForm("nozzleMost", "Hottest nozzle").quantity(Dimension.TEMPERATURE);
        OptionalDouble bed = form.inForm("bedMost", "Hottest bed").quantity(Dimension.TEMPERATURE);
        OptionalDouble chamber = form.inForm("chamberMost", "Hottest chamber").quantity(Dimension.TEMPERATURE);
        OptionalDouble width = form.inForm("plateWidth", "Width of the plate").quantity(Dimension.LENGTH);
        OptionalDouble depth = form.inForm("plateDepth", "Depth of the plate").quantity(Dimension.LENGTH);
        if (form.isRight()) {
            try {
                printers.set(
                        id,
                        new PrinterLimits(
                                nozzle, bed, chamber, form.ticked("hardened"), form.ticked("lined"), width, depth),
                        by.getName());
                return "redirect:/equipment/" + id;
            } catch (IllegalArgumentException outside) {
                form.wrong("Not taken: " + outside.getMessage() + ".");
            } catch (Refusal refusal) {
                form.problems().add(refusal);
            }
        }
        return refused(id, form, model, response);
    }

    @PostMapping("/equipment/{id}/upkeep")
    @PreAuthorize("hasAuthority('ENTRY')")
    String enter(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Sent form = new Sent(sent, new Problems(), "upkeep");
        LocalDate done = form.problems().date("upkeep", form.raw("doneOn"));
        Optional<Upkeep.Kind> kind = form.inForm("what", "What was done").choice(Upkeep.Kind.values());
        if (kind.isEmpty()) {
            form.wrong("Choose what was done.");
        } else if (form.isRight() && done != null) {
            try {
                upkeep.enter(
                        id, kind.get(), done, form.raw("words"), form.raw("measured"), form.request(), by.getName());
                return "redirect:/equipment/" + id + "#upkeep";
            } catch (Refusal refusal) {
                form.problems().add(refusal);
            }
        }
        return refused(id, form, model, response);
    }

    @PostMapping("/equipment/{id}/irradiance")
    @PreAuthorize("hasAuthority('ENTRY')")
    String irradiate(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Sent form = new Sent(sent, new Problems(), "irradiance");
        LocalDate measured = form.problems().date("irradiance", form.raw("measuredOn"));
        if (form.isRight() && measured != null) {
            try {
                irradiances.enter(
                        id,
                        form.raw("places")
                                .lines()
                                .flatMap(line -> Arrays.stream(line.split(";")))
                                .map(String::strip)
                                .filter(text -> !text.isEmpty())
                                .toList(),
                        measured,
                        by.getName());
                return "redirect:/equipment/" + id + "#irradiance";
            } catch (Refusal refusal) {
                form.problems().add(refusal);
            }
        }
        return refused(id, form, model, response);
    }

    private String refused(long id, Sent form, Model model, HttpServletResponse response) {
        response.setStatus(422);
        return pages.one(id, form.problems(), new HashMap<>(form.typed()), model);
    }
}
