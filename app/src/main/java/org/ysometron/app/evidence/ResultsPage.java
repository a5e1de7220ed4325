package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.web.Moments;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.surprise.Together;
import org.ysometron.core.surprise.Together.Factor;
import org.ysometron.core.working.Figures;

/** Every result of a lot, whether it counts or why it does not, and what stands behind each set. */
@Component
class ResultsPage {

    private final LotVerdicts verdicts;

    ResultsPage(LotVerdicts verdicts) {
        this.verdicts = verdicts;
    }

    /**
     * The page.
     *
     * @param apart sets whose results are never pooled with one another, in order
     * @param together sentences about factors that cannot be told apart
     */
    record View(List<SetView> apart, List<String> together, int counting, int struck, int waiting) {}

    /**
     * One set: what is pooled, and nothing else.
     *
     * @param stands how many specimens, samples, print runs, printers, hands and instruments stand behind it
     * @param out why none of it counts; empty where it does
     * @param shared what is said of every specimen that was tested
     */
    record SetView(
            String name,
            String terms,
            String stands,
            String out,
            List<String> shared,
            List<String> columns,
            List<Row> rows) {}

    /**
     * One specimen.
     *
     * @param end how its test ended; empty while it is not tested
     * @param why what keeps it, or one of its figures, from counting, and readings that were corrected
     */
    record Row(String specimen, List<Cell> cells, String end, List<String> why, boolean waiting) {

        Row without(List<String> said) {
            return new Row(
                    specimen,
                    cells,
                    end,
                    why.stream().filter(one -> !said.contains(one)).toList(),
                    waiting);
        }
    }

    /** A figure; struck where it counts nowhere. */
    record Cell(String figure, boolean struck) {}

    View view(LotView lot) {
        List<LotEvidence> tested = verdicts.sets(lot).tested();
        List<SetView> apart = tested.stream().map(ResultsPage::set).toList();
        List<Row> rows = apart.stream().flatMap(set -> set.rows.stream()).toList();
        int waiting = (int) rows.stream().filter(Row::waiting).count();
        int struck = (int) rows.stream()
                .filter(row -> !row.waiting && row.cells.stream().allMatch(Cell::struck))
                .count();
        return new View(apart, together(tested), rows.size() - waiting - struck, struck, waiting);
    }

    private static SetView set(LotEvidence set) {
        Set<Characteristic> found = new LinkedHashSet<>();
        set.records().forEach(record -> record.results().stream()
                .filter(result -> isTold(record, result)
                        && (result.value().isPresent() || result.shown().isPresent()))
                .forEach(result -> found.add(result.characteristic())));
        List<Characteristic> columns = List.copyOf(found);
        String out = set.aside().isEmpty() ? String.join("; ", set.provisional()) : set.aside();
        List<Row> rows = set.records().stream()
                .map(record -> row(record, columns, !set.speaks()))
                .toList();
        List<String> shared = shared(rows);
        return new SetView(
                set.name(),
                Claim.termsOf(set.records().get(0).method().data().main(), set.conditions()),
                stands(set),
                out,
                shared,
                columns.stream()
                        .map(one -> one.title() + (one.unit().isEmpty() ? "" : ", " + one.unit()))
                        .toList(),
                rows.stream().map(row -> row.without(shared)).toList());
    }

    /** What is said of every specimen that was tested, where there are two at least: it is said once. */
    private static List<String> shared(List<Row> rows) {
        List<Row> tested = rows.stream().filter(row -> !row.waiting).toList();
        return tested.size() < 2
                ? List.of()
                : tested.get(0).why.stream()
                        .filter(why -> tested.stream().allMatch(row -> row.why.contains(why)))
                        .toList();
    }

    /** Whether there is something to say of a characteristic: what nobody read is neither figure nor struck. */
    private static boolean isTold(SpecimenRecord record, Reduced result) {
        return record.isTested() && !LotEvidence.isUnread(record, result);
    }

    private static Row row(SpecimenRecord record, List<Characteristic> columns, boolean isOut) {
        List<Cell> cells = new ArrayList<>();
        Map<String, List<String>> reasons = new LinkedHashMap<>();
        for (Characteristic column : columns) {
            Reduced result =
                    record.result(column).filter(found -> isTold(record, found)).orElse(null);
            if (result == null) {
                cells.add(new Cell("", isOut));
                continue;
            }
            cells.add(new Cell(figure(result), isOut || result.made() == Reduced.Made.NOTHING));
            Stream.concat(Stream.of(result.reason()), result.notes().stream())
                    .map(told -> told.endsWith(".") ? told.substring(0, told.length() - 1) : told)
                    .filter(told -> !told.isEmpty())
                    .forEach(told -> reasons.computeIfAbsent(told, because -> new ArrayList<>())
                            .add(column.title()));
        }
        List<String> why = new ArrayList<>();
        reasons.forEach((because, of) ->
                why.add(of.size() == columns.size() ? because : String.join(", ", of) + ": " + because));
        record.readings().stream()
                .filter(reading -> reading.replaces() != null)
                .forEach(reading -> why.add(corrected(record, reading)));
        return new Row(record.specimen().label(), cells, record.endWords(), why, !record.isTested());
    }

