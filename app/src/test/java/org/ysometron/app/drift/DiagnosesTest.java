package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.ysometron.app.drift.Diagnoses.Diagnosis;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Requirement;

/** The demo's hidden stories are found, at the right lots and in the right shape. */
class DiagnosesTest extends SkerrySite {

    @Autowired
    private DriftCharts charts;

    @Autowired
    private Diagnoses diagnoses;

    @Autowired
    private LastingChanges changes;

    @Autowired
    private MovedTogether moved;

    @Autowired
    private Glances glances;

    @Autowired
    private JdbcTemplate database;

    private Diagnosis said(SeriesView found, Optional<Requirement> claim) {
        return diagnoses.of(found, ofTheDemo(found, "SK-"), claim).orElseThrow();
    }

    /** M65: Skerry's upright strength slides by little a lot, and no lot lies beyond a limit when it begins. */
    @Test
    void m65ASlowSlideIsNamedWithTheLotsThatAreLeft() {
        Diagnosis said = said(skerry(Orientation.ZX), Optional.of(Requirement.atLeast(24.0, "MPa", 5)));

        assertThat(said.headline()).startsWith("It slides since about SK-01").contains("down");
        assertThat(said.sentences().get(0)).contains("95 %");
        assertThat(String.join(" ", said.sentences())).contains("the claimed 24.0 MPa is met");
    }

    /** The lot with which more regrind went in lies where the slide may have begun, and is named there; fibre lots come and go. */
    @Test
    void whatElseChangedThereIsNamed() {
        SeriesView upright = skerry(Orientation.ZX);
        Diagnosis said = said(upright, Optional.of(Requirement.atLeast(24.0, "MPa", 5)));
        assertThat(lots.lot(said.earliest()).code()).isLessThanOrEqualTo("SK-0121");
        assertThat(lots.lot(said.latest()).code()).isGreaterThanOrEqualTo("SK-0121");

        LastingChanges.Found found = changes.of(ofTheDemo(upright, "SK-"));
        assertThat(found.seldom())
                .extracting(LastingChanges.Change::words)
                .contains("SK-0121: regrind 12 % (before: 5 %)");
        assertThat(found.often()).contains("fibre lot, 9 times");
    }

    /** The demo's other stories: Curlew's other light engine, and Dunlin's worn die that makes the strand oval. */
    @Test
    void theStoriesOfTheOtherProductsAreFound() {
        assertThat(story("CW-0020", "tension-strength", "CW-")).startsWith("Another level since CW-0018");
        // The die was changed while DN-0047 ran: it is the last of the old or the first of the new, as its log is read.
        assertThat(story("DN-0050", "ovality", "DN-")).matches("Another level since DN-004[78]: .* higher than .*");
    }

    private String story(String lot, String property, String code) {
        return series.ofProduct(lots.named(lot).productId()).stream()
                .filter(one -> one.property().id().contains(property))
                .map(one -> Map.entry(one, ofTheDemo(one, code)))
                .max(Comparator.comparingInt(entry -> entry.getValue().size()))
                .flatMap(entry -> diagnoses.of(entry.getKey(), entry.getValue(), Optional.empty()))
                .orElseThrow()
                .headline();
    }

    /** Its flat strength has no story: what is looked for everywhere is not found everywhere. */
    @Test
    void ofASeriesWithoutAStoryNoneIsTold() {
        Diagnosis said = said(skerry(Orientation.XY), Optional.empty());

        assertThat(said.headline()).startsWith("No single change stands out of chance");
        assertThat(said.earliest()).isNull();
    }

    /** Points by turns about two levels are two streams; what parts their lots just so is named, and no index is told of them. */
    @Test
    void twoStreamsAreNamedWithWhatPartsThem() {
        SeriesView flat = skerry(Orientation.XY);
        List<PointView> real = ofTheDemo(flat, "SK-").subList(0, 24);
        List<PointView> turns = IntStream.range(0, 24)
                .mapToObj(i -> {
                    PointView point = real.get(i);
                    double mean = (i % 2 == 0 ? 52 : 55) + 0.1 * (i * 7 % 5);
                    return new PointView(point.lotId(), point.madeOn(), 5, mean, 1.0, 0);
                })
                .toList();
        Diagnosis said = diagnoses.of(flat, turns, Optional.empty()).orElseThrow();

        assertThat(said.isTwoStreams()).isTrue();
        assertThat(said.shape()).isNull();
        assertThat(said.headline())
                .isEqualTo("Its lots fall into two streams: 12 about 52.20 MPa, 12 about 55.19 MPa.");
        assertThat(String.join(" ", said.sentences()))
                .contains("fewer than 0.1 %", "Nothing on record parts the lots so");
        List<PointView> byFibre = real.stream()
                .map(point -> new PointView(
                        point.lotId(),
                        point.madeOn(),
                        5,
                        lots.lot(point.lotId()).code().compareTo("SK-0121") < 0 ? 52 : 55,
                        1.0,
                        0))
                .toList();
        assertThat(changes.parting(byFibre, 53)).contains("regrind 5 % with the lower, 12 % with the upper");
        assertThat(changes.parting(turns, 53.5)).isEmpty();
    }

