package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.intake.SizeGate;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.GradeWeights;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.rubric.Rubric;
import org.ysometron.core.rubric.Score;
import org.ysometron.core.working.Figures;

/** What was looked at and not pulled: grades with their drawn examples, towers with the steps that pass, colours beside their master. */
@Component
class Looks {

    /** Lots that are set side by side; those of before are found by their own pages. */
    private static final int MOST_LOTS = 40;

    private static final int WIDE = 300;

    private final Bench bench;
    private final Lots lots;
    private final Publications publications;
    private final GradeWeights weights;
    private final SizeGate sizes;
    private final PublishedRanges ranges;

    private static final Optional<String> NO_ARTEFACT =
            Optional.of("No artefact of this lot was measured: over-exposure and lost detail cannot be told apart.");

    Looks(
            Bench bench,
            Lots lots,
            Publications publications,
            GradeWeights weights,
            SizeGate sizes,
            PublishedRanges ranges) {
        this.ranges = ranges;
        this.sizes = sizes;
        this.bench = bench;
        this.lots = lots;
        this.publications = publications;
        this.weights = weights;
    }

    /** A grade that was given, with its example; a grade by several is shown by each. */
    record Given(String value, String said, String drawing, String fault, String by) {}

    /** What of one specimen was graded in one thing. */
    record Element(String title, List<Given> given) {}

    /** A specimen with its grades, and what is set beside them. */
    record Piece(String specimen, String terms, List<Element> elements, Optional<String> beside) {}

    /**
     * A step of a tower.
     *
     * @param passes whether it passes
     * @param published whether it lies within what is published
     */
    record Step(String at, List<Given> given, boolean passes, boolean published) {}

    /** A tower, its lowest step last as it stands. */
    record Tower(
            String specimen,
            String title,
            String heads,
            List<Step> steps,
            List<String> ends,
            List<PublishedRanges.Against> against,
            String published) {}

    /** A colour on the plane of a* and b*. */
    record Dot(double x, double y, double lightness, String title, boolean own) {}

    /** The plane, with the master and what was read. */
    record Plane(
            List<Scale.Tick> across,
            List<Scale.Tick> down,
            List<Scale.Tick> lightness,
            Optional<Dot> master,
            List<Dot> dots,
            String said) {}

    /** All that was looked at of a lot. */
    record OfLot(List<Piece> pieces, List<Tower> towers, Optional<Plane> plane, List<String> colours, String counted) {

        /** Whether nothing was. */
        public boolean isEmpty() {
            return pieces.isEmpty() && towers.isEmpty() && plane.isEmpty();
        }
    }

    /** One lot among others. */
    record LotRow(String lot, int specimens, List<Element> elements, String sum, String place, String note) {}

    /** The lots graded by one method. */
    record Graded(String title, List<String> heads, List<LotRow> rows, String weights) {}

    /** What was looked at of a lot. */
    @Transactional(readOnly = true)
    OfLot of(LotView lot) {
        List<SpecimenRecord> tested = bench.records(lot.id()).stream()
                .filter(SpecimenRecord::isTested)
                .toList();
        List<SpecimenRecord> coloured =
                tested.stream().filter(record -> isColour(record.method())).toList();
        return new OfLot(
                tested.stream()
                        .filter(record -> !graded(record.method()).isEmpty())
                        .map(record -> new Piece(
                                record.specimen().label(),
                                record.specimen().conditions().words(),
                                elements(record),
                                isTight(record) ? sizes.whyTight(lot).or(() -> NO_ARTEFACT) : Optional.empty()))
                        .toList(),
                tested.stream()
                        .filter(record -> !stepped(record.method()).isEmpty())
                        .map(record -> tower(lot, record))
                        .toList(),
                plane(coloured, record -> record.specimen().label(), lot.id()),
                coloured.stream().map(Looks::colour).toList(),
                coloured.isEmpty() ? "" : counted(lot, coloured));
    }

