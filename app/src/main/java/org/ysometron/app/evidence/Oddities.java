package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.make.Runs;
import org.ysometron.app.product.Claim;
import org.ysometron.app.web.Moments;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;
import org.ysometron.core.surprise.Disagreement;
import org.ysometron.core.surprise.History;
import org.ysometron.core.surprise.OddResults;
import org.ysometron.core.surprise.SetOfResults;
import org.ysometron.core.surprise.SetOfResults.Grouping;
import org.ysometron.core.surprise.Surprises;

/** What in a lot's results is odd: single ones far from the others, and what is looked for in every lot without being asked. */
@Component
class Oddities {

    /** How far a reading may lie from a whole number of its display's steps, by the unit that it was typed in. */
    private static final double ON_A_STEP = 0.02;

    private final SeriesPoints series;
    private final Runs runs;
    private final Chambers chambers;

    Oddities(SeriesPoints series, Runs runs, Chambers chambers) {
        this.series = series;
        this.runs = runs;
        this.chambers = chambers;
    }

    /**
     * One characteristic of one set as it was looked at.
     *
     * @param set the specimens
     * @param characteristic what of them
     * @param records those with a value, in the order in which they were tested
     * @param results their values
     * @param odd which lie far out
     */
    record Studied(
            LotEvidence set,
            Characteristic characteristic,
            List<SpecimenRecord> records,
            SetOfResults results,
            OddResults odd) {

        /** Key of it, whatever it is called. */
        String subject() {
            return set.subject() + "-" + characteristic.id();
        }

        /** What it is, in words. */
        String title() {
            return characteristic.title() + " of " + set.name();
        }

        SpecimenRecord record(int index) {
            return records.get(index);
        }
    }

    /**
     * A specimen whose notes contradict how its test is said to have ended.
     *
     * @param record the specimen
     * @param why the two
     */
    record Contradicted(SpecimenRecord record, String why) {

        /** Of these notes beside this end: with another note it is asked again. */
        String subject() {
            int notes = record.readings().stream()
                    .filter(reading -> reading.live() && reading.field().role() == Field.Role.NOTED)
                    .map(ReadingView::id)
                    .toList()
                    .hashCode();
            return "fracture-" + record.specimen().id() + "-"
                    + record.ended().orElseThrow().id() + "-" + Integer.toHexString(notes);
        }
    }

    /**
     * All that was looked at, and what was found.
     *
     * @param studied what was looked at, set by set; {@link Surprises} counts in this order
     */
    record Found(List<Studied> studied, Surprises surprises, List<Contradicted> contradicted) {}

    /** Looks at the sets of a lot that speak. */
    Found of(LotView lot, List<LotEvidence> sets, List<Claim> claims) {
        Recorded recorded = recorded(lot);
        List<Studied> studied = new ArrayList<>();
        for (LotEvidence set : sets) {
            characteristics(set, claims)
                    .forEach(one -> studied(lot, set, one, recorded).ifPresent(studied::add));
        }
        List<SpecimenRecord> records =
                sets.stream().flatMap(set -> set.records().stream()).toList();
        Surprises surprises = Surprises.of(new Surprises.Lot(
                studied.stream().map(Studied::results).toList(), uprights(studied), displays(records)));
        return new Found(
                List.copyOf(studied),
                surprises,
                records.stream()
                        .flatMap(record -> contradicted(record).stream())
                        .toList());
    }

    /** What a set's method is asked for first, and what of it is claimed. */
    private static List<Characteristic> characteristics(LotEvidence set, List<Claim> claims) {
        return Methods.of(set.conditions().method())
                .map(method -> method.data().characteristics().stream()
                        .filter(one -> one.dimension() != Dimension.GRADE)
                        .filter(one -> one.equals(method.data().main())
                                || claims.stream()
                                        .anyMatch(claim -> claim.property().id().equals(one.id())))
                        .toList())
                .orElse(List.of());
    }

    private Optional<Studied> studied(LotView lot, LotEvidence set, Characteristic characteristic, Recorded recorded) {
        List<SpecimenRecord> valued = set.records().stream()
                .filter(record -> record.result(characteristic)
                        .filter(result -> result.made() == Reduced.Made.VALUE)
                        .isPresent())
                .sorted(Comparator.comparing((SpecimenRecord record) ->
                                record.ended().orElseThrow().enteredAt())
                        .thenComparing(record -> record.ended().orElseThrow().id()))
                .limit(SetOfResults.MOST)
                .toList();
        if (valued.isEmpty()) {
            return Optional.empty();
        }
        double[] values = valued.stream()
                .mapToDouble(record ->
                        record.result(characteristic).orElseThrow().value().orElseThrow())
                .toArray();
        List<SeriesPoints.PointView> earlier = series.before(lot, characteristic, set.conditions(), set.setup());
        Optional<History> history = History.of(
                earlier.stream()
                        .mapToDouble(point -> point.sd() == null ? 0 : point.sd())
                        .toArray(),
                earlier.stream().mapToInt(SeriesPoints.PointView::n).toArray());
        SetOfResults results = new SetOfResults(values, recorded.groupings(valued), history);
        return Optional.of(new Studied(set, characteristic, valued, results, OddResults.of(results)));
    }

