package org.ysometron.app.design;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Sent;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.working.Figures;

/** Specimen designs: those that were delivered, and those of the site. */
@Controller
class DesignController {

    private static final int LARGEST_FILE = 15;
    private static final List<String> SIZES = List.of("width", "thickness", "length");

    /** First bytes of a PNG, a JPEG and a PDF. */
    private static final Map<String, MediaType> DRAWN = Map.of(
            "89504e47", MediaType.IMAGE_PNG, "ffd8ff", MediaType.IMAGE_JPEG, "25504446", MediaType.APPLICATION_PDF);

    private final SiteDesigns designs;

    DesignController(SiteDesigns designs) {
        this.designs = designs;
    }

    @GetMapping("/designs")
    String page(@RequestParam(defaultValue = "") String of, Model model) {
        return show(of.isEmpty() ? Map.of() : typed(designs.named(of)), Set.of(), new Problems(), model);
    }

    @PostMapping("/designs")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String add(
            @RequestParam Map<String, String> sent,
            @RequestParam(name = "methods", defaultValue = "") Set<String> methods,
            @RequestParam(required = false) @Nullable MultipartFile drawing,
            @RequestParam(required = false) @Nullable MultipartFile printFile,
            Authentication by,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Problems problems = new Problems();
        try {
            SiteDesigns.NewDesign read = read(
                    new Sent(sent, problems, "sizes"),
                    methods,
                    file("drawing", drawing, problems),
                    file("printFile", printFile, problems));
            SiteDesigns.check(read, problems);
            if (problems.none()) {
                return "redirect:/designs#" + designs.add(read, by.getName());
            }
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show(sent, methods, problems, model);
    }

    @PostMapping("/designs/{name}/withdraw")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String withdraw(
            @PathVariable String name,
            @RequestParam(defaultValue = "") String why,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        try {
            designs.withdraw(name, why, by.getName());
            return "redirect:/designs#" + name;
        } catch (Refusal refusal) {
            problems.add("withdraw-" + name, String.valueOf(refusal.getMessage()));
        }
        response.setStatus(422);
        return show(Map.of("why", why), Set.of(), problems, model);
    }

    @GetMapping("/designs/{name}/drawing")
    ResponseEntity<byte[]> drawing(@PathVariable String name) {
        SiteDesigns.File file = designs.file(name, SiteDesigns.Part.DRAWING);
        return answer(file, picture(file.content()).orElse(MediaType.APPLICATION_OCTET_STREAM), false);
    }

    @GetMapping("/designs/{name}/print-file")
    ResponseEntity<byte[]> printFile(@PathVariable String name) {
        return answer(designs.file(name, SiteDesigns.Part.PRINT_FILE), MediaType.APPLICATION_OCTET_STREAM, true);
    }

    private static ResponseEntity<byte[]> answer(SiteDesigns.File file, MediaType type, boolean saved) {
        ContentDisposition.Builder how = saved ? ContentDisposition.attachment() : ContentDisposition.inline();
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        how.filename(file.name(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(file.content());
    }

    /** What a browser shows of itself without running anything in it, told by how the file begins. */
    private static Optional<MediaType> picture(byte[] content) {
        String begins = HexFormat.of().formatHex(content, 0, Math.min(4, content.length));
        return DRAWN.entrySet().stream()
                .filter(known -> begins.startsWith(known.getKey()))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    private static SiteDesigns.File file(String field, @Nullable MultipartFile sent, Problems problems)
            throws IOException {
        if (sent == null || sent.isEmpty()) {
            problems.add(field, "Choose the file: nothing came, or it was empty.");
            return new SiteDesigns.File("", new byte[0]);
        }
        byte[] content = SentFile.content(field, sent, LARGEST_FILE);
        if (field.equals("drawing") && picture(content).isEmpty()) {
            problems.add(field, "A drawing is a PNG, a JPEG or a PDF; this is none of them.");
        }
        return new SiteDesigns.File(SentFile.name(sent, field), content);
    }

    private static SiteDesigns.NewDesign read(
            Sent form, Set<String> methods, SiteDesigns.File drawing, SiteDesigns.File printFile) {
        SpecimenDesign.Shape shape = form.inForm("shape", "The section")
                .choice(SpecimenDesign.Shape.values())
                .orElse(SpecimenDesign.Shape.RECTANGLE);
        double[] sizes = SIZES.stream()
                .mapToDouble(size -> {
                    Entry entry = form.inForm(size, size.equals("width") ? "Width or diameter" : "The " + size);
                    OptionalDouble typed = size.equals("thickness") && shape == SpecimenDesign.Shape.ROUND
                            ? OptionalDouble.of(1)
                            : entry.neededQuantity(Dimension.LENGTH);
                    return typed.orElse(1);
                })
                .toArray();
        OptionalDouble volume =
                form.inForm("volume", "The volume of the model in mm³").number(1e9, "1900");
        if (volume.isEmpty() || volume.getAsDouble() <= 0) {
            form.wrong("The volume of the model in mm³ is asked for, above zero: material and time are planned by it.");
        }
        OptionalDouble scale = form.inForm("scale", "The scale").number(100, "1");
        if (scale.isPresent() && scale.getAsDouble() <= 0) {
            form.wrong("A scale lies above zero.");
        }
        SpecimenDesign looks = SpecimenDesign.delivered(form.raw("looks")).orElse(SpecimenDesign.BENDING_BAR);
        return new SiteDesigns.NewDesign(
                form.request(),
                form.raw("called"),
                methods,
                shape,
                sizes[0],
                sizes[1],
                sizes[2],
                volume.orElse(1),
                scale.orElse(1),
                form.ticked("notched"),
                looks,
                form.raw("narrowest"),
                form.raw("held"),
                form.raw("reason"),
                drawing,
                printFile);
    }

    /** What a revision begins with: all of the one before but its files and its reason. */
    private static Map<String, String> typed(SiteDesigns.DesignView of) {
        Map<String, String> typed = new HashMap<>();
        typed.put("called", of.called());
        typed.put("shape", of.design().shape().name());
        typed.put("width", Figures.plain(of.design().nominalWidth(), 6) + " mm");
        typed.put("thickness", Figures.plain(of.design().nominalThickness(), 6) + " mm");
        typed.put("length", Figures.plain(of.design().length(), 6) + " mm");
        typed.put("volume", Figures.plain(of.design().volume(), 8));
        typed.put("scale", Figures.plain(of.scale(), 4));
        typed.put("notched", of.design().isNotched() ? "yes" : "");
        typed.put("looks", of.looks());
        of.design().narrowest().ifPresent(formula -> typed.put("narrowest", formula.formula()));
        typed.put("held", of.design().held().orElse(""));
        typed.put("revises", of.design().title());
        of.design().own().ifPresent(own -> typed.put("for", String.join(" ", own.methods())));
        return typed;
    }

    private String show(Map<String, String> typed, Set<String> methods, Problems problems, Model model) {
        Set<String> ticked = new LinkedHashSet<>(methods);
        if (typed.containsKey("for")) {
            ticked.addAll(List.of(typed.getOrDefault("for", "").split(" ")));
        }
        model.addAttribute("own", designs.all());
        model.addAttribute("delivered", SpecimenDesign.delivered());
        model.addAttribute(
                "drawnLike",
                SpecimenDesign.delivered().stream()
                        .filter(SpecimenDesign::isPrinted)
                        .toList());
        model.addAttribute(
                "methods",
                Methods.all().stream()
                        .map(Method::data)
                        .filter(data -> data.isOnPrints())
                        .toList());
        model.addAttribute("typed", typed);
        model.addAttribute("ticked", ticked);
        model.addAttribute("problems", problems);
        model.addAttribute("request", UUID.randomUUID().toString());
        return "design/designs";
    }
}
