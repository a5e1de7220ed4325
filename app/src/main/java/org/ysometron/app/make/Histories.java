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
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Results;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;

/** What was done to a specimen after it was printed, and what of it keeps it from being averaged with others. */
@Component
public class Histories {

    private final ReworkRepository reworks;
    private final Chambers chambers;
    private final Lots lots;
    private final Results results;
    private final Clock clock;

    Histories(ReworkRepository reworks, Chambers chambers, Lots lots, Results results, Clock clock) {
        this.results = results;
        this.reworks = reworks;
        this.chambers = chambers;
        this.lots = lots;
        this.clock = clock;
    }

    /** Work on a specimen. */
    public enum Kind {
        SUPPORTS("supports removed", false, false),
        CUT("cut", true, false),
        TAPPED("tapped", false, false),
        NOTCHED("notched", true, false),
        RECUT("thread cut again", false, true),
        FLATTENED("flattened by heat", true, true),
        LOADED("loaded before", false, true),
        /** Lost, warped or broken before its test: nobody waits for it any more. */
        GIVEN_UP("given up, will not be tested", false, false);

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

        /** Whether no result is to come. */
        public boolean givesUp() {
            return this == GIVEN_UP;
        }

        /** Whether its result is kept apart from those of specimens without it. */
        public boolean tellsApart() {
            return tellsApart;
        }
    }

    /** Work with when it was written down, for those who ask whether that was in time. */
    public record Entry(long id, long specimenId, Kind kind, String cause, String note, String by, Instant enteredAt) {}

    /** All work on these specimens, in order of entry. */
    @Transactional(readOnly = true)
    public List<Entry> entries(Collection<Long> specimens) {
        return reworks.findBySpecimenIdInOrderById(specimens).stream()
                .map(row -> new Entry(
                        row.id,
                        row.specimenId,
                        row.kind,
                        row.cause.isEmpty() ? "" : Cause.valueOf(row.cause).words(),
                        row.note,
                        row.enteredBy,
                        row.enteredAt))
                .toList();
    }

    /** Work that was done. */
    public record ReworkView(String specimen, Kind kind, String note, LocalDateTime at, String by) {}

    /** Writes down work on specimens. */
    @Write
    public void record(
            LotView lot,
            List<String> specimens,
            Kind kind,
            @Nullable Cause cause,
            String note,
            LocalDateTime at,
            String by) {
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
            if (kind.givesUp()) {
                // Sent twice, or by two people: it is given up once.
                if (!givenUp(List.of(specimen.id()), Set.of()).isEmpty()) {
                    continue;
                }
                givenUp(lot, specimen, cause, note);
            }
            if (kind.tellsApart() && results.known(List.of(specimen.id())).containsKey(specimen.id())) {
                // What takes a result out of a figure once it is known is explained, and looked at by somebody else.
                if (cause == null) {
                    throw new Refusal(
                            "cause",
                            specimen.label() + " has its result already: choose the cause that sets it apart.");
                }
                Reasons.require("note", note, "What happened to it", 200);
            }
            Rework row = new Rework();
            row.cause = cause == null ? "" : cause.name();
            row.specimenId = specimen.id();
            row.kind = kind;
            row.note = note;
            row.doneAt = at;
            row.enteredBy = by;
            row.enteredAt = clock.instant();
            reworks.save(row);
        }
    }

    /** How many are tested was fixed when they were written down: giving one up once results are known is explained. */
    private void givenUp(LotView lot, SpecimenView specimen, @Nullable Cause cause, String note) {
        if (results.known(List.of(specimen.id())).containsKey(specimen.id())) {
            throw new Refusal(
                    "rework",
                    specimen.label() + " has its result: what was wrong with it is said where it was tested.");
        }
        Reasons.require("note", note, "What became of it", 200);
        Set<Long> others = lots.specimens(lot.id()).stream()
                .filter(other -> other.conditions().equals(specimen.conditions()))
                .map(SpecimenView::id)
                .collect(java.util.stream.Collectors.toSet());
        if (cause == null && !results.known(others).isEmpty()) {
            throw new Refusal(
                    "cause", "Results beside " + specimen.label() + " are known already: choose why it is given up.");
        }
    }

    /** Which of these specimens were given up, as if some of the work had not been written down. */
    @Transactional(readOnly = true)
    public Set<Long> givenUp(Collection<Long> specimens, Set<Long> without) {
        return reworks.findBySpecimenIdInOrderById(specimens).stream()
                .filter(row -> row.kind.givesUp() && !without.contains(row.id))
                .map(row -> row.specimenId)
                .collect(java.util.stream.Collectors.toSet());
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
    public Map<Long, String> states(Collection<SpecimenView> specimens) {
        return states(specimens, Set.of());
    }

    /** The same as if some of the work had not been written down. */
    @Transactional(readOnly = true)
    public Map<Long, String> states(Collection<SpecimenView> specimens, Set<Long> without) {
        Map<Long, List<String>> parts = new HashMap<>();
        chambers.states(specimens).forEach((id, state) -> parts.computeIfAbsent(id, key -> new ArrayList<>())
                .add(state));
        for (Rework row : reworks.findBySpecimenIdInOrderById(
                specimens.stream().map(SpecimenView::id).toList())) {
            List<String> own = parts.computeIfAbsent(row.specimenId, key -> new ArrayList<>());
            if (row.kind.tellsApart() && !without.contains(row.id) && !own.contains(row.kind.words())) {
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
