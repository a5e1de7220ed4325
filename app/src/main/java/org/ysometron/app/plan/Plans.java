package org.ysometron.app.plan;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.gate.Substance;
import org.ysometron.core.plan.PlannedTest;

/** Test plans: a product's, in revisions, and every lot's own copy with what differs and why. */
@Component
public class Plans {

    private static final int MOST_DAYS = 730;

    private final PageMemory memory;
    private final PlanRevisionRepository revisions;
    private final PlanLineRepository lines;
    private final LotPlanRepository lotPlans;
    private final Lots lots;
    private final Clock clock;

    Plans(
            PageMemory memory,
            PlanRevisionRepository revisions,
            PlanLineRepository lines,
            LotPlanRepository lotPlans,
            Lots lots,
            Clock clock) {
        this.memory = memory;
        this.revisions = revisions;
        this.lines = lines;
        this.lotPlans = lotPlans;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * A line.
     *
     * @param expected load or energy to be expected of one specimen, as typed; empty when history or claim tells it
     * @param leftOut whether a lot's copy leaves it out
     * @param deviation why a lot's line differs from its product's; empty when it does not
     */
    public record Line(PlannedTest test, String expected, boolean leftOut, String deviation) {

        /** A line of a product's plan. */
        public static Line of(PlannedTest test) {
            return new Line(test, "", false, "");
        }

        /** Whether specimens of this line are evidence for the claim. */
        public boolean serves(Claim claim) {
            Conditions terms = test.conditions();
            return !leftOut
                    && claim.property().isMechanical()
                    && (claim.conditions().equals(terms)
                            || (claim.property().isRatio() && claim.below().equals(terms)));
        }
    }

    /** A product's plan. */
    public record ProductPlan(long id, int revision, String reason, String by, List<Line> lines) {}

    /**
     * A lot's copy.
     *
     * @param revision of the product's plan that it was copied from
     * @param wantedOn when its release is wanted; null when nobody said
     * @param notBefore nothing begins before; null when nothing holds it up
     */
    public record LotPlanView(
            long lotId,
            int revision,
            List<Line> lines,
            @Nullable LocalDate wantedOn,
            @Nullable LocalDate notBefore,
            String delayReason) {}

    /** The newest plan of a product; empty when it has none. */
    @Transactional(readOnly = true)
    public Optional<ProductPlan> newest(long productId) {
        return revisions.findFirstByProductIdOrderByRevisionDesc(productId).map(this::view);
    }

    /** Every revision, the newest first. */
    @Transactional(readOnly = true)
    public List<ProductPlan> history(long productId) {
        return revisions.findByProductIdOrderByRevisionDesc(productId).stream()
                .map(this::view)
                .toList();
    }

    /** The lot's own copy; empty when it has none. */
    @Transactional(readOnly = true)
    public Optional<LotPlanView> ofLot(long lotId) {
        return Optional.ofNullable(ofLots(List.of(lotId)).get(lotId));
    }

    /** Copies of several lots; lots without one are left out. */
    @Transactional(readOnly = true)
    public Map<Long, LotPlanView> ofLots(Collection<Long> lotIds) {
        return memory.each("plans", lotIds, this::read);
    }

    private Map<Long, LotPlanView> read(Collection<Long> lotIds) {
        Map<Long, List<Line>> byLot = new HashMap<>();
        lines.findByLotIdInOrderByLotIdAscPlaceAsc(lotIds)
                .forEach(row -> row.view().ifPresent(line -> byLot.computeIfAbsent(row.lotId, id -> new ArrayList<>())
                        .add(line)));
        List<LotPlan> plans = lotPlans.findAllById(lotIds);
        Map<Long, Integer> known = new HashMap<>();
        revisions
                .findAllById(
                        plans.stream().map(plan -> plan.revisionId).distinct().toList())
                .forEach(row -> known.put(row.id, row.revision));
        Map<Long, LotPlanView> found = new HashMap<>();
        for (LotPlan plan : plans) {
            found.put(
                    plan.lotId,
                    new LotPlanView(
                            plan.lotId,
                            known.getOrDefault(plan.revisionId, 0),
                            byLot.getOrDefault(plan.lotId, List.of()),
                            plan.wantedOn,
                            plan.notBefore,
                            plan.delayReason));
        }
        return found;
    }

    /** Makes the next revision of a product's plan. */
    @Write
    public ProductPlan revise(long productId, List<Line> wanted, String reason, String by) {
        requireReason("reason", reason, "Say why the plan is as it is, in at most 300 characters.");
        requireDistinct(wanted);
        Optional<PlanRevision> before = revisions.findFirstByProductIdOrderByRevisionDesc(productId);
        if (before.isPresent() && view(before.get()).lines().equals(wanted)) {
            throw new Refusal("lines", "Nothing differs from revision " + before.get().revision + ".");
        }
        PlanRevision row = new PlanRevision();
        row.productId = productId;
        row.revision = before.map(last -> last.revision).orElse(0) + 1;
        row.reason = reason.strip();
        row.madeBy = by;
        row.madeAt = clock.instant();
        revisions.save(row);
        store(wanted, row.id, null);
        return view(row);
    }

    /** Gives a lot its copy of the newest plan of its product, unless it has one or there is none. */
    @Write
    public void copy(LotView lot) {
        Optional<PlanRevision> newest = revisions.findFirstByProductIdOrderByRevisionDesc(lot.productId());
        if (newest.isEmpty() || lotPlans.existsById(lot.id())) {
            return;
        }
        LotPlan plan = new LotPlan();
        plan.lotId = lot.id();
        plan.revisionId = newest.get().id;
        lotPlans.save(plan);
        store(view(newest.get()).lines(), null, lot.id());
    }

    /** The same when somebody asks for it. */
    @Write
    public void take(LotView lot) {
        lots.lockUndecided(lot.id());
        if (revisions.findFirstByProductIdOrderByRevisionDesc(lot.productId()).isEmpty()) {
            throw new Refusal("The product of lot " + lot.code() + " has no plan yet: make it first.");
        }
        copy(lot);
    }

    @EventListener
    @Write
    public void onLot(Lots.LotEntered entered) {
        copy(lots.lot(entered.lotId()));
    }

    /** A product that takes over what another publishes takes its plan over as well. */
    @EventListener
    @Write
    public void onCopied(Publications.Copied copied) {
        newest(copied.fromId())
                .ifPresent(plan -> revise(
                        copied.toId(),
                        plan.lines(),
                        "Copied from another product's plan, revision " + plan.revision() + ".",
                        copied.by()));
    }

    /** Changes a lot's copy; a line that is not its product's needs a reason. */
    @Write
    public void deviate(LotView lot, List<Line> wanted) {
        lots.lockUndecided(lot.id());
        LotPlan plan = lotPlans.findById(lot.id())
                .orElseThrow(() -> new Refusal("Lot " + lot.code() + " has no plan yet: make its product's first."));
        List<Line> product = lines.findByRevisionIdOrderByPlace(plan.revisionId).stream()
                .flatMap(row -> row.view().stream())
                .toList();
        requireDistinct(wanted);
        List<Line> checked = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            Line line = wanted.get(i);
            boolean same = product.stream().anyMatch(planned -> planned.test().equals(line.test()) && !line.leftOut());
            if (!same) {
                requireReason(
                        "line-" + i,
                        line.deviation(),
                        line.test().label() + " differs from the product's plan: say why, in at most 300 characters.");
            }
            checked.add(same ? new Line(line.test(), line.expected(), false, "") : line);
        }
        for (Line planned : product) {
            boolean there = checked.stream()
                    .anyMatch(line ->
                            line.test().conditions().equals(planned.test().conditions()));
            if (!there) {
                throw new Refusal(
                        "lines",
                        planned.test().label()
                                + " is in the product's plan: leave it in, and mark it as left out with a reason.");
            }
        }
        lines.deleteOfLot(lot.id());
        store(checked, null, lot.id());
    }

