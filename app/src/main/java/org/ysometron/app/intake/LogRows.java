package org.ysometron.app.intake;

import java.sql.Statement;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.DiameterLog;
import tools.jackson.databind.json.JsonMapper;

/**
 * Stores a diameter log while it streams in. Until the whole file is there its rows belong to no lot, so that nothing is locked
 * and no connection is held between two stretches, however long the file takes; then the lot takes them over in one step.
 */
@Component
class LogRows {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final Logger LOG = LoggerFactory.getLogger(LogRows.class);

    // Plain JDBC: stretches are blobs written and read by place, of which Hibernate would keep a copy each.
    private final JdbcTemplate database;
    private final Lots lots;
    private final Clock clock;

    LogRows(JdbcTemplate database, Lots lots, Clock clock) {
        this.database = database;
        this.lots = lots;
        this.clock = clock;
    }

    /** A whole file, read. */
    record Whole(@Nullable Long sampleId, String sha256, double first, double last, DiameterLog.Result result) {}

    /** What a server that ended in the middle of a file left behind. */
    @EventListener(ApplicationStartedEvent.class)
    void forgetUnfinished() {
        database.queryForList("select id from intake_log where lot_id is null", Long.class)
                .forEach(this::forget);
    }

    /** Begins a log that belongs to no lot yet. */
    long begin(String fileName, double nominal, double tolerance, String by) {
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        database.update(
                connection -> {
                    var insert = connection.prepareStatement(
                            "insert into intake_log (lot_id, sample_id, file_name, sha256, nominal, tolerance, row_count,"
                                    + " first_position, last_position, mean, ovality_mean, share_outside, result,"
                                    + " entered_by, entered_at)"
                                    + " values (null, null, ?, ?, ?, ?, 0, 0, 0, 0, 0, 0, '', ?, ?)",
                            Statement.RETURN_GENERATED_KEYS);
                    insert.setString(1, fileName);
                    // Its hash is known at the end only; until then it stands under one that no file has.
                    insert.setString(
                            2,
                            (UUID.randomUUID() + "" + UUID.randomUUID())
                                    .replace("-", "")
                                    .substring(0, 64));
                    insert.setDouble(3, nominal);
                    insert.setDouble(4, tolerance);
                    insert.setString(5, by);
                    insert.setObject(6, LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC));
                    return insert;
                },
                key);
        return Objects.requireNonNull(key.getKey()).longValue();
    }

    /** Stores a stretch and empties it. */
    void write(long logId, int place, Stretch stretch) {
        database.update(
                "insert into intake_log_stretch (log_id, place, row_count, first_position, last_position, least, greatest,"
                        + " mean, ovality, envelope, readings) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                stretch.columns(logId, place));
        stretch.clear();
    }

    /** The lot takes the log over; refused when it was decided meanwhile or has this file already. */
    @Write
    void takeOver(LotView lot, long logId, Whole whole) {
        lots.lockUndecided(lot.id());
        Integer same = database.queryForObject(
                "select count(*) from intake_log where lot_id = ? and sha256 = ?",
                Integer.class,
                lot.id(),
                whole.sha256());
        if (same != null && same > 0) {
            throw new Refusal("file", "Lot " + lot.code() + " already has this file; nothing was stored twice.");
        }
        DiameterLog.Result result = whole.result();
        database.update(
                "update intake_log set lot_id = ?, sample_id = ?, sha256 = ?, row_count = ?, first_position = ?,"
                        + " last_position = ?, mean = ?, ovality_mean = ?, share_outside = ?, result = ? where id = ?",
                lot.id(),
                whole.sampleId(),
                whole.sha256(),
                result.rows(),
                whole.first(),
                whole.last(),
                result.mean(),
                result.ovalityMean(),
                result.shareOutside(),
                MAPPER.writeValueAsString(result),
                logId);
    }

    /** Throws away what no lot took over. */
    void forget(long logId) {
        try {
            database.update(
                    "delete s from intake_log_stretch s join intake_log l on l.id = s.log_id"
                            + " where l.id = ? and l.lot_id is null",
                    logId);
            database.update("delete from intake_log where id = ? and lot_id is null", logId);
        } catch (DataAccessException away) {
            // The next start does it.
            LOG.warn("the unfinished log {} was not thrown away: {}", logId, away.getMessage());
        }
    }
}
