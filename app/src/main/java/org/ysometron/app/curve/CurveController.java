package org.ysometron.app.curve;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
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
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.Method;

/** Records of a lot: taken in from files, drawn, and argued about. */
@Controller
class CurveController {

    /** Megabytes of one file. */
    private static final int LARGEST_FILE = 30;

    private final Lots lots;
    private final Bench bench;
    private final Uploads uploads;
    private final Records records;
    private final Curves curves;
    private final Instruments instruments;

    CurveController(Lots lots, Bench bench, Uploads uploads, Records records, Curves curves, Instruments instruments) {
        this.lots = lots;
        this.bench = bench;
        this.uploads = uploads;
        this.records = records;
        this.curves = curves;
        this.instruments = instruments;
    }

    @GetMapping("/lots/{code}/records")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String set,
            @RequestParam(defaultValue = "") List<String> beside,
            @RequestParam(defaultValue = "") String method,
            Model model) {
        return show(lots.named(code), set, beside, method, null, model);
    }

    private String show(
            LotView lot, String set, List<String> beside, String method, @Nullable Refusal refusal, Model model) {
        List<Curves.Group> groups = curves.groups(lot);
        Optional<Curves.Group> shown = groups.stream()
                .filter(group -> set.isEmpty() || group.key().equals(set))
                .findFirst()
                .or(() -> groups.stream().findFirst());
        List<Method> methods = methods(lot);
        Optional<Method> chosen = methods.stream()
                .filter(one -> method.isEmpty() || one.data().id().equals(method))
                .findFirst();
        model.addAttribute("lot", lot);
        model.addAttribute("groups", groups);
        model.addAttribute("group", shown.orElse(null));
        model.addAttribute(
                "others", shown.map(group -> curves.others(lot, group)).orElse(List.of()));
        model.addAttribute("beside", beside);
        model.addAttribute("methods", methods);
        model.addAttribute("method", chosen.orElse(null));
        // Which method it is may be chosen on the page: gauges and profiles of all of them are there to choose.
        model.addAttribute(
                "gauges",
                methods.stream()
                        .flatMap(one -> instruments.reading(one.data()).stream())
                        .distinct()
                        .toList());
        model.addAttribute(
                "profiles",
                methods.stream()
                        .flatMap(one -> uploads.profiles(one).stream())
                        .distinct()
                        .toList());
        model.addAttribute(
                "held",
                methods.stream()
                        .anyMatch(one ->
                                one.data().recorded().orElseThrow().loading().isHeld()));
        model.addAttribute("kinds", Piece.By.values());
        model.addAttribute("seconds", Second.values());
        model.addAttribute("refusal", refusal);
        return "curve/records";
    }

    /** The methods of the lot that take a record, each once. */
    private List<Method> methods(LotView lot) {
        return bench.records(lot.id()).stream()
                .map(record -> record.method())
                .filter(one -> one.data().recorded().isPresent())
                .distinct()
                .toList();
    }

    /** A set overlaid, as its canvas draws it. */
    @GetMapping("/lots/{code}/records/sets/{set}")
    @ResponseBody
    Curves.Sheet sheet(
            @PathVariable String code, @PathVariable String set, @RequestParam(defaultValue = "") List<String> beside) {
        return sheet(lots.named(code), set, beside);
    }

    private Curves.Sheet sheet(LotView lot, String set, List<String> beside) {
        return curves.sheet(
                group(lot, set),
                beside.stream().flatMap(other -> lots.find(other).stream()).toList());
    }

    private Curves.Group group(LotView lot, String set) {
        return curves.groups(lot).stream()
                .filter(group -> group.key().equals(set))
                .findFirst()
                .orElseThrow(() -> new NotFound("records of set '" + set + "' in lot " + lot.code()));
    }

    @GetMapping("/lots/{code}/records/sets/{set}/drawing.svg")
    String drawing(
            @PathVariable String code,
            @PathVariable String set,
            @RequestParam(defaultValue = "") List<String> beside,
            HttpServletResponse response,
            Model model) {
        return vector(Drawing.of(sheet(lots.named(code), set, beside)), code + "-" + set, response, model);
    }

    @GetMapping("/lots/{code}/records/sets/{set}/curves.csv")
    ResponseEntity<String> csv(@PathVariable String code, @PathVariable String set) {
        return table(Curves.csv(sheet(lots.named(code), set, List.of())), code + "-" + set);
    }

    private static String vector(Drawing drawing, String name, HttpServletResponse response, Model model) {
        response.setContentType("image/svg+xml;charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"" + name + ".svg\"");
        model.addAttribute("drawing", drawing);
        return "curve/drawing";
    }

    private static ResponseEntity<String> table(String text, String name) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"" + name + ".csv\"")
                .body(text);
    }

    // ---- taking in
    // ---------------------------------------------------------------------------------------------------

    @PostMapping("/lots/{code}/records")
    String stage(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable List<MultipartFile> files,
            @RequestParam(defaultValue = "") String method,
            @RequestParam(defaultValue = "EXTENSOMETER") Piece.By by,
            @RequestParam(defaultValue = "NONE") Second second,
            @RequestParam(defaultValue = "0") long gauge,
            @RequestParam(defaultValue = "0") long profile,
            Authentication who,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        try {
            List<Uploads.Sent> sent = new ArrayList<>();
            for (MultipartFile file : files == null ? List.<MultipartFile>of() : files) {
                if (!file.isEmpty()) {
                    sent.add(new Uploads.Sent(
                            SentFile.name(file, "record.csv"), SentFile.content("files", file, LARGEST_FILE)));
                }
            }
            long id = uploads.stage(lot, new Uploads.Said(method, by, second, gauge, profile), sent, who.getName());
            return "redirect:/lots/" + code + "/records/uploads/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("by", by);
            model.addAttribute("second", second);
            model.addAttribute("gauge", gauge);
            return show(lot, "", List.of(), method, refusal, model);
        }
    }

    @GetMapping("/lots/{code}/records/uploads/{id}")
    String upload(@PathVariable String code, @PathVariable long id, Model model) {
        return look(lots.named(code), id, Map.of(), new Problems(), model);
    }

    private String look(LotView lot, long id, Map<String, String> chosen, Problems problems, Model model) {
        Uploads.Preview preview = uploads.preview(lot, id, chosen);
        model.addAttribute("lot", lot);
        model.addAttribute("preview", preview);
        model.addAttribute("ready", preview.isReady());
        model.addAttribute("roles", Layout.Role.of(preview.loading()));
        model.addAttribute("problems", problems);
        return "curve/upload";
    }

    /** What stands in which column, as a person says it is. */
    /** Looks at a test that an instrument streamed. */
    @PostMapping("/lots/{code}/records/streams")
    String streamed(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long stream,
            @RequestParam(defaultValue = "") String method,
            @RequestParam(defaultValue = "") String specimen,
            @RequestParam(defaultValue = "CROSSHEAD") Piece.By readBy,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            long id = uploads.stage(lot, method, readBy, stream, specimen, who.getName());
            return "redirect:/lots/" + code + "/records/uploads/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            return show(lot, "", List.of(), method, refusal, model);
        }
    }

    @PostMapping("/lots/{code}/records/uploads/{id}/layout")
    String layout(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        List<Uploads.Chosen> chosen = new ArrayList<>();
        sent.forEach((key, value) -> {
            if (key.matches("r-[0-9]{1,3}")) {
                int index = Integer.parseInt(key.substring(2));
                Layout.Role role = Arrays.stream(Layout.Role.values())
                        .filter(one -> one.name().equals(value))
                        .findFirst()
                        .orElse(null);
                chosen.add(new Uploads.Chosen(index, role, sent.getOrDefault("u-" + index, "")));
            }
        });
        try {
            uploads.layout(lot, id, chosen, sent.getOrDefault("profile", ""), by.getName());
            return "redirect:/lots/" + code + "/records/uploads/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            Problems problems = new Problems();
            problems.add(refusal);
            model.addAttribute("saidRoles", sent);
            return look(lot, id, Map.of(), problems, model);
        }
    }

    /** Stores what was looked at, or looks again with what was chosen since. */
    @PostMapping("/lots/{code}/records/uploads/{id}")
    String take(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        Map<String, String> chosen = new LinkedHashMap<>(sent);
        if (sent.containsKey("look")) {
            return look(lot, id, chosen, new Problems(), model);
        }
        try {
            boolean streamed = uploads.take(lot, id, chosen, by.getName());
            // Who tests at the frame goes on there.
            return "redirect:/lots/" + code + (streamed ? "/bench?step=break" : "/records");
        } catch (Refusal refusal) {
            response.setStatus(422);
            Problems problems = new Problems();
            problems.add(refusal);
            if (!refusal.field().startsWith("s-")) {
                // Of the bench: of none of this form's fields, and said all the same.
                problems.add("files", refusal.words());
            }
            return look(lot, id, chosen, problems, model);
        }
    }

    // ---- one record
    // --------------------------------------------------------------------------------------------------

    @GetMapping("/lots/{code}/records/{id}")
    String one(@PathVariable String code, @PathVariable long id, Model model) {
        return one(lots.named(code), id, new Problems(), model);
    }

    private String one(LotView lot, long id, Problems problems, Model model) {
        Records.RecordView record = records.one(lot, id);
        model.addAttribute("lot", lot);
        model.addAttribute("record", record);
        model.addAttribute(
                "loading", Worked.recorded(record.listed().specimen()).loading());
        model.addAttribute(
                "residuals",
                record.counting()
                        .worked()
                        .map(worked -> ResidualPlot.of(worked.found().analysis().slope()))
                        .orElse(null));
        model.addAttribute("yields", Rules.Yield.values());
        model.addAttribute("causes", Cause.values());
        model.addAttribute("problems", problems);
        return "curve/record";
    }

    @GetMapping("/lots/{code}/records/{id}/curve")
    @ResponseBody
    Curves.Sheet curve(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(required = false) @Nullable Double from,
            @RequestParam(required = false) @Nullable Double to) {
        Records.RecordView record = records.one(lots.named(code), id);
        return from == null || to == null ? curves.alone(record) : curves.alone(record, from, to);
    }

    @GetMapping("/lots/{code}/records/{id}/drawing.svg")
    String oneDrawing(@PathVariable String code, @PathVariable long id, HttpServletResponse response, Model model) {
        return vector(
                Drawing.of(counting(curves.alone(records.one(lots.named(code), id)))),
                code + "-record-" + id,
                response,
                model);
    }

    private static Curves.Sheet counting(Curves.Sheet sheet) {
        List<Curves.Curve> own =
                sheet.curves().stream().filter(Curves.Curve::counts).toList();
        return new Curves.Sheet(sheet.axes(), own.isEmpty() ? sheet.curves() : own, sheet.own(), sheet.others());
    }

    @GetMapping("/lots/{code}/records/{id}/curve.csv")
    ResponseEntity<String> oneCsv(@PathVariable String code, @PathVariable long id) {
        return table(records.one(lots.named(code), id).csv(), code + "-record-" + id);
    }

    /** The file as it came. */
    @GetMapping("/lots/{code}/records/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable String code, @PathVariable long id) {
        Map.Entry<String, byte[]> file =
                records.file(lots.named(code), id).orElseThrow(() -> new NotFound("a file of record " + id));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + file.getKey().replaceAll("[^A-Za-z0-9._-]", "_") + "\"")
                .body(file.getValue());
    }

    @PostMapping("/lots/{code}/records/{id}/analyses")
    String analyse(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(name = "yield", defaultValue = "FOUND") Rules.Yield rule,
            @RequestParam(defaultValue = "") String breakAt,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        Optional<Rules> rules = rules(from, to, rule, breakAt, problems);
        problems.reason("reason", reason, "The reason", 300);
        if (problems.none() && rules.isPresent()) {
            problems.gather(() -> records.analyse(lot, id, rules.get(), reason, by.getName()));
        }
        if (problems.none()) {
            return "redirect:/lots/" + code + "/records/" + id;
        }
        response.setStatus(422);
        model.addAttribute("typed", first(request));
        return one(lot, id, problems, model);
    }

    /** What was typed, to be shown again. */
    private static Map<String, String> first(HttpServletRequest request) {
        Map<String, String> typed = new LinkedHashMap<>();
        request.getParameterMap().forEach((key, values) -> typed.put(key, values[0]));
        return typed;
    }

    private static Optional<Rules> rules(String from, String to, Rules.Yield rule, String breakAt, Problems problems) {
        double first = problems.entry("from", "The first strain", from)
                .number(1, "0.0005")
                .orElse(Rules.USUAL.from());
        double last = problems.entry("to", "The second strain", to)
                .number(1, "0.0025")
                .orElse(Rules.USUAL.to());
        if (!breakAt.isBlank() && !breakAt.strip().matches("[0-9]{1,7}")) {
            problems.add("breakAt", "The break is a point of the record, counted from 0.");
        }
        if (!(last > first)) {
            problems.add("to", "The second strain lies above the first.");
        }
        if (!problems.none()) {
            return Optional.empty();
        }
        OptionalInt at = breakAt.isBlank() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(breakAt.strip()));
        return Optional.of(new Rules(first, last, rule, at));
    }

    /** Lets another analysis count. */
    @PostMapping("/lots/{code}/records/{id}/counting")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String count(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long analysis,
            @RequestParam(required = false) @Nullable Cause cause,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            records.count(lot, id, analysis, cause, reason, by.getName());
            return "redirect:/lots/" + code + "/records/" + id;
        } catch (Refusal refusal) {
            response.setStatus(422);
            Problems problems = new Problems();
            problems.add("count-" + refusal.field(), refusal.words());
            model.addAttribute("typed", first(request));
            return one(lot, id, problems, model);
        }
    }
}
