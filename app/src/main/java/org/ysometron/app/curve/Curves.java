package org.ysometron.app.curve;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.References;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Envelope;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Thinned;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.quantity.Dimension;

/** Curves as they are drawn: of one record, of a set with what its curves have in common, and beside those of another lot. */
@Component
public class Curves {

    /** Points by which one curve is drawn when it stands alone. */
    private static final int ALONE = 2000;

    private static final Logger LOG = LoggerFactory.getLogger(Curves.class);

    /** Newest lots of a product whose curves are offered. */
    private static final int OFFERED = 40;

    private final Records records;
    private final Lots lots;
    private final References references;

    Curves(Records records, Lots lots, References references) {
        this.records = records;
        this.lots = lots;
        this.references = references;
    }

    /**
     * Records that may stand on one drawing: one method and one set of terms, read by one thing.
     *
     * @param key by which pages call it
     */
    record Group(String key, String words, Conditions conditions, Piece.By by, List<Records.Listed> records) {

        Loading loading() {
            return Worked.recorded(records.get(0).specimen()).loading();
        }
    }

    /** Axes of a drawing. */
    record Axes(String strain, String strainUnit, String stress, String stressUnit) {

        static Axes of(Loading loading, Piece.By by) {
            boolean bend = loading == Loading.BEND_BAR || loading == Loading.BEND_ROD;
            String strain = !loading.isStrain()
                    ? loading.load() == Dimension.FORCE ? "travel" : loading.wayWords()
                    : loading == Loading.TWIST_ROD
                            ? "shear strain at the surface"
                            : bend
                                    ? "strain of the outer fibre"
                                    : by == Piece.By.CROSSHEAD ? "nominal strain, of the crosshead" : "strain";
            return new Axes(
                    strain,
                    loading.drawnUnit(),
                    loading.isStress() ? "stress" : loading.loadWords(),
                    loading.stressUnit());
        }
    }

    /**
     * A found point on a curve.
     *
     * @param named whether its name stands beside it; of many alike none has room for it
     */
    record Mark(String kind, boolean named, double x, double y, String how) {}

    /**
     * A curve.
     *
     * @param counts whether its figures count; one that does not is drawn and stands in no mean
     * @param at which points of the record these are; none of a curve among many
     */
    record Curve(String label, long id, boolean counts, int[] at, float[] x, float[] y, List<Mark> marks) {}

    /** What curves have in common. */
    record Band(String words, int curves, float[] x, float[] mean, float[] low, float[] high) {}

    /** All of a drawing. */
    record Sheet(Axes axes, List<Curve> curves, @Nullable Band own, List<Band> others) {}

    /** A lot whose curves may stand beside those of this one. */
    record Other(String code, String words) {}

    /** The records of a lot, those of one drawing together. */
    List<Group> groups(LotView lot) {
        return groups(records.of(lot));
    }

    private static List<Group> groups(List<Records.Listed> all) {
        Map<String, List<Records.Listed>> byKey = new LinkedHashMap<>();
        for (Records.Listed one : all) {
            if (one.analysis() != null) {
                byKey.computeIfAbsent(
                                one.specimen().specimen().setId() + "-"
                                        + one.readBy().name().charAt(0),
                                key -> new ArrayList<>())
                        .add(one);
            }
        }
        List<Group> groups = new ArrayList<>();
        byKey.forEach((key, own) -> {
            Records.Listed first = own.get(0);
            Conditions conditions = first.specimen().specimen().conditions();
            String words = first.specimen().method().data().title() + ", "
                    + conditions.orientation().name() + ", " + own.get(0).label()
                    + (own.size() > 1 ? " to " + own.get(own.size() - 1).label() : "") + ", by "
                    + first.readBy().words();
            groups.add(new Group(key, words, conditions, first.readBy(), own));
        });
        return groups;
    }

