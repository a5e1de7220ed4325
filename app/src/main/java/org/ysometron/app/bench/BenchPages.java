package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Histories;
import org.ysometron.app.make.Orders;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.method.Result;
import org.ysometron.core.method.Tension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.working.Figures;

/** Shapes the bench for its page: what is in hand, what comes next, what stands in the list. */
@Component
class BenchPages {

    static final String MEASURE = "measure";
    static final String BREAK = "break";

    private static final double STRIP = 300;

    private final Bench bench;
    private final Instruments instruments;
    private final ReadingCheck check;
    private final EarlierLots earlier;
    private final BeforeBreaking before;
    private final Orders orders;
    private final Lots lots;
    private final Histories histories;

    BenchPages(
            Bench bench,
            Instruments instruments,
            ReadingCheck check,
            EarlierLots earlier,
            BeforeBreaking before,
            Orders orders,
            Lots lots,
            Histories histories) {
        this.histories = histories;
        this.lots = lots;
        this.orders = orders;
        this.before = before;
        this.bench = bench;
        this.instruments = instruments;
        this.check = check;
        this.earlier = earlier;
    }

    /** A field's key: its quantity's first letter and its place, such as W1 or F1. */
    record Key(Quantity quantity, int place) {

        static Key of(String text) {
            for (Quantity quantity : Quantity.values()) {
                for (int place = 1; place <= quantity.places(); place++) {
                    Key key = new Key(quantity, place);
                    if (key.text().equals(text)) {
                        return key;
                    }
                }
            }
            throw new NotFound("field '" + text + "' at the bench");
        }

        String text() {
            return quantity.name().substring(0, 1) + place;
        }

        String label() {
            return quantity.places() == 1 ? quantity.words() : quantity.words() + " " + place;
        }
    }

    /** What came back refused: where, what was typed and why. */
    record Refused(String specimen, String key, String typed, Refusal refusal) {}

    /**
     * What is asked of the page.
     *
     * @param step measuring or breaking; null where the lot's state says which
     * @param specimen the one to take in hand; null for the next
     * @param gauge the gauge it is broken on; 0 for the usual one
     * @param after the specimen that was done last; null for none
     * @param refused what came back; null for nothing
     * @param part whether only the row that changed is wanted, that of the specimen done or refused
     */
    record Asked(
            @Nullable String step,
            @Nullable String specimen,
            long gauge,
            @Nullable String after,
            @Nullable Refused refused,
            boolean part) {

        private @Nullable String changed() {
            return !part ? null : refused == null ? after : refused.specimen();
        }
    }

    /** The whole page, or what of it changes when a reading was stored. */
    // One transaction for all of it: each question alone would begin and end one of its own.
    @Transactional(readOnly = true)
    BenchView page(LotView lot, Asked asked) {
        String step = asked.step();
        String wanted = asked.specimen();
        String changed = asked.changed();
        List<SpecimenRecord> records = inOrder(lot, bench.records(lot.id()));
        List<InstrumentView> gauges = instruments.gauges();
        Set<Long> givenUp = histories.givenUp(
                records.stream().map(record -> record.specimen().id()).toList(), Set.of());
        List<SpecimenRecord> owed = SpecimenRecord.owed(records, givenUp);
        int measured = (int) owed.stream().filter(BenchPages::isMeasured).count();
        int broken = (int) records.stream().filter(r -> r.force().isPresent()).count();
        String now = step != null && (step.equals(MEASURE) || step.equals(BREAK))
                ? step
                : measured < owed.size() ? MEASURE : BREAK;
        InstrumentView gauge = gauges.stream()
                .filter(candidate -> candidate.id() == asked.gauge())
                .findFirst()
                .orElseGet(() -> usual(lot, records, gauges));
        String unknown = unknown(lot, records, wanted);
        SpecimenRecord inHand = unknown.isEmpty()
                ? choose(
                        lot, following(wanted == null || wanted.isBlank() ? owed : records, asked.after()), now, wanted)
                : null;
        BenchView.@Nullable Hand hand =
                inHand == null || gauge == null ? null : hand(lot, inHand, now, gauge, gauges, asked.refused());
        List<BenchView.Row> rows = records.stream()
                .filter(record -> changed == null
                        || record.equals(inHand)
                        || record.specimen().label().equals(changed))
                .map(record -> row(record, record.equals(inHand), !owed.contains(record)))
                .toList();
        return new BenchView(
                now, gauge == null ? 0 : gauge.id(), gauges, hand, rows, measured, broken, owed.size(), unknown);
    }

