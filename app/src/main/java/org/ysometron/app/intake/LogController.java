package org.ysometron.app.intake;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
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
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.dimension.DiameterLog;

/** Diameter logs: streamed in with their progress, drawn at any zoom. */
@Controller
class LogController {

    private final Lots lots;
    private final Logs logs;
    private final LogUploads uploads;
    private final LogChart chart;
    private final Winding winding;
    private final Samples samples;

    LogController(Lots lots, Logs logs, LogUploads uploads, LogChart chart, Winding winding, Samples samples) {
        this.winding = winding;
        this.samples = samples;
        this.lots = lots;
        this.logs = logs;
        this.uploads = uploads;
        this.chart = chart;
    }

    /** The file itself as the body of the request, read while it comes in. */
    @PostMapping(path = "/lots/{code}/logs/stream", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Map<String, Object>> stream(
            @PathVariable String code,
            @RequestParam String job,
            @RequestParam(defaultValue = "log.csv") String name,
            @RequestParam(required = false) @Nullable Long sample,
            Authentication by,
            HttpServletRequest request)
            throws IOException {
        LotView lot = lots.named(code);
        if (!job.matches("[A-Za-z0-9-]{8,40}")) {
            throw new Refusal("job", "This form is not one of ours; load the page again.");
        }
        return answer(code, uploads.read(lot, sample, name, request.getInputStream(), by.getName(), job));
    }

    /** How far an upload is, for the page that shows it; also how it ended when the answer itself was lost. */
    @GetMapping("/lots/{code}/logs/jobs/{job}")
    ResponseEntity<Map<String, Object>> progress(
            @PathVariable String code, @PathVariable String job, Authentication by) {
        return ResponseEntity.ok(
                answer(code, uploads.view(lots.named(code), job, by.getName())).getBody());
    }

    @PostMapping("/lots/{code}/logs/jobs/{job}/cancel")
    ResponseEntity<Map<String, Object>> cancel(@PathVariable String code, @PathVariable String job, Authentication by) {
        uploads.cancel(lots.named(code), job, by.getName());
        return progress(code, job, by);
    }

    /** The way without a script: the whole form is sent first. */
    @PostMapping("/lots/{code}/logs")
    String sent(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @RequestParam(required = false) @Nullable Long sample,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        if (file == null || file.isEmpty()) {
            return refused(lot, "Choose a file first; an empty one cannot be read.", response, model);
        }
        LogUploads.JobView done = uploads.read(
                lot,
                sample,
                SentFile.name(file, "log.csv"),
                file.getInputStream(),
                by.getName(),
                UUID.randomUUID().toString());
        return done.id() != null
                ? "redirect:/lots/" + code + "/logs/" + done.id()
                : refused(lot, done.message(), response, model);
    }

    @GetMapping("/lots/{code}/logs/{id}")
    String page(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(required = false) @Nullable Double from,
            @RequestParam(required = false) @Nullable Double to,
            Model model) {
        LotView lot = lots.named(code);
        Logs.LogView log = logs.log(lot, id);
        DiameterLog.Result result = logs.result(id);
        model.addAttribute("lot", lot);
        model.addAttribute("log", log);
        model.addAttribute("result", result);
        model.addAttribute(
                "trace",
                chart.trace(
                        log,
                        result,
                        from == null || !Double.isFinite(from) ? log.first() : from,
                        to == null || !Double.isFinite(to) ? log.last() : to));
        model.addAttribute("spectrum", chart.spectrum(result));
        model.addAttribute("facts", LogFacts.of(log, result));
        return Boolean.TRUE.equals(model.getAttribute("fragment")) ? "intake/log :: trace" : "intake/log";
    }

    /** Spools that are wound at this moment. */
    @GetMapping("/lots/{code}/logs/winding")
    String winding(@PathVariable String code, @RequestParam(defaultValue = "false") boolean part, Model model) {
        return winding(lots.named(code), null, part, model);
    }

    private String winding(LotView lot, @Nullable Refusal refusal, boolean part, Model model) {
        model.addAttribute("lot", lot);
        List<Winding.View> spools = winding.spools(lot);
        model.addAttribute("spools", spools);
        // Once all are wound nothing moves any more beneath whoever chooses the spool.
        model.addAttribute("running", spools.isEmpty() || spools.stream().anyMatch(spool -> !spool.over()));
        model.addAttribute("samples", samples.of(lot.id()));
        model.addAttribute("refusal", refusal);
        return part ? "intake/winding :: live" : "intake/winding";
    }

    @PostMapping("/lots/{code}/logs/winding")
    String wound(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long stream,
            @RequestParam(required = false) @Nullable Long sample,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        try {
            return "redirect:/lots/" + code + "/logs/" + winding.keep(lot, stream, sample, by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            return winding(lot, refusal, false, model);
        }
    }

    private static String refused(LotView lot, String message, HttpServletResponse response, Model model) {
        response.setStatus(422);
        model.addAttribute("lot", lot);
        model.addAttribute("message", message);
        return "intake/log-refused";
    }

    private static ResponseEntity<Map<String, Object>> answer(String code, LogUploads.JobView view) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("state", view.state().name().toLowerCase(Locale.ROOT));
        body.put("rows", view.rows());
        body.put("message", view.message());
        if (view.id() != null) {
            body.put("page", "/lots/" + code + "/logs/" + view.id());
        }
        int status = view.state() == LogUploads.State.REFUSED ? 422 : 200;
        return ResponseEntity.status(status).body(body);
    }
}
