package org.ysometron.app.product;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.ysometron.app.product.Publications.Attachment;
import org.ysometron.app.product.Publications.PublicationView;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Methods;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Topic;

/** Publishing: a revision is written from the one before, read from a file, and given out as a file. */
@Controller
class PublicationController {

    private static final String MAY_PUBLISH = "hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')";
    private static final int SPARE_ROWS = 3;
    private static final int MORE_ROWS = 10;
    /** Megabytes of a publication as it went out. */
    private static final int LARGEST_FILE = 4;

    private final Products products;
    private final Publications publications;
    private final Clock clock;

    PublicationController(Products products, Publications publications, Clock clock) {
        this.products = products;
        this.publications = publications;
        this.clock = clock;
    }

    @GetMapping("/products/{code}/publish/{kind}")
    @PreAuthorize(MAY_PUBLISH)
    String editor(@PathVariable String code, @PathVariable String kind, Model model) {
        Products.ProductView product = products.named(code);
        Publication.Kind wanted = kind(kind);
        Optional<PublicationView> newest = publications.newest(product.id(), wanted);
        List<StatementRow> rows = newest.map(view -> publications.statements(view.id()).stream()
                        .map(StatementRow::of)
                        .toList())
                .orElse(List.of());
        String source = newest.map(PublicationView::source).orElse("");
        return show(product, wanted, rows, LocalDate.now(clock).toString(), source, new Problems(), model);
    }

    @PostMapping("/products/{code}/publish/{kind}")
    @PreAuthorize(MAY_PUBLISH)
    String publish(
            @PathVariable String code,
            @PathVariable String kind,
            @RequestParam MultiValueMap<String, String> sent,
            @RequestParam(required = false) @Nullable MultipartFile attachment,
            Authentication by,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Products.ProductView product = products.named(code);
        Publication.Kind wanted = kind(kind);
        List<StatementRow> rows = StatementRow.of(sent);
        if (sent.containsKey("more")) {
            List<StatementRow> longer = new ArrayList<>(rows);
            for (int i = 0; i < MORE_ROWS; i++) {
                longer.add(StatementRow.blank());
            }
            return show(
                    product,
                    wanted,
                    longer,
                    Optional.ofNullable(sent.getFirst("validFrom")).orElse(""),
                    Optional.ofNullable(sent.getFirst("source")).orElse(""),
                    new Problems(),
                    model);
        }
        String validFrom = Optional.ofNullable(sent.getFirst("validFrom")).orElse("");
        String typedSource = Optional.ofNullable(sent.getFirst("source")).orElse("");
        Problems problems = new Problems();
        String source = problems.text("source", typedSource, "The source", 300, false);
        LocalDate from = problems.date("validFrom", validFrom);
        List<Publications.Draft> drafts = StatementRow.read(rows, products, problems);
        Attachment file = attached(attachment, problems);
        if (problems.none() && from != null) {
            publications.publish(product.id(), wanted, from, source, file, drafts, by.getName());
            return "redirect:/products/" + code + "#publications";
        }
        response.setStatus(422);
        return show(product, wanted, rows, validFrom, typedSource, problems, model);
    }

    /** What is to be said of one row while it is typed: what cannot be read, and what nobody could test as it stands. */
    @GetMapping("/products/{code}/publish/{kind}/row")
    @PreAuthorize(MAY_PUBLISH)
    String row(
            @PathVariable String code,
            @PathVariable String kind,
            @RequestParam MultiValueMap<String, String> sent,
            Model model) {
        products.named(code);
        StatementRow row = StatementRow.of(sent).stream().findFirst().orElseGet(StatementRow::blank);
        model.addAttribute("said", row.said(products));
        model.addAttribute("row", row);
        return "product/row";
    }

    /** Puts a file's statements into the editor; nothing is stored before somebody publishes it. */
    @PostMapping("/products/{code}/publish/{kind}/file")
    @PreAuthorize(MAY_PUBLISH)
    String fromFile(
            @PathVariable String code,
            @PathVariable String kind,
            @RequestParam(required = false) @Nullable MultipartFile file,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Products.ProductView product = products.named(code);
        Problems problems = new Problems();
        List<StatementRow> rows = List.of();
        try {
            rows = PublicationFile.read(file == null ? new byte[0] : file.getBytes());
            StatementRow.read(rows, products, problems);
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        if (!problems.none()) {
            response.setStatus(422);
        }
        String today = LocalDate.now(clock).toString();
        return show(product, kind(kind), rows, today, "", problems, model);
    }

    @GetMapping("/publications/{id}/export.{type}")
    ResponseEntity<byte[]> export(@PathVariable long id, @PathVariable String type) {
        PublicationView view = publications.publication(id);
        Products.ProductView product = products.product(view.productId());
        boolean json = type.equals("json");
        if (!json && !type.equals("csv")) {
            throw new NotFound("export as '" + type + "'; there are json and csv");
        }
        String text = json
                ? PublicationFile.json(product.code(), view, publications.statements(id))
                : PublicationFile.csv(publications.statements(id));
        String name = product.code() + "-"
                + view.kind().name().toLowerCase(Locale.ROOT).replace('_', '-') + "-" + view.revision() + "." + type;
        return ResponseEntity.ok()
                .contentType(json ? MediaType.APPLICATION_JSON : new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/publications/{id}/file")
    ResponseEntity<byte[]> attachment(@PathVariable long id) {
        Attachment file = publications.attachment(id);
        String plain = file.name().replaceAll("[^A-Za-z0-9._-]", "_");
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"" + plain + "\"")
                .body(file.content());
    }

    private static Attachment attached(@Nullable MultipartFile given, Problems problems) throws IOException {
        if (given == null || given.isEmpty()) {
            return Attachment.NONE;
        }
        String type = Optional.ofNullable(given.getContentType()).orElse("application/octet-stream");
        try {
            return new Attachment(
                    SentFile.name(given, "publication"),
                    type.length() > 100 ? "application/octet-stream" : type,
                    SentFile.content("attachment", given, LARGEST_FILE));
        } catch (Refusal tooLarge) {
            problems.add(tooLarge);
            return Attachment.NONE;
        }
    }

    private static Publication.Kind kind(String text) {
        for (Publication.Kind kind : Publication.Kind.values()) {
            if (kind.name().equals(text.toUpperCase(Locale.ROOT).replace('-', '_'))) {
                return kind;
            }
        }
        throw new NotFound("publication of the kind '" + text + "'");
    }

    private static String show(
            Products.ProductView product,
            Publication.Kind kind,
            List<StatementRow> rows,
            String validFrom,
            String source,
            Problems problems,
            Model model) {
        List<StatementRow> shown = new ArrayList<>(rows);
        for (int i = 0; i < SPARE_ROWS; i++) {
            shown.add(StatementRow.blank());
        }
        model.addAttribute("product", product);
        model.addAttribute("kind", kind);
        model.addAttribute("path", kind.name().toLowerCase(Locale.ROOT).replace('_', '-'));
        model.addAttribute("rows", shown);
        model.addAttribute("validFrom", validFrom);
        model.addAttribute("source", source);
        model.addAttribute("problems", problems);
        model.addAttribute("topics", Topic.of(product.family()));
        model.addAttribute("methods", Methods.all());
        model.addAttribute("forms", Form.values());
        model.addAttribute("bases", List.of(Basis.SOLID, Basis.AS_PRINTED));
        model.addAttribute("orientations", Orientation.ofSpecimens());
        model.addAttribute("states", Conditioning.ofSpecimens());
        model.addAttribute("specimens", StatementRow.choices());
        return "product/publish";
    }
}
