package org.ysometron.app.bench;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;

/** Readings that are fetched after their test, as a travel from a record: owed until they are read, or waived with a reason. */
@Component
public class Owing {

    /** What is typed in a field in place of its reading. */
    static final String LATER = "later";

    private final OwedRepository owed;
    private final Lots lots;
    private final Clock clock;

    Owing(OwedRepository owed, Lots lots, Clock clock) {
        this.owed = owed;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * A reading that was not there when its test ended, and is not yet.
     *
     * @param words what the field is called
     * @param waivedBy who said that it will not come; null while it is to
     */
    public record OwedView(
            long id,
            String specimen,
            String words,
            String saidBy,
            @Nullable String waivedBy,
            @Nullable Instant waivedAt,
            String waivedReason) {

        /** Whether it will not come. */
        public boolean isWaived() {
            return waivedBy != null;
        }
    }

    /** Whether what was typed says that the reading is fetched after the test. */
    static boolean isLater(Method method, String field, String typed) {
        return typed.strip().equalsIgnoreCase(LATER) && method.data().later().contains(field);
    }

    /** Notes that a reading is fetched after the test; once. */
    void note(LotView lot, SpecimenView specimen, String field, String by) {
        if (owed.existsBySpecimenIdAndField(specimen.id(), field)) {
            return;
        }
        Owed row = new Owed();
        row.lotId = lot.id();
        row.specimenId = specimen.id();
        row.field = field;
        row.saidBy = by;
        row.saidAt = clock.instant();
        owed.save(row);
    }

    /** All of a lot that was not read since, in order; those waived among them. */
    @Transactional(readOnly = true)
    public List<OwedView> of(LotView lot, List<SpecimenRecord> records) {
        List<Owed> rows = owed.findByLotIdOrderById(lot.id());
        if (rows.isEmpty()) {
            return List.of();
        }
        Map<Long, SpecimenRecord> byId = new HashMap<>();
        records.forEach(record -> byId.put(record.specimen().id(), record));
        return rows.stream()
                .flatMap(row -> Optional.ofNullable(byId.get(row.specimenId))
                        .filter(record ->
                                isWanted(record) && record.live(row.field).isEmpty())
                        .map(record -> view(row, record))
                        .stream())
                .toList();
    }

    /** What ended in a way that makes nothing of it owes no reading. */
    private static boolean isWanted(SpecimenRecord record) {
        return record.ended()
                .map(ReadingView::outcome)
                .filter(end -> !record.method().data().excludes(end))
                .isPresent();
    }

    private static OwedView view(Owed row, SpecimenRecord record) {
        String words = record.method()
                .data()
                .sheet()
                .field(row.field)
                .map(field -> field.words())
                .orElse(row.field);
        return new OwedView(
                row.id, record.specimen().label(), words, row.saidBy, row.waivedBy, row.waivedAt, row.waivedReason);
    }

    /** Says that readings will not come, for one reason. Sent twice, it is said once. */
    @Write
    public void waive(LotView lot, List<Long> ids, String reason, String by) {
        lots.lockUndecided(lot.id());
        if (ids.isEmpty()) {
            throw new Refusal("owed", "Choose which readings will not come.");
        }
        String why = Reasons.require("reason", reason, "Why they will not come", 300);
        Instant now = clock.instant();
        for (long id : ids) {
            Owed row = owed.findByIdAndLotId(id, lot.id())
                    .orElseThrow(() -> new NotFound("owed reading " + id + " in lot " + lot.code()));
            if (row.waivedBy == null) {
                row.waivedReason = why;
                row.waivedBy = by;
                row.waivedAt = now;
                owed.save(row);
            }
        }
    }
}
