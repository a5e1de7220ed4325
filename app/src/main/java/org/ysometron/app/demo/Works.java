package org.ysometron.app.demo;

import java.awt.Color;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Pictures;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.drift.Events;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.gate.Decisions;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.intake.Logs;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.lot.Words;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Topic;

/** The doors of the application that the demo's people go through, and the steps that all of its products share. */
@Component
class Works {

    final Products products;
    final Publications publications;
    final Lots lots;
    final Samples samples;
    final Intake intake;
    final Logs logs;
    final Bench bench;
    private final Pictures pictures;
    private final Instruments instruments;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Events events;
    private final Signals signals;
    private final Derivations derivations;
    private final Decisions decisions;
    private final Words words;
    private final Clock clock;

    Works(
            Products products,
            Publications publications,
            Lots lots,
            Samples samples,
            Intake intake,
            Logs logs,
            Bench bench,
            Pictures pictures,
            Instruments instruments,
            SeriesPoints series,
            Baselines baselines,
            Events events,
            Signals signals,
            Derivations derivations,
            Decisions decisions,
            Words words,
            Clock clock) {
        this.products = products;
        this.publications = publications;
        this.lots = lots;
        this.samples = samples;
        this.intake = intake;
        this.logs = logs;
        this.bench = bench;
        this.pictures = pictures;
        this.instruments = instruments;
        this.series = series;
        this.baselines = baselines;
        this.events = events;
        this.signals = signals;
        this.derivations = derivations;
        this.decisions = decisions;
        this.words = words;
        this.clock = clock;
    }

    /** Mean strength of what was broken of a lot so far. */
    double mean(LotView lot) {
        return bench.records(lot.id()).stream()
                .flatMap(record -> record.result().stream())
                .flatMapToDouble(result -> result.shown().stream())
                .average()
                .orElse(0);
    }

