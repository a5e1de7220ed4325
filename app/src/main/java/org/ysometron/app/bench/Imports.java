package org.ysometron.app.bench;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
import org.ysometron.core.method.Outcome;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.working.Figures;

/** Files of readings: staged with a preview, then taken in whole or not at all, and never twice. */
@Component
class Imports {

    private final StagedImportRepository imports;
    private final Lots lots;
    private final Bench bench;
    private final ReadingCheck check;
    private final Instruments instruments;
    private final Clock clock;

    Imports(
            StagedImportRepository imports,
            Lots lots,
            Bench bench,
            ReadingCheck check,
            Instruments instruments,
            Clock clock) {
        this.imports = imports;
        this.lots = lots;
        this.bench = bench;
        this.check = check;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A row that can be taken in. */
    record Good(long line, String specimen, List<String> dimensions, String force, String outcome) {}

    /** A cell that cannot, and why. */
    record Bad(long line, String column, String found, String reason) {}

    /**
     * What a staged file would do.
     *
     * @param taken whether it was taken in already
     * @param separator what separates its cells, in words
     */
    record Preview(
            long id,
            String fileName,
            String sha256,
            String gauge,
            String separator,
            List<Good> good,
            List<Bad> bad,
            boolean taken,
            int readings) {

        public boolean isReady() {
            return bad.isEmpty() && !taken;
        }
    }

    /** Keeps the file and says what it would do; the same file again leads to the same preview. */
    @Write
    public long stage(LotView lot, String fileName, byte[] bytes, long gaugeId, String by) {
        lots.lockUndecided(lot.id());
        InstrumentView gauge = instruments.instrument(gaugeId);
        String text = new String(bytes, StandardCharsets.UTF_8);
        ReadingFile file = ReadingFile.read(text);
        String sha256 = sha256(bytes);
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

    @Transactional(readOnly = true)
    public Preview preview(LotView lot, long id) {
        StagedImport staged = find(lot, id);
        return read(lot, staged).preview;
    }

    /** Takes the file in: every row, or a refusal and none. A second click finds it taken and changes nothing. */
    @Write
    public Preview take(LotView lot, long id, String by) {
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
        staged.state = StagedImport.TAKEN;
        bench.enterAll(lot, read.entries, by, staged.id);
        return read.preview;
    }

    private StagedImport find(LotView lot, long id) {
        return imports.findById(id)
                .filter(staged -> staged.lotId == lot.id())
                .orElseThrow(() -> new NotFound("import " + id + " of lot " + lot.code()));
    }

    private record Read(Preview preview, List<Bench.Entry> entries) {}

    private Read read(LotView lot, StagedImport staged) {
        ReadingFile file = ReadingFile.read(staged.content);
        boolean taken = staged.state.equals(StagedImport.TAKEN);
        InstrumentView gauge = instruments.instrument(staged.gaugeId);
        Map<String, SpecimenRecord> byLabel = new HashMap<>();
        bench.records(lot.id()).forEach(record -> byLabel.put(record.specimen().label(), record));
        List<Good> good = new ArrayList<>();
        List<Bad> bad = new ArrayList<>();
        List<Bench.Entry> entries = new ArrayList<>();
        Map<String, Long> firstLine = new HashMap<>();
        for (ReadingFile.Row row : file.rows()) {
            RowReader reader = new RowReader(lot, gauge, row, byLabel, firstLine, taken);
            reader.read();
            bad.addAll(reader.bad);
            if (reader.bad.isEmpty()) {
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
                staged.id, staged.fileName, staged.sha256, gauge.name(), separator, good, bad, taken, entries.size());
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
        private final List<Bench.Entry> entries = new ArrayList<>();
        private final List<String> dimensions = new ArrayList<>();
        private String label = "";
        private String force = "";
        private String outcomeWords = "";

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
            return new Good(row.line(), label, dimensions, force, outcomeWords);
        }

        void read() {
            row.word("extra").ifPresent(count -> fail("row", count + " cells", "there are more cells than columns"));
            SpecimenRecord record = specimen();
            if (record == null) {
                return;
            }
            Outcome outcome = outcome();
            row.cells().forEach((column, cell) -> {
                Quantity quantity = quantity(column.name());
                if (quantity != null) {
                    cell(record, quantity, column, cell, quantity == Quantity.FORCE ? outcome : null);
                }
            });
            if (entries.isEmpty() && bad.isEmpty()) {
                fail("row", "no value", "the row has no reading");
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

        private @Nullable Outcome outcome() {
            boolean hasForce = row.word("force").isPresent();
            Optional<String> words = row.word("outcome");
            if (words.isEmpty()) {
                outcomeWords = hasForce ? Outcome.BROKE_IN_GAUGE.words() + " (none given)" : "";
                return hasForce ? Outcome.BROKE_IN_GAUGE : null;
            }
            String wanted = words.get()
                    .strip()
                    .toLowerCase(Locale.ROOT)
                    .replace('_', ' ')
                    .replace('-', ' ');
            for (Outcome outcome : Outcome.values()) {
                if (outcome.words().equals(wanted)) {
                    outcomeWords = outcome.words();
                    if (!hasForce) {
                        fail("outcome", words.get(), "an outcome needs the force beside it");
                    }
                    return outcome;
                }
            }
            fail(
                    "outcome",
                    words.get(),
                    "expected broke in gauge, broke at grip, slipped, did not break or over capacity");
            return null;
        }

        private void cell(
                SpecimenRecord record,
                Quantity quantity,
                ReadingFile.Column column,
                String cell,
                @Nullable Outcome outcome) {
            String where = column.name() + (quantity.places() == 1 ? "" : " " + column.place());
            boolean bare = cell.matches("[0-9.,+\\-eE ]+");
            if (bare && column.unit().isEmpty()) {
                fail(
                        where,
                        cell,
                        "no unit: name it in the head, such as " + column.name() + " ["
                                + quantity.unit().symbol() + "], or behind the number");
                return;
            }
            String typed = bare ? cell + " " + column.unit() : cell;
            if (!taken && record.at(quantity, column.place()).isPresent()) {
                fail(where, cell, "the specimen has this reading already; correct it at the bench");
                return;
            }
            try {
                Typed.Accepted accepted = check.read(quantity, column.place(), typed);
                Optional<String> doubt = check.doubt(lot, record.specimen(), quantity, accepted.value());
                if (doubt.isPresent()) {
                    fail(where, cell, doubt.get());
                    return;
                }
                Bench.Entry entry = new Bench.Entry(label, quantity, column.place(), typed, outcome, gauge.id(), typed);
                if (quantity == Quantity.FORCE) {
                    check.value(lot, record.specimen(), entry, gauge, true);
                    force = Figures.significant(accepted.value(), 4) + " N";
                } else {
                    dimensions.add(Figures.decimals(accepted.value(), 2));
                }
                entries.add(entry);
            } catch (Refusal refusal) {
                fail(where, cell, refusal.words());
            }
        }

        private void fail(String column, String found, String reason) {
            bad.add(new Bad(row.line(), column, found, reason));
        }
    }

    private static @Nullable Quantity quantity(String column) {
        return switch (column) {
            case "width" -> Quantity.WIDTH;
            case "thickness" -> Quantity.THICKNESS;
            case "force" -> Quantity.FORCE;
            default -> null;
        };
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
