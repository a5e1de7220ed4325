package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.drift.Glance.Attention;
import org.ysometron.app.drift.Glances.Standing;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Products.ProductView;
import org.ysometron.core.working.Figures;

/** All series, ranked by what they ask for, each with a small drawn line. */
@Component
class GlancePage {

    static final int ROWS = 60;
    private static final double WIDTH = 260;
    private static final double HEIGHT = 40;

    private final Glances glances;
    private final Signals signals;
    private final Products products;
    private final Lots lots;

    GlancePage(Glances glances, Signals signals, Products products, Lots lots) {
        this.glances = glances;
        this.signals = signals;
        this.products = products;
        this.lots = lots;
    }

    /** What is asked for: empty words for all. */
    record Wanted(String product, String characteristic, String state, int page) {}

    /** A choice of a filter with how many series it leaves. */
    record Choice(String value, String words, long count) {}

    /**
     * A series.
     *
     * @param asks what its charts say at a lot that waits; empty where nothing waits for an answer
     */
    record Row(
            String product,
            String productCode,
            long seriesId,
            String title,
            String newest,
            Attention attention,
            String words,
            String asks,
            Drawing drawing) {}

    /** The small line: its path, its lots with a signal, centre, limits and claimed edges where there are any. */
    record Drawing(
            String path,
            List<Scale.Tick> signals,
            double lastX,
            double lastY,
            @Nullable Double centre,
            List<Double> limits,
            List<Double> edges) {}

    /** The page. */
    record View(
            List<Row> rows,
            List<Choice> productChoices,
            List<Choice> characteristics,
            List<Choice> states,
            int total,
            int page,
            int pages) {}

    private record Found(Standing standing, ProductView product, Attention attention, String asks) {}

    View view(Wanted wanted) {
        Map<Long, ProductView> byId =
                products.all().stream().collect(Collectors.toMap(ProductView::id, product -> product));
        Map<Long, String> asked = asked();
        List<Found> all = new ArrayList<>();
        for (Standing one : glances.all()) {
            ProductView product = byId.get(one.series().productId());
            if (product != null) {
                String asks = asked.getOrDefault(one.series().id(), "");
                Attention attention = asks.isEmpty() ? one.glance().attention() : Attention.ASKS;
                all.add(new Found(one, product, attention, asks));
            }
        }
        List<Found> left = all.stream()
                .filter(one -> fits(wanted.product, one.product.code()))
                .filter(one -> fits(
                        wanted.characteristic, one.standing.series().property().id()))
                .toList();
        List<Found> shown = left.stream()
                .filter(one -> fits(wanted.state, one.attention.name()))
                .sorted(Comparator.comparing(Found::attention)
                        .thenComparing(GlancePage::left)
                        .thenComparing(one -> one.product.name())
                        .thenComparing(one -> one.standing.series().title()))
                .toList();
        int pages = Math.max(1, (shown.size() + ROWS - 1) / ROWS);
        int page = Math.max(0, Math.min(wanted.page, pages - 1));
        return new View(
                shown.stream()
                        .skip((long) page * ROWS)
                        .limit(ROWS)
                        .map(GlancePage::row)
                        .toList(),
                choices(all.stream().map(one -> new Choice(one.product.code(), one.product.name(), 1))),
                choices(all.stream()
                        .map(one -> one.standing.series().property())
                        .map(property -> new Choice(property.id(), property.title(), 1))),
                states(left),
                shown.size(),
                page,
                pages);
    }

    private static boolean fits(String wanted, String value) {
        return wanted.isEmpty() || wanted.equals(value);
    }

    private static double left(Found one) {
        Double left = one.standing.glance().left();
        return left == null ? Double.MAX_VALUE : left;
    }

    /** What charts say at lots that wait, and nobody has answered, by series. */
    private Map<Long, String> asked() {
        Map<Long, List<LotSignal>> due = signals.atDueLots();
        Map<Long, String> codes = lots.all(due.keySet()).stream().collect(Collectors.toMap(LotView::id, LotView::code));
        return due.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .flatMap(entry -> entry.getValue().stream()
                        .filter(signal -> !signal.isAnswered())
                        .map(signal -> Map.entry(
                                signal.seriesId(), codes.getOrDefault(entry.getKey(), "") + ": " + signal.words())))
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.joining("; "))));
    }

    private static List<Choice> choices(Stream<Choice> all) {
        return all.collect(Collectors.groupingBy(Choice::value)).values().stream()
                .map(same -> new Choice(same.get(0).value(), same.get(0).words(), same.size()))
                .sorted(Comparator.comparing(Choice::words))
                .toList();
    }

    private static List<Choice> states(Collection<Found> left) {
        Map<Attention, Long> counts = left.stream()
                .collect(Collectors.groupingBy(
                        Found::attention, () -> new EnumMap<>(Attention.class), Collectors.counting()));
        return counts.entrySet().stream()
                .map(entry -> new Choice(entry.getKey().name(), entry.getKey().words(), entry.getValue()))
                .toList();
    }

    private static Row row(Found one) {
        Glance glance = one.standing.glance();
        var series = one.standing.series();
        String newest = glance.means().isEmpty()
                ? ""
                : Figures.withUnit(
                        glance.means().get(glance.means().size() - 1),
                        series.property().digits() + 1,
                        series.property().unit());
        return new Row(
                one.product.name(),
                one.product.code(),
                series.id(),
                series.titleWithBlend(),
                newest,
                one.attention,
                isWorthTelling(one) ? glance.words() : "",
                one.asks,
                drawing(glance));
    }

    /** Beside what waits for an answer, that a series is as it was tells nothing. */
    private static boolean isWorthTelling(Found one) {
        Attention itself = one.standing.glance().attention();
        return one.asks.isEmpty() || itself.compareTo(Attention.UNWATCHED) < 0;
    }

    private static Drawing drawing(Glance glance) {
        List<Double> values = new ArrayList<>(glance.means());
        List<Double> limits = Stream.of(glance.lower(), glance.upper())
                .filter(java.util.Objects::nonNull)
                .toList();
        values.addAll(limits);
        // A claim that is far away would press the line flat; it is drawn where the line comes near it.
        double low = values.stream().mapToDouble(Double::doubleValue).min().orElse(0);
        double high = values.stream().mapToDouble(Double::doubleValue).max().orElse(1);
        List<Double> edges = Stream.of(glance.least(), glance.most())
                .filter(java.util.Objects::nonNull)
                .filter(edge -> edge >= low - (high - low) && edge <= high + (high - low))
                .toList();
        values.addAll(edges);
        Scale y = Scale.holding(values, HEIGHT - 4, 4);
        double step = (WIDTH - 16) / Math.max(1, Glances.DRAWN - 1);
        double from = WIDTH - 8 - step * (glance.means().size() - 1);
        StringBuilder path = new StringBuilder();
        List<Scale.Tick> ringed = new ArrayList<>();
        double lastX = from;
        double lastY = HEIGHT / 2;
        for (int i = 0; i < glance.means().size(); i++) {
            lastX = Math.rint(10 * (from + step * i)) / 10;
            lastY = y.at(glance.means().get(i));
            path.append(path.isEmpty() ? "M" : "L").append(lastX).append(' ').append(lastY);
            if (glance.signals().contains(i)) {
                ringed.add(new Scale.Tick(lastX, String.valueOf(lastY)));
            }
        }
        Double centre = glance.centre();
        return new Drawing(
                path.toString(),
                ringed,
                lastX,
                lastY,
                centre == null ? null : y.at(centre),
                limits.stream().map(y::at).toList(),
                edges.stream().map(y::at).toList());
    }
}
