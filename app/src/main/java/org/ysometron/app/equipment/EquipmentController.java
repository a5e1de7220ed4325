package org.ysometron.app.equipment;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.ysometron.app.equipment.Calibrations.CalibrationView;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.method.Calibration.Coverage;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.working.Figures;

/** The register, one piece of equipment, its calibrations and its check standards. */
@Controller
class EquipmentController {

    /** Megabytes of a calibration certificate. */
    private static final int LARGEST_PAPER = 8;

    /** Megabytes of a list. */
    private static final int LARGEST_LIST = 1;

    private static final String MAY_CHANGE = "hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')";

    private final Instruments instruments;
    private final Calibrations calibrations;
    private final CheckStandards standards;
    private final EquipmentList equipment;
    private final Printers printers;
    private final Upkeep upkeep;
    private final Irradiances irradiances;

    EquipmentController(
            Instruments instruments,
            Calibrations calibrations,
            CheckStandards standards,
            EquipmentList equipment,
            Printers printers,
            Upkeep upkeep,
            Irradiances irradiances) {
        this.irradiances = irradiances;
        this.printers = printers;
        this.upkeep = upkeep;
        this.equipment = equipment;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.standards = standards;
    }

    @GetMapping("/equipment")
    String page(Model model) {
        return show(model, InstrumentForm.BLANK, new Problems());
    }

