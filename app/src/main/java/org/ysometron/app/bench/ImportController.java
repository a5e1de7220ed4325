package org.ysometron.app.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;

@Controller
class ImportController {

    /** Megabytes of a file of readings, which has a thousand rows at the most. */
    private static final int LARGEST_FILE = 2;

    private final Lots lots;
    private final Imports imports;
    private final Instruments instruments;
    private final BenchPages pages;

    ImportController(Lots lots, Imports imports, Instruments instruments, BenchPages pages) {
        this.pages = pages;
        this.lots = lots;
        this.imports = imports;
        this.instruments = instruments;
    }

    @GetMapping("/lots/{code}/import")
    String page(@PathVariable String code, Model model) {
        return show(lots.named(code), null, model);
    }

    /** A file with the lot's specimens in it, to be filled in. */
    @GetMapping("/lots/{code}/import/blank.csv")
    ResponseEntity<String> blank(@PathVariable String code) {
        LotView lot = lots.named(code);
        StringBuilder text = new StringBuilder("specimen,width_1 [mm],width_2 [mm],width_3 [mm],"
                + "thickness_1 [mm],thickness_2 [mm],thickness_3 [mm],force [N],outcome\r\n");
        for (SpecimenView specimen : lots.specimens(lot.id())) {
            if (!Bench.isReduced(specimen)) {
                continue;
            }
            text.append(lot.code()).append('-').append(specimen.label()).append(",,,,,,,,\r\n");
        }
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", java.nio.charset.StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"" + lot.code() + "-readings.csv\"")
                .body(text.toString());
    }

    @PostMapping("/lots/{code}/import")
    String stage(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @RequestParam(defaultValue = "0") long gauge,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        try {
            if (file == null || file.isEmpty()) {
                throw new Refusal("file", "Choose a file first; an empty one cannot be read.");
            }
            long id = imports.stage(
                    lot,
                    SentFile.name(file, "readings.csv"),
                    SentFile.content("file", file, LARGEST_FILE),
                    gauge,
                    by.getName());
            return "redirect:/lots/" + code + "/import/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            return show(lot, refusal, model);
        }
    }

    @GetMapping("/lots/{code}/import/{id}")
    String preview(@PathVariable String code, @PathVariable long id, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("preview", imports.preview(lot, id));
        return "bench/import-preview";
    }

    @PostMapping("/lots/{code}/import/{id}")
    String take(@PathVariable String code, @PathVariable long id, Authentication by) {
        imports.take(lots.named(code), id, by.getName());
        return "redirect:/lots/" + code + "/evidence";
    }

    private String show(LotView lot, @Nullable Refusal refusal, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("gauges", instruments.gauges());
        model.addAttribute("usual", pages.usualGauge(lot));
        model.addAttribute("refusal", refusal);
        return "bench/import";
    }
}
