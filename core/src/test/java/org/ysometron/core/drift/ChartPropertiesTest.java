package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.ysometron.core.statistics.Summary;

/** What has to hold of every chart, whatever the numbers: units, mirrors, and the definitions that came before the recursions. */
class ChartPropertiesTest {

    private static double[] normal(long seed, int n) {
        Random random = new Random(seed);
        return random.doubles(n).map(p -> 50 + 3 * random.nextGaussian()).toArray();
    }

    private static double[] scaled(double[] values, double by, double plus) {
        return Arrays.stream(values).map(x -> by * x + plus).toArray();
    }

    /** Another unit, another zero: the same lots signal, and limits are converted as values are. */
    @Property(tries = 100)
    void anotherUnitChangesNoSignal(
            @ForAll @IntRange(min = 0, max = 100_000) int seed,
            @ForAll @DoubleRange(min = 0.01, max = 50) double by,
            @ForAll @DoubleRange(min = -200, max = 200) double plus) {
        double[] values = normal(seed, 24);
        double[] other = scaled(values, by, plus);
        EwmaChart one = EwmaChart.of(values, new EwmaChart.Plan(50, 3, 0.2, 2.7, 50, true));
        EwmaChart two = EwmaChart.of(other, new EwmaChart.Plan(50 * by + plus, 3 * by, 0.2, 2.7, 50 * by + plus, true));
        CusumChart sums = CusumChart.of(values, new CusumChart.Plan(50, 3, 0.5, 4, 1));
        CusumChart others = CusumChart.of(other, new CusumChart.Plan(50 * by + plus, 3 * by, 0.5, 4, 1));
        for (int i = 0; i < values.length; i++) {
            assertThat(two.points().get(i).z())
                    .isCloseTo(by * one.points().get(i).z() + plus, within(1e-9 * (1 + by)));
            assertThat(two.points().get(i).upper())
                    .isCloseTo(by * one.points().get(i).upper() + plus, within(1e-9 * (1 + by)));
            assertThat(others.points().get(i).upper())
                    .isCloseTo(sums.points().get(i).upper(), within(1e-9));
        }
        SubgroupLimits limits = SubgroupLimits.of(rows(values, 4), SubgroupLimits.Sigma.RANGES);
        SubgroupLimits converted = SubgroupLimits.of(rows(other, 4), SubgroupLimits.Sigma.RANGES);
        assertThat(converted.means().upper()).isCloseTo(by * limits.means().upper() + plus, within(1e-9 * (1 + by)));
        assertThat(converted.ranges().upper()).isCloseTo(by * limits.ranges().upper(), within(1e-9 * by + 1e-9));
        assertThat(MovingRanges.of(other, 3, MovingRanges.Centre.MEDIAN).sigma())
                .isCloseTo(
                        by
                                * MovingRanges.of(values, 3, MovingRanges.Centre.MEDIAN)
                                        .sigma(),
                        within(1e-9 * (1 + by)));
    }

    private static List<double[]> rows(double[] values, int each) {
        List<double[]> rows = new ArrayList<>();
        for (int i = 0; i < values.length; i += each) {
            rows.add(Arrays.copyOfRange(values, i, i + each));
        }
        return rows;
    }

    /** All weight on the newest value: the averages are the values and the limits those of single values. */
    @Test
    void anEwmaOfWeightOneIsTheSeries() {
        double[] values = normal(3, 10);
        EwmaChart chart = EwmaChart.of(values, new EwmaChart.Plan(50, 3, 1, 3, 12, true));
        for (int i = 0; i < values.length; i++) {
            EwmaChart.Point point = chart.points().get(i);
            assertThat(point.z()).isEqualTo(values[i]);
            assertThat(point.upper()).isEqualTo(59);
            assertThat(point.lower()).isEqualTo(41);
            assertThat(point.isBeyond()).isEqualTo(values[i] > 59 || values[i] < 41);
        }
    }

    /** A value on the limit is not beyond it; one grain farther is. */
    @Test
    void aPointOnALimitIsNotBeyondIt() {
        EwmaChart.Plan plan = new EwmaChart.Plan(0, 1, 1, 3, 0, false);
        assertThat(EwmaChart.of(new double[] {3, -3}, plan).points()).noneMatch(EwmaChart.Point::isBeyond);
        assertThat(EwmaChart.of(new double[] {3.001, -3.001}, plan).points()).allMatch(EwmaChart.Point::isBeyond);
        CusumChart.Plan sums = new CusumChart.Plan(0, 1, 0.5, 2, 0);
        assertThat(CusumChart.of(new double[] {2.5, -5}, sums).points())
                .extracting(CusumChart.Point::signal)
                .containsExactly(false, true);
        SubgroupLimits.Line line = new SubgroupLimits.Line(0, -1, 1);
        assertThat(line.isBeyond(1) || line.isBeyond(-1)).isFalse();
        assertThat(line.isBeyond(1.01) && line.isBeyond(-1.01)).isTrue();
    }

