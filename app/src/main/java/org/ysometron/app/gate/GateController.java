package org.ysometron.app.gate;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Due;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;

/** The home page: every lot not yet decided, what blocks it and what is due next. */
@Controller
class GateController {

    private static final int PAGE = 25;
    private static final int DUE_SHOWN = 6;
    private static final Set<LotState> UNDECIDED = LotState.due();
    private static final Set<LotState> DECIDED = LotState.decided();

    private final Derivations derivations;
    private final OnePage page;
    private final Lots lots;
    private final Products products;
    private final Decisions decisions;
    private final Due due;
    private final Clock clock;

    private final FirstSteps firstSteps;
    private final Recomputed recomputed;

    GateController(
            Derivations derivations,
            OnePage page,
            Lots lots,
            Products products,
            Decisions decisions,
            Due due,
            FirstSteps firstSteps,
            Recomputed recomputed,
            Clock clock) {
        this.recomputed = recomputed;
        this.derivations = derivations;
        this.page = page;
        this.firstSteps = firstSteps;
        this.due = due;
        this.lots = lots;
        this.products = products;
        this.decisions = decisions;
        this.clock = clock;
    }

    /** A lot that waits. */
    record Waiting(
            LotView lot,
            String product,
            long days,
            List<Block> blocks,
            @Nullable Block next,
            String way,
            boolean mine,
            boolean ready) {}

    /** A lot that was decided. */
    record Decided(LotView lot, String product, Decisions.@Nullable DecisionView decision) {}

    @GetMapping("/")
    String gate(
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String find,
            Authentication who,
            Model model) {
        if (!find.isBlank()) {
            return "redirect:" + found(find.strip());
        }
        Lots.LotPage found = lots.page(UNDECIDED, page, PAGE, true);
        derivations.refresh(found.lots().stream().map(LotView::productId).collect(Collectors.toSet()));
        return this.page.read(() -> gate(found, who, model));
    }

    private String gate(Lots.LotPage found, Authentication who, Model model) {
        // Every waiting lot stands in the calendar, those of this page among them: what is read of them is read once.
        model.addAttribute("due", due.all().stream().limit(DUE_SHOWN).toList());
        Map<Long, List<Block>> blocks = decisions.blocks(found.lots());
        Set<String> rights = who.getAuthorities().stream()
                .map(GrantedAuthority::getAuthority)
                .collect(Collectors.toSet());
        Map<Long, Products.ProductView> known = new HashMap<>();
        LocalDate today = LocalDate.now(clock);
        List<Waiting> rows = found.lots().stream()
                .map(lot -> waiting(lot, blocks.getOrDefault(lot.id(), List.of()), rights, known, today))
                .toList();
        model.addAttribute("rows", rows);
        model.addAttribute("found", found);
        List<FirstSteps.Step> steps = firstSteps.of();
        model.addAttribute("steps", steps);
        model.addAttribute(
                "step",
                steps.stream()
                        .filter(step -> !step.done() && !step.optional())
                        .findFirst()
                        .orElse(null));
        model.addAttribute("noProducts", products.all().isEmpty());
        return "gate/gate";
    }

    /** A lot by its code, or the bench with the specimen whose label was read. */
    private String found(String typed) {
        return lots.find(typed)
                .map(lot -> "/lots/" + lot.code())
                .or(() -> lots.coded(typed)
                        .or(() -> lots.labelled(typed))
                        .map(specimen ->
                                "/lots/" + lots.lot(specimen.lotId()).code() + "/bench?specimen=" + specimen.label()))
                .orElseThrow(() -> new NotFound("lot or specimen '" + typed + "'"));
    }

    @GetMapping("/decided")
    String decided(@RequestParam(defaultValue = "0") int page, Model model) {
        return decided(page, 0, "", null, model);
    }

    /** Answers what newer arithmetic says otherwise of a decided lot. */
    @PostMapping("/decided/{id}/answer")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String answer(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String answer,
            Authentication by,
            HttpServletResponse response,
            Model model) {
        try {
            recomputed.answer(id, answer, by.getName());
        } catch (Refusal refusal) {
            response.setStatus(422);
            return decided(0, id, answer, refusal.words(), model);
        }
        return "redirect:/decided";
    }

    private String decided(int page, long asked, String typed, @Nullable String problem, Model model) {
        model.addAttribute("changes", recomputed.unanswered());
        model.addAttribute("asked", asked);
        model.addAttribute("typed", typed);
        model.addAttribute("problem", problem);
        Lots.LotPage found = lots.page(DECIDED, page, PAGE, false);
        Map<Long, Products.ProductView> known = new HashMap<>();
        model.addAttribute(
                "rows",
                found.lots().stream()
                        .map(lot -> new Decided(
                                lot,
                                product(lot, known).name(),
                                decisions.newest(lot.id()).orElse(null)))
                        .toList());
        model.addAttribute("found", found);
        return "gate/decided";
    }

    private Waiting waiting(
            LotView lot,
            List<Block> blocks,
            Set<String> rights,
            Map<Long, Products.ProductView> known,
            LocalDate today) {
        Optional<Block> next = blocks.stream().findFirst();
        String lifter = next.map(block -> block.lifter().name()).orElse("RELEASE");
        return new Waiting(
                lot,
                product(lot, known).name(),
                ChronoUnit.DAYS.between(lot.madeOn(), today),
                blocks,
                next.orElse(null),
                next.map(block -> Ways.to(block, lot, product(lot, known).code()))
                        .orElse("/lots/" + lot.code() + "/decision"),
                rights.contains(lifter),
                blocks.isEmpty());
    }

    private Products.ProductView product(LotView lot, Map<Long, Products.ProductView> known) {
        return known.computeIfAbsent(lot.productId(), products::product);
    }
}
