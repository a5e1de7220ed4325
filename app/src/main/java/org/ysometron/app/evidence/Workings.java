package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.reading.Field;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;

/** Lays out how a figure was arrived at, from the readings as typed to the comparison. */
@Component
class Workings {

    /** A claim's working: every specimen, then the lot. */
    WorkingView of(Judgements.Detail detail) {
        List<WorkingView.Part> parts = new ArrayList<>();
        Judgement judgement = detail.judgement();
        List<Step> lot = new ArrayList<>(judgement.working().steps());
        parts.add(new WorkingView.Part("The lot: " + judgement.verdict().words(), List.of(), lot, judgement.reason()));
        for (SpecimenRecord record : detail.records()) {
            if (!record.readings().isEmpty()) {
                parts.add(part(record, detail.claim().property()));
            }
        }
        return new WorkingView(
                detail.claim().title() + ", claimed "
                        + detail.claim().requirement().words(),
                parts);
    }

    /** One specimen's working. */
    WorkingView of(SpecimenRecord record) {
        List<WorkingView.Part> parts = new ArrayList<>();
        if (record.results().isEmpty()) {
            parts.add(part(record, List.of(), record.problem(), true));
        }
        for (Reduced result : record.results()) {
            boolean first = parts.isEmpty();
            WorkingView.Part part = part(record, result, first);
            parts.add(first ? part : part.titled(result.characteristic().title()));
        }
        return new WorkingView("Specimen " + record.specimen().label(), parts);
    }

    private static WorkingView.Part part(SpecimenRecord record, Characteristic property) {
        if (property.isTested() || property.isRatio()) {
            Characteristic own = property.isRatio() ? Characteristics.base(property) : property;
            return record.result(own)
                    .map(result -> part(record, result, true))
                    .orElseGet(() -> part(record, List.of(), record.problem(), true));
        }
        return part(record, List.of(), "", false);
    }

    private static WorkingView.Part part(SpecimenRecord record, Reduced result, boolean readings) {
        String remark =
                switch (result.made()) {
                    case VALUE -> "";
                    case NOTHING -> "Kept and counted, in no mean: " + result.reason() + ".";
                    case AT_LEAST, AT_MOST -> "A bound, not a value: " + result.reason() + ".";
                    case BETWEEN -> "An interval, not a value.";
                };
        return part(
                record, result.working().steps(), (remark + " " + String.join(" ", result.notes())).strip(), readings);
    }

    /** What is read of a specimen, and what was worked out of it; of one that is only measured its sizes alone. */
    private static WorkingView.Part part(SpecimenRecord record, List<Step> steps, String remark, boolean test) {
        List<WorkingView.ReadingLine> lines = record.readings().stream()
                .filter(reading -> test || reading.field().role() == Field.Role.SIZE)
                .map(Workings::line)
                .toList();
        return new WorkingView.Part(
                record.specimen().label() + ", "
                        + record.specimen().conditions().words(),
                lines,
                steps.isEmpty() ? sizes(record) : steps,
                remark);
    }

    /** While there is no figure: the mean of each size. */
    private static List<Step> sizes(SpecimenRecord record) {
        List<Step> steps = new ArrayList<>();
        for (Field field : record.method().data().sheet().of(Field.Role.SIZE)) {
            record.mean(field.key())
                    .ifPresent(mean -> steps.add(
                            new Step("mean " + field.words(), "", "mean of the readings", "", mean, field.unit(), "")));
        }
        return steps;
    }

    private static WorkingView.ReadingLine line(ReadingView reading) {
        String outcome =
                reading.outcome() == null ? "" : ", " + reading.outcome().words();
        return new WorkingView.ReadingLine(
                reading.label(),
                reading.typed(),
                (reading.value() == null
                                ? ""
                                : Figures.significant(reading.value(), 6) + " "
                                        + reading.field().unit())
                        + outcome,
                reading.enteredBy() + ", " + reading.instrument().name(),
                reading.live(),
                (reading.analysis() == null ? "" : "Found on its record, by analysis " + reading.analysis() + ". ")
                        + (reading.reason().isEmpty() ? "" : "Second reading: " + reading.reason()));
    }
}
