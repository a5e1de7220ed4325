package org.ysometron.app.bench;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Sheet;
import org.ysometron.core.working.Figures;

/** Files of readings: staged with a preview, then taken in whole or not at all, and never twice. */
@Component
class Imports {

    /** Columns that are no reading. */
    private static final Set<String> WORDS = Set.of("specimen", "outcome", "extra");

    private final StagedImportRepository imports;
    private final Lots lots;
    private final Bench bench;
    private final BenchPages pages;
    private final ReadingCheck check;
    private final Instruments instruments;
    private final Clock clock;

    Imports(
            StagedImportRepository imports,
            Lots lots,
            Bench bench,
            BenchPages pages,
            ReadingCheck check,
            Instruments instruments,
            Clock clock) {
        this.imports = imports;
        this.lots = lots;
        this.bench = bench;
        this.pages = pages;
        this.check = check;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A row that can be taken in: what was read of sizes and in the test, with units. */
    record Good(long line, String specimen, List<String> sizes, List<String> readings, String outcome) {}

    /** A cell that cannot, and why. */
    record Bad(long line, String column, String found, String reason) {}

    /**
     * What a staged file would do.
     *
     * @param taken whether it was taken in already
     * @param doubts what is far from what is expected: to be confirmed or mended
     * @param known cells that hold what is stored already, and are passed over
     * @param separator what separates its cells, in words
     * @param columns what is read from it, field by field
     */
    record Preview(
            long id,
            String fileName,
            String sha256,
            String gauge,
            String separator,
            List<String> columns,
            List<Good> good,
            List<Bad> bad,
            List<Bad> doubts,
            boolean taken,
            int known,
            int readings) {

        public boolean isReady() {
            return bad.isEmpty() && !taken && readings > 0;
        }
    }

    /** Keeps the file and says what it would do; the same file again leads to the same preview. */
    @Write
    public long stage(LotView lot, String fileName, byte[] bytes, long gaugeId, String by) {
        lots.lockUndecided(lot.id());
        InstrumentView gauge = instruments.instrument(gaugeId);
        String text = new String(bytes, StandardCharsets.UTF_8);
        ReadingFile file = ReadingFile.read(text, fields(lot));
        String sha256 = SentFile.sha256(bytes);
        List<StagedImport> same = imports.findByLotIdAndSha256(lot.id(), sha256);
        Optional<StagedImport> taken = same.stream()
                .filter(earlier -> earlier.state.equals(StagedImport.TAKEN))
                .findFirst();
        if (taken.isPresent()) {
            return taken.get().id;
        }
        StagedImport staged = same.isEmpty() ? new StagedImport() : same.get(0);
        staged.lotId = lot.id();
        staged.fileName = SentFile.plain(fileName, "readings.csv");
        staged.sha256 = sha256;
        staged.content = text;
        staged.gaugeId = gauge.id();
        staged.state = StagedImport.STAGED;
        staged.rowCount = file.rows().size();
        staged.stagedBy = by;
        staged.stagedAt = clock.instant();
        return imports.save(staged).id;
    }

    /** Keys of the fields of all methods that the lot is tested by, with their places. */
    Map<String, Integer> fields(LotView lot) {
        Map<String, Integer> fields = new LinkedHashMap<>();
        for (Method method : pages.methods(lot)) {
            method.data().sheet().fields().forEach(field -> fields.merge(field.key(), field.places(), Math::max));
        }
        return fields;
    }

    /** The text of a staged file, to be mended where it was read. */
    @Transactional(readOnly = true)
    public String text(LotView lot, long id) {
        return find(lot, id).content;
    }

    @Transactional(readOnly = true)
    public Preview preview(LotView lot, long id) {
        StagedImport staged = find(lot, id);
        return read(lot, staged).preview;
    }

    /**
     * Takes the file in: every row, or a refusal and none. A second click finds it taken and changes nothing.
     *
     * @param meant whether somebody looked at what is doubted and means it
     */
    @Write
    public Preview take(LotView lot, long id, boolean meant, String by) {
        lots.lockUndecided(lot.id());
        StagedImport staged = find(lot, id);
        Read read = read(lot, staged);
        if (read.preview.taken()) {
            return read.preview;
        }
        if (!read.preview.bad().isEmpty()) {
            throw new Refusal(
                    "file", "Nothing was taken in: " + read.preview.bad().size() + " things stand against it.");
        }
        if (!read.preview.doubts().isEmpty() && !meant) {
            throw new Refusal("meant", "Nothing was taken in: look at what is asked about, and say that it is meant.");
        }
        staged.state = StagedImport.TAKEN;
        bench.enterAll(lot, read.entries, by, staged.id);
        return read.preview;
    }

    /** What stands in the columns, in words: with cells alone nobody sees where they would land. */
    private List<String> columns(LotView lot, ReadingFile file) {
        List<Method> methods = pages.methods(lot);
        return file.rows().stream()
                .flatMap(row -> row.cells().keySet().stream())
                .filter(column -> !WORDS.contains(column.name()))
                .distinct()
                .map(column -> methods.stream()
                        .flatMap(method -> method.data().sheet().field(column.name()).stream())
                        .findFirst()
                        .map(field -> field.label(column.place()))
                        .orElse(column.name()))
                .toList();
    }

    private StagedImport find(LotView lot, long id) {
        return imports.findById(id)
                .filter(staged -> staged.lotId == lot.id())
                .orElseThrow(() -> new NotFound("import " + id + " of lot " + lot.code()));
    }

    private record Read(Preview preview, List<Bench.Entry> entries) {}

    private Read read(LotView lot, StagedImport staged) {
        ReadingFile file = ReadingFile.read(staged.content, fields(lot));
        boolean taken = staged.state.equals(StagedImport.TAKEN);
        InstrumentView gauge = instruments.instrument(staged.gaugeId);
        Map<String, SpecimenRecord> byLabel = new HashMap<>();
        bench.records(lot.id()).forEach(record -> byLabel.put(record.specimen().label(), record));
        List<Good> good = new ArrayList<>();
        List<Bad> bad = new ArrayList<>();
        List<Bad> doubts = new ArrayList<>();
        List<Bench.Entry> entries = new ArrayList<>();
        Map<String, Long> firstLine = new HashMap<>();
        int known = 0;
        for (ReadingFile.Row row : file.rows()) {
            RowReader reader = new RowReader(lot, gauge, row, byLabel, firstLine, taken);
            reader.read();
            bad.addAll(reader.bad);
            doubts.addAll(reader.doubts);
            known += reader.known;
            if (reader.bad.isEmpty() && !reader.entries.isEmpty()) {
                good.add(reader.good());
                entries.addAll(reader.entries);
            }
        }
        if (!taken) {
            bench.refusals(lot, entries).forEach(words -> bad.add(new Bad(1, "the whole file", "", words)));
        }
        String separator =
                switch (file.delimiter()) {
                    case ';' -> "semicolons";
                    case '\t' -> "tabs";
                    default -> "commas";
                };
        Preview preview = new Preview(
                staged.id,
                staged.fileName,
                staged.sha256,
                gauge.name(),
                separator,
                columns(lot, file),
                good,
                bad,
                doubts,
                taken,
                known,
                entries.size());
        return new Read(preview, entries);
    }

    /** Reads one row into entries, gathering everything that is wrong with it. */
    private final class RowReader {

        private final LotView lot;
        private final InstrumentView gauge;
        private final ReadingFile.Row row;
        private final Map<String, SpecimenRecord> byLabel;
        private final Map<String, Long> firstLine;
        private final boolean taken;
        private final List<Bad> bad = new ArrayList<>();
        private final List<Bad> doubts = new ArrayList<>();
        private final List<Bench.Entry> entries = new ArrayList<>();
        private final Map<String, List<Double>> numbers = new LinkedHashMap<>();
        private final List<String> sizes = new ArrayList<>();
        private final List<String> tested = new ArrayList<>();
        private String label = "";
        private String outcomeWords = "";
        private int known;

        RowReader(
                LotView lot,
                InstrumentView gauge,
                ReadingFile.Row row,
                Map<String, SpecimenRecord> byLabel,
                Map<String, Long> firstLine,
                boolean taken) {
            this.lot = lot;
            this.gauge = gauge;
            this.row = row;
            this.byLabel = byLabel;
            this.firstLine = firstLine;
            this.taken = taken;
        }

        Good good() {
            return new Good(row.line(), label, sizes, tested, outcomeWords);
        }

        void read() {
            row.word("extra").ifPresent(count -> fail("row", count + " cells", "there are more cells than columns"));
            SpecimenRecord record = specimen();
            if (record == null) {
                return;
            }
            MethodData data = record.method().data();
            Optional<ReadingFile.Column> closing = closing(data);
            End outcome = outcome(record, closing.isPresent());
            row.cells().forEach((column, cell) -> {
                Optional<Field> field = data.sheet().field(column.name());
                if (field.isPresent()) {
                    cell(record, field.get(), column, cell, closing.equals(Optional.of(column)) ? outcome : null);
                } else if (!WORDS.contains(column.name())) {
                    fail(column.name(), cell, data.title() + " has no such field");
                }
            });
            if (bad.isEmpty() && !taken) {
                together(record, outcome).ifPresent(reason -> fail("row", label, reason));
            }
        }

        private @Nullable SpecimenRecord specimen() {
            String name = row.word("specimen").orElse("");
            if (name.isEmpty()) {
                fail("specimen", "nothing", "the specimen is missing");
                return null;
            }
            String prefix = lot.code().toUpperCase(Locale.ROOT) + "-";
            String upper = name.toUpperCase(Locale.ROOT);
            label = upper.startsWith(prefix) ? upper.substring(prefix.length()) : upper;
            Long before = firstLine.putIfAbsent(label, row.line());
            if (before != null) {
                fail("specimen", name, "the specimen stands in row " + before + " already");
                return null;
            }
            SpecimenRecord record = byLabel.get(label);
            if (record == null) {
                fail("specimen", name, "lot " + lot.code() + " has no such specimen; add the set first");
            }
            return record;
        }

        /** The cell that closes the test: the sheet's own closing field, else the first that is read in the test. */
        private Optional<ReadingFile.Column> closing(MethodData data) {
            List<ReadingFile.Column> test = row.cells().keySet().stream()
                    .filter(column -> data.sheet()
                            .field(column.name())
                            .filter(field -> field.role() == Field.Role.TEST)
                            .isPresent())
                    .toList();
            return Closing.of(data, test, ReadingFile.Column::name);
        }

        /** Why the row's readings cannot be taken together with what is there; empty when they can. */
        private Optional<String> together(SpecimenRecord record, @Nullable End outcome) {
            MethodData data = record.method().data();
            if (record.isTested()) {
                return record.movedBy(numbers)
                        .map(moved -> "its test is over, and this would change its " + moved.title()
                                + "; correct it at the bench");
            }
            if (outcome == null) {
                return Optional.empty();
            }
            Predicate<String> isRead = key -> !record.live(key).isEmpty()
                    || entries.stream().anyMatch(entry -> entry.field().equals(key));
            Optional<Field> missing = Closing.missing(data, isRead);
            if (missing.isPresent()) {
                return Optional.of("'" + missing.get().key() + "' is missing, which the test is read by");
            }
            if (Closing.lacksCause(outcome, isRead)) {
                return Optional.of("a void test needs its reason in a column 'remark'");
            }
            return apart(record, outcome);
        }

        /** What the method has against the numbers; nothing while sizes are missing. */
        private Optional<String> apart(SpecimenRecord record, End outcome) {
            try {
                record.resultsWith(numbers, outcome, gauge.capacity());
                return Optional.empty();
            } catch (IllegalArgumentException apart) {
                return record.isMeasuredWith(numbers.keySet())
                        ? Optional.of(String.valueOf(apart.getMessage()))
                        : Optional.empty();
            }
        }

        private @Nullable End outcome(SpecimenRecord record, boolean isTested) {
            MethodData data = record.method().data();
            Optional<String> words = row.word("outcome");
            if (words.isEmpty()) {
                outcomeWords = isTested ? data.usualEnd().words() + " (none given)" : "";
                return isTested ? data.usualEnd() : null;
            }
            String wanted = words.get()
                    .strip()
                    .toLowerCase(Locale.ROOT)
                    .replace('_', ' ')
                    .replace('-', ' ');
            for (End outcome : data.ends().keySet()) {
                if (outcome.words().equals(wanted)) {
                    outcomeWords = outcome.words();
                    if (record.isTested() && !taken) {
                        if (record.endWords().equals(outcome.words())) {
                            return null;
                        }
                        fail("outcome", words.get(), "its test is over: how it ended is corrected at the bench");
                    } else if (!isTested) {
                        fail(
                                "outcome",
                                words.get(),
                                "an outcome needs the " + data.closing().key() + " beside it");
                    }
                    return outcome;
                }
            }
            String known = data.ends().keySet().stream().map(End::words).collect(Collectors.joining(", "));
            fail("outcome", words.get(), "expected one of " + known);
            return null;
        }

        private void cell(
                SpecimenRecord record, Field field, ReadingFile.Column column, String cell, @Nullable End outcome) {
            String where = column.name() + (field.places() == 1 ? "" : " " + column.place());
            if (Owing.isLater(record.method(), field.key(), cell)) {
                later(record, field, column, cell);
                return;
            }
            boolean bare = field.kind() != Field.Kind.CHOICE && cell.matches("[0-9.,+\\-eE ]+");
            if (bare && column.unit().isEmpty() && !field.unit().isEmpty()) {
                fail(
                        where,
                        cell,
                        "no unit: name it in the head, such as " + column.name() + " [" + field.unit()
                                + "], or behind the number");
                return;
            }
            String typed = bare && !column.unit().isEmpty() ? cell + " " + column.unit() : cell;
            Optional<ReadingView> there = taken ? Optional.empty() : record.at(field.key(), column.place());
            if (there.isPresent()) {
                if (isSame(there.get(), field, typed)) {
                    known++;
                } else {
                    fail(
                            where,
                            cell,
                            "the specimen has this reading already, as "
                                    + there.get().typed() + "; correct it at the bench");
                }
                return;
            }
            try {
                read(record, field, column, typed, outcome)
                        .ifPresent(doubt -> doubts.add(new Bad(row.line(), where, cell, doubt)));
            } catch (Refusal refusal) {
                fail(where, cell, refusal.words());
            }
        }

        /** What is fetched after the test: listed as owed once the file is stored, and again where it stands so already. */
        private void later(SpecimenRecord record, Field field, ReadingFile.Column column, String cell) {
            if (record.live(field).isEmpty()) {
                tested.add(field.words() + " later");
                entries.add(new Bench.Entry(label, field.key(), column.place(), cell, null, gauge.id(), ""));
            } else {
                known++;
            }
        }

        /** A sheet that grows is pasted again and again: what is stored just so is passed over. */
        private static boolean isSame(ReadingView there, Field field, String typed) {
            Sheet.One one = Sheet.read(field, there.place(), typed);
            Double stored = there.value();
            return stored == null
                    ? there.typed().equals(typed.strip())
                    : one.value().isPresent() && Double.compare(one.value().getAsDouble(), stored) == 0;
        }

        /** Takes one reading, and says why it is doubted; empty when it is not. */
        private Optional<String> read(
                SpecimenRecord record, Field field, ReadingFile.Column column, String typed, @Nullable End outcome) {
            Sheet.One one = check.read(field, column.place(), typed);
            boolean test = field.role() == Field.Role.TEST;
            Optional<String> doubt = one.value().isEmpty()
                    ? Optional.empty()
                    : check.doubt(
                            lot,
                            record.specimen(),
                            record.method(),
                            field,
                            one.value().getAsDouble());
            if (test && !gauge.kind().serves(record.method().data().equipment())) {
                throw new Refusal(
                        "file",
                        record.method().data().title() + " is read on a "
                                + record.method().data().equipment().words() + ", and this file was given "
                                + gauge.name());
            }
            Bench.Entry entry = new Bench.Entry(label, field.key(), column.place(), typed, outcome, gauge.id(), typed);
            if (outcome != null) {
                check.value(lot, record.specimen(), record.method(), entry, gauge, true);
            }
            String shown = one.value().isEmpty()
                    ? typed
                    : field.dimension() == Dimension.LENGTH
                            ? Figures.decimals(one.value().getAsDouble(), 2)
                            : Figures.withUnit(one.value().getAsDouble(), 4, field.unit());
            (field.role() == Field.Role.SIZE ? sizes : tested).add(shown);
            one.value().ifPresent(value -> numbers.computeIfAbsent(field.key(), key -> new ArrayList<>())
                    .add(value));
            entries.add(entry);
            return doubt;
        }

        private void fail(String column, String found, String reason) {
            bad.add(new Bad(row.line(), column, found, reason));
        }
    }
}
