package org.ysometron.app.evidence;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Boughts;
import org.ysometron.app.make.Climates;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.material.Conditioning.Age;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * Sets whose strengths do not count: made of wet or unknown material, tested before the part was conditioned, or out of a print of
 * which a piece was found hollow that should be solid. Each has its own reason.
 */
@Component
public class Provisionals {

    private final MaterialStates states;
    private final Bench bench;
    private final Lots lots;
    private final Climates climates;
    private final Boughts boughts;

    private final Clock clock;

    Provisionals(MaterialStates states, Bench bench, Lots lots, Climates climates, Boughts boughts, Clock clock) {
        this.clock = clock;
        this.climates = climates;
        this.boughts = boughts;
        this.lots = lots;
        this.states = states;
        this.bench = bench;
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
        states.of(List.of(lot)).values().forEach(set -> wet(set, reasons));
        List<SpecimenView> specimens =
                records.stream().map(SpecimenRecord::specimen).toList();
        early(records, climates.ready(List.of(lot), specimens), climates.cutShort(List.of(lot), specimens), reasons);
        boughts.held(specimens.stream().map(SpecimenView::setId).collect(Collectors.toSet()))
                .forEach((set, reason) -> add(reasons, set, reason));
        hollow(records).forEach((set, reason) -> add(reasons, set, reason));
        return reasons;
    }

    /** What was printed together: begun at one moment, by one set-up, of one sample. */
    private record Print(
            LocalDateTime begun, Setup setup, @Nullable Long sampleId) {

        static Print of(SpecimenView specimen) {
            return new Print(specimen.madeAt(), specimen.setup(), specimen.sampleId());
        }
    }

    /** The sets out of a print that a method's file lets suspend them, with what was found; the pieces it was found on still count. */
    private static Map<Long, String> hollow(List<SpecimenRecord> records) {
        Map<Print, Map<Method, List<Double>>> found = new HashMap<>();
        for (SpecimenRecord record : records) {
            record.method()
                    .data()
                    .suspends()
                    .flatMap(rule -> record.results().stream()
                            .filter(result -> result.characteristic().id().equals(rule.characteristic()))
                            .findFirst())
                    .filter(result -> result.made() == Reduced.Made.VALUE)
                    .ifPresent(result -> found.computeIfAbsent(Print.of(record.specimen()), print -> new HashMap<>())
                            .computeIfAbsent(record.method(), method -> new ArrayList<>())
                            .add(result.value().getAsDouble()));
        }
        Map<Long, String> suspended = new HashMap<>();
        for (SpecimenRecord record : records) {
            if (record.method().data().suspends().isEmpty()) {
                found.getOrDefault(Print.of(record.specimen()), Map.of()).forEach((method, values) -> tooLow(
                                method, values)
                        .ifPresent(why -> suspended.put(record.specimen().setId(), why)));
            }
        }
        return suspended;
    }

    private static Optional<String> tooLow(Method method, List<Double> values) {
        MethodData.Suspends rule = method.data().suspends().orElseThrow();
        double mean = values.stream().mapToDouble(Double::doubleValue).average().orElse(Double.NaN);
        return Rounding.below(mean, rule.below())
                ? Optional.of(method.data().title() + " of the same print: " + Figures.decimals(100 * mean, 1)
                        + " %, below " + Figures.decimals(100 * rule.below(), 1) + " % (" + rule.words() + ")")
                : Optional.empty();
    }

    private static void wet(MaterialStates.SetState set, Map<Long, List<String>> reasons) {
        if (!set.state().dry()) {
            reasons.computeIfAbsent(set.setId(), id -> new ArrayList<>()).add("material wet or unknown");
        }
    }

    /** Sets that were to be conditioned and were tested before they were, or nobody knows. */
    private void early(
            List<SpecimenRecord> records,
            Map<Long, LocalDateTime> readies,
            Map<Long, String> cutShort,
            Map<Long, List<String>> reasons) {
        Map<Long, String> found = new HashMap<>();
        for (SpecimenRecord record : records) {
            boolean tested = record.isTested();
            if (!tested || record.specimen().conditions().conditioning() != Conditioning.CONDITIONED) {
                continue;
            }
            LocalDateTime at =
                    LocalDateTime.ofInstant(record.ended().orElseThrow().enteredAt(), clock.getZone());
            Optional<LocalDateTime> ready =
                    Optional.ofNullable(readies.get(record.specimen().setId()));
            Age age = org.ysometron.core.material.Conditioning.age(ready, at);
            if (age == Age.EARLY) {
                LocalDateTime earliest = ready.orElseThrow();
                found.put(
                        record.specimen().setId(),
                        "tested early: conditioned from "
                                + earliest.withNano(0).toString().replace('T', ' ') + " on");
            } else if (age == Age.UNKNOWN) {
                found.put(record.specimen().setId(), "conditioned since nobody knows when");
            }
        }
        Set<Long> own =
                records.stream().map(record -> record.specimen().setId()).collect(Collectors.toSet());
        cutShort.forEach((set, reason) -> {
            if (own.contains(set)) {
                found.putIfAbsent(set, reason);
            }
        });
        found.forEach((set, reason) -> add(reasons, set, reason));
    }

