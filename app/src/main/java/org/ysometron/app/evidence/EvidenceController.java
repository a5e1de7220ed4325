package org.ysometron.app.evidence;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.NotFound;

@Controller
class EvidenceController {

    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Bench bench;
    private final Judgements judgements;
    private final Strips strips;
    private final Workings workings;

    EvidenceController(
            Lots lots,
            Products products,
            Publications publications,
            Bench bench,
            Judgements judgements,
            Strips strips,
            Workings workings) {
        this.lots = lots;
        this.products = products;
        this.publications = publications;
        this.bench = bench;
        this.judgements = judgements;
        this.strips = strips;
        this.workings = workings;
    }

    @GetMapping("/lots/{code}/evidence")
    String sheet(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("product", products.product(lot.productId()));
        model.addAttribute("datasheet", publications.publication(lot.datasheetId()));
        model.addAttribute(
                "strips", judgements.details(lot).stream().map(strips::strip).toList());
        return "evidence/evidence";
    }

    @GetMapping("/lots/{code}/evidence/{claimId}/working")
    String claimWorking(@PathVariable String code, @PathVariable long claimId, Model model) {
        LotView lot = lots.named(code);
        WorkingView working = judgements
                .detail(lot, claimId)
                .map(workings::of)
                .orElseThrow(() -> new NotFound("claim " + claimId + " on lot " + code));
        return show(lot, working, model);
    }

    @GetMapping("/lots/{code}/specimens/{label}/working")
    String specimenWorking(@PathVariable String code, @PathVariable String label, Model model) {
        LotView lot = lots.named(code);
        SpecimenView specimen = lots.specimen(lot, label);
        WorkingView working = bench.records(lot.id()).stream()
                .filter(record -> record.specimen().id() == specimen.id())
                .map(workings::of)
                .findFirst()
                .orElseThrow();
        return show(lot, working, model);
    }

    private static String show(LotView lot, WorkingView working, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("working", working);
        return Boolean.TRUE.equals(model.getAttribute("fragment")) ? "evidence/working :: working" : "evidence/working";
    }
}
