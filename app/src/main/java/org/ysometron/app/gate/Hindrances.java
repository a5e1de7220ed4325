package org.ysometron.app.gate;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.BeforeBreaking;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.evidence.Provisionals;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.Progress;
import org.ysometron.app.product.Life;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.product.ShelfLives;
import org.ysometron.app.web.Moments;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.gate.Right;
import org.ysometron.core.material.ShelfLife;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Conflict;

/**
 * What stands in a lot's way before any claim is judged: publications, the product's life, its samples and blend, sizes, calibrations, late entries,
 * the material's state, planned tests not done.
 */
@Component
class Hindrances {

    private final Products products;
    private final Publications publications;
    private final Provisionals provisionals;
    private final BeforeBreaking sizes;
    private final Bench bench;
    private final LateEntries late;
    private final Lots lots;
    private final Samples samples;
    private final Plans plans;
    private final Progress progress;
    private final ShelfLives shelves;
    private final Clock clock;

    Hindrances(
            Products products,
            Publications publications,
            Provisionals provisionals,
            BeforeBreaking sizes,
            Bench bench,
            LateEntries late,
            Lots lots,
            Samples samples,
            Plans plans,
            Progress progress,
            ShelfLives shelves,
            Clock clock) {
        this.shelves = shelves;
        this.clock = clock;
        this.products = products;
        this.publications = publications;
        this.provisionals = provisionals;
        this.sizes = sizes;
        this.bench = bench;
        this.late = late;
        this.lots = lots;
        this.samples = samples;
        this.plans = plans;
        this.progress = progress;
    }

    /** The blocks of several lots, before any word of judgement. */
    Map<Long, List<Block>> of(Collection<LotView> wanted) {
        List<Long> ids = wanted.stream().map(LotView::id).toList();
        Map<Long, List<Block>> found = new HashMap<>();
        wanted.forEach(lot -> found.put(lot.id(), new ArrayList<>()));
        publications(wanted, found);
        origins(wanted, ids, found);
        sizes.sizeBlocks(wanted).forEach((lot, blocks) -> add(found, lot, blocks));
        bench.outOfCalibration(wanted)
                .forEach((lot, outs) -> add(
                        found,
                        lot,
                        outs.stream()
                                .filter(Bench.Uncovered::blocks)
                                .map(out -> Gate.outOfCalibration(out.words(), out.subject()))
                                .toList()));
        late.of(ids).forEach(entry -> add(found, entry.lotId(), List.of(late(entry))));
        provisionals
                .of(wanted)
                .forEach((lot, sets) -> add(
                        found,
                        lot,
                        sets.stream()
                                .map(set -> Gate.provisional(
                                        set.specimens(), String.join(" ", set.reasons()), set.remedy()))
                                .toList()));
        plans(wanted, ids, found);
        return found;
    }

    private static void add(Map<Long, List<Block>> found, long lot, List<Block> blocks) {
        found.computeIfAbsent(lot, id -> new ArrayList<>()).addAll(blocks);
    }

    private void publications(Collection<LotView> wanted, Map<Long, List<Block>> found) {
        Map<Long, Products.ProductView> known = new HashMap<>();
        record Sheet(long product, long datasheet, LocalDate day) {}
        Map<Sheet, List<Block>> conflicts = new HashMap<>();
        for (LotView lot : wanted) {
            Sheet sheet = new Sheet(lot.productId(), lot.datasheetId(), lot.madeOn());
            add(found, lot.id(), conflicts.computeIfAbsent(sheet, s -> conflicts(s.product(), s.datasheet(), s.day())));
            Products.ProductView product = known.computeIfAbsent(lot.productId(), products::product);
            if (product.life() == Life.WITHDRAWN) {
                add(found, lot.id(), List.of(Gate.withdrawn(product.name(), product.lifeReason())));
            }
            shelves.of(lot.productId(), lot.madeOn())
                    .filter(life -> life.isPast(LocalDate.now(clock)))
                    .ifPresent(life -> add(found, lot.id(), List.of(past(lot, life))));
        }
    }

    private Block past(LotView lot, ShelfLife life) {
        Optional<LocalDate> last = bench.records(lot.id()).stream()
                .flatMap(record -> record.ended().stream())
                .map(ended -> Moments.day(ended.enteredAt()))
                .max(LocalDate::compareTo);
        return Gate.pastShelfLife(life, LocalDate.now(clock), life.isTestedAgain(last));
    }

    /** Lots without a sample, and lots of another blend than the one that left before them. */
    private void origins(Collection<LotView> wanted, List<Long> ids, Map<Long, List<Block>> found) {
        Set<Long> drawn = samples.drawn(ids);
        Map<Long, LotView> before = lots.shippedBefore(ids);
        for (LotView lot : wanted) {
            if (!drawn.contains(lot.id())) {
                add(found, lot.id(), List.of(Gate.withoutSample()));
            }
            LotView earlier = before.get(lot.id());
            if (earlier != null && !lot.blend().isSame(earlier.blend())) {
                add(
                        found,
                        lot.id(),
                        List.of(Gate.otherBlend(lot.blend().differences(earlier.blend()), earlier.code())));
            }
        }
    }

    private static Block late(LateEntries.LateView entry) {
        return new Block(
                Block.Kind.LATE_ENTRY,
                entry.what() + ": written down by " + entry.by() + " after results were known. " + entry.reason(),
                Right.JUDGEMENT,
                "Another account with judgement looks at it and gives a word why it may stand.",
                "late-" + entry.id());
    }

    /** Lines of a lot's plan that are neither done nor left out with a reason. */
    private void plans(Collection<LotView> wanted, List<Long> ids, Map<Long, List<Block>> found) {
        Map<Long, Plans.LotPlanView> copies = plans.ofLots(ids);
        if (copies.isEmpty()) {
            return;
        }
        List<LotView> planned =
                wanted.stream().filter(lot -> copies.containsKey(lot.id())).toList();
        Map<Long, Progress.Done> done = progress.of(planned);
        Map<Long, List<SpecimenView>> made = lots
                .specimensOf(planned.stream().map(LotView::id).toList())
                .stream()
                .collect(Collectors.groupingBy(SpecimenView::lotId));
        copies.forEach((lot, copy) -> {
            Set<Long> tested = done.getOrDefault(lot, Progress.Done.NOTHING).tested();
            List<String> names = PlannedTest.names(
                    copy.lines().stream().map(Plans.Line::test).toList());
            for (int i = 0; i < names.size(); i++) {
                Plans.Line line = copy.lines().get(i);
                int count = (int) made.getOrDefault(lot, List.of()).stream()
                        .filter(specimen -> specimen.besideId() == null)
                        .filter(specimen ->
                                specimen.conditions().equals(line.test().conditions()))
                        .filter(specimen -> tested.contains(specimen.id()))
                        .count();
                if (!line.leftOut() && count < line.test().n()) {
                    add(
                            found,
                            lot,
                            List.of(Gate.planLine(
                                    names.get(i), count, line.test().n())));
                }
            }
        });
    }

    private List<Block> conflicts(long product, long datasheet, LocalDate day) {
        return publications.conflicts(product, datasheet, day).stream()
                .filter(Publications.ConflictView::blocks)
                .map(Publications.ConflictView::conflict)
                .map(conflict -> Gate.conflict(conflict.title(), disagreeing(conflict), conflict.differ()))
                .toList();
    }

    private static String disagreeing(Conflict conflict) {
        return conflict.entries().stream()
                .map(entry -> entry.kind().words())
                .distinct()
                .collect(Collectors.joining(" and "));
    }
}
