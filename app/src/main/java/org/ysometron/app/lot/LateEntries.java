package org.ysometron.app.lot;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.core.gate.Substance;

/**
 * What bears on results and was written down after they were known: it needs a reason, stands on the certificate, and
 * somebody else looks at it before the lot leaves.
 */
@Component
public class LateEntries {

    private static final int LONGEST = 300;

    private final LateEntryRepository entries;
    private final Results results;
    private final Lots lots;
    private final Clock clock;

    // Asked for late: the room that knows results knows this one.
    LateEntries(
            LateEntryRepository entries,
            @org.springframework.context.annotation.Lazy Results results,
            Lots lots,
            Clock clock) {
        this.entries = entries;
        this.results = results;
        this.lots = lots;
        this.clock = clock;
    }

    /** An entry that came late. */
    public record LateView(long id, long lotId, String what, String reason, String by, Instant at) {}

    /** What is wrong with an entry that bears on all specimens made since a time; empty where none has its result. */
    public Optional<String> problemSince(long lotId, LocalDateTime since, String reason) {
        return isLateSince(lotId, since) ? wanting(reason) : Optional.empty();
    }

    /** The same for an entry about one set. */
    public Optional<String> problemOfSet(long lotId, long setId, String reason) {
        return isLateForSet(lotId, setId) ? wanting(reason) : Optional.empty();
    }

    private static Optional<String> wanting(String reason) {
        return Substance.problem(reason).isEmpty() && reason.strip().length() <= LONGEST
                ? Optional.empty()
                : Optional.of("Results are known already: say why this is written down only now, in at most " + LONGEST
                        + " characters. It stands on the certificate, and another account with judgement must let it"
                        + " pass.");
    }

    /** Whether a specimen that was made at this time or after has its result already. */
    public boolean isLateSince(long lotId, LocalDateTime since) {
        List<Long> made = lots.specimens(lotId).stream()
                .filter(specimen -> !specimen.madeAt().isBefore(since))
                .map(SpecimenView::id)
                .toList();
        return !results.known(made).isEmpty();
    }

    /** Whether a result of the set is known. */
    public boolean isLateForSet(long lotId, long setId) {
        List<Long> specimens = lots.specimens(lotId).stream()
                .filter(specimen -> specimen.setId() == setId)
                .map(SpecimenView::id)
                .toList();
        return !results.known(specimens).isEmpty();
    }

    /** Writes it down where it is late; part of the step that stores the entry itself. */
    @Write
    public void record(long lotId, String what, String reason, String by) {
        LateEntry row = new LateEntry();
        row.lotId = lotId;
        row.what = what.length() > 200 ? what.substring(0, 200) : what;
        row.reason = reason.strip();
        row.enteredBy = by;
        row.enteredAt = clock.instant();
        entries.save(row);
    }

    /** The late entries of several lots. */
    public List<LateView> of(Collection<Long> lotIds) {
        return entries.findByLotIdInOrderById(lotIds).stream()
                .map(row -> new LateView(row.id, row.lotId, row.what, row.reason, row.enteredBy, row.enteredAt))
                .toList();
    }
}
