package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.drift.Glances.Standing;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.Judgements.Judged;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products.ProductView;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.drift.ChartSignal;
import org.ysometron.core.drift.SupportableEdge;
import org.ysometron.core.drift.SupportableEdge.Edge;
import org.ysometron.core.working.Figures;

/** All claims of a product by its newest lots: what each verdict was, where the lot lay beside the claimed edge, and what could be claimed instead. */
@Component
class ClaimsByLots {

    static final int COLUMNS = 30;
    private static final double STEP = 22;
    private static final double HEIGHT = 58;

    /** Room for the code of the last lot. */
    private static final double MARGIN = 18;

    private final Lots lots;
    private final Publications publications;
    private final Judgements judgements;
    private final SeriesPoints series;
    private final Glances glances;

    ClaimsByLots(Lots lots, Publications publications, Judgements judgements, SeriesPoints series, Glances glances) {
        this.lots = lots;
        this.publications = publications;
        this.judgements = judgements;
        this.series = series;
        this.glances = glances;
    }

    /** A lot's column. */
    record Column(double x, String lot, String label) {}

    /** A lot under a claim: its verdict, and where its mean lies; null where it has none. */
    record Cell(double x, @Nullable Double y, String verdict, String words) {}

    /**
     * A claim.
     *
     * @param slips what its series says that asks for a look; empty where nothing does
     * @param instead what could be claimed instead
     * @param isLess whether that is less than is claimed
     */
    record Row(
            String title,
            String terms,
            String published,
            List<Double> edges,
            String path,
            List<Cell> cells,
            String slips,
            String instead,
            boolean isLess,
            @Nullable Long seriesId) {}

    /** The page. */
    record View(List<Column> columns, List<Row> rows, double width, List<String> tally) {}

