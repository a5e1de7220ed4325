package org.ysometron.app.make;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.web.Refusal;

/** What was done to a specimen after it was printed, and what of it keeps it from being averaged with others. */
@Component
public class Histories {

    private final ReworkRepository reworks;
    private final Chambers chambers;
    private final Lots lots;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Histories(ReworkRepository reworks, Chambers chambers, Lots lots, ApplicationEventPublisher events, Clock clock) {
        this.reworks = reworks;
        this.chambers = chambers;
        this.lots = lots;
        this.events = events;
        this.clock = clock;
    }

    /** How a specimen came to be as it is changed; what counts of the lot is to be worked out anew. */
    public record MakingChanged(long lotId) {}

    /** Work on a specimen. */
    public enum Kind {
        SUPPORTS("supports removed", false, false),
        CUT("cut", true, false),
        TAPPED("tapped", false, false),
        NOTCHED("notched", true, false),
        RECUT("thread cut again", false, true),
        FLATTENED("flattened by heat", true, true),
        LOADED("loaded before", false, true);

        private final String words;
        private final boolean changesSize;
        private final boolean tellsApart;

        Kind(String words, boolean changesSize, boolean tellsApart) {
            this.words = words;
            this.changesSize = changesSize;
            this.tellsApart = tellsApart;
        }

        /** The work in words. */
        public String words() {
            return words;
        }

        /** Whether the specimen is to be measured after it. */
        public boolean changesSize() {
            return changesSize;
        }

        /** Whether its result is kept apart from those of specimens without it. */
        public boolean tellsApart() {
            return tellsApart;
        }
    }

    /** Work that was done. */
    public record ReworkView(String specimen, Kind kind, String note, LocalDateTime at, String by) {}

    /** Writes down work on specimens. */
    @Transactional
    public void record(LotView lot, List<String> specimens, Kind kind, String note, LocalDateTime at, String by) {
        lots.lockUndecided(lot.id());
        if (specimens.isEmpty()) {
            throw new Refusal("reworked", "Say which specimens, for example XY1 XY2.");
        }
        if (at.isAfter(LocalDateTime.now(clock).plusMinutes(1))) {
            throw new Refusal("doneAt", "It cannot have been done after now.");
        }
        for (String name : specimens) {
            SpecimenView specimen = lots.specimen(lot, name);
            if (at.isBefore(specimen.madeAt().truncatedTo(ChronoUnit.MINUTES))) {
                throw new Refusal("doneAt", specimen.label() + " was not made yet at that time.");
            }
            Rework row = new Rework();
            row.specimenId = specimen.id();
            row.kind = kind;
            row.note = note;
            row.doneAt = at;
            row.enteredBy = by;
            row.enteredAt = clock.instant();
            reworks.save(row);
        }
        events.publishEvent(new MakingChanged(lot.id()));
    }

    /** All work on a lot's specimens. */
    @Transactional(readOnly = true)
    public List<ReworkView> of(LotView lot) {
        Map<Long, String> labels = new HashMap<>();
        lots.specimens(lot.id()).forEach(specimen -> labels.put(specimen.id(), specimen.label()));
        return reworks.findBySpecimenIdInOrderById(labels.keySet()).stream()
                .map(row -> new ReworkView(
                        labels.getOrDefault(row.specimenId, ""), row.kind, row.note, row.doneAt, row.enteredBy))
                .toList();
    }

    /** What keeps specimens from being averaged with others of their terms, in words; those without are left out. */
    @Transactional(readOnly = true)
    public Map<Long, String> states(Collection<SpecimenView> specimens) {
        Map<Long, List<String>> parts = new HashMap<>();
        chambers.states(specimens).forEach((id, state) -> parts.computeIfAbsent(id, key -> new ArrayList<>())
                .add(state));
        for (Rework row : reworks.findBySpecimenIdInOrderById(
                specimens.stream().map(SpecimenView::id).toList())) {
            List<String> own = parts.computeIfAbsent(row.specimenId, key -> new ArrayList<>());
            if (row.kind.tellsApart() && !own.contains(row.kind.words())) {
                own.add(row.kind.words());
            }
        }
        Map<Long, String> states = new HashMap<>();
        parts.forEach((id, list) -> {
            if (!list.isEmpty()) {
                states.put(id, String.join(", ", list));
            }
        });
        return states;
    }

    /** When the size of a specimen was last changed; specimens whose size was not are left out. */
    @Transactional(readOnly = true)
    public Map<Long, Resized> resized(Collection<Long> specimens) {
        Map<Long, Resized> last = new HashMap<>();
        for (Rework row : reworks.findBySpecimenIdInOrderById(specimens)) {
            if (row.kind.changesSize()) {
                last.put(row.specimenId, new Resized(row.kind, row.enteredAt));
            }
        }
        return last;
    }

    /** A change of size and when it was written down: dimensions entered before it are not the specimen's any more. */
    public record Resized(Kind kind, Instant entered) {}
}
