package org.ysometron.app.curve;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Packed;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.End;

/** Records that were taken in, every analysis of each, and which one counts. */
@Component
public class Records {

    private final RecordRepository records;
    private final AnalysisRepository analyses;
    private final UploadedFileRepository files;
    private final Lots lots;
    private final Bench bench;
    private final Instruments instruments;
    private final Clock clock;

    Records(
            RecordRepository records,
            AnalysisRepository analyses,
            UploadedFileRepository files,
            Lots lots,
            Bench bench,
            Instruments instruments,
            Clock clock) {
        this.records = records;
        this.analyses = analyses;
        this.files = files;
        this.lots = lots;
        this.bench = bench;
        this.instruments = instruments;
        this.clock = clock;
    }

    /**
     * A record in a list.
     *
     * @param analysis the one that counts; null where none does
     */
    public record Listed(
            long id,
            SpecimenRecord specimen,
            int place,
            String name,
            int points,
            Piece.By readBy,
            String by,
            Instant at,
            @Nullable Long analysis) {

        /** Label of its specimen. */
        public String label() {
            return specimen.specimen().label();
        }
    }

    /**
     * One analysis of a record, worked out again from what is stored.
     *
     * @param worked what it comes to; empty where it comes to nothing any more
     * @param problem why; empty where it does
     * @param counts whether its figures are the specimen's readings
     */
    public record AnalysisView(
            long id,
            Rules rules,
            String words,
            String reason,
            String by,
            Instant at,
            Optional<Worked> worked,
            String problem,
            boolean counts) {}

    /** A record with all of its analyses. */
    public record RecordView(
            Listed listed,
            Trace trace,
            String gauge,
            OptionalDouble compliance,
            OptionalDouble capacity,
            @Nullable Long fileId,
            List<AnalysisView> analyses) {

        /** The record as it is stored, a row a point. */
        String csv() {
            Loading loading = Worked.recorded(listed.specimen()).loading();
            // Under a load that hangs the time is what stands in the place of the way.
            Optional<double[]> times = loading.isHeld() ? Optional.empty() : trace.times();
            StringBuilder text = new StringBuilder(times.isPresent() ? "time [s]," : "")
                    .append(loading.loadWords() + " [" + loading.load().workingUnit() + "],")
                    .append(loading.wayWords() + " [" + loading.way().workingUnit() + "]")
                    .append("\r\n");
            for (int i = 0; i < trace.size(); i++) {
                if (times.isPresent()) {
                    text.append(times.get()[i]).append(',');
                }
                text.append(trace.force(i))
                        .append(',')
                        .append(trace.extension(i))
                        .append("\r\n");
            }
            return text.toString();
        }

        AnalysisView counting() {
            return analyses.stream().filter(AnalysisView::counts).findFirst().orElse(analyses.get(analyses.size() - 1));
        }
    }

    /** The records of these lots, without their bytes. */
    @Transactional(readOnly = true)
    public Map<Long, List<Listed>> ofLots(List<Long> lotIds) {
        Map<Long, List<Listed>> byLot = new LinkedHashMap<>();
        List<RecordRepository.Listed> rows = lotIds.isEmpty() ? List.of() : records.ofLots(lotIds);
        Set<Long> having = rows.stream().map(RecordRepository.Listed::lotId).collect(Collectors.toSet());
        Map<Long, SpecimenRecord> specimens = new LinkedHashMap<>();
        if (!having.isEmpty()) {
            bench.records(having)
                    .values()
                    .forEach(all ->
                            all.forEach(one -> specimens.put(one.specimen().id(), one)));
        }
        for (RecordRepository.Listed row : rows) {
            SpecimenRecord specimen = specimens.get(row.specimenId());
            if (specimen != null) {
                byLot.computeIfAbsent(row.lotId(), id -> new ArrayList<>()).add(listed(row, specimen));
            }
        }
        return byLot;
    }

    /** Which of these lots have a record taken under the same terms by the same thing; asks for no reading. */
    @Transactional(readOnly = true)
    Set<Long> lotsWith(List<Long> lotIds, Conditions conditions, Piece.By by) {
        List<RecordRepository.Listed> rows = lotIds.isEmpty() ? List.of() : records.ofLots(lotIds);
        Set<Long> alike = lots
                .specimensById(rows.stream()
                        .filter(row -> row.readBy() == by)
                        .map(RecordRepository.Listed::specimenId)
                        .distinct()
                        .toList())
                .stream()
                .filter(specimen -> specimen.conditions().equals(conditions))
                .map(SpecimenView::id)
                .collect(Collectors.toSet());
        return rows.stream()
                .filter(row -> alike.contains(row.specimenId()))
                .map(RecordRepository.Listed::lotId)
                .collect(Collectors.toSet());
    }

    /** The records of a lot. */
    @Transactional(readOnly = true)
    public List<Listed> of(LotView lot) {
        return ofLots(List.of(lot.id())).getOrDefault(lot.id(), List.of());
    }

    private static Listed listed(RecordRepository.Listed row, SpecimenRecord specimen) {
        return new Listed(
                row.id(),
                specimen,
                row.place(),
                row.name(),
                row.points(),
                row.readBy(),
                row.takenBy(),
                row.takenAt(),
                counting(specimen, row.place()));
    }

    /** The analysis that the specimen's reading of its record names. */
    private static @Nullable Long counting(SpecimenRecord specimen, int place) {
        return specimen.method()
                .data()
                .recorded()
                .flatMap(recorded -> specimen.at(recorded.field(), place))
                .map(ReadingView::analysis)
                .orElse(null);
    }

