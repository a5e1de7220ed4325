package org.ysometron.app.gate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Pictures;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.curve.Curves;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.intake.MaterialStates;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.Words;
import org.ysometron.app.plan.Masters;
import org.ysometron.app.plan.SiteMethods;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Moments;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;

/** Gathers what a decision rests on. */
@Component
class Snapshots {

    private final Products products;
    private final Publications publications;
    private final MaterialResults material;
    private final MaterialStates states;
    private final LateEntries late;
    private final Samples samples;
    private final Words words;
    private final Bench bench;
    private final Judgements judgements;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;
    private final SiteMethods methods;
    private final Masters masters;
    private final Pictures pictures;
    private final Curves curves;

    Snapshots(
            Products products,
            Publications publications,
            MaterialResults material,
            MaterialStates states,
            LateEntries late,
            Samples samples,
            Words words,
            Bench bench,
            Judgements judgements,
            SeriesPoints series,
            Baselines baselines,
            Signals signals,
            SiteMethods methods,
            Masters masters,
            Pictures pictures,
            Curves curves) {
        this.pictures = pictures;
        this.curves = curves;
        this.methods = methods;
        this.masters = masters;
        this.products = products;
        this.publications = publications;
        this.material = material;
        this.states = states;
        this.late = late;
        this.samples = samples;
        this.words = words;
        this.bench = bench;
        this.judgements = judgements;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
    }

    /**
     * Who decided what, when.
     *
     * @param particulars scope of a concession, what is tested again; empty for others
     * @param second who signed second; empty for others
     */
    record Signature(
            int revision,
            Disposition disposition,
            String reason,
            String particulars,
            String by,
            String second,
            String at) {}

    /**
     * What a decision rested on.
     *
     * @param whole the evidence as the gate judged it: certificate and gate come from one computation
     * @param lets what stood in the way and was let pass by it
     * @param contributors everybody who had a hand in the lot
     */
    Snapshot take(
            LotView lot, Judgements.Whole whole, Signature signature, List<Block> lets, Set<String> contributors) {
        Products.ProductView product = products.product(lot.productId());
        Publications.PublicationView datasheet = publications.publication(lot.datasheetId());
        return new Snapshot(
                Snapshot.FORMAT,
                lot.code(),
                signature.revision(),
                product.name(),
                product.code(),
                lot.colour(),
                lot.blend().words(),
                lot.madeOn().toString(),
                lot.size(),
                lot.note(),
                datasheet.revision(),
                datasheet.validFrom().toString(),
                whole.details().stream().map(Snapshots::claim).toList(),
                bench.records(lot.id()).stream().map(Snapshots::specimen).toList(),
                methods(lot),
                material(lot),
                samples.of(lot.id()).stream()
                        .map(sample -> sample.label() + ", " + sample.place().words() + ", drawn by " + sample.drawnBy()
                                + " from " + sample.drawnFrom() + " on " + sample.drawnOn())
                        .toList(),
                words.of(List.of(lot.id())).stream()
                        .map(word -> word.sentence() + " (" + word.by() + ")")
                        .toList(),
                limits(lot),
                signals.stored(List.of(lot.id())).getOrDefault(lot.id(), List.of()).stream()
                        .map(Snapshots::signal)
                        .toList(),
                contributors.stream().sorted().toList(),
                late.of(List.of(lot.id())).stream()
                        .map(entry -> entry.what() + ", by " + entry.by() + " on " + Moments.day(entry.at()) + ": "
                                + entry.reason())
                        .toList(),
                Stream.concat(
                                whole.notices().stream(),
                                judgements.sizesOf(lot.id()).keySet().stream()
                                        .sorted()
                                        .flatMap(id -> baselines.lessened(id).stream()))
                        .toList(),
                lets.stream().map(Block::what).toList(),
                pictures.of(lot).stream().map(Snapshots::picture).toList(),
                curves.drawings(lot).stream()
                        .map(drawn -> new Snapshot.CurveLine(drawn.words(), drawn.drawing()))
                        .toList(),
                signature.disposition().words(),
                signature.reason(),
                signature.particulars(),
                signature.by(),
                signature.second(),
                signature.at(),
                "Ysometron 0.1.0");
    }

    /** Every method used, with its pinned parameters and what deviates from the standard cited. */
    private List<String> methods(LotView lot) {
        return bench.records(lot.id()).stream()
                .map(record -> record.specimen().conditions().method())
                .distinct()
                .flatMap(id -> Methods.of(id).stream())
                .map(method ->
                        methods.of(method).pinned() + ". " + method.data().accordance() + master(lot, method))
                .toList();
    }

