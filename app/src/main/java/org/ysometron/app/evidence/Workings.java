package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Quantity;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Property;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Result;
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
        return new WorkingView(
                "Specimen " + record.specimen().label(), List.of(part(record, Property.TENSILE_STRENGTH)));
    }

    private static WorkingView.Part part(SpecimenRecord record, Property property) {
        boolean section = property == Property.SECTION_WIDTH || property == Property.SECTION_THICKNESS;
        List<WorkingView.ReadingLine> lines = record.readings().stream()
                .filter(reading -> !section || reading.quantity() != Quantity.FORCE)
                .map(Workings::line)
                .toList();
        Optional<Result> strength = section ? Optional.empty() : record.strength();
        List<Step> steps = strength.map(result -> result.working().steps()).orElseGet(() -> record.section()
                .map(Section::working)
                .map(w -> w.steps())
                .orElse(List.of()));
        String remark = strength.filter(result -> result.kind() != Result.Kind.MEASURED)
                .map(result -> result.kind() == Result.Kind.EXCLUDED
                        ? "Kept and counted, in no mean: " + result.reason() + "."
                        : "A bound, not a value: " + result.reason() + ".")
                .orElse("");
        String notes =
                strength.map(Result::notes).map(all -> String.join(" ", all)).orElse("");
        return new WorkingView.Part(
                record.specimen().label() + ", "
                        + record.specimen().conditions().words(),
                lines,
                steps,
                (remark + " " + notes).strip());
    }

    private static WorkingView.ReadingLine line(ReadingView reading) {
        String name = reading.quantity().places() == 1
                ? reading.quantity().words()
                : reading.quantity().words() + " " + reading.place();
        String outcome =
                reading.outcome() == null ? "" : ", " + reading.outcome().words();
        return new WorkingView.ReadingLine(
                name,
                reading.typed(),
                Figures.significant(reading.value(), 6) + " "
                        + reading.quantity().unit().symbol() + outcome,
                reading.enteredBy() + ", " + reading.instrument().name(),
                reading.live(),
                reading.reason());
    }
}
