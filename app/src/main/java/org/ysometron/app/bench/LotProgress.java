package org.ysometron.app.bench;

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
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.make.Climates;
import org.ysometron.app.make.Histories;
import org.ysometron.app.make.Marks;
import org.ysometron.app.plan.Progress;
import org.ysometron.app.store.PageMemory;
import org.ysometron.core.method.Methods;

/** Tells plans and calendars how far lots are. */
@Component
class LotProgress implements Progress {

    /** Days on which a creep test is read (common practice, no source). */
    private static final List<Integer> READING_DAYS = List.of(1, 3, 7);

    private final PageMemory memory;
    private final Lots lots;
    private final Sizes sizes;
    private final ReadingRepository readings;
    private final MaterialStates states;
    private final Chambers chambers;
    private final Climates climates;
    private final Marks marks;
    private final Histories histories;

    LotProgress(
            PageMemory memory,
            Lots lots,
            Sizes sizes,
            ReadingRepository readings,
            MaterialStates states,
            Chambers chambers,
            Climates climates,
            Marks marks,
            Histories histories) {
        this.histories = histories;
        this.memory = memory;
        this.lots = lots;
        this.sizes = sizes;
        this.readings = readings;
        this.states = states;
        this.chambers = chambers;
        this.climates = climates;
        this.marks = marks;
    }

    @Override
    @Transactional(readOnly = true)
    public Map<Long, Done> of(Collection<LotView> wanted) {
        Map<Long, LotView> byId = wanted.stream()
                .collect(Collectors.toMap(LotView::id, lot -> lot, (one, same) -> one, LinkedHashMap::new));
        return memory.each(
                "progress",
                byId.keySet(),
                ids -> read(ids.stream().map(byId::get).filter(Objects::nonNull).toList()));
    }

    private Map<Long, Done> read(List<LotView> wanted) {
        List<Long> ids = wanted.stream().map(LotView::id).toList();
        Map<Long, List<SpecimenView>> byLot = new HashMap<>();
        lots.specimensOf(ids).forEach(specimen -> byLot.computeIfAbsent(specimen.lotId(), id -> new ArrayList<>())
                .add(specimen));
        Set<Long> measured = new HashSet<>();
        Set<Long> tested = new HashSet<>();
        sizes.of(ids).forEach(size -> measured.add(size.specimenId()));
        Map<Long, SpecimenView> all = byLot.values().stream()
                .flatMap(List::stream)
                .collect(Collectors.toMap(SpecimenView::id, specimen -> specimen));
        Set<Long> spoilt = new HashSet<>();
        for (ReadingRepository.Ended ended : readings.ended(ids)) {
            tested.add(ended.specimenId());
            boolean makesNothing = Optional.ofNullable(all.get(ended.specimenId()))
                    .flatMap(specimen -> Methods.of(specimen.conditions().method()))
                    .filter(method -> method.data().excludes(ended.outcome()))
                    .isPresent();
            if (makesNothing) {
                spoilt.add(ended.specimenId());
            }
        }
        Set<Long> givenUp = histories.givenUp(
                byLot.values().stream()
                        .flatMap(List::stream)
                        .map(SpecimenView::id)
                        .toList(),
                Set.of());
        Map<Long, List<Marks.MarkView>> marked = marks.of(byLot.values().stream()
                .flatMap(List::stream)
                .map(SpecimenView::id)
                .toList());
        Map<Long, List<Chambers.ChamberView>> treated = chambers.of(ids);
        Set<Long> untreated = chambers.waiting(all.values());
        Map<Long, Boolean> dry = states.isDry(wanted);
        Map<Long, LocalDateTime> ready = climates.ready(
                wanted, byLot.values().stream().flatMap(List::stream).toList());
        Map<Long, Done> done = new HashMap<>();
        for (LotView lot : wanted) {
            List<SpecimenView> own = byLot.getOrDefault(lot.id(), List.of());
            done.put(
                    lot.id(),
                    done(
                            lot,
                            own,
                            dry.getOrDefault(lot.id(), true),
                            measured,
                            tested,
                            spoilt,
                            givenUp,
                            marked,
                            treated,
                            untreated,
                            ready));
        }
        return done;
    }

    private Done done(
            LotView lot,
            List<SpecimenView> own,
            boolean dry,
            Set<Long> measured,
            Set<Long> broken,
            Set<Long> spoilt,
            Set<Long> givenUp,
            Map<Long, List<Marks.MarkView>> marked,
            Map<Long, List<Chambers.ChamberView>> treated,
            Set<Long> untreated,
            Map<Long, LocalDateTime> ready) {
        Set<Long> tested = new HashSet<>();
        Map<Long, LocalDateTime> begun = new HashMap<>();
        List<Event> events = new ArrayList<>();
        for (SpecimenView specimen : own) {
            List<Marks.MarkView> marks = marked.getOrDefault(specimen.id(), List.of());
            if (broken.contains(specimen.id()) || has(marks, Marks.Kind.DONE).isPresent()) {
                tested.add(specimen.id());
            }
            has(marks, Marks.Kind.BEGUN).ifPresent(mark -> begun.put(specimen.id(), mark.at()));
        }
        reading(own, marked, tested, begun).ifPresent(events::add);
        for (Chambers.ChamberView run : treated.getOrDefault(lot.id(), List.of())) {
            boolean inside = run.placed().stream()
                    .map(placed -> placed.specimen().id())
                    .noneMatch(id -> measured.contains(id) || tested.contains(id));
            if (inside) {
                events.add(new Event(
                        "take out of " + run.chamber() + ", " + run.treatment().title(), run.endsAt()));
            }
        }
        return new Done(dry, measured, tested, spoilt, untreated, givenUp, begun, ready, events);
    }

    /** The next day on which tests under way are to be read. */
    private static Optional<Event> reading(
            List<SpecimenView> own,
            Map<Long, List<Marks.MarkView>> marked,
            Set<Long> tested,
            Map<Long, LocalDateTime> begun) {
        for (SpecimenView specimen : own) {
            LocalDateTime since = begun.get(specimen.id());
            boolean runs = Methods.of(specimen.conditions().method())
                    .filter(method -> method.data().days() > 0)
                    .isPresent();
            if (since == null || tested.contains(specimen.id()) || !runs) {
                continue;
            }
            long read = marked.getOrDefault(specimen.id(), List.of()).stream()
                    .filter(mark -> mark.kind() == Marks.Kind.READ)
                    .count();
            if (read < READING_DAYS.size()) {
                int day = READING_DAYS.get((int) read);
                return Optional.of(new Event(
                        "read " + Methods.titleOf(specimen.conditions().method()) + ", day " + day,
                        since.plusDays(day)));
            }
        }
        return Optional.empty();
    }

    private static Optional<Marks.MarkView> has(List<Marks.MarkView> marks, Marks.Kind kind) {
        return marks.stream().filter(mark -> mark.kind() == kind).findFirst();
    }
}
