package org.ysometron.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.dimension.DiameterLogFile;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Rounding;
import tools.jackson.databind.json.JsonMapper;

/**
 * Diameter logs: read as they stream in, a stretch at a time, so that memory stays flat at any length; all of a file is
 * kept or nothing.
 */
@Component
public class Logs {

    private static final double USUAL_NOMINAL = 1.75;
    private static final double USUAL_TOLERANCE = 0.05;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final String COLUMNS =
            "id, lot_id, sample_id, file_name, sha256, nominal, tolerance, row_count, first_position, last_position, mean,"
                    + " ovality_mean, share_outside, entered_by, entered_at";

    private final JdbcTemplate database;
    private final Samples samples;
    private final Publications publications;
    private final LogRows rows;

    Logs(JdbcTemplate database, Samples samples, Publications publications, LogRows rows) {
        this.database = database;
        this.samples = samples;
        this.publications = publications;
        this.rows = rows;
    }

    /** A log as lists and series want it. */
    public record LogView(
            long id,
            long lotId,
            @Nullable Long sampleId,
            String fileName,
            String sha256,
            double nominal,
            double tolerance,
            long rows,
            double first,
            double last,
            double mean,
            double ovalityMean,
            double shareOutside,
            String by,
            Instant at) {}

    /** Somebody stopped the reading. */
    static final class Cancelled extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /** Reads a file from a stream that somebody else closes, for those who need no progress. */
    public long store(LotView lot, @Nullable Long sampleId, String fileName, InputStream in, String by)
            throws IOException {
        return store(lot, sampleId, fileName, in, by, rows -> {});
    }

    /**
     * Reads a file and keeps what it says. Holds neither a lock nor a connection while the file comes in.
     *
     * @param progress told the number of readings now and then; may throw {@link Cancelled}
     * @return the log's key
     * @throws DiameterLogFile.Unreadable for anything wrong in the file; nothing is kept then
     */
    public long store(
            LotView lot, @Nullable Long sampleId, String fileName, InputStream in, String by, LongConsumer progress)
            throws IOException {
        if (!lot.state().isUndecided()) {
            throw new Refusal("Lot " + lot.code() + " is " + lot.state().words() + "; its record is closed.");
        }
        if (sampleId != null) {
            samples.sample(lot, sampleId);
        }
        double[] published = published(lot);
        long id = rows.begin(SentFile.plain(fileName, "log.csv"), published[0], published[1], by);
        boolean kept = false;
        try {
            rows.takeOver(lot, id, read(in, id, sampleId, new DiameterLog(published[0], published[1]), progress));
            kept = true;
        } finally {
            if (!kept) {
                rows.forget(id);
            }
        }
        return id;
    }

    private LogRows.Whole read(InputStream in, long id, @Nullable Long sampleId, DiameterLog log, LongConsumer progress)
            throws IOException {
        MessageDigest digest = sha256();
        Stretch stretch = new Stretch();
        int[] place = {0};
        double[] ends = new double[2];
        DiameterLogFile.read(new DigestInputStream(in, digest), (z, x, y) -> {
            log.accept(z, x, y);
            if (log.rows() == 1) {
                ends[0] = z;
            }
            ends[1] = z;
            if (stretch.take(z, x, y)) {
                rows.write(id, place[0]++, stretch);
                progress.accept(log.rows());
            }
        });
        if (!stretch.isEmpty()) {
            rows.write(id, place[0], stretch);
        }
        progress.accept(log.rows());
        return new LogRows.Whole(sampleId, HexFormat.of().formatHex(digest.digest()), ends[0], ends[1], finish(log));
    }

    private static DiameterLog.Result finish(DiameterLog log) {
        try {
            return log.finish();
        } catch (IllegalArgumentException tooShort) {
            throw new Refusal("file", "The file has " + log.rows() + " readings; two at least are needed.");
        }
    }

    /** Nominal diameter and tolerance from the lot's datasheet; the usual ones where it does not say. */
    double[] published(LotView lot) {
        Optional<Statement> diameter = publications.statements(lot.datasheetId()).stream()
                .filter(statement -> statement.topic().equals(Topic.DIAMETER)
                        && statement.low().isPresent()
                        && statement.high().isPresent())
                .findFirst();
        if (diameter.isEmpty()) {
            return new double[] {USUAL_NOMINAL, USUAL_TOLERANCE};
        }
        double low = diameter.get().low().getAsDouble();
        double high = diameter.get().high().getAsDouble();
        return new double[] {(low + high) / 2, (high - low) / 2};
    }

    /** The lot's logs in order of entry. */
    public List<LogView> of(long lotId) {
        return database.query(
                "select " + COLUMNS + " from intake_log where lot_id = ? and row_count > 0 order by id", VIEW, lotId);
    }

