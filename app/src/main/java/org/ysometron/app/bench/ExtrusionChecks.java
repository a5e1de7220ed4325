package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Checked;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;

/** Extrusion factors that boxes of the newest lots ask for, beside the one that a recipe has. */
@Component
class ExtrusionChecks implements Checked {

    private static final Set<String> FACTORS = Set.of("extrusion-factor-by-wall", "extrusion-factor-by-mass");
    private static final int NEWEST = 20;

    private final Lots lots;
    private final Bench bench;

    ExtrusionChecks(Lots lots, Bench bench) {
        this.lots = lots;
        this.bench = bench;
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> of(long productId, RecipeField setting) {
        if (setting != RecipeField.EXTRUSION) {
            return List.of();
        }
        List<String> said = new ArrayList<>();
        List<LotView> newest = lots.newest(productId, NEWEST);
        Map<Long, List<SpecimenRecord>> records =
                bench.records(newest.stream().map(LotView::id).toList());
        for (LotView lot : newest) {
            List<SpecimenRecord> boxes = records.getOrDefault(lot.id(), List.of()).stream()
                    .filter(record -> record.isTested()
                            && record.method().data().characteristics().stream()
                                    .anyMatch(one -> FACTORS.contains(one.id())))
                    .toList();
            if (!boxes.isEmpty()) {
                boxes.get(0).method().data().characteristics().stream()
                        .filter(one -> FACTORS.contains(one.id()))
                        .forEach(one -> said(lot, boxes, one).ifPresent(said::add));
            }
        }
        return said;
    }

    private static Optional<String> said(LotView lot, List<SpecimenRecord> boxes, Characteristic factor) {
        double[] found = boxes.stream()
                .flatMap(record -> record.result(factor).stream())
                .map(result -> result.value())
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
        return found.length == 0
                ? Optional.empty()
                : Optional.of(factor.title() + " "
                        + Figures.decimals(Summary.of(found).mean(), 3) + ", " + found.length
                        + (found.length == 1 ? " box" : " boxes") + " of lot " + lot.code());
    }
}
