package org.ysometron.app.equipment;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.equipment.Calibrations.CalibrationView;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Calibration.Coverage;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

@Controller
class EquipmentController {

    private final Instruments instruments;
    private final Calibrations calibrations;

    EquipmentController(Instruments instruments, Calibrations calibrations) {
        this.instruments = instruments;
        this.calibrations = calibrations;
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

    @PostMapping("/equipment/calibrations")
    @PreAuthorize("hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')")
    String calibrate(
            @RequestParam(defaultValue = "0") long instrument,
            @RequestParam(defaultValue = "") String doneOn,
            @RequestParam(defaultValue = "") String dueOn,
            @RequestParam(defaultValue = "") String certificate,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        LocalDate done = problems.date("doneOn", doneOn);
        LocalDate due = problems.date("dueOn", dueOn);
        String paper = problems.text("certificate", certificate, "The certificate's number", 120, true);
        if (problems.none() && done != null && due != null) {
            try {
                calibrations.enter(instrument, done, due, paper, by.getName());
                return "redirect:/equipment";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        model.addAttribute("calibrated", instrument);
        model.addAttribute("typedDone", doneOn);
        model.addAttribute("typedDue", dueOn);
        model.addAttribute("typedCertificate", certificate);
        return show(model, new Form("", "", ""), problems);
    }

    /** An instrument with how its calibration stands today. */
    record Row(InstrumentView instrument, String calibration, boolean out) {}

    private List<Row> rows() {
        Map<Long, List<CalibrationView>> all = calibrations.all();
        List<Row> rows = new ArrayList<>();
        for (InstrumentView instrument : instruments.all()) {
            List<CalibrationView> own = all.getOrDefault(instrument.id(), List.of());
            boolean out = calibrations.today(instrument.id()) == Coverage.OUT;
            rows.add(new Row(
                    instrument,
                    own.isEmpty()
                            ? "none on record"
                            : (out ? "out of calibration, was due " : "due ")
                                    + own.get(0).dueOn() + ", certificate "
                                    + own.get(0).certificate() + " of "
                                    + own.get(0).doneOn(),
                    out));
        }
        return rows;
    }

    private String show(Model model, Form form, Problems problems) {
        model.addAttribute("rows", rows());
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
