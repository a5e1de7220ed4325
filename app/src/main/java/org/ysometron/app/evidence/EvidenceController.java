package org.ysometron.app.evidence;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.plan.SiteMethods;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.product.ShelfLives;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.NotFound;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.method.Methods;

@Controller
class EvidenceController {

    private final Derivations derivations;
    private final OnePage page;
    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Bench bench;
    private final Judgements judgements;
    private final Strips strips;
    private final Workings workings;
    private final ReferenceTests references;
    private final Chambers chambers;
    private final SiteMethods methods;
    private final ShelfLives shelves;
    private final PlaceMaps places;
    private final OddPage odd;
    private final ResultsPage results;

    EvidenceController(
            Derivations derivations,
            OnePage page,
            Lots lots,
            Products products,
            Publications publications,
            Bench bench,
            Judgements judgements,
            Strips strips,
            Workings workings,
            ReferenceTests references,
            Chambers chambers,
            SiteMethods methods,
            ShelfLives shelves,
            PlaceMaps places,
            OddPage odd,
            ResultsPage results) {
        this.odd = odd;
        this.results = results;
        this.derivations = derivations;
        this.page = page;
        this.places = places;
        this.references = references;
        this.chambers = chambers;
        this.methods = methods;
        this.shelves = shelves;
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
        derivations.refresh(Set.of(lot.productId()));
        return page.read(() -> sheet(lot, model));
    }

    private String sheet(LotView lot, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("product", products.product(lot.productId()));
        model.addAttribute("datasheet", publications.publication(lot.datasheetId()));
        Judgements.Whole whole = judgements.whole(lot);
        model.addAttribute("strips", whole.details().stream().map(strips::strip).toList());
        model.addAttribute("apart", judgements.apart(lot));
        model.addAttribute("unclaimed", judgements.unclaimed(lot, whole.details()));
        List<String> notes = new ArrayList<>(whole.notices());
        notes.addAll(notes(lot));
        model.addAttribute("notes", notes);
        return "evidence/evidence";
    }

    /** What bears on the whole sheet: the reference lot of the same run, what is confounded, deviations from standards. */
    private List<String> notes(LotView lot) {
        List<String> notes = new ArrayList<>();
        Set<Conditions> terms = new LinkedHashSet<>();
        lots.specimens(lot.id()).forEach(specimen -> terms.add(specimen.conditions()));
        terms.forEach(conditions -> references
                .beside(lot, conditions)
                .ifPresent(words -> notes.add(conditions.orientation().words() + ": " + words)));
        chambers.confounded(lot).ifPresent(notes::add);
        terms.stream()
                .flatMap(conditions -> Methods.of(conditions.method()).stream())
                .distinct()
                .forEach(method -> notes.add(
                        methods.of(method).pinned() + ". " + method.data().accordance() + "."));
        age(lot).ifPresent(notes::add);
        bench.records(lot.id()).stream()
                .map(record -> record.master().words())
                .filter(words -> !words.isEmpty())
                .distinct()
                .forEach(words -> notes.add(words + "."));
        return notes;
    }

    /** How old the lot was when it was tested. */
    private Optional<String> age(LotView lot) {
        LongSummaryStatistics days = bench.records(lot.id()).stream()
                .flatMap(record -> record.ended().stream())
                .mapToLong(ended -> ChronoUnit.DAYS.between(lot.madeOn(), Moments.day(ended.enteredAt())))
                .summaryStatistics();
        if (days.getCount() == 0) {
            return Optional.empty();
        }
        String keeps = shelves.of(lot.productId(), lot.madeOn())
                .map(life -> "; it keeps until " + life.until())
                .orElse("");
        String age =
                days.getMin() == days.getMax() ? String.valueOf(days.getMin()) : days.getMin() + " to " + days.getMax();
        return Optional.of("Age of the lot when it was tested: " + age + " days" + keeps + ".");
    }

    /** Strengths by their places on plate and in chamber. */
    @GetMapping("/lots/{code}/places")
    String places(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("plates", places.plates(lot));
        model.addAttribute("chambers", places.chambers(lot));
        return "evidence/places";
    }

    /** Odd results and surprises. */
    @GetMapping("/lots/{code}/odd")
    String odd(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("odd", odd.view(lot));
        return "evidence/odd";
    }

    /** Every result, and whether it counts. */
    @GetMapping("/lots/{code}/results")
    String results(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        return page.read(() -> {
            model.addAttribute("results", results.view(lot));
            return "evidence/results";
        });
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
                .orElseThrow(() -> new NotFound("working of " + specimen.label() + " of lot " + code + ": what "
                        + Methods.titleOf(specimen.conditions().method()) + " gave is kept as it was written"));
        return show(lot, working, model);
    }

    private static String show(LotView lot, WorkingView working, Model model) {
        model.addAttribute("lot", lot);
        model.addAttribute("working", working);
        return Boolean.TRUE.equals(model.getAttribute("fragment")) ? "evidence/working :: working" : "evidence/working";
    }
}
