package org.ysometron.app.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Owing;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.make.Histories;
import org.ysometron.core.working.Figures;

/** Evidence that was changed or taken out after its result was known: each change, and the evidence as it was first entered. */
@Component
class TakenOut {

    private final Histories histories;

    TakenOut(Histories histories) {
        this.histories = histories;
    }

    /**
     * A change.
     *
     * @param subject its key
     * @param words who changed what, and the cause given
     * @param rework key of the work that sets the specimen apart; 0 for a corrected reading
     */
    record Change(String subject, String words, long rework) {}

    List<Change> of(List<SpecimenRecord> records, List<Owing.OwedView> owed) {
        List<Change> changes = new ArrayList<>();
        Map<Long, Instant> known = known(records);
        for (SpecimenRecord record : records) {
            Instant at = known.get(record.specimen().id());
            if (at == null) {
                continue;
            }
            for (ReadingView reading : record.readings()) {
                if (reading.replaces() != null && reading.enteredAt().isAfter(at)) {
                    changes.add(corrected(record, reading));
                }
            }
        }
        for (Histories.Entry rework : histories.entries(known.keySet())) {
            Instant at = known.get(rework.specimenId());
            if (at != null && rework.kind().tellsApart() && rework.enteredAt().isAfter(at)) {
                changes.add(new Change(
                        "rework-" + rework.id(),
                        label(records, rework.specimenId()) + " was marked as "
                                + rework.kind().words() + " by "
                                + rework.by() + " after its result was known" + because(rework.cause(), rework.note())
                                + ".",
                        rework.id()));
            }
        }
        changes.addAll(givenUp(records, known));
        changes.addAll(waived(owed));
        return changes;
    }

    /** Readings that were to be fetched after their test and are not: those waived together are one change. */
    private static List<Change> waived(List<Owing.OwedView> owed) {
        Map<String, List<Owing.OwedView>> together = owed.stream()
                .filter(Owing.OwedView::isWaived)
                .collect(Collectors.groupingBy(
                        view -> view.waivedAt() + view.words(), LinkedHashMap::new, Collectors.toList()));
        return together.values().stream()
                .map(views -> new Change(
                        "owed-" + views.get(0).id() + "-" + views.size(),
                        Figures.capital(views.get(0).words()) + " of "
                                + views.stream().map(Owing.OwedView::specimen).collect(Collectors.joining(", "))
                                + " was to be fetched after the test and was waived by "
                                + views.get(0).waivedBy()
                                + because("", views.get(0).waivedReason()) + ".",
                        0))
                .toList();
    }

    /** Specimens that were given up when results beside them were known: n is smaller than was fixed. */
    private List<Change> givenUp(List<SpecimenRecord> records, Map<Long, Instant> known) {
        Map<Long, SpecimenRecord> waiting = new HashMap<>();
        records.stream()
                .filter(record -> !record.isTested())
                .forEach(record -> waiting.put(record.specimen().id(), record));
        List<Change> changes = new ArrayList<>();
        for (Histories.Entry entry : histories.entries(waiting.keySet())) {
            SpecimenRecord record = waiting.get(entry.specimenId());
            boolean late = record != null
                    && entry.kind().givesUp()
                    && records.stream()
                            .filter(other -> other.specimen()
                                    .conditions()
                                    .equals(record.specimen().conditions()))
                            .map(other -> known.get(other.specimen().id()))
                            .anyMatch(at -> at != null && entry.enteredAt().isAfter(at));
            if (late) {
                changes.add(new Change(
                        "rework-" + entry.id(),
                        label(records, entry.specimenId()) + " was given up by " + entry.by()
                                + " after results beside it were known" + because(entry.cause(), entry.note()) + ".",
                        entry.id()));
            }
        }
        return changes;
    }

    /** Specimens that were given up before any result beside them was known: n is what is left, and how it came to be is told. */
    List<String> givenUpBefore(List<SpecimenRecord> records) {
        Set<Long> late =
                givenUp(records, known(records)).stream().map(Change::rework).collect(Collectors.toSet());
        Set<Long> waiting = records.stream()
                .filter(record -> !record.isTested())
                .map(record -> record.specimen().id())
                .collect(Collectors.toSet());
        return histories.entries(waiting).stream()
                .filter(entry -> entry.kind().givesUp() && !late.contains(entry.id()))
                .map(entry -> label(records, entry.specimenId()) + " was given up by " + entry.by() + " before its test"
                        + because(entry.cause(), entry.note()) + ".")
                .toList();
    }

    private static Map<Long, Instant> known(List<SpecimenRecord> records) {
        Map<Long, Instant> known = new HashMap<>();
        for (SpecimenRecord record : records) {
            firstForce(record).ifPresent(at -> known.put(record.specimen().id(), at));
        }
        return known;
    }

    private static Change corrected(SpecimenRecord record, ReadingView reading) {
        String before = record.readings().stream()
                .filter(other -> reading.replaces() != null && other.id() == reading.replaces())
                .map(other -> other.typed()
                        + (other.outcome() == null ? "" : ", " + other.outcome().words()))
                .findFirst()
                .orElse("");
        String now = reading.typed()
                + (reading.outcome() == null ? "" : ", " + reading.outcome().words());
        return new Change(
                "reading-" + reading.id(),
                record.specimen().label() + ": " + reading.field().words() + " changed from " + before + " to " + now
                        + " by " + reading.enteredBy() + " after its result was known"
                        + because(reading.causeWords(), reading.reason()) + ".",
                0);
    }

    private static String because(String cause, String words) {
        return cause.isEmpty() && words.isEmpty()
                ? ", without a cause"
                : " (" + cause + (cause.isEmpty() || words.isEmpty() ? "" : ": ") + words.replaceAll("[.]$", "") + ")";
    }

    private static String label(List<SpecimenRecord> records, long specimenId) {
        return records.stream()
                .filter(record -> record.specimen().id() == specimenId)
                .map(record -> record.specimen().label())
                .findFirst()
                .orElse("");
    }

    private static Optional<Instant> firstForce(SpecimenRecord record) {
        return record.readings().stream()
                .filter(reading -> reading.outcome() != null)
                .map(ReadingView::enteredAt)
                .min(Comparator.naturalOrder());
    }

    /** The readings that counted when each result became known; what was corrected before is corrected. */
    static List<SpecimenRecord> asFirst(List<SpecimenRecord> records) {
        return records.stream().map(TakenOut::asFirst).toList();
    }

    private static SpecimenRecord asFirst(SpecimenRecord record) {
        Optional<Instant> known = firstForce(record);
        if (known.isEmpty()) {
            return record;
        }
        Map<String, Long> counted = new HashMap<>();
        for (ReadingView reading : record.readings()) {
            String place = reading.field().key() + "-" + reading.place();
            if (!reading.enteredAt().isAfter(known.get()) || !counted.containsKey(place)) {
                counted.put(place, reading.id());
            }
        }
        return record.with(record.readings().stream()
                .map(reading -> reading.counting(counted.containsValue(reading.id())))
                .toList());
    }
}