    View view(ProductView product) {
        List<LotView> shown = new ArrayList<>(lots.newest(product.id(), COLUMNS));
        java.util.Collections.reverse(shown);
        List<Claim> claims = publications
                .newestDatasheet(product.id())
                .map(datasheet -> publications.claims(datasheet.id()))
                .orElse(List.of());
        if (shown.isEmpty() || claims.isEmpty()) {
            return new View(List.of(), List.of(), 0, List.of());
        }
        Map<Long, List<Judged>> judged = judgements.of(shown);
        Map<Long, List<PointView>> points = new HashMap<>();
        List<SeriesView> all = series.ofProduct(product.id());
        // What no claim speaks of is not read.
        all.stream()
                .filter(one -> claims.stream()
                        .anyMatch(claim ->
                                claim.form().isVerifiable() && claim.speaksOf(one.property(), one.conditions())))
                .forEach(one -> points.put(one.id(), series.newest(one.id(), 2 * COLUMNS)));
        Map<Long, Standing> standing = glances.all().stream()
                .filter(one -> one.series().productId() == product.id())
                .collect(Collectors.toMap(one -> one.series().id(), one -> one));
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < shown.size(); i++) {
            String code = shown.get(i).code();
            boolean named = (shown.size() - 1 - i) % 5 == 0;
            columns.add(new Column(x(i, shown.size()), code, named ? code : ""));
        }
        List<Row> rows = new ArrayList<>();
        for (Claim claim : claims) {
            if (claim.form().isVerifiable()) {
                List<SeriesView> spoken = all.stream()
                        .filter(one -> claim.speaksOf(one.property(), one.conditions()))
                        .toList();
                rows.add(row(claim, shown, judged, spoken, points, standing));
            }
        }
        return new View(columns, rows, STEP * COLUMNS + MARGIN, tally(rows));
    }

    /** The newest lot stands at the right, however few there are. */
    private static double x(int index, int count) {
        return STEP * (COLUMNS - count + index + 0.5);
    }

    private static Row row(
            Claim claim,
            List<LotView> shown,
            Map<Long, List<Judged>> judged,
            List<SeriesView> spoken,
            Map<Long, List<PointView>> points,
            Map<Long, Standing> standing) {
        Map<Long, PointView> byLot = new HashMap<>();
        Map<Long, Long> chartOf = new HashMap<>();
        spoken.forEach(one -> points.getOrDefault(one.id(), List.of()).forEach(point -> {
            byLot.put(point.lotId(), point);
            chartOf.put(point.lotId(), one.id());
        }));
        Requirement requirement = claim.requirement();
        boolean drawn = claim.form() != Form.BETTER_THAN;
        List<Double> values = new ArrayList<>();
        shown.forEach(lot -> Optional.ofNullable(byLot.get(lot.id())).ifPresent(point -> values.add(point.mean())));
        List<Double> edges = drawn
                ? Stream.of(requirement.lower(), requirement.upper())
                        .filter(OptionalDouble::isPresent)
                        .map(OptionalDouble::getAsDouble)
                        .toList()
                : List.of();
        List<Double> held = new ArrayList<>(values);
        held.addAll(edges);
        Scale scale = Scale.holding(held.isEmpty() ? List.of(0.0, 1.0) : held, HEIGHT - 22, 4);
        List<Cell> cells = new ArrayList<>();
        StringBuilder path = new StringBuilder();
        @Nullable Long last = null;
        for (int i = 0; i < shown.size(); i++) {
            LotView lot = shown.get(i);
            Optional<Judged> one = judged.getOrDefault(lot.id(), List.of()).stream()
                    .filter(judgement -> isSame(judgement.claim(), claim))
                    .findFirst();
            PointView point = byLot.get(lot.id());
            Double y = point == null ? null : scale.at(point.mean());
            if (y != null) {
                // Lots of another colour or set-up are on another chart: no line leads to them.
                Long chart = chartOf.get(lot.id());
                path.append(chart != null && chart.equals(last) ? "L" : "M")
                        .append(x(i, shown.size()))
                        .append(' ')
                        .append(y.doubleValue());
                last = chart;
            }
            cells.add(cell(claim, lot, one, point, x(i, shown.size()), y));
        }
        Optional<SeriesView> longest = spoken.stream()
                .max(java.util.Comparator.comparingInt(
                        view -> points.getOrDefault(view.id(), List.of()).size()));
        return new Row(
                claim.title(),
                claim.terms(),
                claim.published(),
                edges.stream().map(scale::at).toList(),
                path.toString(),
                cells,
                slips(spoken, standing),
                longest.map(view -> instead(claim, points.getOrDefault(view.id(), List.of())))
                        .orElse(""),
                longest.filter(view -> isLess(claim, points.getOrDefault(view.id(), List.of())))
                        .isPresent(),
                longest.map(SeriesView::id).orElse(null));
    }

    /** Claims of one datasheet and the next are the same where they speak of the same in the same form. */
    private static boolean isSame(Claim one, Claim other) {
        return one.property().equals(other.property())
                && one.conditions().equals(other.conditions())
                && one.reference().equals(other.reference())
                && one.form() == other.form();
    }

    private static Cell cell(
            Claim claim,
            LotView lot,
            Optional<Judged> judged,
            @Nullable PointView point,
            double x,
            @Nullable Double y) {
        Verdict verdict = judged.map(Judged::verdict).orElse(Verdict.NOT_TESTED);
        String figure = point == null
                ? ""
                : ", "
                        + Figures.withUnit(
                                point.mean(),
                                claim.property().digits() + 1,
                                claim.property().unit())
                        + ", n = " + point.n();
        return new Cell(x, y, verdict.name(), lot.code() + ": " + verdict.words() + figure);
    }

    private static String slips(Collection<SeriesView> spoken, Map<Long, Standing> standing) {
        return spoken.stream()
                .map(one -> standing.get(one.id()))
                .filter(java.util.Objects::nonNull)
                .filter(one -> switch (one.glance().attention()) {
                    case BEYOND, SLIDES, CHANGED -> true;
                    default -> false;
                })
                .map(one -> Figures.capital(one.series().colour()) + ": "
                        + one.glance().words())
                .distinct()
                .collect(Collectors.joining(" "));
    }

    private static String instead(Claim claim, List<PointView> points) {
        Requirement requirement = claim.requirement();
        if (claim.form() == Form.BETTER_THAN) {
            return "";
        }
        List<String> could = new ArrayList<>();
        requirement.lower().ifPresent(edge -> could.add(edge(claim, points, Edge.LEAST)));
        requirement.upper().ifPresent(edge -> could.add(edge(claim, points, Edge.MOST)));
        String words = could.stream().filter(one -> !one.isEmpty()).collect(Collectors.joining(", "));
        return words.isEmpty()
                ? "fewer than " + SupportableEdge.FEWEST + " lots with a scatter"
                : words + " (" + points.size() + " lots)";
    }

    private static boolean isLess(Claim claim, List<PointView> points) {
        if (claim.form() == Form.BETTER_THAN) {
            return false;
        }
        Requirement claimed = claim.requirement();
        ChartSignal.Lots lots = Signals.lots(points);
        boolean below = claimed.lower().isPresent()
                && SupportableEdge.of(lots, Edge.LEAST)
                        .filter(found -> found.edge() < claimed.lower().getAsDouble())
                        .isPresent();
        boolean above = claimed.upper().isPresent()
                && SupportableEdge.of(lots, Edge.MOST)
                        .filter(found -> found.edge() > claimed.upper().getAsDouble())
                        .isPresent();
        return below || above;
    }

    private static String edge(Claim claim, List<PointView> points, Edge edge) {
        return SupportableEdge.of(Signals.lots(points), edge)
                .map(found -> (edge == Edge.LEAST ? "at least " : "at most ")
                        + Figures.withUnit(
                                found.edge(),
                                claim.property().digits(),
                                claim.property().unit()))
                .orElse("");
    }

    /** How many claims every lot in sight supports. */
    private static List<String> tally(List<Row> rows) {
        long whole = rows.stream()
                .filter(row -> row.cells().stream()
                        .allMatch(cell -> cell.verdict().equals(Verdict.SUPPORTED.name())
                                || cell.verdict().equals(Verdict.NOT_TESTED.name())))
                .count();
        long slipping = rows.stream().filter(row -> !row.slips().isEmpty()).count();
        return List.of(
                whole + " of " + rows.size() + " claims are supported by every lot in sight that was tested",
                slipping + (slipping == 1 ? " claim asks for a look" : " claims ask for a look"));
    }
}
