package org.ysometron.app.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
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
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.quantity.Dimension;

@Controller
class PictureController {

    /** Megabytes of a photograph. */
    private static final int LARGEST_FILE = 16;

    private static final double PERCENT = 100;

    private final Lots lots;
    private final Pictures pictures;

    PictureController(Lots lots, Pictures pictures) {
        this.lots = lots;
        this.pictures = pictures;
    }

    /** What is typed beside a file. */
    record Form(
            @Nullable String specimen,
            @Nullable String shows,
            @Nullable String across) {

        static final Form EMPTY = new Form("", "", "");
    }

    /**
     * The pictures of a lot, alone or beside those of another at one scale.
     *
     * @param widest mm across the widest of all, so that each is drawn at the same scale; 0 where none has a scale
     */
    record Column(LotView lot, List<Pictures.PictureView> pictures, double widest) {}

    @GetMapping("/lots/{code}/pictures")
    String page(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String beside,
            @RequestParam(defaultValue = "") String specimen,
            Model model) {
        return show(lots.named(code), beside, new Form(specimen, "", ""), null, model);
    }

    @PostMapping("/lots/{code}/pictures")
    String keep(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable MultipartFile file,
            Form form,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LotView lot = lots.named(code);
        try {
            if (file == null || file.isEmpty()) {
                throw new Refusal("file", "Choose a picture first.");
            }
            Double across = across(form.across());
            pictures.keep(
                    lot,
                    new Pictures.Sent(
                            specimen(lot, form),
                            SentFile.name(file, "picture"),
                            SentFile.content("file", file, LARGEST_FILE),
                            Objects.requireNonNullElse(form.shows(), ""),
                            across),
                    by.getName());
            return "redirect:/lots/" + code + "/pictures";
        } catch (Refusal refusal) {
            response.setStatus(422);
            return show(lot, "", form, refusal, model);
        }
    }

    private String specimen(LotView lot, Form form) {
        try {
            return lots.specimen(lot, Objects.requireNonNullElse(form.specimen(), ""))
                    .label();
        } catch (NotFound unknown) {
            throw new Refusal("specimen", "Say which specimen of lot " + lot.code() + " it shows, such as XY1.");
        }
    }

    private static @Nullable Double across(@Nullable String text) {
        OptionalDouble width =
                Entry.strict("across", "Width of the picture", text).quantity(Dimension.LENGTH);
        return width.isPresent() ? width.getAsDouble() : null;
    }

    @PostMapping("/lots/{code}/pictures/{id}/mark")
    String mark(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String x,
            @RequestParam(defaultValue = "") String y) {
        pictures.mark(lots.named(code), id, share(x), share(y));
        return "redirect:/lots/" + code + "/pictures/" + id;
    }

    private static double share(String percent) {
        try {
            return Double.parseDouble(percent) / PERCENT;
        } catch (NumberFormatException none) {
            throw new Refusal("mark", "Click on the picture where it broke, or type two numbers from 0 to 100.");
        }
    }

    @PostMapping("/lots/{code}/pictures/{id}/strike")
    String strike(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            pictures.strike(lot, id, reason, by.getName());
            return "redirect:/lots/" + code + "/pictures";
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("refusal", refusal);
            model.addAttribute("reason", reason);
            return one(lot, id, model);
        }
    }

    @GetMapping("/lots/{code}/pictures/{id}")
    String picture(@PathVariable String code, @PathVariable long id, Model model) {
        return one(lots.named(code), id, model);
    }

    private String one(LotView lot, long id, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("picture", pictures.picture(lot, id));
        return "bench/picture";
    }

    @GetMapping("/lots/{code}/pictures/{id}/whole.jpg")
    ResponseEntity<byte[]> whole(@PathVariable String code, @PathVariable long id) {
        return jpeg(pictures.content(lots.named(code), id, false));
    }

    @GetMapping("/lots/{code}/pictures/{id}/small.jpg")
    ResponseEntity<byte[]> small(@PathVariable String code, @PathVariable long id) {
        return jpeg(pictures.content(lots.named(code), id, true));
    }

    /** What is behind an address never changes. */
    private static ResponseEntity<byte[]> jpeg(byte[] content) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(content);
    }

    private String show(LotView lot, String beside, Form form, @Nullable Refusal refusal, Model model) {
        List<Pictures.PictureView> own = pictures.of(lot);
        LotView other = beside.isBlank() ? null : lots.find(beside.strip()).orElse(null);
        List<Pictures.PictureView> others = other == null ? List.of() : pictures.of(other);
        double widest = java.util.stream.Stream.concat(own.stream(), others.stream())
                .filter(picture -> !picture.isStruck())
                .mapToDouble(picture -> picture.across() == null ? 0 : picture.across())
                .max()
                .orElse(0);
        model.addAttribute("lot", lot);
        model.addAttribute("own", new Column(lot, own, widest));
        model.addAttribute("other", other == null ? null : new Column(other, others, widest));
        model.addAttribute("beside", beside);
        model.addAttribute("unknown", !beside.isBlank() && other == null);
        model.addAttribute("specimens", lots.specimens(lot.id()));
        model.addAttribute("form", form);
        model.addAttribute("refusal", refusal);
        return "bench/pictures";
    }
}
