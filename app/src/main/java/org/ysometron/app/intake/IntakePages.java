package org.ysometron.app.intake;

import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.product.Products;
import org.ysometron.core.dimension.Artefact;
import org.ysometron.core.material.Drying;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;

/** Shapes the intake sheet for its page. */
@Component
class IntakePages {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM uuuu HH:mm", Locale.ENGLISH);

    private final Intake intake;
    private final Logs logs;
    private final LogChart chart;
    private final MaterialStates states;
    private final Lots lots;
    private final Samples samples;
    private final Products products;

    private final Clock clock;

    IntakePages(
            Intake intake,
            Logs logs,
            LogChart chart,
            MaterialStates states,
            Lots lots,
            Samples samples,
            Products products,
            Clock clock) {
        this.clock = clock;
        this.intake = intake;
        this.logs = logs;
        this.chart = chart;
        this.states = states;
        this.lots = lots;
        this.samples = samples;
        this.products = products;
    }

    /** A stored record. */
    record Line(
            long id,
            String sample,
            List<Reduced.Fact> facts,
            List<Step> steps,
            @Nullable CurveChart curve,
            boolean live,
            boolean corrects,
            String reason,
            String by) {}

    /** The records of one kind. */
    record Section(RecordKind kind, List<Line> lines) {}

    /** A log in the list with its small drawing. */
    record LogLine(Logs.LogView log, String sample, LogChart.Trace trace, List<Reduced.Fact> facts) {}

    /** The state of a set. */
    record SetLine(String labels, String made, Drying.State state) {}

    /** The sheet. */
    record Sheet(
            Products.ProductView product,
            boolean filament,
            List<Lots.RawMaterial> raw,
            List<Samples.SampleView> samples,
            List<Section> sections,
            List<LogLine> logs,
            String need,
            List<SetLine> sets,
            List<String> systematic) {}

    @Transactional(readOnly = true)
    public Sheet sheet(LotView lot) {
        Products.ProductView product = products.product(lot.productId());
        List<Samples.SampleView> drawn = samples.of(lot.id());
        Map<Long, String> names = new HashMap<>();
        drawn.forEach(sample -> names.put(sample.id(), sample.label()));
        List<Intake.RecordView> records = intake.records(List.of(lot));
        List<Section> sections = Arrays.stream(RecordKind.values())
                .filter(kind -> kind.isFor(product.family()))
                .filter(kind -> kind != RecordKind.DRYING || product.hygroscopic())
                .map(kind -> new Section(
                        kind,
                        records.stream()
                                .filter(record -> record.kind() == kind)
                                .map(record -> line(record, names))
                                .toList()))
                .toList();
        boolean filament = product.family() == org.ysometron.core.publication.Family.FILAMENT;
        return new Sheet(
                product,
                filament,
                lots.rawMaterials(lot.id()),
                drawn,
                sections,
                filament ? logLines(lot, names) : List.of(),
                need(lot, product),
                states.of(List.of(lot)).values().stream()
                        .map(IntakePages::setLine)
                        .toList(),
                systematic(records));
    }

    private List<LogLine> logLines(LotView lot, Map<Long, String> names) {
        List<LogLine> lines = new ArrayList<>();
        for (Logs.LogView log : logs.of(lot.id())) {
            var result = logs.result(log.id());
            lines.add(new LogLine(
                    log,
                    name(log.sampleId(), names),
                    chart.trace(log, result, log.first(), log.last()),
                    LogFacts.of(log, result)));
        }
        return lines;
    }

    private Line line(Intake.RecordView record, Map<Long, String> names) {
        String by = record.by() + ", " + when(record.at());
        return new Line(
                record.id(),
                name(record.sampleId(), names),
                record.reduced().facts(),
                record.reduced().working().steps(),
                record.reduced() instanceof Reduced.Curve curve ? CurveChart.of(curve) : null,
                record.live(),
                record.replaces() != null,
                record.reason(),
                by);
    }

    private String when(Instant at) {
        return WHEN.format(at.atZone(clock.getZone()));
    }

    private static String name(@Nullable Long sampleId, Map<Long, String> names) {
        return sampleId == null ? "" : names.getOrDefault(sampleId, "");
    }

    private static SetLine setLine(MaterialStates.SetState set) {
        return new SetLine(
                set.firstLabel() + " and " + (set.count() - 1) + " more", WHEN.format(set.madeAt()), set.state());
    }

    private String need(LotView lot, Products.ProductView product) {
        if (!product.hygroscopic()) {
            return "";
        }
        return states.need(lot)
                .map(need -> "Asked for: " + Figures.plain(need.hours(), 3) + " h at "
                        + Figures.plain(need.temperature(), 3)
                        + " °C, then at most " + Figures.plain(need.openHours(), 3) + " h in the open or kept below "
                        + Figures.plain(100 * need.humidity(), 3) + " % humidity.")
                .orElse("The datasheet asks for no drying, though the material takes up water: publish it.");
    }

    /** What two printers have in common, each printer's newest artefact against each other's. */
    private static List<String> systematic(List<Intake.RecordView> records) {
        Map<String, Artefact.Result> byPrinter = new java.util.LinkedHashMap<>();
        for (Intake.RecordView record : records) {
            if (record.live() && record.reduced() instanceof Reduced.Sizes sizes) {
                byPrinter.put(sizes.printer(), sizes.result());
            }
        }
        List<String> found = new ArrayList<>();
        List<String> printers = List.copyOf(byPrinter.keySet());
        for (int i = 0; i < printers.size(); i++) {
            for (int j = i + 1; j < printers.size(); j++) {
                for (String common : Artefact.systematic(
                        java.util.Objects.requireNonNull(byPrinter.get(printers.get(i))),
                        java.util.Objects.requireNonNull(byPrinter.get(printers.get(j))))) {
                    found.add("Systematic: " + common + ". Correct the model or the recipe, not a printer.");
                }
            }
        }
        return found;
    }
}