    private static void add(Map<Long, List<String>> reasons, long set, String reason) {
        reasons.computeIfAbsent(set, id -> new ArrayList<>()).add(reason);
    }

    /** The sets of several lots that do not count and that nothing stands in for, with what to do. */
    @Transactional(readOnly = true)
    public Map<Long, List<Provisional>> of(Collection<LotView> wanted) {
        Map<Long, MaterialStates.SetState> wet = states.of(wanted);
        Map<Long, Map<Long, List<SpecimenView>>> sets = new HashMap<>();
        Set<Long> conditioned = new HashSet<>();
        for (SpecimenView specimen :
                lots.specimensOf(wanted.stream().map(LotView::id).toList())) {
            sets.computeIfAbsent(specimen.lotId(), id -> new LinkedHashMap<>())
                    .computeIfAbsent(specimen.setId(), id -> new ArrayList<>())
                    .add(specimen);
            boolean suspends = Methods.of(specimen.conditions().method())
                    .filter(method -> method.data().suspends().isPresent())
                    .isPresent();
            if (suspends || specimen.conditions().conditioning() == Conditioning.CONDITIONED) {
                conditioned.add(specimen.lotId());
            }
        }
        Map<Long, List<SpecimenRecord>> records = conditioned.isEmpty() ? Map.of() : bench.records(conditioned);
        List<SpecimenView> clocked = records.values().stream()
                .flatMap(List::stream)
                .map(SpecimenRecord::specimen)
                .toList();
        List<LotView> clockedLots =
                wanted.stream().filter(lot -> records.containsKey(lot.id())).toList();
        Map<Long, LocalDateTime> readies = climates.ready(clockedLots, clocked);
        Map<Long, String> cutShort = climates.cutShort(clockedLots, clocked);
        // Sets from an outside service that nobody has looked at, or that were refused.
        Map<Long, String> held = boughts.held(
                sets.values().stream().flatMap(own -> own.keySet().stream()).collect(Collectors.toSet()));
        Map<Long, List<Provisional>> found = new HashMap<>();
        for (LotView lot : wanted) {
            Map<Long, List<SpecimenView>> own = sets.getOrDefault(lot.id(), Map.of());
            Map<Long, List<String>> reasons = new HashMap<>();
            own.keySet().stream().map(wet::get).filter(Objects::nonNull).forEach(set -> wet(set, reasons));
            List<SpecimenRecord> tested = records.getOrDefault(lot.id(), List.of());
            if (!tested.isEmpty()) {
                early(tested, readies, cutShort, reasons);
            }
            own.keySet().stream()
                    .filter(held::containsKey)
                    .forEach(set -> add(reasons, set, Objects.requireNonNull(held.get(set))));
            Map<Long, String> hollow = hollow(tested);
            hollow.forEach((set, reason) -> add(reasons, set, reason));
            List<Provisional> left = own.entrySet().stream()
                    .filter(set -> reasons.containsKey(set.getKey()) && !isReplaced(set.getValue(), own, reasons))
                    .map(set -> provisional(
                            set.getValue(),
                            wet.get(set.getKey()),
                            reasons.getOrDefault(set.getKey(), List.of()),
                            remedy(held.containsKey(set.getKey()), hollow.containsKey(set.getKey()))))
                    .toList();
            found.put(lot.id(), left);
        }
        return found;
    }

    /** Whether a set that counts was made under the same conditions. */
    private static boolean isReplaced(
            List<SpecimenView> set, Map<Long, List<SpecimenView>> all, Map<Long, List<String>> reasons) {
        return all.entrySet().stream()
                .anyMatch(other -> !reasons.containsKey(other.getKey())
                        && other.getValue()
                                .get(0)
                                .conditions()
                                .equals(set.get(0).conditions()));
    }

    private static Provisional provisional(
            List<SpecimenView> set, MaterialStates.@Nullable SetState state, List<String> why, String remedy) {
        String first = set.get(0).label();
        String labels = set.size() == 1
                ? first
                : first + " to " + set.get(set.size() - 1).label();
        return state != null && !state.state().dry()
                ? new Provisional(labels, state.state().reasons(), state.state().remedy())
                : new Provisional(labels, why, remedy);
    }

    private static String remedy(boolean bought, boolean hollow) {
        if (bought) {
            return "Inspect it on the lot's page of making, or test a set of another origin.";
        }
        return hollow
                ? "Look for the cause first: dry the material, check the extrusion; then print a new set and weigh a piece of it."
                : "Condition a new set for the hours that the product asks for, and test that.";
    }
}
