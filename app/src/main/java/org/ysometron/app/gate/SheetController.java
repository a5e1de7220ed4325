package org.ysometron.app.gate;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import org.ysometron.app.account.Accounts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Remedies;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SetForm;
import org.ysometron.app.lot.Words;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.publication.Family;
import org.ysometron.core.working.Figures;

/** A lot's own pages: the sheet that fills in from top to bottom, the decision and the certificate. */
@Controller
class SheetController {

    private final Derivations derivations;
    private final OnePage page;
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
    private final Accounts accounts;

    SheetController(
            Derivations derivations,
            OnePage page,
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
            Decisions decisions,
            Accounts accounts) {
        this.derivations = derivations;
        this.page = page;
        this.accounts = accounts;
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
        derivations.refresh(Set.of(lot.productId()));
        return page.read(() -> sheet(lot, model));
    }

    private String sheet(LotView lot, Model model) {
        frame(lot, model);
        model.addAttribute("sets", sets(bench.records(lot.id())));
        model.addAttribute("claims", judgements.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        model.addAttribute("signals", signals.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        List<Block> blocks = decisions.blocks(lot);
        String product = products.product(lot.productId()).code();
        model.addAttribute("blocks", blocks);
        model.addAttribute(
                "next",
                blocks.stream()
                        .findFirst()
                        .map(block -> new Standing(block, Ways.to(block, lot, product)))
                        .orElse(null));
        model.addAttribute("decisions", decisions.of(lot.id()));
        boolean resin = products.product(lot.productId()).family() == Family.RESIN;
        SetForm.show(model, SetForm.blank(), samples.of(lot.id()), resin, new Problems());
        model.addAttribute("intake", intakeLines(lot));
        model.addAttribute("planned", plans.ofLot(lot.id()).orElse(null));
        return "gate/sheet";
    }

    /** A decision as typed; the password is asked again, for a signature is a person's. */
    record Form(
            @Nullable Disposition disposition,
            @Nullable String reason,
            @Nullable String scope,
            @Nullable String amount,
            @Nullable String until,
            @Nullable Long set,
            @Nullable Cause cause,
            Remedies.@Nullable Rule rule,
            Remedies.@Nullable Kind rework,
            @Nullable String password) {

        static final Form BLANK = new Form(null, "", "", "", "", null, null, null, null, "");

        Decisions.Particulars particulars() {
            Problems problems = new Problems();
            LocalDate day = until == null || until.isBlank() ? null : problems.date("until", until);
            if (!problems.none()) {
                throw new Refusal("until", String.valueOf(problems.at("until")));
            }
            return new Decisions.Particulars(
                    scope == null ? "" : scope, amount == null ? "" : amount, day, set, cause, rule, rework);
        }

        String said() {
            return reason == null ? "" : reason;
        }
    }

    @GetMapping("/lots/{code}/decision")
    String decision(@PathVariable String code, Authentication who, Model model) {
        return form(lots.named(code), who, Form.BLANK, null, model);
    }

    @PostMapping("/lots/{code}/decision")
    String decide(@PathVariable String code, Form form, Authentication who, HttpServletResponse response, Model model) {
        LotView lot = lots.named(code);
        try {
            if (form.disposition() == null) {
                throw new Refusal("disposition", "Choose what becomes of the lot.");
            }
            requirePassword(who, form.password());
            if (form.disposition() == Disposition.CONCESSION) {
                decisions.propose(lot, form.particulars(), form.said(), who.getName());
                return "redirect:/lots/" + code + "/decision#concession";
            }
            decisions.decide(lot, form.disposition(), form.particulars(), form.said(), who.getName());
            return "redirect:/lots/" + code + "/certificate";
        } catch (Refusal refusal) {
            response.setStatus(422);
            return form(lots.named(code), who, form, refusal, model);
        }
    }

    /** The second signature of a release under concession. */
    @PostMapping("/lots/{code}/concessions/{id}")
    @PreAuthorize("hasAuthority('RELEASE') or hasAuthority('JUDGEMENT')")
    String countersign(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String password,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            requirePassword(who, password);
            decisions.countersign(lot, id, who.getName());
            return "redirect:/lots/" + code + "/certificate";
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("countersignProblem", refusal.words());
            return form(lots.named(code), who, Form.BLANK, null, model);
        }
    }

    /** An engineer's word about one thing that stands in the way. */
    @PostMapping("/lots/{code}/words")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String word(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String subject,
            @RequestParam(required = false) @Nullable Cause cause,
            @RequestParam(defaultValue = "") String reason,
            Authentication who,
            HttpServletResponse response,
            Model model) {
        LotView lot = lots.named(code);
        try {
            decisions.give(lot, kind, subject, cause, reason, who.getName());
            return "redirect:/lots/" + code + "/decision";
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("wordSubject", subject);
            model.addAttribute("wordReason", reason);
            model.addAttribute("wordCause", cause);
            model.addAttribute("wordProblem", refusal.words());
            return form(lot, who, Form.BLANK, null, model);
        }
    }

    private void requirePassword(Authentication who, @Nullable String password) {
        if (!accounts.confirms(who.getName(), password == null ? "" : password)) {
            throw new Refusal(
                    "password", "That is not the password of '" + who.getName() + "': a decision is signed with it.");
        }
    }

    @GetMapping("/lots/{code}/certificate")
    String certificate(@PathVariable String code, @RequestParam(defaultValue = "0") int revision, Model model) {
        LotView lot = lots.named(code);
        Decision decision = decisions.stored(lot, revision);
        model.addAttribute("lot", lot);
        Snapshot snapshot = Snapshot.of(decision.snapshot);
        model.addAttribute(
                "besides",
                snapshot.claims().stream()
                        .flatMap(claim -> claim.beside().stream().map(words -> claim.title() + ": " + words))
                        .toList());
        model.addAttribute("snapshot", snapshot);
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

    /** What stands in the way, and the page on which it is dealt with. */
    record Standing(Block block, String way) {}

    private String form(LotView lot, Authentication who, Form form, @Nullable Refusal refusal, Model model) {
        derivations.refresh(Set.of(lot.productId()));
        return page.read(() -> read(lot, who, form, refusal, model));
    }

    private String read(LotView lot, Authentication who, Form form, @Nullable Refusal refusal, Model model) {
        frame(lot, model);
        List<Block> blocks = decisions.blocks(lot);
        Set<String> contributors = decisions.enterers(lot.id());
        String product = products.product(lot.productId()).code();
        model.addAttribute(
                "blocks",
                Gate.refusals(Disposition.RELEASE, blocks, who.getName(), contributors).stream()
                        .map(block -> new Standing(block, Ways.to(block, lot, product)))
                        .toList());
        model.addAttribute("hadAHand", contributors.contains(who.getName()));
        model.addAttribute("dispositions", Disposition.values());
        model.addAttribute("form", form);
        model.addAttribute("reason", form.said());
        model.addAttribute("refusal", refusal);
        model.addAttribute("causes", Cause.values());
        model.addAttribute("rules", Remedies.Rule.values());
        model.addAttribute("reworks", List.of(Remedies.Kind.REDRY, Remedies.Kind.REGRIND, Remedies.Kind.RELABEL));
        model.addAttribute("retestable", retestable(lot));
        model.addAttribute("waiting", decisions.waiting(lot.id()).orElse(null));
        model.addAttribute("decisions", decisions.of(lot.id()));
        model.addAttribute("words", words.of(List.of(lot.id())));
        model.addAttribute("claims", judgements.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        return "gate/decision";
    }

    /** A set that can be tested again. */
    record Retestable(long setId, String words) {}

    private List<Retestable> retestable(LotView lot) {
        Map<Long, List<SpecimenRecord>> sets = new LinkedHashMap<>();
        bench.records(lot.id()).stream().filter(SpecimenRecord::isTested).forEach(record -> sets.computeIfAbsent(
                        record.specimen().setId(), id -> new ArrayList<>())
                .add(record));
        return sets.entrySet().stream()
                .map(set -> {
                    List<SpecimenRecord> tested = set.getValue();
                    return new Retestable(
                            set.getKey(),
                            tested.get(0).specimen().label() + " to "
                                    + tested.get(tested.size() - 1).specimen().label() + ", "
                                    + tested.get(0).specimen().conditions().words());
                })
                .toList();
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
                                .filter(SpecimenRecord::isMeasured)
                                .count(),
                        (int) entry.getValue().stream()
                                .filter(SpecimenRecord::isTested)
                                .count()))
                .toList();
    }
}