    /** Page's definition: the upper sum is how far the walk of z − k stands above its lowest point so far. */
    @Property(tries = 100)
    void theUpperSumIsTheWalkAboveItsLowestPoint(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        double[] values = normal(seed, 30);
        List<CusumChart.Point> points =
                CusumChart.of(values, new CusumChart.Plan(50, 3, 0.25, 3, 0)).points();
        double walk = 0;
        double lowest = 0;
        int since = 0;
        for (int i = 0; i < values.length; i++) {
            walk += (values[i] - 50) / 3 - 0.25;
            lowest = Math.min(lowest, walk);
            since = walk - lowest > 1e-12 ? since + 1 : 0;
            assertThat(points.get(i).upper()).isCloseTo(walk - lowest, within(1e-9));
            assertThat(points.get(i).upperSince()).isEqualTo(since);
        }
    }

    /** The series turned over: the sums change places. */
    @Property(tries = 50)
    void turnedOverTheSumsChangePlaces(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        double[] values = normal(seed, 20);
        CusumChart one = CusumChart.of(values, new CusumChart.Plan(50, 3, 0.5, 4, 2));
        CusumChart two = CusumChart.of(scaled(values, -1, 100), new CusumChart.Plan(50, 3, 0.5, 4, 2));
        for (int i = 0; i < values.length; i++) {
            CusumChart.Point a = one.points().get(i);
            CusumChart.Point b = two.points().get(i);
            assertThat(b.lower()).isCloseTo(a.upper(), within(1e-9));
            assertThat(b.lowerSince()).isEqualTo(a.upperSince());
            assertThat(b.signal()).isEqualTo(a.signal());
        }
    }

    /** T² knows no units and no linear mixture; over the lots it came from its mean is p(m − 1)/m. */
    @Property(tries = 50)
    void tSquaredKnowsNoUnitsAndNoMixture(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        Random random = new Random(seed);
        double[][] lots = new double[12][];
        double[][] mixed = new double[12][];
        for (int i = 0; i < lots.length; i++) {
            double x = random.nextGaussian();
            double y = 0.6 * x + random.nextGaussian();
            lots[i] = new double[] {x, y};
            mixed[i] = new double[] {1000 * (x + 2 * y) + 7, 0.01 * (x - y) - 3};
        }
        for (TSquared.Scatter from : TSquared.Scatter.values()) {
            List<Double> one = TSquared.of(lots, 0.01, from).values();
            List<Double> two = TSquared.of(mixed, 0.01, from).values();
            for (int i = 0; i < lots.length; i++) {
                assertThat(two.get(i)).isCloseTo(one.get(i), within(1e-6 * (1 + one.get(i))));
            }
        }
        TSquared sample = TSquared.of(lots, 0.01, TSquared.Scatter.SAMPLE);
        assertThat(sample.values().stream()
                        .mapToDouble(Double::doubleValue)
                        .average()
                        .orElseThrow())
                .isCloseTo(2 * 11 / 12.0, within(1e-9));
        // A lot that the limits came from cannot lie beyond (m − 1)²/m, and a later one is allowed more.
        assertThat(sample.limit()).isLessThan(11 * 11 / 12.0);
        assertThat(sample.later()).isGreaterThan(sample.limit());
    }

    @Test
    void tSquaredRefusesWhatFollowsFromTheRest() {
        double[][] sum = {{1, 2, 3}, {2, 1, 3}, {4, 4, 8}, {0, 5, 5}, {3, 3, 6}, {1, 7, 8}};
        assertThatThrownBy(() -> TSquared.of(sum, 0.01, TSquared.Scatter.SAMPLE))
                .hasMessageContaining("follows from");
        double[][] alike = {{1, 2}, {1, 3}, {1, 5}, {1, 4}};
        assertThatThrownBy(() -> TSquared.of(alike, 0.01, TSquared.Scatter.SAMPLE))
                .hasMessageContaining("alike");
        assertThatThrownBy(() -> TSquared.of(new double[][] {{1, 2}, {2, 3}, {3, 1}}, 0.01, TSquared.Scatter.SAMPLE))
                .hasMessageContaining("two lots more");
    }

    /** As many values as the span: one range, that of them all. */
    @Test
    void aSpanOfAllValuesIsTheRange() {
        double[] values = normal(8, 7);
        Summary summary = Summary.of(values);
        MovingRanges found = MovingRanges.of(values, 7, MovingRanges.Centre.MEAN);
        assertThat(found.ranges()).containsExactly(summary.greatest() - summary.least());
        assertThat(found.sigma()).isCloseTo(found.centre() / 2.704, within(1e-3 * found.sigma()));
        assertThat(MovingRanges.of(values, 2, MovingRanges.Centre.MEAN).sigma())
                .isCloseTo(IndividualsLimits.of(values, "").sigma(), within(1e-12));
        assertThatThrownBy(() -> MovingRanges.of(values, 8, MovingRanges.Centre.MEAN))
                .hasMessageContaining("as many values");
    }

