package org.ysometron.app.drift;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.drift.SpreadLimits;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Baselines: the lots from which limits were set, signed and frozen with the values they had. Never worked out anew by
 * itself; a new one is a new version with a reason, and the old ones stay.
 */
@Component
public class Baselines {

    private final BaselineRepository baselines;
    private final BaselineLotRepository lots;
    private final SeriesPoints series;
    private final ApplicationEventPublisher events;
    private final Lots known;
    private final Clock clock;

    Baselines(
            BaselineRepository baselines,
            BaselineLotRepository lots,
            SeriesPoints series,
            ApplicationEventPublisher events,
            Lots known,
            Clock clock) {
        this.known = known;
        this.baselines = baselines;
        this.lots = lots;
        this.series = series;
        this.events = events;
        this.clock = clock;
    }

    /** A new baseline was signed for a series. */
    record Signed(long seriesId) {}

    /**
     * A baseline as other slices see it.
     *
     * @param spread standard deviation within lots; empty when no lot of it has one
     * @param size harmonic mean of its lots' n; empty where its limits are the same for every n
     * @param rules that were signed with it
     */
    public record BaselineView(
            long id,
            int version,
            int lots,
            double centre,
            double sigma,
            double meanRange,
            double rangeUpper,
            OptionalDouble spread,
            OptionalDouble size,
            ChartRules rules,
            String signedBy,
            Instant signedAt,
            String reason) {

        /** Its limits, for lots of any n. */
        public LotLimits limits() {
            return new LotLimits(centre, sigma, rangeUpper, size, spread);
        }

        /** Whether too few lots stand behind it. */
        public boolean isProvisional() {
            return lots < IndividualsLimits.LOTS_WANTED;
        }
    }

    /** The baseline in force for a series. */
    public Optional<BaselineView> newest(long seriesId) {
        return baselines.findFirstBySeriesIdOrderByVersionDesc(seriesId).map(Baselines::view);
    }

    /** The version in force of every series that has one. */
    Map<Long, Integer> versions() {
        return baselines.inForce().stream()
                .collect(Collectors.toMap(BaselineRepository.InForce::seriesId, BaselineRepository.InForce::version));
    }

    /** Every version, newest first. */
    public List<BaselineView> all(long seriesId) {
        return baselines.findBySeriesIdOrderByVersionDesc(seriesId).stream()
                .map(Baselines::view)
                .toList();
    }

    /** Those of these series that have limits. */
    Set<Long> signed(Collection<Long> seriesIds) {
        return seriesIds.isEmpty() ? Set.of() : baselines.signed(seriesIds);
    }

    /**
     * That a chart is kept by fewer rules than the usual ones or than it was once, in words, with who signed it so; empty where none was
     * switched off. Limits that were signed before rules were are kept by those of then.
     */
    public Optional<String> lessened(long seriesId) {
        List<BaselineView> versions = all(seriesId);
        if (versions.isEmpty() || versions.get(0).size().isEmpty()) {
            return Optional.empty();
        }
        BaselineView now = versions.get(0);
        Set<String> once = new TreeSet<>(ChartRules.USUAL.names());
        versions.forEach(version -> once.addAll(version.rules().names()));
        once.removeAll(now.rules().names());
        return once.isEmpty()
                ? Optional.empty()
                : Optional.of("The chart of " + series.series(seriesId).title() + " is kept without a rule: "
                        + once.stream()
                                .map(name -> ChartRules.named(List.of(name)).words())
                                .collect(Collectors.joining("; "))
                        + " (baseline version " + now.version() + ", signed by "
                        + now.signedBy()
                        + ": " + now.reason() + ")");
    }

    /** Keys of the lots behind a baseline. */
    public List<Long> lotsOf(long baselineId) {
        return lots.findByBaselineIdOrderById(baselineId).stream()
                .map(row -> row.lotId)
                .toList();
    }

    /** The limits of a version worked out anew from the values frozen in it; empty where there is no such version. */
    public Optional<BaselineView> anew(long seriesId, int version) {
        Optional<Baseline> signed = baselines.findBySeriesIdOrderByVersionDesc(seriesId).stream()
                .filter(baseline -> baseline.version == version)
                .findFirst();
        return signed.flatMap(baseline -> proposed(
                seriesId,
                version,
                lots.findByBaselineIdOrderById(baseline.id),
                baseline.size != null,
                rules(baseline)));
    }

    /** The series that a baseline is of. */
    long seriesOf(long baselineId) {
        return baselines
                .findById(baselineId)
                .map(baseline -> baseline.seriesId)
                .orElseThrow(() -> new NotFound("baseline " + baselineId));
    }

    /** How a baseline's limits were worked out, from the values frozen in it. */
    public Working working(long baselineId, String unit) {
        List<BaselineLot> rows = lots.findByBaselineIdOrderById(baselineId);
        Working working = limits(rows, unit).working();
        Optional<SpreadLimits> spread = spread(rows, unit);
        Working whole = spread.isPresent()
                ? working.then(spread.get().working()).then(explain(spread.get(), rows, unit))
                : working;
        BaselineView signed = view(baselines.findById(baselineId).orElseThrow());
        int newest = series.newest(seriesOf(baselineId), 1).stream()
                .mapToInt(PointView::n)
                .findFirst()
                .orElse(1);
        return whole.then(signed.limits().explain(newest, unit));
    }

    /** Signs a baseline from these lots of a series, in order of making, with the usual rules. */
    @Write
    public BaselineView sign(long seriesId, Set<Long> chosen, String reason, String by) {
        return sign(seriesId, chosen, ChartRules.USUAL, reason, by);
    }

