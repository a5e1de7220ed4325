package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.ysometron.app.bench.Quantity;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.claim.Property;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Result;

/**
 * What one lot's specimens under one set of conditions gave, property by property.
 *
 * @param conditions the terms they were tested under
 * @param records the specimens, tested or not
 */
record LotEvidence(Conditions conditions, List<SpecimenRecord> records) {

    /** The lot's specimens by their conditions, in order of their sets. */
    static List<LotEvidence> of(List<SpecimenRecord> records) {
        Map<Conditions, List<SpecimenRecord>> byConditions = new LinkedHashMap<>();
        for (SpecimenRecord record : records) {
            byConditions
                    .computeIfAbsent(record.specimen().conditions(), key -> new ArrayList<>())
                    .add(record);
        }
        return byConditions.entrySet().stream()
                .map(entry -> new LotEvidence(entry.getKey(), entry.getValue()))
                .toList();
    }

    /** The evidence for a property that single specimens have. */
    Evidence evidence(Property property, Optional<PooledScatter> history) {
        return switch (property) {
            case TENSILE_STRENGTH -> strengths(history);
            case SECTION_WIDTH -> sections(Section::width, history);
            case SECTION_THICKNESS -> sections(Section::thickness, history);
            case UPRIGHT_FLAT_RATIO -> throw new IllegalArgumentException("a ratio is made of two sets of specimens");
        };
    }

    private Evidence strengths(Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        List<Double> bounds = new ArrayList<>();
        int excluded = 0;
        double relative = 0;
        for (SpecimenRecord record : records) {
            Optional<Result> strength = record.strength();
            if (strength.isEmpty()) {
                continue;
            }
            relative =
                    Math.max(relative, record.force().orElseThrow().instrument().relativeUncertainty());
            switch (strength.get().kind()) {
                case MEASURED -> values.add(strength.get().value());
                case AT_LEAST -> bounds.add(strength.get().value());
                case EXCLUDED -> excluded++;
            }
        }
        double level = average(values.isEmpty() ? bounds : values);
        return new Evidence(array(values), array(bounds), excluded, relative * level, history);
    }

    private Evidence sections(ToDoubleFunction<Section> side, Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        double absolute = 0;
        for (SpecimenRecord record : records) {
            if (record.section().isPresent()) {
                values.add(side.applyAsDouble(record.section().get()));
                for (ReadingView reading : record.live(Quantity.WIDTH)) {
                    absolute = Math.max(absolute, reading.instrument().absoluteUncertainty());
                }
            }
        }
        return new Evidence(array(values), new double[0], 0, absolute, history);
    }

    private static double average(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    private static double[] array(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
