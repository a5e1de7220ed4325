package org.ysometron.app.gate;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
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
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SetForm;
import org.ysometron.app.lot.Words;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.publication.Family;
import org.ysometron.core.working.Figures;

/** A lot's own pages: the sheet that fills in from top to bottom, the decision and the certificate. */
@Controller
class SheetController {

    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Samples samples;
    private final Plans plans;
    private final Words words;
    private final MaterialResults material;
    private final Bench bench;
    private final Judgements judgements;
    private final Signals signals;
    private final Decisions decisions;

    SheetController(
            Lots lots,
            Products products,
            Publications publications,
            Samples samples,
            Plans plans,
            Words words,
            MaterialResults material,
            Bench bench,
            Judgements judgements,
            Signals signals,
            Decisions decisions) {
        this.lots = lots;
        this.products = products;
        this.publications = publications;
        this.samples = samples;
        this.plans = plans;
        this.words = words;
        this.material = material;
        this.bench = bench;
        this.judgements = judgements;
        this.signals = signals;
        this.decisions = decisions;
    }

    /** Specimens under one set of conditions and how far they are. */
    record SetLine(String terms, String labels, int count, int measured, int broken) {}

    @GetMapping("/lots/{code}")
    String sheet(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        frame(lot, model);
        model.addAttribute("sets", sets(bench.records(lot.id())));
        model.addAttribute("claims", judgements.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        model.addAttribute("signals", signals.of(List.of(lot.id())).getOrDefault(lot.id(), List.of()));
        model.addAttribute("blocks", decisions.blocks(lot));
        model.addAttribute("decisions", decisions.of(lot.id()));
        boolean resin = products.product(lot.productId()).family() == Family.RESIN;
        SetForm.show(model, SetForm.blank(), samples.of(lot.id()), resin, new Problems());
        model.addAttribute("intake", intakeLines(lot));
        model.addAttribute("planned", plans.ofLot(lot.id()).orElse(null));
        return "gate/sheet";
    }

    @GetMapping("/lots/{code}/decision")
    String decision(@PathVariable String code, Authentication who, Model model) {
        LotView lot = lots.named(code);
        return form(lot, who, decisions.blocks(lot), "", "", null, model);
    }

    @PostMapping("/lots/{code}/decision")
    String decide(
            @PathVariable String code,
            @RequestParam(required = false) @Nullable Disposition disposition,
            @RequestParam(defaultValue = "") String reason,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            if (disposition == null) {
                throw new Refusal("disposition", "Choose what becomes of the lot.");
            }
            if (reason.length() > 600) {
                throw new Refusal("reason", "The reason has more than 600 characters.");
            }
            decisions.decide(lot, disposition, reason, who.getName());
            return "redirect:/lots/" + code + "/certificate";
        } catch (Refusal refusal) {
            response.setStatus(422);
            List<Block> blocks = decisions.blocks(lot);
            return form(lot, who, blocks, disposition == null ? "" : disposition.name(), reason, refusal, model);
        }
    }

    @GetMapping("/lots/{code}/certificate")
    String certificate(@PathVariable String code, @RequestParam(defaultValue = "0") int revision, Model model) {
        LotView lot = lots.named(code);
        Decision decision = decisions.stored(lot, revision);
        model.addAttribute("lot", lot);
        model.addAttribute("snapshot", Snapshot.of(decision.snapshot));
        model.addAttribute("sha256", decision.sha256);
        model.addAttribute("disposition", decision.disposition);
        model.addAttribute("intact", Snapshot.hash(decision.snapshot).equals(decision.sha256));
        model.addAttribute("newest", decision.revision == decisions.stored(lot, 0).revision);
        return "gate/certificate";
    }

    /** The frozen record itself, byte for byte what the hash was taken of. */
    @GetMapping("/lots/{code}/record.json")
    ResponseEntity<byte[]> record(@PathVariable String code, @RequestParam(defaultValue = "0") int revision) {
        Decision decision = decisions.stored(lots.named(code), revision);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + code + "-revision-" + decision.revision + ".json\"")
                .body(decision.snapshot.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    private String form(
            LotView lot,
            Authentication who,
            List<Block> blocks,
            String chosen,
            String reason,
            @Nullable Refusal refusal,
            Model model) {
        frame(lot, model);
        model.addAttribute(
                "blocks", Gate.refusals(Disposition.RELEASE, blocks, who.getName(), decisions.enterers(lot.id())));
        model.addAttribute("dispositions", Disposition.values());
        model.addAttribute("chosen", chosen);
        model.addAttribute("reason", reason);
        model.addAttribute("refusal", refusal);
        model.addAttribute("decisions", decisions.of(lot.id()));
        model.addAttribute("wordKinds", wanted(blocks));
        model.addAttribute("words", words.of(List.of(lot.id())));
        model.addAttribute("claims", judgements.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        return "gate/decision";
    }

    /** The words of an engineer that would lift one of these blocks. */
    private static List<Words.Kind> wanted(List<Block> blocks) {
        List<Words.Kind> kinds = new ArrayList<>();
        for (Block block : blocks) {
            if (block.kind() == Block.Kind.PRODUCT_WITHDRAWN) {
                kinds.add(Words.Kind.WITHDRAWN_PRODUCT);
            } else if (block.kind() == Block.Kind.SIZE_GATE && !kinds.contains(Words.Kind.SIZE_GATE)) {
                kinds.add(Words.Kind.SIZE_GATE);
            } else if (block.kind() == Block.Kind.CALIBRATION && !kinds.contains(Words.Kind.OUT_OF_CALIBRATION)) {
                kinds.add(Words.Kind.OUT_OF_CALIBRATION);
            }
        }
        return kinds;
    }

    private void frame(LotView lot, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("product", products.product(lot.productId()));
        model.addAttribute("datasheet", publications.publication(lot.datasheetId()));
    }

    /** What intake found, for the sheet: one line a property. */
    record IntakeLine(String title, String value, String counts) {}

    private List<IntakeLine> intakeLines(LotView lot) {
        return material.of(lot).stream()
                .map(result -> new IntakeLine(
                        result.property().title(),
                        Figures.significant(
                                        Arrays.stream(result.values()).average().orElse(0),
                                        result.property().digits())
                                + " " + result.property().unit(),
                        result.counts()))
                .toList();
    }

    private static List<SetLine> sets(List<SpecimenRecord> records) {
        Map<String, List<SpecimenRecord>> byTerms = new LinkedHashMap<>();
        records.forEach(record -> byTerms.computeIfAbsent(
                        record.specimen().conditions().words(), key -> new java.util.ArrayList<>())
                .add(record));
        return byTerms.entrySet().stream()
                .map(entry -> new SetLine(
                        entry.getKey(),
                        entry.getValue().get(0).specimen().label() + " to "
                                + entry.getValue()
                                        .get(entry.getValue().size() - 1)
                                        .specimen()
                                        .label(),
                        entry.getValue().size(),
                        (int) entry.getValue().stream()
                                .filter(r -> r.section().isPresent())
                                .count(),
                        (int) entry.getValue().stream()
                                .filter(r -> r.force().isPresent())
                                .count()))
                .toList();
    }
}