    private static String corrected(SpecimenRecord record, ReadingView reading) {
        String before = record.readings().stream()
                .filter(one -> Long.valueOf(one.id()).equals(reading.replaces()))
                .map(ReadingView::typed)
                .findFirst()
                .orElse("");
        return reading.label() + " corrected from " + before + " to " + reading.typed() + " by " + reading.enteredBy()
                + (reading.causeWords().isEmpty() ? "" : ", " + reading.causeWords())
                + (reading.reason().isEmpty() ? "" : ": " + reading.reason());
    }

    private static String figure(Reduced result) {
        int digits = result.characteristic().digits();
        if (result.value().isEmpty()) {
            return result.shown().isEmpty()
                    ? "–"
                    : Figures.significant(result.shown().getAsDouble(), digits);
        }
        String value = Figures.significant(result.value().getAsDouble(), digits);
        return switch (result.made()) {
            case AT_LEAST -> "≥ " + value;
            case AT_MOST -> "≤ " + value;
            case BETWEEN -> value + " to " + Figures.significant(result.upper().orElse(Double.NaN), digits);
            default -> value;
        };
    }

    // ---- what stands behind it ----------------------------------------------------------------------------------

    /** Factors by their names, each with what tells its level; empty where nobody said. */
    private static final Map<String, Function<SpecimenRecord, String>> FACTORS = factors();

    private static Map<String, Function<SpecimenRecord, String>> factors() {
        Map<String, Function<SpecimenRecord, String>> factors = new LinkedHashMap<>();
        factors.put("sample", of(specimen -> specimen.sampleId() == null ? "" : String.valueOf(specimen.sampleId())));
        factors.put(
                "print run",
                of(specimen -> specimen.madeAt() + " " + specimen.setup().printer()));
        factors.put("printer", of(specimen -> specimen.setup().printer()));
        factors.put("hand", record -> record.ended().map(ReadingView::enteredBy).orElse(""));
        factors.put("instrument", record -> record.ended()
                .map(end -> String.valueOf(end.instrument().id()))
                .orElse(""));
        factors.put("day of the test", record -> record.ended()
                .map(end -> String.valueOf(Moments.day(end.enteredAt())))
                .orElse(""));
        return factors;
    }

    private static Function<SpecimenRecord, String> of(Function<SpecimenView, String> level) {
        return record -> level.apply(record.specimen());
    }

    private static String stands(LotEvidence set) {
        List<SpecimenRecord> tested =
                set.records().stream().filter(SpecimenRecord::isTested).toList();
        String specimens = tested.size() + " of " + counting(set.records().size(), "specimen") + " tested";
        if (tested.isEmpty()) {
            return specimens;
        }
        return specimens
                + FACTORS.entrySet().stream()
                        .map(factor -> counted(
                                factor.getKey(),
                                tested.stream().map(factor.getValue()).collect(Collectors.toSet())))
                        .collect(Collectors.joining());
    }

    private static String counting(int count, String of) {
        return count + " " + of + (count == 1 ? "" : "s");
    }

    private static String counted(String name, Set<String> levels) {
        boolean isUnknown = levels.contains("");
        int known = levels.size() - (isUnknown ? 1 : 0);
        if (known == 0) {
            return ", " + name + " not on record";
        }
        String counted = name.equals("day of the test") ? counting(known, "day") : counting(known, name);
        return ", " + counted + (isUnknown ? " and some not on record" : "");
    }

    /** What cannot be told apart, for the sets of each method together. */
    private static List<String> together(List<LotEvidence> sets) {
        Map<String, List<SpecimenRecord>> byMethod = new LinkedHashMap<>();
        sets.forEach(set -> set.records().stream()
                .filter(SpecimenRecord::isTested)
                .forEach(record -> byMethod.computeIfAbsent(
                                record.method().data().title(), of -> new ArrayList<>())
                        .add(record)));
        List<String> sentences = new ArrayList<>();
        byMethod.forEach((method, records) -> Together.of(all(records))
                .forEach(names -> sentences.add(method + ": " + joined(names)
                        + " change together in what was tested. A difference between them is that of all of these or of "
                        + "any one; the results cannot tell which.")));
        return sentences;
    }

    private static List<Factor> all(List<SpecimenRecord> records) {
        List<Factor> factors = new ArrayList<>();
        factors.add(factor(
                "orientation", records, of(one -> one.conditions().orientation().name())));
        factors.add(factor("conditioning", records, of(one -> one.conditions()
                .conditioning()
                .name())));
        factors.add(factor(
                "cure or process", records, of(one -> "p" + one.conditions().process())));
        factors.add(factor("design", records, of(one -> one.conditions().design())));
        factors.add(
                factor("recipe", records, of(one -> String.valueOf(one.setup().recipe()))));
        FACTORS.forEach((name, level) -> factors.add(factor(name, records, level)));
        return factors;
    }

    private static Factor factor(String name, List<SpecimenRecord> records, Function<SpecimenRecord, String> level) {
        return new Factor(name, records.stream().map(level).toList());
    }

    private static String joined(List<String> names) {
        return String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.get(names.size() - 1);
    }
}
