package org.ysometron.app.drift;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Diagnoses.Diagnosis;
import org.ysometron.app.drift.Glance.Attention;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.ChangePoint;
import org.ysometron.core.drift.ChangePoint.Shape;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * How every series stands, kept so that hundreds of them are read at once. A row stands under the counters of what it was made from; what is
 * older is made anew a moment after, or when somebody looks.
 */
@Component
class Glances {

    private static final Logger LOG = LoggerFactory.getLogger(Glances.class);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** So long a reader waits for what is older than its evidence; a product's own series take a part of it. */
    private static final Duration WAIT = Duration.ofSeconds(1);

    /** So many lots are drawn. */
    static final int DRAWN = 30;

    private final JdbcTemplate database;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;
    private final Diagnoses diagnoses;
    private final DriftCharts charts;
    private final Revisions revisions;
    private final TransactionTemplate reading;

    /** Made anew by one at a time. */
    private final ReentrantLock turn = new ReentrantLock();

    Glances(
            JdbcTemplate database,
            SeriesPoints series,
            Baselines baselines,
            Signals signals,
            Diagnoses diagnoses,
            DriftCharts charts,
            Revisions revisions,
            PlatformTransactionManager transactions) {
        this.database = database;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
        this.diagnoses = diagnoses;
        this.charts = charts;
        this.revisions = revisions;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** What a kept row was made from. */
    private record From(long stamp, int version) {}

    /** Counters and versions under which every row was as new as its evidence: until one of them differs there is nothing to look for. */
    private record Settled(Map<String, Long> counters, Map<Long, Integer> versions) {}

    private volatile @Nullable Settled settled;

    /** A series and how it stands. */
    record Standing(SeriesView series, Glance glance) {}

    /** Every series that has a chart, as it was last looked at. */
    List<Standing> all() {
        Map<Long, String> kept = new HashMap<>();
        database.query("select series_id, says from drift_glance", row -> {
            kept.put(row.getLong(1), row.getString(2));
        });
        List<Standing> found = new ArrayList<>();
        for (SeriesView one : series.ofAll()) {
            String says = kept.get(one.id());
            Glance glance = says == null ? null : read(says);
            if (glance != null && glance.lots() > 0) {
                found.add(new Standing(one, glance));
            }
        }
        return found;
    }

    /** Makes anew what is older than its evidence, as far as a reader can wait; how many are left for the next moment. */
    int refresh() {
        if (old().isEmpty()) {
            return 0;
        }
        turn.lock();
        try {
            List<Due> due = old();
            long end = System.nanoTime() + WAIT.toNanos();
            int made = 0;
            while (made < due.size() && System.nanoTime() < end) {
                make(due.get(made));
                made++;
            }
            return due.size() - made;
        } finally {
            turn.unlock();
        }
    }

    @Scheduled(fixedDelayString = "${ysometron.derive-every}", initialDelayString = "${ysometron.derive-every}")
    void rested() {
        if (turn.tryLock()) {
            try {
                old().forEach(this::make);
            } catch (DataAccessException away) {
                LOG.info("series at a glance wait: {}", away.getMessage());
            } finally {
                turn.unlock();
                PageMemory.forget();
            }
        }
    }

    private record Due(SeriesView series, long stamp, int version) {}

    private List<Due> old() {
        Map<String, Long> counters = revisions.all();
        Map<Long, Integer> versions = baselines.versions();
        Settled now = new Settled(counters, versions);
        if (now.equals(settled)) {
            return List.of();
        }
        Map<Long, From> kept = kept();
        List<Due> due = new ArrayList<>();
        for (SeriesView one : series.ofAll()) {
            long stamp = Glance.FORMAT * 1_000_000_000_000L
                    + Revisions.sum(
                            counters, List.of(Revisions.product(one.productId()), Revisions.history(one.productId())));
            int version = versions.getOrDefault(one.id(), 0);
            if (!new From(stamp, version).equals(kept.get(one.id()))) {
                due.add(new Due(one, stamp, version));
            }
        }
        if (due.isEmpty()) {
            settled = now;
        }
        return due;
    }

    private Map<Long, From> kept() {
        Map<Long, From> kept = new HashMap<>();
        database.query("select series_id, stamp, version from drift_glance", row -> {
            kept.put(row.getLong(1), new From(row.getLong(2), row.getInt(3)));
        });
        return kept;
    }

    /** What is kept of a series: how it stands, what became of it in a line, and where it changed. */
    private record Look(Glance glance, @Nullable String headline, MovedTogether.@Nullable Place changed) {}

    private void make(Due one) {
        Look look;
        try {
            look = Objects.requireNonNull(reading.execute(status -> look(one.series)));
        } catch (DataAccessException away) {
            throw away;
        } catch (RuntimeException broken) {
            // Of this series nothing is known; the others go on.
            LOG.error("series {} cannot be looked at", one.series.id(), broken);
            look = new Look(unknown(), null, null);
        }
        MovedTogether.Place changed = look.changed;
        database.update(
                "insert into drift_glance (series_id, stamp, version, says, headline, changed_from, changed_at, changed_to)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?) on duplicate key update stamp = values(stamp),"
                        + " version = values(version), says = values(says), headline = values(headline),"
                        + " changed_from = values(changed_from), changed_at = values(changed_at), changed_to = values(changed_to)",
                one.series.id(),
                one.stamp,
                one.version,
                JSON.writeValueAsString(look.glance),
                look.headline,
                changed == null ? null : changed.from(),
                changed == null ? null : changed.at(),
                changed == null ? null : changed.to());
    }

    private static @Nullable Glance read(String says) {
        try {
            return JSON.readValue(says, Glance.class);
        } catch (JacksonException other) {
            LOG.error("a glance cannot be read", other);
            return null;
        }
    }

    private static Glance unknown() {
        return new Glance(
                Attention.CHANGED,
                "could not be looked at; the site's log says why",
                List.of(),
                List.of(),
                null,
                null,
                null,
                null,
                null,
                1,
                null);
    }

    private Look look(SeriesView one) {
        List<PointView> points = series.points(one.id());
        Optional<BaselineView> baseline = baselines.newest(one.id());
        Optional<Requirement> claim = charts.claim(one);
        List<PointView> drawn = points.subList(Math.max(0, points.size() - DRAWN), points.size());
        Optional<LotLimits> limits = baseline.map(BaselineView::limits);
        int n = points.isEmpty() ? 1 : points.get(points.size() - 1).n();
        List<PointView> newest = points.subList(Math.max(0, points.size() - ChangePoint.MOST), points.size());
        Diagnosis diagnosis =
                diagnoses.of(one, newest, claim).orElseGet(() -> Diagnosis.none("Its lots are all alike."));
        Attention attention = attention(points, baseline, claim, diagnosis);
        Glance glance = new Glance(
                attention,
                words(attention, points, claim, diagnosis),
                drawn.stream().map(PointView::mean).toList(),
                signals(one, drawn),
                limits.map(LotLimits::centre).orElse(null),
                limits.map(known -> known.lower(n)).orElse(null),
                limits.map(known -> known.upper(n)).orElse(null),
                claim.flatMap(c -> c.lower().stream().boxed().findFirst()).orElse(null),
                claim.flatMap(c -> c.upper().stream().boxed().findFirst()).orElse(null),
                points.size(),
                diagnosis.left());
        return new Look(
                glance,
                points.size() < ChangePoint.FEWEST ? null : diagnosis.headline(),
                MovedTogether.Place.of(diagnosis, points));
    }

    private List<Integer> signals(SeriesView one, List<PointView> drawn) {
        Map<Long, List<Signals.LotSignal>> said =
                signals.stored(drawn.stream().map(PointView::lotId).toList());
        return IntStream.range(0, drawn.size())
                .filter(i -> said.getOrDefault(drawn.get(i).lotId(), List.of()).stream()
                        .anyMatch(signal -> signal.seriesId() == one.id()))
                .boxed()
                .toList();
    }

    private Attention attention(
            List<PointView> points, Optional<BaselineView> baseline, Optional<Requirement> claim, Diagnosis diagnosis) {
        if (points.isEmpty()) {
            return Attention.FEW;
        }
        if (claim.filter(edge -> isBeyond(points.get(points.size() - 1).mean(), edge))
                .isPresent()) {
            return Attention.BEYOND;
        }
        if (diagnosis.left() != null) {
            return Attention.SLIDES;
        }
        if (diagnosis.shape() != null
                && diagnosis.shape() != Shape.SPIKE
                && isSinceLimits(points, baseline, diagnosis)) {
            return Attention.CHANGED;
        }
        if (diagnosis.isTwoStreams()) {
            return Attention.STREAMS;
        }
        if (baseline.isEmpty()) {
            return points.size() < IndividualsLimits.LOTS_WANTED ? Attention.FEW : Attention.UNWATCHED;
        }
        return Attention.QUIET;
    }

    private static boolean isBeyond(double mean, Requirement claim) {
        boolean below =
                claim.lower().isPresent() && Rounding.below(mean, claim.lower().getAsDouble());
        boolean above =
                claim.upper().isPresent() && Rounding.above(mean, claim.upper().getAsDouble());
        return below || above;
    }

    /** A change that lay before the end of the baseline was known to whoever signed it. */
    private boolean isSinceLimits(List<PointView> points, Optional<BaselineView> baseline, Diagnosis diagnosis) {
        if (baseline.isEmpty()) {
            return true;
        }
        Set<Long> chosen = new HashSet<>(baselines.lotsOf(baseline.get().id()));
        int lastOfBaseline = IntStream.range(0, points.size())
                .filter(i -> chosen.contains(points.get(i).lotId()))
                .max()
                .orElse(-1);
        return IntStream.range(0, points.size())
                .filter(i -> diagnosis.latest() != null && points.get(i).lotId() == diagnosis.latest())
                .anyMatch(i -> i > lastOfBaseline);
    }

    private static String words(
            Attention attention, List<PointView> points, Optional<Requirement> claim, Diagnosis diagnosis) {
        return switch (attention) {
            case BEYOND ->
                "Its newest lot lies beyond its claim, "
                        + claim.map(Requirement::words).orElse("") + ".";
            case SLIDES ->
                diagnosis.headline() + " About " + Figures.decimals(Math.floor(leftOf(diagnosis)), 0)
                        + " lots are left until its claim, "
                        + claim.map(Requirement::words).orElse("") + ".";
            case UNWATCHED -> points.size() + " lots, and no limits are signed.";
            case FEW, QUIET -> points.size() + (points.size() == 1 ? " lot." : " lots.");
            case ASKS, CHANGED, STREAMS -> diagnosis.headline();
        };
    }

    private static double leftOf(Diagnosis diagnosis) {
        return diagnosis.left() == null ? 0 : diagnosis.left();
    }
}
