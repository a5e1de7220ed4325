package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.PageMemory;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.dimension.ModelScale;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.Methods;
import org.ysometron.core.working.Figures;

/** Specimens far off the size they should have: each waits for an engineer's word before its strength counts. */
@Component
public class Sizes {

    private static final List<String> FIELDS = Methods.all().stream()
            .flatMap(method -> Characteristics.sizes(method).stream())
            .map(Characteristic::base)
            .distinct()
            .toList();

    private final PageMemory memory;
    private final ReadingRepository readings;
    private final Lots lots;

    Sizes(PageMemory memory, ReadingRepository readings, Lots lots) {
        this.memory = memory;
        this.readings = readings;
        this.lots = lots;
    }

    /** A set with a gross error of size: its key and the error in words. */
    public record Gross(String subject, String words) {}

    /** Means of the sides of the specimens of these lots. */
    List<ReadingRepository.Size> of(Collection<Long> lotIds) {
        return memory
                .each("sizes", lotIds, ids -> readings.sizes(ids, FIELDS).stream()
                        .collect(Collectors.groupingBy(ReadingRepository.Size::lotId, Collectors.toUnmodifiableList())))
                .values()
                .stream()
                .flatMap(List::stream)
                .toList();
    }

    /** Sets with a gross error of size, by lot; a set whose every axis errs alike is named as scaled. */
    @Transactional(readOnly = true)
    public Map<Long, List<Gross>> gross(Collection<Long> lotIds) {
        Map<Long, List<ReadingRepository.Size>> bySpecimen = new HashMap<>();
        for (ReadingRepository.Size size : of(lotIds)) {
            bySpecimen
                    .computeIfAbsent(size.specimenId(), id -> new ArrayList<>())
                    .add(size);
        }
        Map<Long, List<Gross>> found = new HashMap<>();
        if (bySpecimen.isEmpty()) {
            return found;
        }
        Map<Long, List<SpecimenView>> sets = new LinkedHashMap<>();
        lots.specimensOf(lotIds).forEach(specimen -> sets.computeIfAbsent(specimen.setId(), id -> new ArrayList<>())
                .add(specimen));
        sets.values().forEach(set -> finding(set, bySpecimen)
                .ifPresent(words -> found.computeIfAbsent(set.get(0).lotId(), id -> new ArrayList<>())
                        .add(new Gross("set-" + set.get(0).setId(), words))));
        return found;
    }

    private static Optional<String> finding(
            List<SpecimenView> set, Map<Long, List<ReadingRepository.Size>> bySpecimen) {
        Map<String, List<Double>> sides = new TreeMap<>();
        List<String> gross = new ArrayList<>();
        for (SpecimenView specimen : set) {
            boolean off = false;
            for (ReadingRepository.Size size : bySpecimen.getOrDefault(specimen.id(), List.of())) {
                OptionalDouble nominal = specimen.nominal(size.field());
                if (nominal.isPresent()) {
                    sides.computeIfAbsent(size.field(), field -> new ArrayList<>())
                            .add(size.mean());
                    off |= ModelScale.isGross(size.mean(), nominal.getAsDouble());
                }
            }
            if (off) {
                gross.add(specimen.label());
            }
        }
        if (sides.isEmpty()) {
            return Optional.empty();
        }
        Optional<ModelScale> scale = sides.size() < 2
                ? Optional.empty()
                : ModelScale.of(
                        sides.values().stream().mapToDouble(Sizes::mean).toArray(),
                        sides.keySet().stream()
                                .mapToDouble(field -> set.get(0).nominal(field).orElse(1))
                                .toArray());
        if (scale.isPresent()) {
            return Optional.of(set.get(0).label() + " to "
                    + set.get(set.size() - 1).label() + ": "
                    + scale.get().sentence().replaceAll("[.]$", ""));
        }
        return gross.isEmpty()
                ? Optional.empty()
                : Optional.of(String.join(", ", gross) + " more than "
                        + Figures.decimals(100 * ModelScale.GROSS, 0)
                        + " % off nominal size");
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(1);
    }
}