    @PostMapping("/equipment")
    @PreAuthorize(MAY_CHANGE)
    String register(InstrumentForm form, Model model, HttpServletResponse response) {
        Problems problems = new Problems();
        Instruments.NewInstrument read = form.read(problems);
        if (problems.none()) {
            try {
                instruments.register(read);
                return "redirect:/equipment";
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return show(model, form, problems);
    }

    /** A register from a spreadsheet. */
    @PostMapping("/equipment/list")
    @PreAuthorize(MAY_CHANGE)
    String list(
            @RequestParam(defaultValue = "") String rows,
            @RequestParam(required = false) @Nullable MultipartFile list,
            Authentication by,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Problems problems = new Problems();
        try {
            equipment.take(SentFile.text("file", list, rows, LARGEST_LIST), by.getName());
            return "redirect:/equipment";
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("typedRows", rows);
            model.addAttribute("listProblem", refusal.words());
        }
        return show(model, InstrumentForm.BLANK, problems);
    }

    @PostMapping("/equipment/calibrations")
    @PreAuthorize(MAY_CHANGE)
    String calibrate(
            @RequestParam(defaultValue = "0") long instrument,
            @RequestParam(defaultValue = "") String doneOn,
            @RequestParam(defaultValue = "") String dueOn,
            @RequestParam(defaultValue = "") String certificate,
            @RequestParam(defaultValue = "") String verified,
            @RequestParam(required = false) @Nullable MultipartFile file,
            Authentication by,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Problems problems = new Problems();
        LocalDate done = problems.date("doneOn", doneOn);
        LocalDate due = problems.date("dueOn", dueOn);
        String paper = problems.text("certificate", certificate, "The certificate's number", 120, true);
        OptionalDouble most = verified.isBlank()
                ? OptionalDouble.empty()
                : problems.entry("verified", "It", verified)
                        .neededQuantity(InstrumentForm.unit(
                                instruments.instrument(instrument).kind()));
        if (problems.none() && done != null && due != null) {
            try {
                calibrations.enter(
                        instrument, new Calibrations.NewCalibration(done, due, paper, most, paper(file)), by.getName());
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
        model.addAttribute("typedVerified", verified);
        return show(model, InstrumentForm.BLANK, problems);
    }

    /** The certificate as it was handed over. */
    @GetMapping("/equipment/calibrations/{id}/certificate")
    ResponseEntity<byte[]> certificate(@PathVariable long id) {
        Calibrations.Paper paper = calibrations.paper(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + paper.name().replaceAll("[^A-Za-z0-9._ -]", "_") + "\"")
                .body(paper.content());
    }

    @GetMapping("/equipment/{id:\\d+}")
    String one(@PathVariable long id, Model model) {
        return one(id, new Problems(), Map.of(), model);
    }

    @PostMapping("/equipment/{id}/rig")
    @PreAuthorize(MAY_CHANGE)
    String hang(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String rig,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        String name = problems.text("rig", rig, "The rig", 80, true);
        if (problems.none()) {
            instruments.instrument(id);
            instruments.hang(id, name);
            return "redirect:/equipment/" + id;
        }
        response.setStatus(422);
        return one(id, problems, Map.of("rig", rig), model);
    }

    @PostMapping("/equipment/{id}/serial")
    @PreAuthorize(MAY_CHANGE)
    String number(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String serial,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        String number = problems.text("serial", serial, "The serial number", 40, false);
        try {
            problems.refuse();
            instruments.number(id, number);
            return "redirect:/equipment/" + id;
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return one(id, problems, Map.of("serial", serial), model);
    }

    @PostMapping("/equipment/{id}/standards")
    @PreAuthorize(MAY_CHANGE)
    String keep(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String standard,
            @RequestParam(defaultValue = "") String nominal,
            @RequestParam(defaultValue = "") String tolerance,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        InstrumentView instrument = instruments.instrument(id);
        String name = problems.text("standard", standard, "The standard's name", 80, true);
        OptionalDouble value =
                problems.entry("nominal", "It", nominal).neededQuantity(InstrumentForm.unit(instrument.kind()));
        OptionalDouble most =
                problems.entry("tolerance", "It", tolerance).neededQuantity(InstrumentForm.unit(instrument.kind()));
        if (problems.none()) {
            try {
                standards.keep(
                        id,
                        name,
                        value.orElseThrow(),
                        most.orElseThrow(),
                        InstrumentForm.unit(instrument.kind()).symbol());
                return "redirect:/equipment/" + id;
            } catch (Refusal refusal) {
                problems.add(refusal);
            }
        }
        response.setStatus(422);
        return one(id, problems, Map.of("standard", standard, "nominal", nominal, "tolerance", tolerance), model);
    }

    @PostMapping("/equipment/standards/{id}/readings")
    @PreAuthorize("hasAuthority('ENTRY')")
    String read(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String reading,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        long instrument = standards.instrumentOf(id);
        try {
            standards.read(id, reading, by.getName(), null);
            return "redirect:/equipment/" + instrument;
        } catch (Refusal refusal) {
            Problems problems = new Problems();
            problems.add("reading-" + id, refusal.words());
            response.setStatus(422);
            return one(instrument, problems, Map.of("reading-" + id, reading), model);
        }
    }

    String one(long id, Problems problems, Map<String, String> typed, Model model) {
        InstrumentView instrument = instruments.instrument(id);
        model.addAttribute("instrument", instrument);
        model.addAttribute("facts", InstrumentForm.facts(instrument));
        model.addAttribute("calibrations", calibrations.all().getOrDefault(id, List.of()));
        model.addAttribute("standards", standards.of(id));
        model.addAttribute("limits", limits(printers.limits(id), problems.none() ? Map.of() : typed));
        model.addAttribute("irradiances", irradiances.of(id).descendingMap());
        model.addAttribute("upkeep", upkeep.of(id));
        model.addAttribute("upkeepKinds", Upkeep.kinds());
        model.addAttribute("request", UUID.randomUUID().toString());
        model.addAttribute("unit", InstrumentForm.unit(instrument.kind()).symbol());
        model.addAttribute("problems", problems);
        model.addAttribute("typed", typed);
        return "equipment/one";
    }

    /** The limits as they are typed: what was sent, else what is known. */
    private static Map<String, String> limits(PrinterLimits known, Map<String, String> sent) {
        if (!sent.isEmpty()) {
            return sent;
        }
        Map<String, String> typed = new HashMap<>();
        put(typed, "nozzleMost", known.nozzleMost(), " °C");
        put(typed, "bedMost", known.bedMost(), " °C");
        put(typed, "chamberMost", known.chamberMost(), " °C");
        put(typed, "plateWidth", known.plateWidth(), " mm");
        put(typed, "plateDepth", known.plateDepth(), " mm");
        typed.put("hardened", known.hardened() ? "yes" : "");
        typed.put("lined", known.lined() ? "yes" : "");
        return typed;
    }

    private static void put(Map<String, String> typed, String key, OptionalDouble value, String unit) {
        value.ifPresent(known -> typed.put(key, Figures.plain(known, 5) + unit));
    }

    /** An instrument with how its calibration stands today. */
    record Row(
            InstrumentView instrument,
            String facts,
            String capacity,
            String uncertainty,
            String calibration,
            boolean out,
            boolean suspect) {}

    private List<Row> rows() {
        Map<Long, List<CalibrationView>> all = calibrations.all();
        List<Row> rows = new ArrayList<>();
        for (InstrumentView instrument : instruments.all()) {
            List<CalibrationView> own = all.getOrDefault(instrument.id(), List.of());
            boolean out = calibrations.today(instrument.id()) == Coverage.OUT;
            rows.add(new Row(
                    instrument,
                    String.join(", ", InstrumentForm.facts(instrument)),
                    InstrumentForm.capacity(instrument),
                    InstrumentForm.uncertainty(instrument),
                    own.isEmpty()
                            ? instrument.kind().station().isPresent() ? "" : "none on record"
                            : (out ? "out of calibration, was due " : "due ")
                                    + own.get(0).dueOn() + ", certificate "
                                    + own.get(0).certificate() + " of "
                                    + own.get(0).doneOn(),
                    out,
                    !standards.faults(instrument.id()).isEmpty()));
        }
        return rows;
    }

    private String show(Model model, InstrumentForm form, Problems problems) {
        model.addAttribute("rows", rows());
        model.addAttribute("form", form);
        model.addAttribute("kinds", Kind.values());
        model.addAttribute("columns", String.join(", ", EquipmentList.COLUMNS));
        model.addAttribute("problems", problems);
        return "equipment/list";
    }

    private static Calibrations.Paper paper(@Nullable MultipartFile file) throws IOException {
        if (file == null || file.isEmpty()) {
            return Calibrations.Paper.NONE;
        }
        return new Calibrations.Paper(
                SentFile.name(file, "certificate"),
                "application/octet-stream",
                SentFile.content("file", file, LARGEST_PAPER));
    }
}