    /**
     * What changes while a specimen stays in the calipers: its fields and its row. What the page says of it and of the lot
     * stands, so that a reading costs the same in a lot of any size.
     */
    @Transactional(readOnly = true)
    BenchView further(LotView lot, String label, long gaugeId) {
        SpecimenRecord record = bench.record(lot, label);
        BenchView.Hand hand = new BenchView.Hand(
                record.specimen().label(),
                record.specimen().conditions().orientation().name(),
                record.specimen().conditions().words(),
                fields(record, MEASURE, null),
                measured(record),
                "",
                "",
                List.of(),
                true);
        return new BenchView(MEASURE, gaugeId, List.of(), hand, List.of(row(record, true, false)), 0, 0, 0, "");
    }

    @Transactional(readOnly = true)
    BenchView.Preview preview(LotView lot, String label, String keyText, String typed, long gaugeId) {
        Key key = Key.of(keyText);
        if (typed.isBlank()) {
            return new BenchView.Preview("", List.of(), List.of(), -1);
        }
        SpecimenRecord record = bench.records(lot.id()).stream()
                .filter(candidate -> candidate.specimen().label().equals(label))
                .findFirst()
                .orElseThrow(() -> new NotFound("specimen '" + label + "' in lot " + lot.code()));
        Typed.Accepted accepted;
        try {
            accepted = check.read(key.quantity(), key.place(), typed);
        } catch (Refusal refusal) {
            return new BenchView.Preview(refusal.words(), List.of(), List.of(), -1);
        }
        List<String> lines = new ArrayList<>();
        if (accepted.isConverted()) {
            lines.add(accepted.text() + " = " + Figures.significant(accepted.value(), 5) + " "
                    + key.quantity().unit().symbol());
        }
        check.doubt(lot, record.specimen(), key.quantity(), accepted.value()).ifPresent(lines::add);
        return key.quantity() == Quantity.FORCE
                ? forcePreview(lot, record, accepted.value(), gaugeId, lines)
                : sectionPreview(record, key, accepted.value(), lines);
    }

    // ---- while typing ------------------------------------------------------------------------------------------

    private BenchView.Preview forcePreview(
            LotView lot, SpecimenRecord record, double force, long gaugeId, List<String> lines) {
        InstrumentView gauge = instruments.instrument(gaugeId);
        Optional<Section> section = record.section();
        if (section.isEmpty()) {
            lines.add("No stress yet: measure width and thickness first.");
            return new BenchView.Preview("", lines, List.of(), -1);
        }
        boolean over = gauge.capacity().isPresent() && force >= gauge.capacity().getAsDouble();
        double stress = Tension.stress(
                over ? gauge.capacity().getAsDouble() : force, section.get().area());
        lines.add((over ? "at least " : "") + Figures.significant(stress, 4) + " MPa on "
                + Figures.significant(section.get().area(), 4) + " mm²");
        if (over) {
            lines.add("At or above the capacity of " + gauge.name() + ": will be kept as a bound, not a value.");
        }
        Optional<EarlierLots.Earlier> before =
                earlier.strengths(lot, record.specimen().conditions());
        if (before.isEmpty()) {
            lines.add("No earlier lot to compare with.");
            return new BenchView.Preview("", lines, List.of(), -1);
        }
        EarlierLots.Earlier lots = before.get();
        lines.add("Earlier lots: means from " + Figures.significant(lots.least(), 3) + " to "
                + Figures.significant(lots.greatest(), 3) + " MPa ("
                + lots.means().size() + " lots)");
        List<Double> all = new ArrayList<>(lots.means());
        all.add(stress);
        Scale scale = Scale.holding(all, 0, STRIP);
        return new BenchView.Preview(
                "", lines, lots.means().stream().map(scale::at).toList(), scale.at(stress));
    }

