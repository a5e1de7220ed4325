package org.ysometron.app.intake;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.plan.Setting;
import org.ysometron.app.plan.Site;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.material.Drying;
import org.ysometron.core.publication.Topic;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Records of intake: stored as typed, reduced when they are read, corrected by a second one with a reason. */
@Component
public class Intake {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final TypeReference<Map<String, String>> ENTRIES = new TypeReference<>() {};

    private final PageMemory memory;
    private final IntakeRecordRepository records;
    private final Reductions reductions;
    private final Lots lots;
    private final Samples samples;
    private final LateEntries late;
    private final Site site;
    private final Clock clock;

    Intake(
            PageMemory memory,
            IntakeRecordRepository records,
            Reductions reductions,
            Lots lots,
            Samples samples,
            LateEntries late,
            Site site,
            Clock clock) {
        this.site = site;
        this.late = late;
        this.memory = memory;
        this.records = records;
        this.reductions = reductions;
        this.lots = lots;
        this.samples = samples;
        this.clock = clock;
    }

    /**
     * A record about to be stored.
     *
     * @param request key of the form it came from, so that sending it twice stores it once
     * @param replaces the record it corrects; null for a new one
     */
    record NewRecord(
            String request,
            RecordKind kind,
            @Nullable Long sampleId,
            Map<String, String> entries,
            @Nullable Long replaces,
            String reason) {}

    /** A stored record with what it was reduced to. */
    record RecordView(
            long id,
            long lotId,
            RecordKind kind,
            @Nullable Long sampleId,
            Map<String, String> entries,
            Reduced reduced,
            boolean live,
            @Nullable Long replaces,
            String reason,
            String by,
            Instant at) {}

    /** Enters the drying of a lot's material, for those who do it without a form. */
    @Write
    public void enterDrying(
            LotView lot, @Nullable Long sampleId, Map<String, String> entries, String request, String by) {
        enter(lot, new NewRecord(request, RecordKind.DRYING, sampleId, entries, null, ""), by);
    }

    /** Enters any kind of record by the name of its kind, for those who do it without a form. */
    @Write
    public void enter(LotView lot, String kind, Map<String, String> entries, String request, String by) {
        enter(lot, new NewRecord(request, RecordKind.valueOf(kind), null, entries, null, ""), by);
    }

    private void enter(LotView lot, NewRecord form, String by) {
        Problems problems = new Problems();
        enter(lot, form, by, problems);
        if (!problems.none()) {
            throw new Refusal(String.join(" ", problems.all().values()));
        }
    }

    /** Stores a record unless something is wrong with it, which then stands in {@code problems}. */
    @Write
    void enter(LotView lot, NewRecord form, String by, Problems problems) {
        lots.lockUndecided(lot.id());
        if (records.existsByLotIdAndRequest(lot.id(), form.request())) {
            return;
        }
        if (form.sampleId() != null) {
            samples.sample(lot, form.sampleId());
        }
        IntakeRecord wrong = null;
        if (form.replaces() != null) {
            wrong = records.findById(form.replaces())
                    .filter(row -> row.lotId == lot.id() && row.kind == form.kind())
                    .orElseThrow(() -> new NotFound("record " + form.replaces() + " of lot " + lot.code()));
            if (!wrong.live) {
                problems.add("", "This record was corrected already; load the page again.");
            }
            problems.reason("reason", form.reason(), "The reason of the correction", 300);
        }
        Map<String, String> typed = new java.util.LinkedHashMap<>(form.entries());
        typed.remove(RecordKind.GATE.name());
        if (form.kind() == RecordKind.ARTEFACT) {
            // The tolerance is the site's, as it is now; whoever measures does not set it.
            typed.put(
                    RecordKind.GATE.name(),
                    java.util.Objects.requireNonNull(site.typed().get(Setting.SIZE_GATE)));
        }
        Optional<Reduced> reduced = reductions.reduce(form.kind(), typed, lot.datasheetId(), problems);
        reduced.ifPresent(found -> inTime(lot, found, problems));
        Optional<LocalDateTime> since = reduced.filter(Reduced.Dried.class::isInstance)
                .map(found -> ((Reduced.Dried) found).record().ended());
        since.flatMap(ended -> late.problemSince(lot.id(), ended, form.reason()))
                .ifPresent(problem -> problems.add("reason", problem));
        if (reduced.isEmpty() || !problems.none()) {
            return;
        }
        boolean tooLate =
                since.filter(ended -> late.isLateSince(lot.id(), ended)).isPresent();
        if (tooLate) {
            late.record(lot.id(), form.kind().title(), form.reason(), by);
        }
        if (wrong != null) {
            wrong.live = false;
        }
        IntakeRecord row = new IntakeRecord();
        row.lotId = lot.id();
        row.sampleId = form.sampleId();
        row.kind = form.kind();
        row.request = form.request();
        row.entries = MAPPER.writeValueAsString(typed);
        row.live = true;
        row.replacesId = form.replaces();
        row.reason = form.replaces() == null && !tooLate ? "" : form.reason().strip();
        row.enteredBy = by;
        row.enteredAt = clock.instant();
        records.save(row);
    }