    /** Plaques, samples and lots told apart: what one spool shows is not yet what a colour is. */
    private String counted(LotView lot, List<SpecimenRecord> coloured) {
        long samples = coloured.stream()
                .map(record -> record.specimen().sampleId())
                .filter(Objects::nonNull)
                .distinct()
                .count();
        boolean unsaid = coloured.stream().anyMatch(record -> record.specimen().sampleId() == null);
        List<Long> alike = lots.newest(lot.productId(), MOST_LOTS).stream()
                .filter(other -> other.colour().equalsIgnoreCase(lot.colour()) && other.id() != lot.id())
                .map(LotView::id)
                .toList();
        long others = bench.records(alike).values().stream()
                .filter(records -> records.stream().anyMatch(record -> record.isTested() && isColour(record.method())))
                .count();
        String spools =
                unsaid ? "of which sample nobody said" : samples == 1 ? "of one sample" : "of " + samples + " samples";
        return coloured.size() + (coloured.size() == 1 ? " plaque " : " plaques ") + spools + ", of one lot"
                + (others == 0
                        ? ": one lot only. What " + lot.colour() + " is from lot to lot nobody knows yet."
                        : "; " + others + " other " + (others == 1 ? "lot" : "lots") + " of " + lot.colour()
                                + (others == 1 ? " was measured." : " were measured."))
                + (samples > 1 ? "" : " What differs from spool to spool is unknown.");
    }

    private static List<Field> graded(Method method) {
        return method.data().sheet().fields().stream()
                .filter(field -> field.kind() == Field.Kind.GRADE)
                .toList();
    }

    /** A printed thread that did not go by hand: whether it is over-exposed or has lost its detail its artefact tells. */
    private static boolean isTight(SpecimenRecord record) {
        return graded(record.method()).stream().anyMatch(field -> {
            Rubric rubric = Objects.requireNonNull(field.rubric());
            return rubric.id().equals("thread-fit")
                    && record.live(field).stream()
                            .anyMatch(reading -> reading.value() != null
                                    && reading.value() < rubric.best().value());
        });
    }

    private static List<Field> stepped(Method method) {
        return method.data().sheet().fields().stream()
                .filter(field -> field.kind() == Field.Kind.STEP_GRADE)
                .toList();
    }

    private static List<Element> elements(SpecimenRecord record) {
        return graded(record.method()).stream()
                .map(field -> new Element(
                        field.words(),
                        record.live(field).stream()
                                .flatMap(reading -> given(field, reading).stream())
                                .toList()))
                .toList();
    }

    private static Optional<Given> given(Field field, ReadingView reading) {
        Rubric rubric = Objects.requireNonNull(field.rubric());
        return Optional.ofNullable(reading.value())
                .flatMap(rubric::at)
                .map(grade -> new Given(
                        shown(rubric, grade.value()),
                        rubric.stepped() ? grade.words() : shown(rubric, grade.value()) + " " + grade.words(),
                        grade.drawing(),
                        grade.fault(),
                        reading.enteredBy()));
    }

    private static String shown(Rubric rubric, double value) {
        String unit = rubric.stepped() ? " " + rubric.dimension().workingUnit() : "";
        return Figures.plain(value, 4) + unit;
    }

    // ---- towers --------------------------------------------------------------------------------------------------