    /** The same with rules of its own. */
    @Write
    public BaselineView sign(long seriesId, Set<Long> chosen, ChartRules rules, String reason, String by) {
        Reasons.require("reason", reason, "The reason why these lots stand for the material as it should be", 300);
        String unit = series.series(seriesId).property().unit();
        List<PointView> points = series.points(seriesId).stream()
                .filter(point -> chosen.contains(point.lotId()))
                .toList();
        List<String> undecided = known.all(chosen).stream()
                .filter(lot -> !lot.state().isShipped())
                .map(lot -> lot.code() + " is " + lot.state().words())
                .toList();
        if (!undecided.isEmpty()) {
            throw new Refusal(
                    "from",
                    "A baseline is made of lots that were released: " + String.join(", ", undecided)
                            + ". Name them under 'without'.");
        }
        if (points.size() < 2) {
            throw new Refusal("from", "Limits need at least two lots with results; " + points.size() + " chosen.");
        }
        List<BaselineLot> rows = new ArrayList<>();
        for (PointView point : points) {
            rows.add(row(point));
        }
        IndividualsLimits limits = limits(rows, unit);
        if (!(limits.sigma() > 0)) {
            throw new Refusal("from", "These lots are all alike to the last digit; no limits can be drawn from them.");
        }
        Baseline baseline = new Baseline();
        baseline.seriesId = seriesId;
        baseline.version = newest(seriesId).map(BaselineView::version).orElse(0) + 1;
        baseline.lots = rows.size();
        baseline.centre = limits.centre();
        baseline.sigma = limits.sigma();
        baseline.meanRange = limits.meanRange();
        baseline.rangeUpper = limits.rangeUpper();
        baseline.spread = spread(rows, unit).map(SpreadLimits::sigma).orElse(null);
        baseline.size = LotLimits.harmonic(rows.stream().mapToInt(row -> row.n).toArray());
        baseline.rules = String.join(" ", rules.names());
        baseline.signedBy = by;
        baseline.signedAt = clock.instant();
        baseline.reason = reason.strip();
        long id = baselines.save(baseline).id;
        rows.forEach(row -> row.baselineId = id);
        lots.saveAll(rows);
        events.publishEvent(new Signed(seriesId));
        return view(baseline);
    }

    /** The limits that these lots would give, for those who ask what a new version would change before it is signed. */
    Optional<BaselineView> outlook(long seriesId, Set<Long> chosen, ChartRules rules) {
        List<BaselineLot> rows = series.points(seriesId).stream()
                .filter(point -> chosen.contains(point.lotId()))
                .map(Baselines::row)
                .toList();
        return proposed(seriesId, newest(seriesId).map(BaselineView::version).orElse(0) + 1, rows, true, rules);
    }

    private Optional<BaselineView> proposed(
            long seriesId, int version, List<BaselineLot> rows, boolean followsN, ChartRules rules) {
        if (rows.size() < 2) {
            return Optional.empty();
        }
        String unit = series.series(seriesId).property().unit();
        IndividualsLimits limits = limits(rows, unit);
        if (!(limits.sigma() > 0)) {
            return Optional.empty();
        }
        return Optional.of(new BaselineView(
                0,
                version,
                rows.size(),
                limits.centre(),
                limits.sigma(),
                limits.meanRange(),
                limits.rangeUpper(),
                spread(rows, unit)
                        .map(found -> OptionalDouble.of(found.sigma()))
                        .orElse(OptionalDouble.empty()),
                followsN
                        ? OptionalDouble.of(LotLimits.harmonic(
                                rows.stream().mapToInt(row -> row.n).toArray()))
                        : OptionalDouble.empty(),
                rules,
                "",
                clock.instant(),
                ""));
    }

    private static BaselineLot row(PointView point) {
        BaselineLot row = new BaselineLot();
        row.lotId = point.lotId();
        row.mean = point.mean();
        row.sd = point.sd();
        row.n = point.n();
        return row;
    }

    private static IndividualsLimits limits(List<BaselineLot> rows, String unit) {
        return IndividualsLimits.of(rows.stream().mapToDouble(row -> row.mean).toArray(), unit);
    }

    private static Optional<SpreadLimits> spread(List<BaselineLot> rows, String unit) {
        List<BaselineLot> scattered =
                rows.stream().filter(row -> row.sd != null && row.n > 1).toList();
        return scattered.isEmpty()
                ? Optional.empty()
                : Optional.of(SpreadLimits.of(
                        scattered.stream().mapToDouble(row -> row.sd).toArray(),
                        scattered.stream().mapToInt(row -> row.n).toArray(),
                        unit));
    }

    private static Step explain(SpreadLimits spread, List<BaselineLot> rows, String unit) {
        int usual =
                rows.stream().mapToInt(row -> row.n).filter(n -> n > 1).max().orElse(2);
        return spread.explain(usual, unit);
    }

    private static ChartRules rules(Baseline baseline) {
        return ChartRules.named(List.of(baseline.rules.split(" ")));
    }

    private static BaselineView view(Baseline baseline) {
        return new BaselineView(
                baseline.id,
                baseline.version,
                baseline.lots,
                baseline.centre,
                baseline.sigma,
                baseline.meanRange,
                baseline.rangeUpper,
                baseline.spread == null ? OptionalDouble.empty() : OptionalDouble.of(baseline.spread),
                baseline.size == null ? OptionalDouble.empty() : OptionalDouble.of(baseline.size),
                rules(baseline),
                baseline.signedBy,
                baseline.signedAt,
                baseline.reason);
    }
}
