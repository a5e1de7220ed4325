package org.ysometron.app.intake;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SampleForm;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;

/** The intake sheet of a lot. */
@Controller
class IntakeController {

    private final Lots lots;
    private final Intake intake;
    private final IntakePages pages;

    IntakeController(Lots lots, Intake intake, IntakePages pages) {
        this.lots = lots;
        this.intake = intake;
        this.pages = pages;
    }

    /** The form that is open on the sheet: which kind, what was typed, and what it corrects. */
    record OpenForm(
            RecordKind kind,
            Map<String, String> typed,
            @Nullable Long sample,
            @Nullable Long replaces,
            String reason,
            String request) {}

    @GetMapping("/lots/{code}/intake")
    String sheet(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable String form,
            @RequestParam(required = false) @Nullable Long correct,
            Model model) {
        LotView lot = lots.named(code);
        OpenForm open = null;
        if (correct != null) {
            Intake.RecordView wrong = intake.records(List.of(lot)).stream()
                    .filter(record -> record.id() == correct && record.live())
                    .findFirst()
                    .orElseThrow(() -> new NotFound("record " + correct + " of lot " + code));
            open = new OpenForm(wrong.kind(), wrong.entries(), wrong.sampleId(), correct, "", newRequest());
        } else if (form != null) {
            open = new OpenForm(kind(form), Map.of(), null, null, "", newRequest());
        }
        return show(lot, open, new Problems(), model);
    }

    @PostMapping("/lots/{code}/intake")
    String enter(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        RecordKind kind = kind(sent.getOrDefault("kind", ""));
        Map<String, String> typed = new LinkedHashMap<>();
        kind.fields().forEach(field -> typed.put(field.name(), sent.getOrDefault("f-" + field.name(), "")));
        OpenForm open = new OpenForm(
                kind,
                typed,
                number(sent.get("sample")),
                number(sent.get("replaces")),
                sent.getOrDefault("reason", ""),
                request(sent.get("request")));
        Problems problems = new Problems();
        intake.enter(
                lot,
                new Intake.NewRecord(open.request, kind, open.sample, typed, open.replaces, open.reason),
                by.getName(),
                problems);
        if (problems.none()) {
            return "redirect:/lots/" + code + "/intake#" + kind.name();
        }
        response.setStatus(422);
        return show(lot, open, problems, model);
    }

    private String show(LotView lot, @Nullable OpenForm open, Problems problems, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("sheet", pages.sheet(lot));
        model.addAttribute("open", open);
        model.addAttribute("problems", problems);
        model.addAttribute("job", UUID.randomUUID().toString());
        SampleForm.show(model, SampleForm.blank(), new Problems());
        return "intake/intake";
    }

    private static String newRequest() {
        return UUID.randomUUID().toString();
    }

    private static String request(@Nullable String given) {
        return given == null || given.isBlank() || given.length() > 40 ? newRequest() : given;
    }

    private static RecordKind kind(String name) {
        for (RecordKind kind : RecordKind.values()) {
            if (kind.name().equals(name)) {
                return kind;
            }
        }
        throw new NotFound("record of the kind '" + name + "'");
    }

    private static @Nullable Long number(@Nullable String text) {
        return text == null || !text.matches("\\d{1,18}") ? null : Long.valueOf(text);
    }
}
