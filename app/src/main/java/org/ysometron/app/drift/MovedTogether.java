package org.ysometron.app.drift;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Diagnoses.Diagnosis;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.product.Products;

/**
 * Which other series changed where one did. Two changed together where the likeliest place of each lies among the places at which the other may have
 * changed; asked of all series at once, as they were last looked at.
 */
@Component
class MovedTogether {

    /** More are not named: then it is no story of these. */
    private static final int MOST = 50;

    /** One that joined the chart of another has none of its own any more. */
    private static final String HAS_LOTS =
            " and exists (select 1 from evidence_point p where p.series_id = drift_glance.series_id)";

    private final JdbcTemplate database;
    private final SeriesPoints series;
    private final Products products;

    MovedTogether(JdbcTemplate database, SeriesPoints series, Products products) {
        this.database = database;
        this.series = series;
        this.products = products;
    }

    /** Where a series changed: the day on which its likeliest lot was made, and between which days that may lie. */
    record Place(LocalDate from, LocalDate at, LocalDate to) {

        /** Of what was said of these points; null where no change is spoken of. */
        static @Nullable Place of(Diagnosis said, List<PointView> points) {
            if (said.at() == null || said.earliest() == null || said.latest() == null) {
                return null;
            }
            Map<Long, LocalDate> made = points.stream()
                    .collect(Collectors.toMap(PointView::lotId, PointView::madeOn, (first, again) -> first));
            LocalDate from = made.get(said.earliest());
            LocalDate at = made.get(said.at());
            LocalDate to = made.get(said.latest());
            return from == null || at == null || to == null ? null : new Place(from, at, to);
        }
    }

    /** Another series that changed there: whose it is, and what is said of it. */
    record Other(long seriesId, String product, String productCode, String title, String words, boolean isOwn) {}

    /**
     * What moved together.
     *
     * @param of how many other series have lots enough to be looked at
     */
    record Found(List<Other> others, int of) {

        /** What it means, in words. */
        public String words() {
            boolean isElsewhere = others.stream().anyMatch(other -> !other.isOwn);
            String share = others.size() + " of " + of + " other series changed there as well; of series without any "
                    + "change about one in twenty looks changed somewhere.";
            if (others.isEmpty()) {
                return "No other series changed there (" + of + " were looked at): it is of this one alone.";
            }
            return isElsewhere
                    ? share + " Other products are among them: look at testers, climate and the reference lot before "
                            + "the material."
                    : share + " All are of this product: look at what its lots have in common before the tester.";
        }
    }

    /** Others that changed where this one did. */
    Found of(SeriesView of, Place place) {
        Map<Long, String> found = database
                .query(
                        "select series_id, headline from drift_glance where series_id <> ? and changed_at between ? and ?"
                                + " and changed_from <= ? and changed_to >= ?" + HAS_LOTS + " order by series_id limit "
                                + MOST,
                        (row, number) -> Map.entry(row.getLong(1), row.getString(2)),
                        of.id(),
                        place.from,
                        place.to,
                        place.at,
                        place.at)
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        Integer looked = database.queryForObject(
                "select count(*) from drift_glance where series_id <> ? and headline is not null" + HAS_LOTS,
                Integer.class,
                of.id());
        List<Other> others = new ArrayList<>();
        series.all(found.keySet()).forEach((id, one) -> {
            Products.ProductView product = products.product(one.productId());
            others.add(new Other(
                    id,
                    product.name(),
                    product.code(),
                    one.title(),
                    found.getOrDefault(id, ""),
                    one.productId() == of.productId()));
        });
        others.sort(Comparator.comparing(Other::isOwn).reversed().thenComparing(Other::title));
        return new Found(List.copyOf(others), looked == null ? 0 : looked);
    }
}