    /** Other lots of the product whose records were taken under the same terms, the reference lot first. */
    List<Other> others(LotView lot, Group group) {
        Optional<Long> reference =
                references.of(lot.productId()).map(one -> one.lot().id());
        List<LotView> near = new ArrayList<>(lots.newest(lot.productId(), OFFERED));
        reference
                .filter(id -> near.stream().noneMatch(one -> one.id() == id))
                .ifPresent(id -> near.add(0, lots.lot(id)));
        near.removeIf(one -> one.id() == lot.id());
        Set<Long> alike = records.lotsWith(near.stream().map(LotView::id).toList(), group.conditions(), group.by());
        return near.stream()
                .filter(one -> alike.contains(one.id()))
                .sorted(java.util.Comparator.comparing(
                        one -> reference.filter(id -> id == one.id()).isEmpty()))
                .map(one -> new Other(
                        one.code(),
                        one.code() + (reference.filter(id -> id == one.id()).isPresent() ? ", the reference lot" : "")))
                .toList();
    }

    private static List<Records.Listed> same(Group group, List<Records.Listed> others) {
        return others.stream()
                .filter(one -> one.analysis() != null
                        && one.readBy() == group.by()
                        && one.specimen().specimen().conditions().equals(group.conditions()))
                .toList();
    }

    /** A set overlaid, with its mean and band, and the envelopes of other lots. */
    Sheet sheet(Group group, List<LotView> others) {
        List<Curve> curves = curves(group.records(), group.loading());
        List<Band> bands = new ArrayList<>();
        for (LotView other : others) {
            List<Records.Listed> same = same(group, records.of(other));
            band(curves(same, group.loading()), "lot " + other.code() + ", lowest to highest", false)
                    .ifPresent(bands::add);
        }
        return new Sheet(
                Axes.of(group.loading(), group.by()),
                curves,
                band(curves, "mean of the set, with one standard deviation", true)
                        .orElse(null),
                bands);
    }

    private List<Curve> curves(List<Records.Listed> all, Loading loading) {
        Map<Long, String> drawn = records.drawn(all.stream()
                .map(Records.Listed::analysis)
                .filter(Objects::nonNull)
                .toList());
        List<Curve> curves = new ArrayList<>();
        for (Records.Listed one : all) {
            String pairs = drawn.get(one.analysis());
            if (pairs == null) {
                continue;
            }
            try {
                Piece piece = Worked.recorded(one.specimen())
                        .piece(
                                one.specimen().read(),
                                one.specimen().pinned(),
                                one.readBy(),
                                java.util.OptionalDouble.empty(),
                                java.util.OptionalDouble.empty());
                String[] figures = pairs.split(" ");
                float[] x = new float[figures.length / 2];
                float[] y = new float[figures.length / 2];
                for (int i = 0; i < x.length; i++) {
                    x[i] = (float) (Double.parseDouble(figures[2 * i]) / piece.length() * loading.drawn());
                    y[i] = (float) (Double.parseDouble(figures[2 * i + 1]) / piece.area());
                }
                boolean counts = one.specimen().ended().stream()
                        .noneMatch(end -> end.outcome() != null
                                && one.specimen().method().data().excludes(end.outcome()));
                curves.add(new Curve(one.label(), one.id(), counts, new int[0], x, y, List.of()));
            } catch (IllegalArgumentException none) {
                // Its sizes were taken away: the others are drawn all the same.
                LOG.info("record {} is not drawn: {}", one.id(), none.getMessage());
            }
        }
        return curves;
    }

    private static Optional<Band> band(List<Curve> curves, String words, boolean deviation) {
        List<double[][]> counting = curves.stream()
                .filter(curve -> curve.counts() && curve.x().length > 1)
                .map(curve -> new double[][] {doubles(curve.x()), doubles(curve.y())})
                .toList();
        if (counting.isEmpty() || (deviation && counting.size() < 2)) {
            return Optional.empty();
        }
        Envelope all = Envelope.of(counting);
        float[] low = new float[Envelope.PLACES];
        float[] high = new float[Envelope.PLACES];
        for (int i = 0; i < low.length; i++) {
            low[i] = (float) (deviation ? all.mean()[i] - all.deviation()[i] : all.lowest()[i]);
            high[i] = (float) (deviation ? all.mean()[i] + all.deviation()[i] : all.highest()[i]);
        }
        return Optional.of(new Band(
                words + " (" + all.curves() + (all.curves() == 1 ? " curve)" : " curves)"),
                all.curves(),
                floats(all.strain()),
                floats(all.mean()),
                low,
                high));
    }