    private static List<Surprises.Pair> uprights(List<Studied> studied) {
        List<Surprises.Pair> pairs = new ArrayList<>();
        for (int i = 0; i < studied.size(); i++) {
            Studied up = studied.get(i);
            boolean compared = up.characteristic().hasRatio()
                    && up.characteristic().better() == Characteristic.Better.MORE
                    && up.set().conditions().isAbove(Ratio.UPRIGHT_FLAT);
            for (int j = 0; compared && j < studied.size(); j++) {
                Studied flat = studied.get(j);
                if (flat.characteristic().equals(up.characteristic())
                        && flat.set().setup().equals(up.set().setup())
                        && flat.set().conditions().equals(up.set().conditions().below(Ratio.UPRIGHT_FLAT, ""))) {
                    pairs.add(new Surprises.Pair(i, j));
                    break;
                }
            }
        }
        return pairs;
    }

    /** What was typed of each instrument's display in the tests, in its steps; what a machine sent was rounded by nobody. */
    private static List<Surprises.Display> displays(List<SpecimenRecord> records) {
        Map<String, List<Long>> read = new LinkedHashMap<>();
        for (SpecimenRecord record : records) {
            for (ReadingView reading : record.readings()) {
                OptionalDouble step = reading.instrument().facts().resolution();
                boolean typed = reading.live()
                        && reading.field().role() == Field.Role.TEST
                        && reading.field().kind() == Field.Kind.NUMBER
                        && reading.analysis() == null
                        && !reading.sent();
                if (typed && reading.value() != null && step.orElse(0) > 0) {
                    double steps = reading.value() / step.getAsDouble();
                    if (Math.abs(steps - Math.rint(steps)) < ON_A_STEP && Math.abs(steps) < Integer.MAX_VALUE) {
                        read.computeIfAbsent(
                                        reading.field().words() + ", "
                                                + reading.instrument().name(),
                                        name -> new ArrayList<>())
                                .add(Math.round(steps));
                    }
                }
            }
        }
        return read.entrySet().stream()
                .map(display -> new Surprises.Display(
                        display.getKey(),
                        display.getValue().stream().mapToLong(Long::longValue).toArray()))
                .toList();
    }

    private static Optional<Contradicted> contradicted(SpecimenRecord record) {
        return record.ended()
                .flatMap(end -> Optional.ofNullable(end.outcome()))
                .flatMap(end -> Disagreement.of(
                        end,
                        record.readings().stream()
                                .filter(reading -> reading.live()
                                        && reading.field().role() == Field.Role.NOTED
                                        && reading.field().kind() == Field.Kind.CHOICE)
                                .collect(Collectors.toMap(
                                        reading -> reading.field().key(), ReadingView::typed, (first, last) -> last)),
                        record.mean(Noted.PIECES).stream()
                                .mapToInt(count -> (int) Math.round(count))
                                .boxed()
                                .map(OptionalInt::of)
                                .findFirst()
                                .orElse(OptionalInt.empty())))
                .map(why -> new Contradicted(record, why));
    }

    // ---- what was recorded and splits no series ------------------------------------------------------------------

    private Recorded recorded(LotView lot) {
        Recorded recorded = new Recorded();
        for (Runs.RunView run : runs.of(lot)) {
            Plate plate = run.plate();
            for (Runs.Placed placed : run.placed()) {
                long id = placed.specimen().id();
                recorded.say("print run", id, run.id());
                recorded.say(
                        "place from left to right",
                        id,
                        plate.thirdAcross(placed.x() + placed.footprint().width() / 2));
                recorded.say(
                        "place from front to back",
                        id,
                        plate.thirdBack(placed.y() + placed.footprint().depth() / 2));
            }
        }
        for (Chambers.ChamberView run : chambers.of(List.of(lot.id())).getOrDefault(lot.id(), List.of())) {
            boolean fixed = PlaceMaps.isFixed(run);
            for (Chambers.Placed placed : run.placed()) {
                long id = placed.specimen().id();
                recorded.say("run in the chamber", id, run.id());
                if (fixed && run.columns() > 0) {
                    recorded.say("row in the chamber", id, placed.place() / run.columns());
                    recorded.say("column in the chamber", id, placed.place() % run.columns());
                }
            }
        }
        return recorded;
    }

    /** What is known of specimens by its name; of what is not known of all that are compared nothing is said. */
    private static final class Recorded {

        private final Map<String, Map<Long, Long>> known = new LinkedHashMap<>();

        void say(String name, long specimen, long level) {
            known.computeIfAbsent(name, key -> new HashMap<>()).put(specimen, level);
        }

        List<Grouping> groupings(List<SpecimenRecord> records) {
            List<Grouping> groupings = new ArrayList<>();
            known.forEach((name, levels) -> add(
                    groupings,
                    name,
                    records,
                    record -> levels.get(record.specimen().id())));
            add(groupings, "sample", records, record -> record.specimen().sampleId());
            add(groupings, "hand", records, record ->
                    (Object) record.ended().orElseThrow().enteredBy());
            add(groupings, "instrument", records, record -> record.ended()
                    .orElseThrow()
                    .instrument()
                    .id());
            add(
                    groupings,
                    "day of the test",
                    records,
                    record -> Moments.day(record.ended().orElseThrow().enteredAt()));
            return groupings;
        }

        private static void add(
                List<Grouping> groupings,
                String name,
                List<SpecimenRecord> records,
                Function<SpecimenRecord, @Nullable Object> level) {
            List<Object> seen = new ArrayList<>();
            int[] levels = new int[records.size()];
            for (int i = 0; i < levels.length; i++) {
                Object own = level.apply(records.get(i));
                if (own == null) {
                    return;
                }
                if (!seen.contains(own)) {
                    seen.add(own);
                }
                levels[i] = seen.indexOf(own);
            }
            if (seen.size() > 1) {
                groupings.add(new Grouping(name, levels));
            }
        }
    }
}
