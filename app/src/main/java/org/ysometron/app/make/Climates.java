package org.ysometron.app.make;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.material.Conditioning;
import org.ysometron.core.material.SiteClock;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;

/** Conditioning: when sets went into which climate and came out, what they weighed, and from when on they are ready. */
@Component
public class Climates {

    private final PageMemory memory;
    private final WeighingRepository weighings;
    private final Lots lots;
    private final Products products;
    private final LateEntries late;
    private final Clock clock;

    Climates(
            PageMemory memory,
            WeighingRepository weighings,
            Lots lots,
            Products products,
            LateEntries late,
            Clock clock) {
        this.memory = memory;
        this.late = late;
        this.weighings = weighings;
        this.lots = lots;
        this.products = products;
        this.clock = clock;
    }

    /** A set that is to be conditioned. */
    public record SetClimate(
            long setId,
            String specimens,
            @Nullable LocalDateTime in,
            @Nullable LocalDateTime out,
            String climate,
            List<String> weighed,
            @Nullable LocalDateTime ready) {}

    /** The conditioned sets of a lot. */
    @Transactional(readOnly = true)
    public List<SetClimate> of(LotView lot) {
        Map<Long, List<SpecimenView>> sets = conditioned(lots.specimens(lot.id()));
        Map<Long, List<Weighing>> weighed = weighed(sets.keySet());
        Map<Long, LocalDateTime> ready = ready(List.of(lot), lots.specimens(lot.id()));
        return lots.climates(sets.keySet()).stream()
                .map(climate -> new SetClimate(
                        climate.setId(),
                        Sets.labels(sets.getOrDefault(climate.setId(), List.of())),
                        climate.in(),
                        climate.out(),
                        climate.climate(),
                        weighed.getOrDefault(climate.setId(), List.of()).stream()
                                .map(row -> row.typed + " at "
                                        + row.weighedAt.toString().replace('T', ' '))
                                .toList(),
                        ready.get(climate.setId())))
                .toList();
    }

    /** From when on the conditioned sets of lots are ready, by hours or by weighings; sets never put in are left out. */
    public Map<Long, LocalDateTime> ready(Collection<LotView> of, List<SpecimenView> specimens) {
        Map<Long, List<SpecimenView>> sets = conditioned(specimens);
        if (sets.isEmpty()) {
            return Map.of();
        }
        Map<Long, Double> hours = new HashMap<>();
        of.forEach(lot -> hours.put(lot.id(), products.product(lot.productId()).conditioningHours()));
        Map<Long, List<Weighing>> weighed = weighed(sets.keySet());
        Map<Long, LocalDateTime> ready = new HashMap<>();
        sets.forEach((id, set) -> {
            LocalDateTime in = set.get(0).conditionedFrom();
            if (in != null) {
                ready.put(
                        id,
                        Conditioning.readyFrom(
                                in,
                                java.util.Objects.requireNonNull(
                                        hours.get(set.get(0).lotId())),
                                weighed.getOrDefault(id, List.of()).stream()
                                        .map(row -> new Conditioning.Weighing(
                                                row.weighedAt, row.mass, Typed.step(row.typed)))
                                        .toList(),
                                new SiteClock(clock.getZone())));
            }
        });
        return ready;
    }

    /** Sets that were taken out of the climate before they were ready, in words, by set. */
    public Map<Long, String> cutShort(Collection<LotView> of, List<SpecimenView> specimens) {
        Map<Long, LocalDateTime> ready = ready(of, specimens);
        Map<Long, String> words = new HashMap<>();
        if (ready.isEmpty()) {
            return words;
        }
        for (Lots.Climate climate : lots.climates(ready.keySet())) {
            LocalDateTime wanted = ready.get(climate.setId());
            LocalDateTime out = climate.out();
            if (out != null && wanted != null && out.isBefore(wanted)) {
                words.put(
                        climate.setId(),
                        "taken out of the climate on " + shown(out) + ", before it was ready on " + shown(wanted));
            }
        }
        return words;
    }

    private static String shown(LocalDateTime at) {
        return at.withNano(0).toString().replace('T', ' ');
    }

    /** Writes down a time in or out. */
    @Write
    public void move(
            LotView lot,
            long setId,
            @Nullable LocalDateTime in,
            @Nullable LocalDateTime out,
            String climate,
            String reason,
            String by) {
        lots.lockUndecided(lot.id());
        late(lot, setId, "Time in the climate of set " + setId, reason, by, "in");
        LocalDateTime now = LocalDateTime.now(clock).plusMinutes(1);
        if ((in != null && in.isAfter(now)) || (out != null && out.isAfter(now))) {
            throw new Refusal("in", "It cannot have gone in or come out after now.");
        }
        lots.condition(lot, setId, in, out, climate, by);
    }

    /** What bears on results that are known already says why it comes late, and is marked. */
    private void late(LotView lot, long setId, String what, String reason, String by, String field) {
        late.problemOfSet(lot.id(), setId, reason).ifPresent(problem -> {
            throw new Refusal(field, problem);
        });
        if (late.isLateForSet(lot.id(), setId)) {
            late.record(lot.id(), what, reason, by);
        }
    }

    /** Writes down a weighing. */
    @Write
    public void weigh(LotView lot, long setId, String typed, LocalDateTime at, String reason, String by) {
        lots.lockUndecided(lot.id());
        late(lot, setId, "Weighing of set " + setId, reason, by, "mass");
        if (!conditioned(lots.specimens(lot.id())).containsKey(setId)) {
            throw new Refusal("mass", "Lot " + lot.code() + " has no such conditioned set.");
        }
        double grams = Entry.strict("mass", "Mass", typed)
                .neededQuantity(Dimension.MASS)
                .orElseThrow();
        if (at.isAfter(LocalDateTime.now(clock).plusMinutes(1))) {
            throw new Refusal("weighedAt", "It cannot have been weighed after now.");
        }
        Weighing row = new Weighing();
        row.setId = setId;
        row.weighedAt = at;
        row.typed = typed.strip();
        row.mass = grams;
        row.enteredBy = by;
        weighings.save(row);
    }

    private Map<Long, List<Weighing>> weighed(Collection<Long> setIds) {
        return memory.each("weighings", setIds, ids -> weighings.findBySetIdInOrderByWeighedAt(ids).stream()
                .collect(Collectors.groupingBy(row -> row.setId, Collectors.toUnmodifiableList())));
    }

    private static Map<Long, List<SpecimenView>> conditioned(List<SpecimenView> specimens) {
        Map<Long, List<SpecimenView>> sets = new LinkedHashMap<>(Sets.of(specimens));
        sets.values()
                .removeIf(set ->
                        set.get(0).conditions().conditioning() != org.ysometron.core.claim.Conditioning.CONDITIONED);
        return sets;
    }
}
