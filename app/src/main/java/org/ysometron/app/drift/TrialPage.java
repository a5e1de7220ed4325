package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.drift.AverageChart;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartTrial;
import org.ysometron.core.drift.ChartTrial.Change;
import org.ysometron.core.drift.ChartTrial.Extent;
import org.ysometron.core.drift.ChartTrial.Runs;
import org.ysometron.core.drift.ChartTrial.Setting;
import org.ysometron.core.drift.ChartTrial.Watch;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.drift.RunRule;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.working.Figures;

/** What charts would catch of a series: simulated lots with its own scatter and a change of one's choice, and charts run on them. */
@Component
class TrialPage {

    private static final Extent EXTENT = new Extent(1000, 200, 13);

    /** Lots over which the shares are drawn. */
    static final int DRAWN = 40;

    private static final double WIDTH = 300;
    private static final double HEIGHT = 54;

    private final SeriesPoints series;
    private final Baselines baselines;

    TrialPage(SeriesPoints series, Baselines baselines) {
        this.series = series;
        this.baselines = baselines;
    }

    /** What a series may become. */
    enum Kind {
        STEP("another level"),
        SLIDE("a slide, by lot"),
        SCATTER("scatter within lots, so many times");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What is asked, as typed. */
    record Asked(
            @Nullable String change,
            @Nullable String size,
            @Nullable String n,
            @Nullable String lots) {

        boolean isNone() {
            return change == null;
        }
    }

    /**
     * One set of charts.
     *
     * @param inForce whether it is the one that was signed
     * @param quiet half of the charts have cried wolf within so many lots
     * @param quietShare share that cries wolf within the lots asked for
     * @param found half of the charts have found the change within so many lots
     * @param foundShare share that has found it within the lots asked for
     * @param quietPath share by lots without a change
     * @param foundPath share by lots with it
     */
    record Row(
            String charts,
            boolean inForce,
            String quiet,
            String quietShare,
            String found,
            String foundShare,
            String quietPath,
            String foundPath) {}

    /** The page. */
    record View(
            String basis,
            String size,
            String unit,
            String n,
            String lots,
            String change,
            String asked,
            List<Row> rows) {}

    private record Charts(String words, Watch watch, boolean inForce) {}

    View view(SeriesView found, Asked asked, Problems problems) {
        List<PointView> points = series.points(found.id());
        Optional<BaselineView> baseline = baselines.newest(found.id());
        Optional<LotLimits> limits = limits(baseline, points);
        String unit = found.property().unit();
        Optional<Kind> kind = asked.isNone()
                ? Optional.of(Kind.STEP)
                : problems.entry("change", "The change", asked.change()).choice(Kind.values());
        String change = kind.map(Kind::name).orElse("");
        if (limits.isEmpty()) {
            return new View("", "", unit, "", "", change, "", List.of());
        }
        LotLimits known = limits.get();
        String size = asked.isNone() ? Figures.plain(known.sigma(), 3) : text(asked.size());
        String n = asked.isNone() ? String.valueOf(points.get(points.size() - 1).n()) : text(asked.n());
        String lots = asked.isNone() ? "10" : text(asked.lots());
        Entry far = problems.entry("size", "How far", size);
        double typed = (kind.equals(Optional.of(Kind.SCATTER))
                        ? far.number(30, "2")
                        : far.neededQuantity(found.property().dimension()))
                .orElse(1);
        int specimens = problems.entry("n", "The number of specimens", n).neededWhole(1, 100);
        int within = problems.entry("lots", "The number of lots", lots).neededWhole(1, EXTENT.most());
        if (far.isBlank()) {
            far.missing("2");
        }
        int from = baseline.map(BaselineView::lots).orElse(Math.min(points.size(), 100));
        String basis = basis(known, baseline, points.size(), found);
        List<Row> rows = new ArrayList<>();
        if (problems.none()) {
            Optional<Change> simulated = change(kind.orElseThrow(), typed, known.sigma());
            if (simulated.isEmpty()) {
                problems.add("size", "More than 30 standard deviations of a lot mean are seen without a chart.");
            } else {
                Setting setting =
                        new Setting(Math.max(3, Math.min(500, from)), baselineSize(known), specimens, share(known));
                for (Charts one : charts(baseline)) {
                    rows.add(row(one, setting, simulated.get(), within));
                }
            }
        }
        return new View(basis, size, unit, n, lots, change, "within " + within + " lots", rows);
    }