    private static double[] doubles(float[] values) {
        return IntStream.range(0, values.length).mapToDouble(i -> values[i]).toArray();
    }

    private static float[] floats(double[] values) {
        float[] floats = new float[values.length];
        for (int i = 0; i < floats.length; i++) {
            floats[i] = (float) values[i];
        }
        return floats;
    }

    /** The records of a set, drawn. */
    public record Drawn(String words, Drawing drawing) {}

    /** Every set of a lot that has records, drawn with its mean and band. */
    public List<Drawn> drawings(LotView lot) {
        return groups(lot).stream()
                .map(group -> new Drawn(group.words(), Drawing.of(sheet(group, List.of()))))
                .toList();
    }

    /** One record with the points that an analysis found on it, and beside it the curves of its other analyses' points. */
    Sheet alone(Records.RecordView record) {
        return alone(record, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    }

    /** The same between two ways as they stand on its axis, with as many points as the whole would have: looked at nearer. */
    Sheet alone(Records.RecordView record, double from, double to) {
        Piece.By by = record.listed().readBy();
        Loading loading = Worked.recorded(record.listed().specimen()).loading();
        List<Curve> curves = new ArrayList<>();
        for (Records.AnalysisView analysis : record.analyses()) {
            analysis.worked().ifPresent(worked -> curves.add(alone(analysis, worked, loading, from, to)));
        }
        return new Sheet(Axes.of(loading, by), curves, null, List.of());
    }

    private static Curve alone(Records.AnalysisView analysis, Worked worked, Loading loading, double from, double to) {
        Trace trace = worked.trace();
        double scale = loading.drawn() / worked.piece().length();
        int begin = trace.size();
        int end = 0;
        for (int i = 0; i < trace.size(); i++) {
            double way = worked.way(i) * scale;
            if (way >= from && way <= to) {
                begin = Math.min(begin, i);
                end = i + 1;
            }
        }
        // One point more at either side, so that the line goes on to the edge; nothing there is the whole.
        int[] kept = end == 0
                ? Thinned.of(trace, ALONE)
                : Thinned.of(trace, Math.max(0, begin - 1), Math.min(trace.size(), end + 1), ALONE);
        float[] x = new float[kept.length];
        float[] y = new float[kept.length];
        for (int i = 0; i < kept.length; i++) {
            x[i] = (float) (worked.way(kept[i]) * scale);
            y[i] = (float) (trace.force(kept[i]) / worked.piece().area());
        }
        List<Mark> marks = worked.found().analysis().points().stream()
                .map(point -> new Mark(
                        point.kind().words(),
                        point.kind() != Analysis.Point.Kind.READ,
                        loading.drawn() * point.strain(),
                        point.stress(),
                        point.how()))
                .toList();
        return new Curve("analysis " + analysis.id(), analysis.id(), analysis.counts(), kept, x, y, marks);
    }

    /** The curves as CSV: a row a point. */
    static String csv(Sheet sheet) {
        StringBuilder text = new StringBuilder(
                "curve," + head(sheet.axes().strain(), sheet.axes().strainUnit()) + ","
                        + head(sheet.axes().stress(), sheet.axes().stressUnit()) + "\r\n");
        for (Curve curve : sheet.curves()) {
            for (int i = 0; i < curve.x().length; i++) {
                text.append(curve.label())
                        .append(',')
                        .append(curve.x()[i])
                        .append(',')
                        .append(curve.y()[i])
                        .append("\r\n");
            }
        }
        return text.toString();
    }

    private static String head(String what, String unit) {
        String plain = what.replace(",", "");
        return unit.isEmpty() ? plain : plain + " [" + unit + "]";
    }
}