    /** Says when a lot's release is wanted, and what holds it up. */
    @Write
    public void want(LotView lot, @Nullable LocalDate wantedOn, @Nullable LocalDate notBefore, String delayReason) {
        lots.lockUndecided(lot.id());
        LotPlan plan = lotPlans.findById(lot.id())
                .orElseThrow(() -> new Refusal("Lot " + lot.code() + " has no plan yet: make its product's first."));
        LocalDate last = LocalDate.now(clock).plusDays(MOST_DAYS);
        if ((wantedOn != null && wantedOn.isAfter(last)) || (notBefore != null && notBefore.isAfter(last))) {
            throw new Refusal(
                    notBefore != null && notBefore.isAfter(last) ? "notBefore" : "wantedOn",
                    "That is more than " + MOST_DAYS + " days away; no lot is planned so far ahead.");
        }
        if (notBefore != null && delayReason.isBlank()) {
            throw new Refusal("delayReason", "Say what holds it up.");
        }
        plan.wantedOn = wantedOn;
        plan.notBefore = notBefore;
        plan.delayReason = notBefore == null ? "" : delayReason.strip();
    }

    private void store(List<Line> wanted, @Nullable Long revision, @Nullable Long lot) {
        for (int i = 0; i < wanted.size(); i++) {
            PlanLine row = new PlanLine(i, wanted.get(i));
            row.revisionId = revision;
            row.lotId = lot;
            lines.save(row);
        }
    }

    private ProductPlan view(PlanRevision row) {
        return new ProductPlan(
                row.id,
                row.revision,
                row.reason,
                row.madeBy,
                lines.findByRevisionIdOrderByPlace(row.id).stream()
                        .flatMap(line -> line.view().stream())
                        .toList());
    }

    private static void requireReason(String field, String reason, String message) {
        if (reason.length() > 300 || Substance.problem(reason).isPresent()) {
            throw new Refusal(field, message);
        }
    }

    /** Two lines under the same terms would be the same specimens counted twice. */
    private static void requireDistinct(List<Line> wanted) {
        if (wanted.isEmpty()) {
            throw new Refusal("lines", "A plan has at least one line.");
        }
        Set<Conditions> seen = new HashSet<>();
        for (int i = 0; i < wanted.size(); i++) {
            if (!seen.add(wanted.get(i).test().conditions())) {
                throw new Refusal(
                        "line-" + i,
                        wanted.get(i).test().label() + " is in the plan twice under the same terms: raise n instead.");
            }
        }
    }
}