    /** A series that changed names the others that changed at the same lots, whose they are, and what that points to. */
    @Test
    void whatMovedTogetherIsNamed() {
        while (glances.refresh() > 0) {
            Thread.onSpinWait();
        }
        List<SeriesView> looked =
                glances.all().stream().map(Glances.Standing::series).toList();
        SeriesView upright = skerry(Orientation.ZX);
        LocalDate day = LocalDate.of(1999, 3, 10);
        SeriesView own = looked.stream()
                .filter(one -> one.productId() == upright.productId() && one.id() != upright.id())
                .findFirst()
                .orElseThrow();
        SeriesView foreign = looked.stream()
                .filter(one -> one.productId() != upright.productId())
                .findFirst()
                .orElseThrow();
        MovedTogether.Place place = new MovedTogether.Place(day.minusDays(9), day, day.plusDays(9));
        assertThat(moved.of(upright, place).others()).isEmpty();
        assertThat(moved.of(upright, place).words()).startsWith("No other series changed there (");
        List<Map<String, Object>> before = database.queryForList("select * from drift_glance");
        try {
            changed(own, day.minusDays(3), day.minusDays(1), day.plusDays(1));
            // Its own likeliest place is not among those at which the first may have changed.
            changed(foreign, day.minusDays(30), day.minusDays(20), day.plusDays(30));
            assertThat(moved.of(upright, place).others())
                    .extracting(MovedTogether.Other::seriesId)
                    .containsExactly(own.id());
            assertThat(moved.of(upright, place).words()).startsWith("1 of ").contains("All are of this product");
            // Nor is the first's among its.
            changed(foreign, day.plusDays(1), day.plusDays(2), day.plusDays(3));
            assertThat(moved.of(upright, place).others()).hasSize(1);
            changed(foreign, day.minusDays(1), day, day.plusDays(3));
            assertThat(moved.of(upright, place).words()).contains("2 of ", "before the material");
            // One whose points joined another chart has nothing to move any more.
            database.update("update evidence_point set series_id = -series_id where series_id = ?", foreign.id());
            try {
                assertThat(moved.of(upright, place).others())
                        .extracting(MovedTogether.Other::seriesId)
                        .containsExactly(own.id());
            } finally {
                database.update(
                        "update evidence_point set series_id = ? where series_id = ?", foreign.id(), -foreign.id());
            }
        } finally {
            before.forEach(row -> database.update(
                    "update drift_glance set headline = ?, changed_from = ?, changed_at = ?, changed_to = ? where series_id = ?",
                    row.get("headline"),
                    row.get("changed_from"),
                    row.get("changed_at"),
                    row.get("changed_to"),
                    row.get("series_id")));
        }
    }

    private void changed(SeriesView of, LocalDate from, LocalDate at, LocalDate to) {
        database.update(
                "update drift_glance set headline = 'Another level.', changed_from = ?, changed_at = ?, changed_to = ? where series_id = ?",
                from,
                at,
                to,
                of.id());
    }

    /** Where a change may have begun is bracketed over the chart as far as those lots are in sight, and only then. */
    @Test
    void whereItMayHaveBegunIsBracketed() {
        for (SeriesView one : series.ofProduct(lots.named("SK-0130").productId())) {
            DriftView view = charts.view(one.id(), null);
            Long latest = view.diagnosis() == null ? null : view.diagnosis().latest();
            boolean inSight =
                    latest != null && view.lotCodes().contains(lots.lot(latest).code());
            boolean there =
                    view.means().brackets().stream().anyMatch(b -> b.label().equals("may have begun here, 95 %"));

            assertThat(there).as(one.title()).isEqualTo(inSight);
        }
    }
}