    /** What was done to a material was done after it was made, and not hotter than it bears. */
    private void inTime(LotView lot, Reduced reduced, Problems problems) {
        if (reduced instanceof Reduced.Dried dried) {
            try {
                lots.requireMadeBy("ended", lot, dried.record().ended(), "The drying");
                lots.requireMadeBy(
                        "time",
                        lot,
                        dried.record()
                                .ended()
                                .minusMinutes(Math.round(60 * dried.record().hours())),
                        "The beginning of the drying");
            } catch (Refusal impossible) {
                problems.add(impossible);
            }
            Drying.tooHot(
                            dried.record().temperature(),
                            reductions.published(lot.datasheetId(), Topic.DRYING_TEMPERATURE))
                    .ifPresent(words -> problems.add("temperature", words));
        }
    }

    /** Every record of these lots, corrected ones too, in order of entry. */
    @Transactional(readOnly = true)
    List<RecordView> records(Collection<LotView> wanted) {
        return records(wanted, EnumSet.allOf(RecordKind.class));
    }

    /** The records of some kinds. */
    @Transactional(readOnly = true)
    List<RecordView> records(Collection<LotView> wanted, Set<RecordKind> kinds) {
        Map<Long, LotView> byId = wanted.stream()
                .collect(Collectors.toMap(LotView::id, lot -> lot, (one, same) -> one, LinkedHashMap::new));
        return memory
                .each("intake " + EnumSet.copyOf(kinds), byId.keySet(), ids -> read(ids, kinds, byId).stream()
                        .collect(Collectors.groupingBy(RecordView::lotId, Collectors.toUnmodifiableList())))
                .values()
                .stream()
                .flatMap(List::stream)
                .toList();
    }

    private List<RecordView> read(Collection<Long> lotIds, Set<RecordKind> kinds, Map<Long, LotView> byId) {
        List<RecordView> views = new ArrayList<>();
        for (IntakeRecord row : records.findByLotIdInAndKindInOrderById(lotIds, kinds)) {
            LotView lot = java.util.Objects.requireNonNull(byId.get(row.lotId));
            Map<String, String> entries = MAPPER.readValue(row.entries, ENTRIES);
            Problems problems = new Problems();
            reductions
                    .reduce(row.kind, entries, lot.datasheetId(), problems)
                    .ifPresent(reduced -> views.add(new RecordView(
                            row.id,
                            row.lotId,
                            row.kind,
                            row.sampleId,
                            entries,
                            reduced,
                            row.live,
                            row.replacesId,
                            row.reason,
                            row.enteredBy,
                            row.enteredAt)));
        }
        return views;
    }
}
