package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.drift.AverageChart;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.Methods;

class StripsTest {

    private static final double[] MEANS = {
        100, 101.4, 101.2, 101.5, 101.3, 101.4, 101.2, 99.8, 101.6, 101.4, 101.3, 101.5
    };

    private static final BaselineView LIMITS = new BaselineView(
            1,
            1,
            20,
            100,
            1,
            1.128,
            3.686,
            OptionalDouble.of(2),
            OptionalDouble.of(5),
            ChartRules.USUAL.with(Optional.of(AverageChart.USUAL), Optional.of(SumsChart.USUAL)),
            "quality",
            Instant.EPOCH,
            "");

    private static Sight sight(int from, Optional<BaselineView> limits) {
        List<PointView> points = IntStream.range(0, MEANS.length)
                .mapToObj(i ->
                        new PointView(i, LocalDate.EPOCH.plusDays(i), i == 3 ? 1 : 5, MEANS[i], i == 3 ? null : 2.0, 0))
                .toList();
        SeriesView series = new SeriesView(
                1,
                1,
                "natural",
                Methods.usual().data().main(),
                Conditions.ofMaterial("test", ""),
                Setup.NONE,
                new Blend("", "", 0));
        return new Sight(
                series,
                points.subList(from, points.size()),
                points.subList(0, from),
                Map.of(),
                Map.of(),
                limits,
                Set.of(),
                Map.of());
    }

    private static List<String> ringed(DriftView.Chart strip) {
        return strip.dots().stream()
                .filter(DriftView.Dot::signal)
                .map(DriftView.Dot::lot)
                .toList();
    }

    /** A chart that remembers says of the lots in sight the same, whatever was scrolled out of it. */
    @Test
    void whatIsOutOfSightIsRemembered() {
        List<DriftView.Chart> all = Strips.of(sight(0, Optional.of(LIMITS)));
        List<DriftView.Chart> late = Strips.of(sight(7, Optional.of(LIMITS)));

        assertThat(all).hasSize(4);
        // By hand: from 2.5 to 2.0, 2.9, 3.6, 3.83 (a mean of one, σ(1) = √4.2), 4.63, 5.53; anew 3.2, 2.5, 3.6, 4.5,
        // 5.3.
        assertThat(ringed(all.get(3))).containsExactly("lot 5", "lot 10");
        for (int strip = 0; strip < 4; strip++) {
            assertThat(ringed(late.get(strip)))
                    .as(all.get(strip).name())
                    .isEqualTo(ringed(all.get(strip)).stream()
                            .filter(lot -> Integer.parseInt(lot.substring(4)) >= 7)
                            .toList());
        }
        assertThat(ringed(late.get(3))).isNotEmpty();
        assertThat(ringed(late.get(3)))
                .isNotEqualTo(ringed(Strips.of(new Sight(
                                sight(7, Optional.of(LIMITS)).series(),
                                sight(7, Optional.of(LIMITS)).points(),
                                List.of(),
                                Map.of(),
                                Map.of(),
                                Optional.of(LIMITS),
                                Set.of(),
                                Map.of()))
                        .get(3)));
    }

    /** Without limits points are drawn, and no line and no ring; a lot of one specimen has no scatter. */
    @Test
    void withoutLimitsOnlyPointsAreDrawn() {
        List<DriftView.Chart> strips = Strips.of(sight(0, Optional.empty()));

        assertThat(strips).hasSize(2).allSatisfy(strip -> {
            assertThat(strip.lines()).isEmpty();
            assertThat(ringed(strip)).isEmpty();
            assertThat(strip.dots()).hasSize(MEANS.length - 1);
        });
    }

    /** The limits of an average widen over its first lots; that is not said to go by n. */
    @Test
    void theLimitsOfAnAverageWiden() {
        DriftView.Chart average = Strips.of(sight(0, Optional.of(LIMITS))).get(2);

        assertThat(average.lines()).extracting(DriftView.Line::kind).containsExactly("centre", "limit", "limit");
        assertThat(average.lines()).noneMatch(line -> line.label().contains("by n"));
        assertThat(average.lines().get(1).path().split("L")).hasSizeGreaterThan(3);
    }
}