    /** Both edges' index is the mean of the edges' own; about the mean itself the target costs nothing. */
    @Property(tries = 50)
    void indicesAgreeWithOneAnother(
            @ForAll @DoubleRange(min = 0.2, max = 5) double sigma, @ForAll @DoubleRange(min = -3, max = 3) double off) {
        Capability found = new Capability(50 + off, sigma, 20, 19, OptionalDouble.of(44), OptionalDouble.of(56));
        double low = found.ofLower(0.9).orElseThrow().value();
        double high = found.ofUpper(0.9).orElseThrow().value();
        double both = found.both(0.9).orElseThrow().value();
        assertThat((low + high) / 2).isCloseTo(both, within(1e-12));
        assertThat(found.least(0.9).value()).isEqualTo(Math.min(low, high));
        assertThat(found.aboutTarget(50 + off)).hasValue(both);
        assertThat(found.aboutTarget(50 + off + sigma).orElseThrow()).isCloseTo(both / Math.sqrt(2), within(1e-12));
        for (Capability.Index index : List.of(
                found.least(0.9),
                found.both(0.9).orElseThrow(),
                found.ofLower(0.9).orElseThrow())) {
            assertThat(index.low()).isLessThan(index.value());
            assertThat(index.high()).isGreaterThan(index.value());
        }
    }

    @Test
    void oneEdgeHasOneIndex() {
        Capability found = new Capability(50, 2, 10, 9, OptionalDouble.empty(), OptionalDouble.of(56));
        assertThat(found.both(0.95)).isEmpty();
        assertThat(found.ofLower(0.95)).isEmpty();
        assertThat(found.aboutTarget(50)).isEmpty();
        assertThat(found.least(0.95)).isEqualTo(found.ofUpper(0.95).orElseThrow());
        // 0.135 % beyond three standard deviations (any table of the normal distribution).
        assertThat(found.shareOutside()).isCloseTo(0.00135, within(1e-5));
        assertThatThrownBy(() -> new Capability(50, 2, 10, 9, OptionalDouble.empty(), OptionalDouble.empty()))
                .hasMessageContaining("a least or a most");
        assertThatThrownBy(() -> new Capability(50, 2, 10, 9, OptionalDouble.of(56), OptionalDouble.of(44)))
                .hasMessageContaining("below the most");
        assertThatThrownBy(() -> new Capability(50, 0, 10, 9, OptionalDouble.of(1), OptionalDouble.empty()))
                .hasMessageContaining("scatter");
    }

    /** Run lengths at the ends of what they take, refused beyond, and two that must agree. */
    @Test
    void runLengthsWithinTheirRanges() {
        assertThat(AverageRunLength.ewma(1, 3, 0)).isCloseTo(AverageRunLength.beyondLimits(3, 0), within(1e-6));
        assertThat(AverageRunLength.ewmaWidening(1, 3, 1, 0))
                .isCloseTo(AverageRunLength.beyondLimits(3, 1), within(1e-9));
        assertThat(AverageRunLength.beyondLimits(8, 30)).isCloseTo(1, within(1e-9));
        assertThat(AverageRunLength.beyondLimitsOrRun(3, 1000, 0))
                .isCloseTo(AverageRunLength.beyondLimits(3, 0), within(1e-6));
        assertThat(AverageRunLength.cusum(0.5, 5, 1, 5, false)).isLessThan(AverageRunLength.cusum(0.5, 5, 1, 0, false));
        for (Runnable wrong : List.<Runnable>of(
                () -> AverageRunLength.beyondLimits(0, 0),
                () -> AverageRunLength.beyondLimits(8.01, 0),
                () -> AverageRunLength.beyondLimits(3, 30.01),
                () -> AverageRunLength.beyondLimitsOrRun(3, 1, 0),
                () -> AverageRunLength.beyondLimitsOrRun(3, 1001, 0),
                () -> AverageRunLength.ewma(0.0009, 3, 0),
                () -> AverageRunLength.ewma(1.01, 3, 0),
                () -> AverageRunLength.ewma(0.2, 3, 0, 3.01, true),
                () -> AverageRunLength.ewma(0.2, 3, 0, -0.01, false),
                () -> AverageRunLength.ewmaWidening(0.009, 3, 0, 0),
                () -> AverageRunLength.ewmaWidening(0.2, 3, 0, -3.01),
                () -> AverageRunLength.cusum(-0.01, 5, 0),
                () -> AverageRunLength.cusum(10.01, 5, 0),
                () -> AverageRunLength.cusum(0.5, 400.1, 0),
                () -> AverageRunLength.cusum(0.5, 5, 0, 5.01, true),
                () -> AverageRunLength.cusum(0.5, 5, 0, -0.01, true))) {
            assertThatThrownBy(wrong::run).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
