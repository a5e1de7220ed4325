package org.ysometron.app.evidence;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.References;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;

/**
 * What a reference lot read each time that it was tested beside another lot: a material drifts alone, a cold print or a
 * drifting tester takes the reference lot with it.
 */
@Component
public class ReferenceTests {

    /**
     * First tests from which the reference's own limits are set, and stay: limits that followed every new test would widen
     * with the very change that they are there to show (common practice, no source).
     */
    private static final int BASE = 6;

    private final References references;
    private final Bench bench;
    private final Lots lots;

    ReferenceTests(References references, Bench bench, Lots lots) {
        this.references = references;
        this.bench = bench;
        this.lots = lots;
    }

    /** The reference lot tested once. */
    public record Beside(String lot, long lotId, LocalDateTime madeAt, int n, double mean) {}

    /** Every time that the product's reference lot was tested for a characteristic under these terms, in order. */
    @Transactional(readOnly = true)
    public List<Beside> of(long productId, Characteristic characteristic, Conditions conditions) {
        Optional<References.ReferenceView> reference = references.of(productId);
        if (reference.isEmpty()) {
            return List.of();
        }
        Map<Long, List<SpecimenRecord>> bySet = new LinkedHashMap<>();
        for (SpecimenRecord record : bench.records(reference.get().lot().id())) {
            if (record.specimen().conditions().equals(conditions)) {
                bySet.computeIfAbsent(record.specimen().setId(), id -> new ArrayList<>())
                        .add(record);
            }
        }
        Map<Long, String> codes = new HashMap<>();
        lots.all(bySet.values().stream()
                        .flatMap(
                                set -> Optional.ofNullable(set.get(0).specimen().besideId()).stream())
                        .toList())
                .forEach(lot -> codes.put(lot.id(), lot.code()));
        List<Beside> tests = new ArrayList<>();
        for (List<SpecimenRecord> set : bySet.values()) {
            double[] values = set.stream()
                    .flatMap(record -> record.result(characteristic).stream())
                    .filter(result -> result.made() == Reduced.Made.VALUE)
                    .flatMapToDouble(result -> result.value().stream())
                    .toArray();
            Long beside = set.get(0).specimen().besideId();
            if (values.length > 0) {
                tests.add(new Beside(
                        beside == null ? "alone" : codes.getOrDefault(beside, ""),
                        beside == null ? 0 : beside,
                        set.get(0).specimen().madeAt(),
                        values.length,
                        Summary.of(values).mean()));
            }
        }
        tests.sort(Comparator.comparing(Beside::madeAt));
        return tests;
    }

    /** What the reference specimens of this lot's own run say; empty when there are none. */
    @Transactional(readOnly = true)
    public Optional<String> beside(LotView lot, Conditions conditions) {
        Optional<Characteristic> main =
                Methods.of(conditions.method()).map(method -> method.data().main());
        if (main.isEmpty()) {
            return Optional.empty();
        }
        String unit = main.get().unit();
        List<Beside> all = of(lot.productId(), main.get(), conditions);
        Optional<Beside> own =
                all.stream().filter(test -> test.lotId() == lot.id()).findFirst();
        if (own.isEmpty()) {
            return Optional.empty();
        }
        String read = "The reference lot made in the same run reads "
                + Figures.withUnit(own.get().mean(), 4, unit) + " (n = "
                + own.get().n() + ")";
        Optional<IndividualsLimits> limits = limits(all, unit);
        if (limits.isEmpty() || all.indexOf(own.get()) < BASE) {
            return Optional.of(read + ", one of its first " + BASE + " tests, from which its own limits are set.");
        }
        String usual = Figures.significant(limits.get().lower(), 4) + " to "
                + Figures.withUnit(limits.get().upper(), 4, unit);
        return Optional.of(
                isInside(own.get(), limits.get())
                        ? read + ", within its own " + usual
                                + ": printer and tester were as ever, and what differs is the" + " material."
                        : read + ", outside its own " + usual
                                + ": look at the printer, the rig and the tester before the material is blamed.");
    }

    /** The reference's own limits, from its first tests; empty until one more was made. */
    public static Optional<IndividualsLimits> limits(List<Beside> tests, String unit) {
        return tests.size() <= BASE
                ? Optional.empty()
                : Optional.of(IndividualsLimits.of(
                        tests.stream().limit(BASE).mapToDouble(Beside::mean).toArray(), unit));
    }

    /** Whether a test lies where the reference lot always lay. */
    public static boolean isInside(Beside test, IndividualsLimits limits) {
        return test.mean() >= limits.lower() && test.mean() <= limits.upper();
    }
}
