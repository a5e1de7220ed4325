package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.RangeVerdict;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.working.Figures;

/** What a lot's towers say of the ranges that label, page and datasheet publish. */
@Component
class PublishedRanges {

    private final Publications publications;

    PublishedRanges(Publications publications) {
        this.publications = publications;
    }

    /** A range set against a tower: where it is published, as it stands there, and what the tower says of it. */
    record Against(String specimen, String place, String published, RangeVerdict said) {

        /** In a sentence. */
        public String words() {
            return place + ", " + published + ": " + said.verdict().words() + ", " + said.words();
        }
    }

    /** Of one tower; empty where it is none, is not tested, or nothing is published of its setting. */
    List<Against> of(LotView lot, SpecimenRecord record) {
        Optional<Topic> topic = record.method().data().published().flatMap(Topic::named);
        if (topic.isEmpty() || !record.isTested()) {
            return List.of();
        }
        List<Boolean> passing = record.passing();
        Field setting = record.method().data().closing();
        List<ReadingView> at = record.live(setting);
        List<RangeVerdict.Step> steps = IntStream.range(0, Math.min(at.size(), passing.size()))
                .filter(i -> at.get(i).value() != null)
                .mapToObj(i ->
                        new RangeVerdict.Step(Objects.requireNonNull(at.get(i).value()), passing.get(i)))
                .toList();
        List<Against> found = new ArrayList<>();
        if (!steps.isEmpty()) {
            for (Publication.Kind kind : Publication.Kind.values()) {
                place(lot, kind).ifPresent(place -> publications.statements(place.id()).stream()
                        .filter(statement -> statement.topic().equals(topic.get()))
                        .filter(PublishedRanges::isRange)
                        .forEach(statement -> found.add(new Against(
                                record.specimen().label(),
                                kind.words() + " revision " + place.revision(),
                                topic.get().title() + " " + statement.published(),
                                RangeVerdict.of(
                                        steps,
                                        statement.low().getAsDouble(),
                                        statement.high().getAsDouble(),
                                        value -> figure(setting, value))))));
            }
        }
        return found;
    }

    /** Those of a lot's towers that do not hold, in sentences. */
    List<String> contradicted(LotView lot, List<SpecimenRecord> records) {
        return records.stream()
                .flatMap(record -> of(lot, record).stream())
                .filter(against -> against.said().verdict() == Verdict.CONTRADICTED)
                .map(against ->
                        "A published range does not hold by " + against.specimen() + ": " + against.words() + ".")
                .toList();
    }

    /** The lot's own datasheet; label and page as they were when it was made. */
    private Optional<Publications.PublicationView> place(LotView lot, Publication.Kind kind) {
        return kind == Publication.Kind.DATASHEET
                ? Optional.of(publications.publication(lot.datasheetId()))
                : publications.inForce(lot.productId(), kind, lot.madeOn());
    }

    private static boolean isRange(Statement statement) {
        return statement.low().isPresent()
                && statement.high().isPresent()
                && statement.low().getAsDouble() <= statement.high().getAsDouble();
    }

    /** A setting as people say it. */
    static String figure(Field setting, double value) {
        return setting.dimension() == Dimension.RATIO
                ? Figures.plain(100 * value, 4) + " %"
                : Figures.plain(value, 4) + " " + setting.unit();
    }
}
