package org.ysometron.app.evidence;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.material.Conditioning.Age;

/**
 * Sets whose strengths do not count: made of wet or unknown material, or tested before the part was conditioned. Two
 * clocks, each with its own reason.
 */
@Component
public class Provisionals {

    private final MaterialStates states;
    private final Bench bench;
    private final Products products;

    Provisionals(MaterialStates states, Bench bench, Products products) {
        this.states = states;
        this.bench = bench;
        this.products = products;
    }

    /**
     * A set that does not count and that no other set under the same conditions stands in for.
     *
     * @param specimens the set in words
     */
    public record Provisional(String specimens, List<String> reasons, String remedy) {}

    /** Why the sets of a lot do not count, by the set's key; sets that count are left out. */
    Map<Long, List<String>> reasons(LotView lot, List<SpecimenRecord> records) {
        Map<Long, List<String>> reasons = new HashMap<>();
        states.of(List.of(lot)).forEach((setId, set) -> {
            if (!set.state().dry()) {
                reasons.computeIfAbsent(setId, id -> new ArrayList<>()).add("material wet or unknown");
            }
        });
        early(lot, records).forEach((setId, reason) -> reasons.computeIfAbsent(setId, id -> new ArrayList<>())
                .add(reason));
        return reasons;
    }

    /** Sets that were to be conditioned and were tested before they were, or nobody knows. */
    private Map<Long, String> early(LotView lot, List<SpecimenRecord> records) {
        Map<Long, String> early = new LinkedHashMap<>();
        double hours = products.product(lot.productId()).conditioningHours();
        for (SpecimenRecord record : records) {
            boolean tested = record.force().isPresent();
            if (!tested || record.specimen().conditions().conditioning() != Conditioning.CONDITIONED) {
                continue;
            }
            LocalDateTime at =
                    LocalDateTime.ofInstant(record.force().orElseThrow().enteredAt(), ZoneId.systemDefault());
            Optional<LocalDateTime> started =
                    Optional.ofNullable(record.specimen().conditionedFrom());
            Age age = org.ysometron.core.material.Conditioning.age(started, hours, at);
            if (age == Age.EARLY) {
                early.put(
                        record.specimen().setId(),
                        "tested early: conditioned from "
                                + org.ysometron.core.material.Conditioning.earliest(started.orElseThrow(), hours)
                                        .toString()
                                        .replace('T', ' ')
                                + " on");
            } else if (age == Age.UNKNOWN) {
                early.put(record.specimen().setId(), "conditioned since nobody knows when");
            }
        }
        return early;
    }

    /** The lot's sets that do not count and that nothing stands in for, with what to do. */
    @Transactional(readOnly = true)
    public List<Provisional> of(LotView lot) {
        List<SpecimenRecord> records = bench.records(lot.id());
        Map<Long, List<String>> reasons = reasons(lot, records);
        if (reasons.isEmpty()) {
            return List.of();
        }
        Map<Long, MaterialStates.SetState> wet = states.of(List.of(lot));
        Map<Long, List<SpecimenRecord>> sets = new LinkedHashMap<>();
        records.forEach(record -> sets.computeIfAbsent(record.specimen().setId(), id -> new ArrayList<>())
                .add(record));
        List<Provisional> found = new ArrayList<>();
        for (Map.Entry<Long, List<SpecimenRecord>> set : sets.entrySet()) {
            List<String> why = reasons.get(set.getKey());
            if (why == null) {
                continue;
            }
            Conditions conditions = set.getValue().get(0).specimen().conditions();
            boolean replaced = sets.entrySet().stream()
                    .anyMatch(other -> !reasons.containsKey(other.getKey())
                            && other.getValue().get(0).specimen().conditions().equals(conditions));
            if (!replaced) {
                MaterialStates.SetState state = wet.get(set.getKey());
                String remedy = state != null && !state.state().dry()
                        ? state.state().remedy()
                        : "Condition a new set for the hours that the product asks for, and test that.";
                List<String> said =
                        state != null && !state.state().dry() ? state.state().reasons() : why;
                found.add(new Provisional(labels(set.getValue()), said, remedy));
            }
        }
        return found;
    }

    private static String labels(List<SpecimenRecord> records) {
        String first = records.get(0).specimen().label();
        return records.size() == 1
                ? first
                : first + " to " + records.get(records.size() - 1).specimen().label();
    }
}