    /** Those of the baseline; of all lots so far where none is signed. */
    private static Optional<LotLimits> limits(Optional<BaselineView> baseline, List<PointView> points) {
        if (baseline.isPresent()) {
            BaselineView signed = baseline.get();
            int[] sizes = points.stream().mapToInt(PointView::n).toArray();
            OptionalDouble size =
                    signed.size().isPresent() ? signed.size() : OptionalDouble.of(LotLimits.harmonic(sizes));
            return Optional.of(
                    new LotLimits(signed.centre(), signed.sigma(), signed.rangeUpper(), size, signed.spread()));
        }
        if (points.size() < 3) {
            return Optional.empty();
        }
        try {
            return Optional.of(LotLimits.of(Signals.lots(points)));
        } catch (IllegalArgumentException alike) {
            return Optional.empty();
        }
    }

    private static int baselineSize(LotLimits limits) {
        return (int) Math.max(1, Math.min(100, Math.round(limits.size().orElse(1))));
    }

    private static double share(LotLimits limits) {
        double within = limits.within().orElse(0);
        return Math.min(1, within * within / limits.size().orElse(1) / (limits.sigma() * limits.sigma()));
    }

    private static Optional<Change> change(Kind kind, double size, double sigma) {
        try {
            return Optional.of(
                    switch (kind) {
                        case SLIDE -> new Change(0, size / sigma, 1);
                        case SCATTER -> new Change(0, 0, size);
                        case STEP -> new Change(size / sigma, 0, 1);
                    });
        } catch (IllegalArgumentException far) {
            return Optional.empty();
        }
    }

    private static String basis(LotLimits limits, Optional<BaselineView> baseline, int lots, SeriesView found) {
        String unit = found.property().unit();
        String from = baseline.map(b -> "baseline version " + b.version() + ", " + b.lots() + " lots")
                .orElse("all " + lots + " lots so far, for no baseline is signed");
        return "From " + from + ": a lot mean scatters by " + Figures.withUnit(limits.sigma(), 3, unit)
                + (limits.within().isPresent()
                        ? ", specimens within a lot by "
                                + Figures.withUnit(limits.within().getAsDouble(), 3, unit) + "; "
                                + Figures.decimals(100 * share(limits), 0)
                                + " % of the variance of a mean comes from within lots"
                        : "")
                + ". Limits are estimated anew from so many simulated lots for each of " + EXTENT.series()
                + " series; lots are independent and normal, which real ones are only nearly.";
    }

    private static List<Charts> charts(Optional<BaselineView> baseline) {
        ChartRules inForce = baseline.map(BaselineView::rules).orElse(ChartRules.USUAL);
        List<Charts> charts = new ArrayList<>();
        charts.add(new Charts(inForce.words(), ChartTrial.byRules(inForce), baseline.isPresent()));
        List<ChartRules> others = List.of(
                new ChartRules(EnumSet.of(RunRule.BEYOND_LIMITS), false, false),
                new ChartRules(RunRule.USUAL, false, false),
                new ChartRules(RunRule.USUAL, false, true),
                ChartRules.USUAL,
                new ChartRules(EnumSet.allOf(RunRule.class), true, true),
                ChartRules.of(AverageChart.USUAL),
                ChartRules.of(new AverageChart(0.1, 2.814)),
                ChartRules.of(SumsChart.USUAL),
                new ChartRules(EnumSet.of(RunRule.BEYOND_LIMITS), false, false)
                        .with(Optional.empty(), Optional.of(SumsChart.USUAL)));
        for (ChartRules rules : others) {
            if (!rules.equals(inForce)) {
                charts.add(new Charts(rules.words(), ChartTrial.byRules(rules), false));
            }
        }
        return charts;
    }

    private static Row row(Charts charts, Setting setting, Change change, int lots) {
        Runs quiet = ChartTrial.of(charts.watch, setting, Change.NONE, EXTENT);
        Runs found = ChartTrial.of(charts.watch, setting, change, EXTENT);
        return new Row(
                charts.words,
                charts.inForce,
                length(quiet),
                percent(quiet.share(lots)),
                length(found),
                percent(found.share(lots)),
                path(quiet),
                path(found));
    }

    private static String length(Runs runs) {
        int median = runs.median();
        return median > runs.most() ? "more than " + runs.most() : String.valueOf(median);
    }

    private static String percent(double share) {
        return Figures.decimals(100 * share, 0) + " %";
    }

    private static String path(Runs runs) {
        StringBuilder path = new StringBuilder("M0 " + HEIGHT);
        for (int lot = 1; lot <= DRAWN; lot++) {
            path.append('L')
                    .append(Math.rint(10 * WIDTH * lot / DRAWN) / 10)
                    .append(' ')
                    .append(Math.rint(10 * HEIGHT * (1 - runs.share(lot))) / 10);
        }
        return path.toString();
    }

    private static String text(@Nullable String typed) {
        return typed == null ? "" : typed.strip();
    }
}