    /** Curves to be drawn, by analysis: way from the found zero and load, in pairs. */
    @Transactional(readOnly = true)
    Map<Long, String> drawn(List<Long> analysisIds) {
        return analysisIds.isEmpty()
                ? Map.of()
                : analyses.drawn(analysisIds).stream()
                        .collect(Collectors.toMap(AnalysisRepository.Drawn::id, AnalysisRepository.Drawn::drawn));
    }

    /** One record with all of its analyses. */
    @Transactional(readOnly = true)
    RecordView one(LotView lot, long id) {
        RecordRow row = find(lot, id);
        SpecimenRecord specimen = specimen(lot, row);
        Trace trace = Packed.read(row.packed);
        Long counting = counting(specimen, row.place);
        List<AnalysisView> views = analyses.findByRecordIdOrderById(id).stream()
                .map(analysis -> view(analysis, row, specimen, trace, Objects.equals(analysis.id, counting)))
                .toList();
        return new RecordView(
                new Listed(
                        row.id,
                        specimen,
                        row.place,
                        row.name,
                        row.points,
                        row.readBy,
                        row.takenBy,
                        row.takenAt,
                        counting),
                trace,
                instruments.instrument(row.instrumentId).name(),
                optional(row.compliance),
                optional(row.capacity),
                row.fileId,
                views);
    }

    private SpecimenRecord specimen(LotView lot, RecordRow row) {
        return bench.record(
                lot, lots.specimensById(List.of(row.specimenId)).get(0).label());
    }

    private static AnalysisView view(
            AnalysisRow row, RecordRow record, SpecimenRecord specimen, Trace trace, boolean counts) {
        Optional<Worked> worked = Optional.empty();
        String problem = "";
        try {
            worked = Optional.of(work(record, specimen, trace, row.rules()));
        } catch (IllegalArgumentException none) {
            problem = String.valueOf(none.getMessage());
        }
        return new AnalysisView(
                row.id,
                row.rules(),
                Worked.words(row.rules(), Worked.recorded(specimen).loading()),
                row.reason,
                row.madeBy,
                row.madeAt,
                worked,
                problem,
                counts);
    }

    private static Worked work(RecordRow record, SpecimenRecord specimen, Trace trace, Rules rules) {
        return Worked.of(specimen, trace, record.readBy, optional(record.compliance), optional(record.capacity), rules);
    }

    private static OptionalDouble optional(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    /** The file that a record stood in, as it came. */
    @Transactional(readOnly = true)
    Optional<Map.Entry<String, byte[]>> file(LotView lot, long id) {
        RecordRow row = find(lot, id);
        return row.fileId == null
                ? Optional.empty()
                : files.findById(row.fileId).map(file -> Map.entry(file.fileName, Uploads.inflated(file.content)));
    }

    // ---- arguing ---------------------------------------------------------------------------------------------------

    /** Works a record out by other rules, beside the analyses that are there; none of it counts by that. */
    @Write
    public long analyse(LotView lot, long id, Rules rules, String reason, String by) {
        lots.lockUndecided(lot.id());
        RecordRow row = find(lot, id);
        String why = Reasons.require("reason", reason, "The reason", 300);
        for (AnalysisRow there : analyses.findByRecordIdOrderById(id)) {
            if (there.rules().equals(rules)) {
                throw new Refusal("reason", "There is an analysis by these rules already, number " + there.id + ".");
            }
        }
        SpecimenRecord specimen = specimen(lot, row);
        Worked worked;
        try {
            worked = work(row, specimen, Packed.read(row.packed), rules);
        } catch (IllegalArgumentException none) {
            throw new Refusal("breakAt", "By these rules nothing is found: " + none.getMessage() + ".");
        }
        AnalysisRow analysis = new AnalysisRow();
        analysis.recordId = id;
        analysis.rules(rules);
        analysis.reason = why;
        analysis.drawn = worked.drawn();
        analysis.madeBy = by;
        analysis.madeAt = clock.instant();
        return analyses.save(analysis).id;
    }

    /** Lets another analysis count, with the cause: what it finds takes the place of what was found before. */
    @Write
    public void count(LotView lot, long id, long analysisId, @Nullable Cause cause, String reason, String by) {
        lots.lockUndecided(lot.id());
        RecordRow row = find(lot, id);
        List<AnalysisRow> all = analyses.findByRecordIdOrderById(id);
        AnalysisRow wanted = all.stream()
                .filter(analysis -> analysis.id == analysisId)
                .findFirst()
                .orElseThrow(() -> new NotFound("analysis " + analysisId + " of record " + id));
        SpecimenRecord specimen = specimen(lot, row);
        if (Objects.equals(counting(specimen, row.place), wanted.id)) {
            throw new Refusal("reason", "This analysis counts already.");
        }
        Worked worked;
        try {
            worked = work(row, specimen, Packed.read(row.packed), wanted.rules());
        } catch (IllegalArgumentException none) {
            throw new Refusal("reason", "This analysis comes to nothing: " + none.getMessage() + ".");
        }
        Set<Long> earlier = new HashSet<>();
        all.forEach(analysis -> earlier.add(analysis.id));
        End end = specimen.ended().map(ReadingView::outcome).orElseGet(worked::proposed);
        bench.countInstead(
                lot,
                specimen.specimen().label(),
                worked.entries(row.place, row.id, wanted.id, Objects.requireNonNull(end), row.instrumentId),
                earlier,
                cause,
                reason,
                by);
    }

    private RecordRow find(LotView lot, long id) {
        return records.findById(id)
                .filter(row -> row.lotId == lot.id())
                .orElseThrow(() -> new NotFound("record " + id + " of lot " + lot.code()));
    }
}