    private static BenchView.Preview sectionPreview(SpecimenRecord record, Key key, double value, List<String> lines) {
        double width = mean(record, Quantity.WIDTH, key, value);
        double thickness = mean(record, Quantity.THICKNESS, key, value);
        if (width > 0 && thickness > 0) {
            lines.add("area " + Figures.significant(width * thickness, 4) + " mm² so far");
        }
        double nominal = record.specimen().nominal(key.quantity() == Quantity.WIDTH);
        double percent = 100 * (value / nominal - 1);
        lines.add(Figures.decimals(value, 2) + " mm, " + (percent < 0 ? "" : "+") + Figures.decimals(percent, 1)
                + " % of the nominal " + Figures.decimals(nominal, 1) + " mm");
        if (Math.abs(percent) > 10) {
            lines.add("More than 10 % off nominal: look at the print before breaking this specimen.");
        }
        return new BenchView.Preview("", lines, List.of(), -1);
    }

    private static double mean(SpecimenRecord record, Quantity quantity, Key typedAt, double typed) {
        List<Double> values = new ArrayList<>();
        record.live(quantity).stream()
                .filter(reading -> quantity != typedAt.quantity() || reading.place() != typedAt.place())
                .forEach(reading -> values.add(reading.value()));
        if (quantity == typedAt.quantity()) {
            values.add(typed);
        }
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    // ---- what is in hand ---------------------------------------------------------------------------------------

    private static boolean isMeasured(SpecimenRecord record) {
        return record.section().isPresent();
    }

    private static boolean isComplete(SpecimenRecord record) {
        return record.live(Quantity.WIDTH).size() == Quantity.WIDTH.places()
                && record.live(Quantity.THICKNESS).size() == Quantity.THICKNESS.places();
    }

    /** What is wrong with a label that was scanned or typed; nothing stays in hand then, so that no reading goes astray. */
    private String unknown(LotView lot, List<SpecimenRecord> records, @Nullable String wanted) {
        if (wanted == null || wanted.isBlank() || named(lot, records, wanted).isPresent()) {
            return "";
        }
        String typed = wanted.strip();
        String shown = typed.length() > 60 ? typed.substring(0, 60) + "…" : typed;
        return lots.coded(typed)
                .filter(specimen -> specimen.lotId() != lot.id())
                .map(specimen -> "'" + shown + "' is " + specimen.label() + " of lot "
                        + lots.lot(specimen.lotId()).code() + ", not of this one. Nothing is in hand.")
                .orElse("'" + shown + "' is no specimen of lot " + lot.code()
                        + " that the bench takes. Nothing is in hand: scan the label again, or choose in the list.");
    }

    private static Optional<SpecimenRecord> named(LotView lot, List<SpecimenRecord> records, String wanted) {
        String name = wanted.strip().toUpperCase(Locale.ROOT);
        String prefix = lot.code().toUpperCase(Locale.ROOT) + "-";
        String plain = name.startsWith(prefix) ? name.substring(prefix.length()) : name;
        return records.stream()
                .filter(record -> record.specimen().label().equals(plain)
                        || record.specimen()
                                .code()
                                .equals(plain.replace(" ", "").replace("-", "")))
                .findFirst();
    }

    /**
     * Beginning behind the one just done: who works from the middle goes on from there, and two at one lot do not meet at its
     * first specimen.
     */
    private static List<SpecimenRecord> following(List<SpecimenRecord> records, @Nullable String done) {
        int behind = 0;
        for (int i = 0; i < records.size(); i++) {
            if (records.get(i).specimen().label().equals(done)) {
                behind = i + 1;
            }
        }
        List<SpecimenRecord> turned = new ArrayList<>(records.subList(behind, records.size()));
        turned.addAll(records.subList(0, behind));
        return turned;
    }

    private @Nullable SpecimenRecord choose(
            LotView lot, List<SpecimenRecord> records, String step, @Nullable String wanted) {
        if (wanted != null && !wanted.isBlank()) {
            return named(lot, records, wanted).orElse(null);
        }
        List<SpecimenRecord> unbroken =
                records.stream().filter(record -> record.force().isEmpty()).toList();
        if (step.equals(BREAK)) {
            return unbroken.stream().filter(BenchPages::isMeasured).findFirst().orElse(null);
        }
        // Specimens not measured at all come before those that somebody left with fewer readings on purpose.
        return unbroken.stream()
                .filter(record -> !isMeasured(record))
                .findFirst()
                .or(() ->
                        unbroken.stream().filter(record -> !isComplete(record)).findFirst())
                .orElse(null);
    }

    /** The gauge that the lot's next specimen would be broken on; 0 when none is registered. */
    long usualGauge(LotView lot) {
        InstrumentView gauge = usual(lot, bench.records(lot.id()), instruments.gauges());
        return gauge == null ? 0 : gauge.id();
    }

    /** In the order in which they are to be tested; in order of their sets when none was given. */
    private List<SpecimenRecord> inOrder(LotView lot, List<SpecimenRecord> records) {
        Map<Long, Integer> turns = orders.turns(
                lot.id(), records.stream().map(SpecimenRecord::specimen).toList());
        return turns.isEmpty()
                ? records
                : records.stream()
                        .sorted(Comparator.comparingInt((SpecimenRecord record) ->
                                turns.getOrDefault(record.specimen().id(), Integer.MAX_VALUE)))
                        .toList();
    }

    /** The largest load to be expected in this lot, in N; 0 when nobody knows. */
    double expectedLoad(LotView lot) {
        return expectedLoad(lot, bench.records(lot.id()));
    }

    private double expectedLoad(LotView lot, List<SpecimenRecord> records) {
        // Specimens of one set expect the same: asked once a set, not once a specimen.
        Map<Long, SpecimenView> sets = new java.util.HashMap<>();
        records.forEach(record -> sets.putIfAbsent(record.specimen().setId(), record.specimen()));
        return sets.values().stream()
                .mapToDouble(specimen -> check.expectedStrength(lot, specimen).orElse(0)
                        * specimen.nominal(true)
                        * specimen.nominal(false))
                .max()
                .orElse(0);
    }

    /** The smallest calibrated gauge with room for the largest load to be expected in this lot, else the largest there is. */
    private @Nullable InstrumentView usual(LotView lot, List<SpecimenRecord> records, List<InstrumentView> gauges) {
        if (gauges.isEmpty()) {
            return null;
        }
        // What was broken of this lot so far is comparable with what is broken on the same gauge.
        Optional<InstrumentView> same = records.stream()
                .flatMap(record -> record.force().stream())
                .map(ReadingView::instrument)
                .reduce((first, last) -> last)
                .flatMap(used ->
                        gauges.stream().filter(gauge -> gauge.id() == used.id()).findFirst());
        if (same.isPresent() && !before.isOut(same.get())) {
            return same.get();
        }
        List<InstrumentView> calibrated =
                gauges.stream().filter(gauge -> !before.isOut(gauge)).toList();
        List<InstrumentView> offered = calibrated.isEmpty() ? gauges : calibrated;
        double load = expectedLoad(lot, records);
        return offered.stream()
                .filter(gauge -> gauge.capacity().orElse(0) * Headroom.LARGEST_SHARE >= load)
                .findFirst()
                .orElse(offered.get(offered.size() - 1));
    }

    private BenchView.Hand hand(
            LotView lot,
            SpecimenRecord record,
            String step,
            InstrumentView gauge,
            List<InstrumentView> gauges,
            @Nullable Refused refused) {
        // Strength is what matters in the grips: in the calipers nobody asks for it.
        OptionalDouble strength =
                step.equals(BREAK) ? check.expectedStrength(lot, record.specimen()) : OptionalDouble.empty();
        double area = record.section()
                .map(Section::area)
                .orElse(record.specimen().design().nominalArea());
        String headroom = strength.isEmpty()
                ? ""
                : Headroom.warning(
                                strength.getAsDouble(),
                                area,
                                gauge.gauge(),
                                gauges.stream().map(InstrumentView::gauge).toList())
                        .or(() -> Headroom.tooCoarse(
                                strength.getAsDouble() * area,
                                gauge.gauge(),
                                gauges.stream().map(InstrumentView::gauge).toList()))
                        .orElse("");
        String expected =
                strength.isEmpty() ? "" : Figures.significant(strength.getAsDouble() * area, 3) + " N expected";
        return new BenchView.Hand(
                record.specimen().label(),
                record.specimen().conditions().orientation().name(),
                record.specimen().conditions().words(),
                fields(record, step, refused),
                measured(record),
                headroom,
                expected,
                before.warnings(lot, record.specimen(), step.equals(BREAK) ? gauge : instruments.calipers()),
                false);
    }

    private static List<BenchView.Field> fields(SpecimenRecord record, String step, @Nullable Refused refused) {
        List<BenchView.Field> fields = new ArrayList<>();
        boolean focused = false;
        for (Quantity quantity : Quantity.values()) {
            if ((quantity == Quantity.FORCE) != step.equals(BREAK)) {
                continue;
            }
            for (int place = 1; place <= quantity.places(); place++) {
                BenchView.Field field = field(record, new Key(quantity, place), refused, !focused);
                focused |= field.focus();
                fields.add(field);
            }
        }
        return fields;
    }

    private static String measured(SpecimenRecord record) {
        return record.section()
                .map(s -> Figures.decimals(s.width(), 3) + " × " + Figures.decimals(s.thickness(), 3) + " mm, "
                        + Figures.significant(s.area(), 4) + " mm²")
                .orElse("not measured yet");
    }

    private static BenchView.Field field(SpecimenRecord record, Key key, @Nullable Refused refused, boolean mayFocus) {
        String given =
                record.at(key.quantity(), key.place()).map(ReadingView::typed).orElse("");
        String unit = key.quantity().unit().symbol();
        if (refused != null
                && refused.key().equals(key.text())
                && refused.specimen().equals(record.specimen().label())) {
            String confirm = refused.refusal() instanceof ReadingCheck.Doubted
                    ? refused.typed().strip()
                    : "";
            return new BenchView.Field(
                    key.text(),
                    key.label(),
                    unit,
                    "",
                    refused.typed(),
                    refused.refusal().words(),
                    confirm,
                    true);
        }
        boolean focus = mayFocus && given.isEmpty() && refused == null;
        return new BenchView.Field(key.text(), key.label(), unit, given, "", "", "", focus);
    }

    // ---- the list ----------------------------------------------------------------------------------------------

    private static BenchView.Row row(SpecimenRecord record, boolean inHand, boolean givenUp) {
        Optional<Result> strength = record.strength();
        List<String> notes = strength.map(Result::notes)
                .orElseGet(() -> record.section().map(Section::notes).orElse(List.of()));
        String stress = strength.map(result ->
                        (result.kind() == Result.Kind.AT_LEAST ? "≥ " : "") + Figures.significant(result.value(), 4))
                .orElse("");
        return new BenchView.Row(
                record.specimen().label(),
                record.specimen().conditions().orientation().words(),
                inHand,
                cells(record, Quantity.WIDTH),
                cells(record, Quantity.THICKNESS),
                record.section().map(s -> Figures.significant(s.area(), 4)).orElse(""),
                cells(record, Quantity.FORCE).stream().findFirst().orElse(null),
                record.force()
                        .map(ReadingView::outcome)
                        .map(outcome -> outcome.words())
                        .orElse(givenUp ? "given up" : ""),
                stress,
                strength.map(result -> result.kind().name()).orElse(""),
                notes,
                record.corrected().stream().map(wrong -> history(record, wrong)).toList());
    }

    private static List<BenchView.Cell> cells(SpecimenRecord record, Quantity quantity) {
        return record.live(quantity).stream()
                .map(reading -> new BenchView.Cell(
                        reading.id(),
                        reading.typed(),
                        quantity == Quantity.FORCE
                                ? Figures.plain(reading.value(), 4)
                                : Figures.decimals(reading.value(), 2)))
                .toList();
    }

    private static String history(SpecimenRecord record, ReadingView wrong) {
        String why = record.readings().stream()
                .filter(reading -> reading.quantity() == wrong.quantity()
                        && reading.place() == wrong.place()
                        && reading.id() > wrong.id())
                .findFirst()
                .map(next -> " → " + next.typed() + ": " + next.reason() + " (" + next.enteredBy() + ")")
                .orElse("");
        return new Key(wrong.quantity(), wrong.place()).label() + " first read " + wrong.typed() + why;
    }
}
