package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.util.ConcurrentLruCache;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Diagnoses.Diagnosis;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.LotRisks;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.Capability;
import org.ysometron.core.drift.LotCapability;
import org.ysometron.core.working.Figures;

/** How the claimed edges lie about single specimens of a series: only of one that is stable, else the reason why not. */
@Component
class Capabilities {

    private static final double CONFIDENCE = 0.95;

    /** What it says follows from these alone, and takes integrals by the dozen: those looked at last are kept. */
    private static final ConcurrentLruCache<Asked, Said> TOLD = new ConcurrentLruCache<>(60, Capabilities::told);

    private record Asked(SeriesView series, List<PointView> since, Requirement claim) {}

    private final Baselines baselines;
    private final Signals signals;
    private final Lots lots;

    Capabilities(Baselines baselines, Signals signals, Lots lots) {
        this.baselines = baselines;
        this.signals = signals;
        this.lots = lots;
    }

    /**
     * What is said of a series.
     *
     * @param headline the index, or that there is none
     * @param sentences what goes with it, or why there is none
     */
    record Said(String headline, List<String> sentences) {}

    /** Of the lots from the first one of the baseline on; empty where nothing is claimed that has an edge. */
    Optional<Said> of(
            SeriesView series, List<PointView> points, Optional<Requirement> claim, Optional<Diagnosis> diagnosis) {
        if (claim.isEmpty() || points.isEmpty()) {
            return Optional.empty();
        }
        Optional<BaselineView> baseline = baselines.newest(series.id());
        if (baseline.isEmpty() || baseline.get().isProvisional()) {
            return refused(
                    "its limits are from fewer than 20 lots, or there are none, so nobody knows whether it is stable.");
        }
        Set<Long> chosen = Set.copyOf(baselines.lotsOf(baseline.get().id()));
        // Of a long series the baseline lies out of sight; then all that is in sight came after it.
        boolean inSight = points.stream().anyMatch(point -> chosen.contains(point.lotId()));
        List<PointView> since = points.stream()
                .dropWhile(point -> inSight && !chosen.contains(point.lotId()))
                .toList();
        if (diagnosis
                .filter(said -> said.shape() != null || said.isTwoStreams())
                .isPresent()) {
            return refused(diagnosis.get().headline());
        }
        List<String> said = unanswered(series, since, chosen);
        if (!said.isEmpty()) {
            return refused("its charts signal at " + String.join(", ", said) + ", and nobody has answered.");
        }
        return Optional.of(TOLD.get(new Asked(series, since, claim.get())));
    }

    private static Optional<Said> refused(String why) {
        return Optional.of(new Said(
                "No capability is told: " + Character.toLowerCase(why.charAt(0)) + why.substring(1),
                List.of("An index speaks of the lots to come, and of a series that is not stable nobody knows them.")));
    }

    /** Lots behind the baseline at which the charts say what nobody has answered. */
    private List<String> unanswered(SeriesView series, List<PointView> since, Set<Long> chosen) {
        List<Long> behind = since.stream()
                .map(PointView::lotId)
                .filter(lot -> !chosen.contains(lot))
                .toList();
        Map<Long, List<Signals.LotSignal>> stored = signals.stored(behind);
        List<Long> open = behind.stream()
                .filter(lot -> stored.getOrDefault(lot, List.of()).stream()
                        .anyMatch(signal -> signal.seriesId() == series.id() && !signal.isAnswered()))
                .toList();
        Map<Long, String> codes = lots.all(open).stream().collect(Collectors.toMap(LotView::id, LotView::code));
        return open.stream().map(lot -> codes.getOrDefault(lot, "lot " + lot)).toList();
    }

    private static Said told(Asked asked) {
        SeriesView series = asked.series;
        List<PointView> since = asked.since;
        Requirement claim = asked.claim;
        LotCapability found;
        try {
            found = LotCapability.of(Signals.lots(since), claim.lower(), claim.upper());
        } catch (IllegalArgumentException none) {
            return new Said("No capability is told: " + none.getMessage() + ".", List.of());
        }
        Capability overall = found.overall();
        String unit = series.property().unit();
        String name = claim.lower().isPresent() && claim.upper().isPresent()
                ? "Ppk"
                : claim.lower().isPresent() ? "Ppk (lower edge)" : "Ppk (upper edge)";
        String within = found.within()
                .map(alone -> " If every lot were alike it could be " + index(alone.least(CONFIDENCE))
                        + " (Cpk): the scatter within lots alone.")
                .orElse("");
        List<String> sentences = new ArrayList<>(
                List.of(
                        "Of single specimens: " + found.specimens() + " from " + found.lots()
                                + " lots since the baseline's first, mean "
                                + Figures.withUnit(
                                        overall.mean(), series.property().digits() + 1, unit)
                                + ", scatter from lot to lot and within lots together "
                                + Figures.withUnit(overall.sigma(), 3, unit) + " with "
                                + Figures.significant(overall.freedom(), 3) + " degrees of freedom." + within,
                        "A claim about a mean is another matter: this says how single specimens lie (ISO 22514-2; normal, stable)."));
        risks(found, since.get(since.size() - 1).n(), claim).ifPresent(sentences::add);
        return new Said(
                name + " " + index(overall.least(CONFIDENCE)) + " against the claimed " + claim.words() + ".",
                List.copyOf(sentences));
    }

    /** What a claim about the mean risks over lots like these; empty where lots do not differ beyond their specimens. */
    private static Optional<String> risks(LotCapability found, int n, Requirement claim) {
        double within = found.within().map(Capability::sigma).orElse(0.0);
        double between = Math.pow(found.overall().sigma(), 2) - within * within;
        if (!(between > 0) || !(within > 0) || n < 2) {
            return Optional.empty();
        }
        List<String> bands = new ArrayList<>();
        double beyond = 0;
        for (GuardBand band : GuardBand.values()) {
            LotRisks risks = LotRisks.of(
                    found.overall().mean(),
                    Math.sqrt(between),
                    within,
                    Math.min(n, 1000),
                    claim.lower(),
                    claim.upper(),
                    band);
            beyond = risks.beyond();
            bands.add("with a guard band of " + band.words() + " " + share(risks.wrongly())
                    + " would be supported although theirs is, " + share(risks.heldBack())
                    + " not although theirs is not");
        }
        return Optional.of("Of lots like these, each judged by " + n + " specimens, " + share(beyond)
                + " have a true mean beyond the claim; " + String.join("; ", bands)
                + " (JCGM 106, consumer's and producer's global risk).");
    }

    private static String share(double probability) {
        return probability < 0.0001 ? "fewer than 0.01 %" : Figures.significant(100 * probability, 2) + " %";
    }

    private static String index(Capability.Index index) {
        return Figures.decimals(index.value(), 2) + " (95 %: " + Figures.decimals(index.low(), 2) + " to "
                + Figures.decimals(index.high(), 2) + ")";
    }
}