    private Tower tower(LotView lot, SpecimenRecord record) {
        Method method = record.method();
        Field setting = method.data().closing();
        Optional<Topic> topic = method.data().published().flatMap(Topic::named);
        Optional<Statement> said = topic.flatMap(about -> publications.statements(lot.datasheetId()).stream()
                .filter(statement -> statement.topic().equals(about))
                .findFirst());
        List<ReadingView> at = record.live(setting);
        List<Boolean> passing = record.passing();
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < at.size(); i++) {
            int place = i;
            double value = Objects.requireNonNullElse(at.get(i).value(), Double.NaN);
            steps.add(new Step(
                    PublishedRanges.figure(setting, value),
                    stepped(method).stream()
                            .flatMap(field -> record.live(field).stream()
                                    .skip(place)
                                    .limit(1)
                                    .flatMap(reading -> given(field, reading).stream()))
                            .toList(),
                    i < passing.size() && passing.get(i),
                    said.map(statement -> holds(statement, value)).orElse(false)));
        }
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingDouble(
                (Integer i) -> -Objects.requireNonNullElse(at.get(i).value(), 0.0)));
        return new Tower(
                record.specimen().label(),
                method.data().title(),
                stepped(method).stream().map(Field::words).collect(Collectors.joining(", ")),
                order.stream().map(steps::get).toList(),
                record.results().stream().map(Looks::said).toList(),
                ranges.of(lot, record),
                said.map(statement -> topic.orElseThrow().title() + ", published: " + statement.published())
                        .orElse(""));
    }

    private static boolean holds(Statement published, double value) {
        double low = published.low().orElse(published.value().orElse(Double.NEGATIVE_INFINITY));
        double high = published.high().orElse(published.value().orElse(Double.POSITIVE_INFINITY));
        return value >= low - 1e-9 && value <= high + 1e-9;
    }

    private static String said(Reduced result) {
        Characteristic one = result.characteristic();
        String title = one.title() + ": ";
        if (result.value().isEmpty()) {
            return title + result.reason();
        }
        String low = Figures.withUnit(result.value().getAsDouble(), one.digits(), one.unit());
        return title
                + switch (result.made()) {
                    case AT_LEAST -> "at least " + low + ", " + result.reason();
                    case AT_MOST -> "at most " + low + ", " + result.reason();
                    case BETWEEN ->
                        "between " + low + " and "
                                + Figures.withUnit(result.upper().getAsDouble(), one.digits(), one.unit());
                    default -> low;
                };
    }

    // ---- colours -------------------------------------------------------------------------------------------------

    /** The three coordinates, in the order of the file; none where a method gives no colour, or compares it with no master. */
    private static List<Characteristic> coordinates(Method method) {
        boolean masters = method.data().sheet().of(Field.Role.MASTER).stream()
                .anyMatch(field -> field.dimension() == Dimension.COLOUR);
        return masters
                ? method.data().characteristics().stream()
                        .filter(one -> one.dimension() == Dimension.COLOUR)
                        .limit(3)
                        .toList()
                : List.of();
    }

    private static boolean isColour(Method method) {
        return coordinates(method).size() == 3;
    }

    private static String colour(SpecimenRecord record) {
        return record.specimen().label() + ": "
                + record.results().stream()
                        .filter(result -> result.value().isPresent())
                        .map(result -> result.characteristic().title() + " "
                                + Figures.withUnit(
                                        result.value().getAsDouble(),
                                        result.characteristic().digits(),
                                        result.characteristic().unit()))
                        .collect(Collectors.joining("; "));
    }

    private static Optional<double[]> lab(SpecimenRecord record) {
        double[] lab = new double[3];
        List<Characteristic> coordinates = coordinates(record.method());
        for (int i = 0; i < lab.length; i++) {
            OptionalDouble value =
                    record.result(coordinates.get(i)).map(Reduced::value).orElse(OptionalDouble.empty());
            if (value.isEmpty()) {
                return Optional.empty();
            }
            lab[i] = value.getAsDouble();
        }
        return Optional.of(lab);
    }

    private static Optional<Plane> plane(
            List<SpecimenRecord> records, Function<SpecimenRecord, String> name, long own) {
        Map<SpecimenRecord, double[]> read = new LinkedHashMap<>();
        records.forEach(record -> lab(record).ifPresent(lab -> read.put(record, lab)));
        if (read.isEmpty()) {
            return Optional.empty();
        }
        SpecimenRecord any = records.get(records.size() - 1);
        List<Double> signed = any.method().data().sheet().of(Field.Role.MASTER).stream()
                .flatMap(field -> Optional.ofNullable(any.master().values().get(field.key())).stream())
                .toList();
        List<double[]> all = new ArrayList<>(read.values());
        boolean mastered = signed.size() == 3;
        if (mastered) {
            all.add(signed.stream().mapToDouble(Double::doubleValue).toArray());
        }
        Scale across = Scale.holding(all.stream().map(lab -> lab[1]).toList(), 0, WIDE);
        Scale down = Scale.holding(all.stream().map(lab -> lab[2]).toList(), WIDE, 0);
        Scale light = Scale.holding(all.stream().map(lab -> lab[0]).toList(), WIDE, 0);
        List<Dot> dots = new ArrayList<>();
        read.forEach((record, lab) -> dots.add(new Dot(
                across.at(lab[1]),
                down.at(lab[2]),
                light.at(lab[0]),
                name.apply(record),
                record.specimen().lotId() == own)));
        Optional<Dot> master = mastered
                ? Optional.of(new Dot(
                        across.at(signed.get(1)), down.at(signed.get(2)), light.at(signed.get(0)), "master", false))
                : Optional.empty();
        return Optional.of(new Plane(
                across.ticks(4),
                down.ticks(4),
                light.ticks(4),
                master,
                List.copyOf(dots),
                any.master().words()));
    }

    // ---- lot by lot ----------------------------------------------------------------------------------------------

    /** A product's newest lots side by side, by every method that grades several things. */
    @Transactional(readOnly = true)
    List<Graded> lotByLot(Products.ProductView product) {
        List<LotView> newest = lots.newest(product.id(), MOST_LOTS);
        Map<Long, List<SpecimenRecord>> records =
                bench.records(newest.stream().map(LotView::id).toList());
        List<GradeWeights.WeightsView> written = weights.of(product.id());
        Set<Method> methods = new LinkedHashSet<>();
        records.values().forEach(list -> list.stream()
                .filter(SpecimenRecord::isTested)
                .map(SpecimenRecord::method)
                .filter(method -> !GradeWeights.elements(method).isEmpty())
                .forEach(methods::add));
        return methods.stream()
                .map(method -> graded(method, newest, records, written))
                .toList();
    }

    /** The sum of a lot's grades, where weights stood before each of them; of several specimens their mean. */
    private static OptionalDouble sum(Method method, List<SpecimenRecord> own, List<GradeWeights.WeightsView> written) {
        double total = 0;
        for (SpecimenRecord record : own) {
            Optional<GradeWeights.WeightsView> weights = GradeWeights.at(
                    written, method, record.ended().orElseThrow().enteredAt());
            Map<String, Score.Element> elements = new LinkedHashMap<>();
            for (Field field : GradeWeights.elements(method)) {
                Rubric rubric = Objects.requireNonNull(field.rubric());
                List<ReadingView> grades = record.live(field);
                boolean alike =
                        grades.stream().map(ReadingView::value).distinct().count() == 1;
                if (alike) {
                    elements.put(
                            field.key(),
                            new Score.Element(
                                    rubric, Objects.requireNonNull(grades.get(0).value())));
                }
            }
            boolean whole = weights.isPresent()
                    && elements.keySet().equals(weights.get().entries().keySet());
            if (!whole) {
                return OptionalDouble.empty();
            }
            total += Score.of(elements, weights.get().entries()).value();
        }
        return own.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(total / own.size());
    }

    private static Graded graded(
            Method method,
            List<LotView> newest,
            Map<Long, List<SpecimenRecord>> records,
            List<GradeWeights.WeightsView> written) {
        Map<LotView, List<SpecimenRecord>> byLot = new LinkedHashMap<>();
        Map<LotView, OptionalDouble> sums = new LinkedHashMap<>();
        for (LotView lot : newest) {
            List<SpecimenRecord> own = records.getOrDefault(lot.id(), List.of()).stream()
                    .filter(record -> record.isTested() && record.method().equals(method))
                    .toList();
            if (!own.isEmpty()) {
                byLot.put(lot, own);
                sums.put(lot, sum(method, own, written));
            }
        }
        List<Double> known = sums.values().stream()
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .toList();
        List<Integer> places = Score.places(known);
        List<LotRow> rows = new ArrayList<>();
        byLot.forEach((lot, own) -> {
            OptionalDouble sum = Objects.requireNonNull(sums.get(lot));
            int at = sum.isPresent() ? places.get(known.indexOf(sum.getAsDouble())) : 0;
            long tied = places.stream().filter(place -> place == at).count();
            rows.add(new LotRow(
                    lot.code(),
                    own.size(),
                    merged(method, own),
                    sum.isPresent() ? Figures.decimals(100 * sum.getAsDouble(), 0) + " %" : "",
                    at == 0 ? "" : at + (tied > 1 ? ", tied" : ""),
                    sum.isPresent() ? "" : "not summed: no weights stood before, or an element is open"));
        });
        String weights = written.stream()
                .filter(one -> one.method().equals(method))
                .reduce((first, last) -> last)
                .map(GradeWeights.WeightsView::words)
                .orElse("");
        return new Graded(
                method.data().title(),
                GradeWeights.elements(method).stream().map(Field::words).toList(),
                rows,
                weights);
    }

    private static List<Element> merged(Method method, List<SpecimenRecord> own) {
        return GradeWeights.elements(method).stream()
                .map(field -> new Element(
                        field.words(),
                        own.stream()
                                .flatMap(record -> record.live(field).stream())
                                .flatMap(reading -> given(field, reading).stream())
                                .collect(Collectors.toMap(Given::value, one -> one, (a, b) -> a, LinkedHashMap::new))
                                .values()
                                .stream()
                                .toList()))
                .toList();
    }
}