    private String master(LotView lot, Method method) {
        String words = masters.holding(lot, method).words();
        return words.isEmpty() ? "" : ". " + words;
    }

    private static Snapshot.ClaimLine claim(Judgements.Detail detail) {
        Judgement judgement = detail.judgement();
        return new Snapshot.ClaimLine(
                detail.claim().title(),
                detail.claim().requirement().words(),
                detail.claim().published(),
                detail.claim().terms(),
                judgement.verdict().words(),
                judgement.reason(),
                judgement.n(),
                judgement.bounds(),
                judgement.excluded(),
                boxed(judgement.mean()),
                boxed(judgement.sd()),
                boxed(judgement.lower()),
                boxed(judgement.upper()),
                detail.claim().requirement().lower().isPresent(),
                detail.claim().requirement().upper().isPresent(),
                detail.claim().requirement().unit(),
                detail.claim().property().digits(),
                detail.setup().words(),
                detail.beside(),
                judgement.confidence());
    }

    private static Snapshot.SpecimenLine specimen(SpecimenRecord record) {
        Optional<Reduced> main = record.result();
        return new Snapshot.SpecimenLine(
                record.specimen().label(),
                record.specimen().conditions().words()
                        + (record.specimen().setup().isNone()
                                ? ""
                                : ", " + record.specimen().setup().words())
                        + record.ended()
                                .map(ReadingView::rig)
                                .filter(rig -> !rig.isEmpty())
                                .map(rig -> ", " + rig)
                                .orElse(""),
                main.map(SpecimenRecord::kind).orElse("NOT_TESTED"),
                main.map(result -> boxed(result.shown())).orElse(null),
                main.map(result -> result.characteristic().unit()).orElse(""),
                record.endWords(),
                record.isTested() ? record.method().data().title() : "",
                record.readings().stream().map(Snapshots::reading).toList(),
                record.results().stream().map(Snapshots::figure).toList());
    }

    private static Snapshot.FigureLine figure(Reduced result) {
        return new Snapshot.FigureLine(
                result.characteristic().id(),
                result.characteristic().title(),
                SpecimenRecord.kind(result),
                boxed(result.shown()),
                boxed(result.upper()),
                result.characteristic().unit(),
                result.reason());
    }

    private static Snapshot.ReadingLine reading(ReadingView reading) {
        return new Snapshot.ReadingLine(
                reading.field().words() + " " + reading.place(),
                reading.typed(),
                reading.value(),
                reading.field().unit(),
                reading.enteredBy(),
                reading.enteredAt().toString(),
                reading.live(),
                (reading.causeWords() + " " + reading.reason()).strip());
    }

    private List<Snapshot.MaterialLine> material(LotView lot) {
        List<Snapshot.MaterialLine> lines = new ArrayList<>();
        for (MaterialResults.Result result : material.of(lot)) {
            lines.add(new Snapshot.MaterialLine(
                    result.property().title(),
                    result.conditions().words(),
                    Arrays.stream(result.values()).boxed().toList(),
                    result.property().unit(),
                    result.counts()));
        }
        states.of(List.of(lot))
                .values()
                .forEach(set -> lines.add(new Snapshot.MaterialLine(
                        "State of the material of " + set.firstLabel(),
                        set.state().words(),
                        List.of(),
                        "",
                        String.join(" ", set.state().reasons()))));
        return lines;
    }

    private List<Snapshot.LimitLine> limits(LotView lot) {
        List<Snapshot.LimitLine> lines = new ArrayList<>();
        // The limits that its own points were set against: those for its n.
        new TreeMap<>(judgements.sizesOf(lot.id())).forEach((seriesId, n) -> baselines
                .newest(seriesId)
                .ifPresent(baseline -> lines.add(new Snapshot.LimitLine(
                        seriesId,
                        series.series(seriesId).title(),
                        baseline.version(),
                        baseline.limits().lower(n),
                        baseline.centre(),
                        baseline.limits().upper(n),
                        baseline.rules().words()))));
        return lines;
    }

    private static Snapshot.PictureLine picture(Pictures.PictureView picture) {
        return new Snapshot.PictureLine(
                picture.id(),
                picture.label(),
                picture.shows(),
                picture.sha256(),
                picture.width(),
                picture.height(),
                picture.markX(),
                picture.markY(),
                picture.isStruck() ? "struck by " + picture.struckBy() + ": " + picture.struckReason() : "");
    }

    private static Snapshot.SignalLine signal(LotSignal signal) {
        Signals.AnswerView answer = signal.answer();
        return new Snapshot.SignalLine(
                signal.seriesId(),
                signal.title(),
                signal.words(),
                answer == null ? "" : answer.answer(),
                answer == null ? "" : answer.by());
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}