    LocalDateTime now() {
        return LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES);
    }

    /** A spool dried as its datasheet says and kept in a dry box until it was printed. */
    void dried(LotView lot, LocalDateTime ended) {
        intake.enterDrying(
                lot,
                null,
                Map.of(
                        "ended", ended.toString(),
                        "temperature", "100 °C",
                        "time", "6 h",
                        "kept", "DRY_BOX",
                        "humidity", "13 %"),
                lot.code() + "-dried",
                "bench");
    }

    /** Photographs of a flat bar, torn across, and of an upright one, parted between two layers. */
    void photographed(LotView lot, Color colour) {
        picture(lot, "XY1", StandInCamera.brokenBar(colour, 37.5, 1.6, lot.id()), "torn across, fibres stand out");
        picture(lot, "ZX1", StandInCamera.brokenBar(colour, 44, 0.15, lot.id() + 1), "parted between two layers");
    }

    private void picture(LotView lot, String specimen, byte[] file, String shows) {
        pictures.keep(
                lot,
                new Pictures.Sent(specimen, lot.code() + "-" + specimen + ".jpg", file, shows, StandInCamera.ACROSS),
                "bench");
    }

    /** Decides about a lot as it stands. */
    void conclude(LotView lot, Disposition disposition, String reason) {
        decisions.decide(lot, disposition, reason, "release");
    }

    LocalDate daysAgo(long days) {
        return LocalDate.now(clock).minusDays(days);
    }

    void publish(
            Products.ProductView product,
            Publication.Kind kind,
            long daysAgo,
            String source,
            List<Publications.Draft> drafts) {
        publications.publish(
                product.id(), kind, daysAgo(daysAgo), source, Publications.Attachment.NONE, drafts, "quality");
    }

    /** A line's specimens, made the day after the lot. */
    List<SpecimenView> made(LotView lot, PlannedTest test) {
        return lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        lot.code() + "-" + test.method().data().id(),
                        test,
                        test.n(),
                        1,
                        new Lots.Making(
                                null, test.process(), lot.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
    }

    /** The instrument of this name. */
    long instrument(String name) {
        return instruments.all().stream()
                .filter(known -> known.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** One specimen's test as it was typed at the bench: texts by field, one a place. */
    void test(
            LotView lot, SpecimenView specimen, Map<String, List<String>> typed, @Nullable End end, String instrument) {
        long read = instrument(instrument);
        List<Bench.Entry> entries = new ArrayList<>();
        typed.forEach((field, texts) -> {
            for (int place = 1; place <= texts.size(); place++) {
                String text = texts.get(place - 1);
                entries.add(new Bench.Entry(specimen.label(), field, place, text, end, read, text));
            }
        });
        bench.enterTest(lot, specimen.label(), entries, "bench");
    }

    /** Bars printed, measured and broken, all in one go. */
    void bars(
            LotView lot,
            Orientation orientation,
            String process,
            double mean,
            double scatter,
            long gauge,
            Random chance) {
        lots.addSet(
                lot.id(),
                new Lots.NewSet(
                        lot.code() + "-" + orientation,
                        SpecimenDesign.TENSION_BAR_4,
                        orientation,
                        Basis.SOLID,
                        Conditioning.DRY,
                        Sheets.RATE,
                        Sheets.SPECIMENS,
                        new Lots.Making(null, process, lot.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
        List<Bench.Entry> entries = new ArrayList<>();
        for (int i = 1; i <= Sheets.SPECIMENS; i++) {
            String specimen = orientation.name() + i;
            double width = 4.0 + 0.015 * chance.nextGaussian();
            double thickness = 4.0 + 0.015 * chance.nextGaussian();
            double strength = mean + scatter * chance.nextGaussian();
            for (int place = 1; place <= 3; place++) {
                entries.add(size(specimen, "width", place, width, chance));
                entries.add(size(specimen, "thickness", place, thickness, chance));
            }
            String force = String.format(java.util.Locale.ROOT, "%.0f", strength * width * thickness);
            entries.add(new Bench.Entry(specimen, "force", 1, force, End.BROKE_IN_GAUGE, gauge, force));
        }
        bench.enterAll(lot, entries, "bench", null);
    }

    private static Bench.Entry size(String specimen, String field, int place, double size, Random chance) {
        String typed = String.format(java.util.Locale.ROOT, "%.2f", size + 0.006 * chance.nextGaussian());
        return new Bench.Entry(specimen, field, place, typed, null, 0, typed);
    }

    Samples.SampleView draw(LotView lot, String label, Samples.Place place, String from) {
        return samples.draw(
                lot,
                new Samples.NewSample(
                        label, place, "quality", from, lot.madeOn().plusDays(1)),
                "quality");
    }

    void sign(Products.ProductView product, List<LotView> made, String reason) {
        derivations.refresh(Set.of(product.id()));
        var chosen = lots.all(made.stream().map(LotView::id).toList()).stream()
                .filter(lot -> lot.state().isShipped())
                .map(LotView::id)
                .collect(java.util.stream.Collectors.toSet());
        for (SeriesPoints.SeriesView view : series.ofProduct(product.id())) {
            long points = series.points(view.id()).stream()
                    .filter(point -> chosen.contains(point.lotId()))
                    .count();
            if (points >= 2) {
                baselines.sign(view.id(), chosen, rules(view, (int) points), reason, "quality");
            }
        }
    }

    /** Upright strength slides by little: sums are kept of it as well, where limits stand on lots enough. */
    private static ChartRules rules(SeriesPoints.SeriesView view, int lots) {
        return lots >= IndividualsLimits.LOTS_WANTED && isUpright(view)
                ? ChartRules.USUAL.with(Optional.empty(), Optional.of(SumsChart.USUAL))
                : ChartRules.USUAL;
    }

    /** What somebody wrote down beside the chart of upright strength; with a lot, at its point. */
    void event(Products.ProductView product, LocalDate on, String lot, Events.Kind kind, String words) {
        events.enter(
                uprightOf(product),
                new Events.Typed(
                        on.toString(),
                        lot,
                        kind.name(),
                        words,
                        "",
                        UUID.randomUUID().toString()),
                Problems.thrown(),
                "quality");
    }

    /** The chart with most lots of those that slide. */
    private SeriesPoints.SeriesView uprightOf(Products.ProductView product) {
        derivations.refresh(Set.of(product.id()));
        return series.ofProduct(product.id()).stream()
                .filter(Works::isUpright)
                .max(java.util.Comparator.comparingInt(series::count))
                .orElseThrow();
    }

    private static boolean isUpright(SeriesPoints.SeriesView view) {
        return view.property().equals(Methods.usual().data().main())
                && view.conditions().orientation() == Orientation.ZX;
    }

    /** Settles a conflict: the datasheet governs. */
    void settle(Products.ProductView product, Topic topic, String reason, String correction) {
        publications.conflicts(product.id(), null).stream()
                .flatMap(view -> view.conflict().entries().stream())
                .filter(entry -> entry.kind() == Publication.Kind.DATASHEET
                        && entry.statement().topic().equals(topic))
                .map(entry -> entry.statement().id())
                .distinct()
                .forEach(id -> publications.resolve(product.id(), null, id, reason, correction, "quality"));
    }

    /** Answers the lot's signals and decides: released unless something still blocks it. */
    void decide(LotView lot, @Nullable String remark) {
        for (Signals.LotSignal signal : signals.of(List.of(lot)).getOrDefault(lot.id(), List.of())) {
            String usual = signal.title().startsWith("Section")
                    ? "Seen; a few micrometres, far inside the tolerance."
                    : "Seen; claims still supported with room. Watch the next lots.";
            signals.answer(signal.seriesId(), lot.id(), remark == null ? usual : remark, "quality");
        }
        for (Block block : decisions.blocks(lot)) {
            if (block.kind() == Block.Kind.ODD_RESULT || block.kind() == Block.Kind.SURPRISE) {
                words.give(
                        lot,
                        block,
                        null,
                        "Looked at: fracture faces, grips and zero are as they should be; kept.",
                        "quality");
            }
        }
        boolean blocked = !decisions.blocks(lot).isEmpty();
        decisions.decide(
                lot,
                blocked ? Disposition.REJECT : Disposition.RELEASE,
                blocked ? "Claims not supported; lot goes to regrind." : "All claims supported.",
                "release");
    }
}
