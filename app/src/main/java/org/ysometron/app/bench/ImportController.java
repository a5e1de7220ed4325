package org.ysometron.app.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
import org.ysometron.core.method.Method;
import org.ysometron.core.reading.Field;

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
    String page(@PathVariable String code, @RequestParam(defaultValue = "0") long again, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("pasted", again == 0 ? "" : imports.text(lot, again));
        return show(lot, null, model);
    }

    /**
     * A file with the lot's specimens in it, to be filled in.
     *
     * @param method id of the only one wanted; empty for all
     */
    @GetMapping("/lots/{code}/import/blank.csv")
    ResponseEntity<String> blank(@PathVariable String code, @RequestParam(defaultValue = "") String method) {
        LotView lot = lots.named(code);
        List<BenchPages.Key> columns = BenchPages.Key.all(columns(pages.methods(lot).stream()
                .filter(one -> method.isEmpty() || one.data().id().equals(method))
                .toList()));
        StringBuilder text = new StringBuilder("specimen");
        columns.forEach(column -> text.append(',').append(column.column()));
        text.append(",outcome\r\n");
        for (SpecimenView specimen : lots.specimens(lot.id())) {
            if (!method.isEmpty() && !specimen.conditions().method().equals(method)) {
                continue;
            }
            text.append(lot.code()).append('-').append(specimen.label()).append(",".repeat(columns.size() + 1));
            text.append("\r\n");
        }
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"" + lot.code() + "-readings.csv\"")
                .body(text.toString());
    }

    /** The fields of these methods, each once. */
    private static List<Field> columns(List<Method> methods) {
        Map<String, Field> columns = new LinkedHashMap<>();
        for (Method method : methods) {
            method.data().sheet().asked().forEach(field -> columns.putIfAbsent(field.key(), field));
        }
        return List.copyOf(columns.values());
    }

    @PostMapping("/lots/{code}/import")
    String stage(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @RequestParam(defaultValue = "") String pasted,
            @RequestParam(defaultValue = "") String into,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "0") long gauge,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        try {
            boolean none = file == null || file.isEmpty();
            if (none && pasted.isBlank()) {
                throw new Refusal("file", "Choose a file, or paste a block of cells; an empty one cannot be read.");
            }
            if (!none && !pasted.isBlank()) {
                throw new Refusal("file", "A file and a pasted block were sent together: one of them, please.");
            }
            if (gauge == 0) {
                throw new Refusal(
                        "file", "Choose what the tests were read on; where nothing is offered, register it first.");
            }
            long id = none || file == null
                    ? imports.stage(
                            lot,
                            "pasted cells",
                            headed(lot, pasted, into, from).getBytes(StandardCharsets.UTF_8),
                            gauge,
                            by.getName())
                    : imports.stage(
                            lot,
                            SentFile.name(file, "readings.csv"),
                            SentFile.content("file", file, LARGEST_FILE),
                            gauge,
                            by.getName());
            return "redirect:/lots/" + code + "/import/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("pasted", pasted);
            model.addAttribute("into", into);
            model.addAttribute("from", from);
            return show(lot, refusal, model);
        }
    }

    /** The block as it was pasted, or with the head that it came without. */
    private String headed(LotView lot, String pasted, String into, String from) {
        if (into.isBlank()) {
            return pasted;
        }
        Method method = pages.methods(lot).stream()
                .filter(one -> into.startsWith(one.data().id() + "/"))
                .findFirst()
                .orElseThrow(() -> new Refusal("into", "Choose which reading the first column holds."));
        List<String> labels = pages.labels(lot, method);
        String first = from.strip().toUpperCase(Locale.ROOT);
        int at = first.isEmpty() ? 0 : labels.indexOf(first);
        if (at < 0) {
            throw new Refusal(
                    "from",
                    "'" + from.strip() + "' is no specimen of " + method.data().title() + " in this lot.");
        }
        return BareCells.headed(pasted, method, into, labels.subList(at, labels.size()));
    }

    @GetMapping("/lots/{code}/import/{id}")
    String preview(@PathVariable String code, @PathVariable long id, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("preview", imports.preview(lot, id));
        return "bench/import-preview";
    }

    @PostMapping("/lots/{code}/import/{id}")
    String take(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "false") boolean meant,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            imports.take(lot, id, meant, by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("refusal", refusal);
            return preview(code, id, model);
        }
        return "redirect:/lots/" + code + "/evidence";
    }

    private String show(LotView lot, @Nullable Refusal refusal, Model model) {
        model.addAttribute("lot", lot);
        List<Method> methods = pages.methods(lot);
        model.addAttribute("columns", columns(methods));
        model.addAttribute("methods", methods);
        Map<String, List<BareCells.Start>> starts = new LinkedHashMap<>();
        methods.forEach(method -> starts.put(method.data().title(), BareCells.starts(method)));
        model.addAttribute("starts", starts);
        model.addAttribute("labels", pages.labels(lot, methods.get(0)));
        model.addAttribute(
                "gauges",
                methods.stream()
                        .flatMap(method -> instruments.serving(method.data().equipment()).stream())
                        .distinct()
                        .toList());
        model.addAttribute("usual", pages.usualGauge(lot, methods.get(0)));
        model.addAttribute("refusal", refusal);
        return "bench/import";
    }
}