    /** One log of the lot. */
    LogView log(LotView lot, long id) {
        return of(lot.id()).stream()
                .filter(log -> log.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("diameter log " + id + " of lot " + lot.code()));
    }

    /** What the core made of a log. */
    DiameterLog.Result result(long id) {
        String text = database.queryForObject("select result from intake_log where id = ?", String.class, id);
        return MAPPER.readValue(String.valueOf(text), DiameterLog.Result.class);
    }

    /** A stretch's summary. */
    record Summary(
            int place,
            long rows,
            double first,
            double last,
            double least,
            double greatest,
            double mean,
            double ovality) {}

    List<Summary> summaries(long logId, double from, double to) {
        return database.query(
                "select place, row_count, first_position, last_position, least, greatest, mean, ovality"
                        + " from intake_log_stretch where log_id = ? and last_position >= ? and first_position <= ?"
                        + " order by place",
                (row, number) -> new Summary(
                        row.getInt(1),
                        row.getLong(2),
                        row.getDouble(3),
                        row.getDouble(4),
                        row.getDouble(5),
                        row.getDouble(6),
                        row.getDouble(7),
                        row.getDouble(8)),
                logId,
                from,
                to);
    }

    List<Stretch.Bin> bins(long logId, double from, double to) {
        List<Stretch.Bin> bins = new ArrayList<>();
        database.query(
                "select envelope, first_position, last_position from intake_log_stretch"
                        + " where log_id = ? and last_position >= ? and first_position <= ? order by place",
                row -> {
                    for (Stretch.Bin bin : Stretch.bins(row.getBytes(1), row.getDouble(2), row.getDouble(3))) {
                        if (bin.position() >= from && bin.position() <= to) {
                            bins.add(bin);
                        }
                    }
                },
                logId,
                from,
                to);
        return bins;
    }

    List<Stretch.Reading> readings(long logId, double from, double to) {
        List<Stretch.Reading> readings = new ArrayList<>();
        database.query(
                "select readings, first_position from intake_log_stretch"
                        + " where log_id = ? and last_position >= ? and first_position <= ? order by place",
                row -> {
                    for (Stretch.Reading reading : Stretch.readings(row.getBytes(1), row.getDouble(2))) {
                        if (reading.position() >= from && reading.position() <= to) {
                            readings.add(reading);
                        }
                    }
                },
                logId,
                from,
                to);
        return readings;
    }

    /** Share of a log outside edges other than those it was read against; its own share where they are the same. */
    double shareOutside(LogView log, double low, double high) {
        boolean own = Math.abs(low - (log.nominal() - log.tolerance())) < 1e-9
                && Math.abs(high - (log.nominal() + log.tolerance())) < 1e-9;
        if (own) {
            return log.shareOutside();
        }
        return lengthOutside(
                log,
                stretch -> Rounding.below(stretch.least(), low) || Rounding.above(stretch.greatest(), high),
                reading -> (reading.x() + reading.y()) / 2,
                low,
                high);
    }

    /** Share of the length, each reading standing for the way from the one before, as in the log's own figures. */
    private double lengthOutside(
            LogView log,
            Predicate<Summary> isSuspect,
            ToDoubleFunction<Stretch.Reading> figure,
            double low,
            double high) {
        double outside = 0;
        double before = log.first();
        for (Summary stretch : summaries(log.id(), log.first(), log.last())) {
            if (isSuspect.test(stretch)) {
                for (Stretch.Reading reading : readings(log.id(), stretch.first(), stretch.last())) {
                    double value = figure.applyAsDouble(reading);
                    if (Rounding.below(value, low) || Rounding.above(value, high)) {
                        outside += reading.position() - before;
                    }
                    before = reading.position();
                }
            }
            before = stretch.last();
        }
        return outside / (log.last() - log.first());
    }

    /** Share of a log's length whose ovality lies outside these edges. */
    double shareOval(LogView log, double low, double high) {
        return lengthOutside(log, stretch -> true, reading -> Math.abs(reading.x() - reading.y()), low, high);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static final RowMapper<LogView> VIEW = (row, number) -> {
        long sample = row.getLong(3);
        boolean unknown = row.wasNull();
        return new LogView(
                row.getLong(1),
                row.getLong(2),
                unknown ? null : sample,
                row.getString(4),
                row.getString(5),
                row.getDouble(6),
                row.getDouble(7),
                row.getLong(8),
                row.getDouble(9),
                row.getDouble(10),
                row.getDouble(11),
                row.getDouble(12),
                row.getDouble(13),
                row.getString(14),
                row.getObject(15, LocalDateTime.class).toInstant(ZoneOffset.UTC));
    };
}
