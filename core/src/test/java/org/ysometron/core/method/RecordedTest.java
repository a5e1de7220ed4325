package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Loading;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Trace;
import org.ysometron.core.curve.TraceFile;
import org.ysometron.core.reading.Readings;

/** Records of each method whose truth is known because it was put in: what is found goes the way of typed readings. */
class RecordedTest {

    private static final Map<String, double[]> BAR =
            Map.of("width", new double[] {10}, "thickness", new double[] {4}, "diameter", new double[] {6});

    private static Method method(String id) {
        return Methods.of(id).orElseThrow();
    }

    /** Straight or bent up to its end, and the fall behind it. */
    private static Trace trace(double end, DoubleUnaryOperator load) {
        int n = 2000;
        double[] way = new double[n + 5];
        double[] force = new double[n + 5];
        for (int i = 0; i < n + 5; i++) {
            way[i] = end * i / (n - 1);
            force[i] = i < n ? load.applyAsDouble(way[i]) : 0;
        }
        return Trace.of(new double[0], force, way);
    }

    private static Recorded.Found find(String method, Trace trace, Piece.By by) {
        Recorded recorded = method(method).data().recorded().orElseThrow();
        Readings sizes = new Readings(BAR, Map.of());
        Piece piece = recorded.piece(
                sizes, method(method).data().pinned(), by, OptionalDouble.empty(), OptionalDouble.empty());
        return recorded.find(trace, piece, Rules.USUAL);
    }

    private static double result(String method, Recorded.Found found, String characteristic) {
        Map<String, double[]> numbers = new LinkedHashMap<>(BAR);
        found.values().forEach((key, value) -> numbers.put(key, new double[] {value}));
        return method(method)
                .results(
                        new Readings(numbers, Map.of()),
                        method(method).data().pinned(),
                        method(method).data().usualEnd(),
                        OptionalDouble.empty())
                .stream()
                .filter(one -> one.characteristic().id().equals(characteristic))
                .findFirst()
                .orElseThrow()
                .value()
                .orElse(Double.NaN);
    }

    /** 40 mm² and 25 mm: 2 GPa is 3200 N/mm; it breaks at 50 MPa, 2000 N and 0.625 mm; half of 2000 N · 0.625 mm is 0.625 J. By hand. */
    @Test
    void aPullGivesStrengthStrainsModulusAndEnergy() {
        Recorded.Found found = find("tension", trace(0.625, x -> 3200 * x), Piece.By.EXTENSOMETER);
        assertThat(result("tension", found, "tension-strength")).isCloseTo(50, Percentage.withPercentage(0.3));
        assertThat(result("tension", found, "tension-modulus")).isCloseTo(2000, Percentage.withPercentage(1));
        assertThat(result("tension", found, "strain-at-break")).isCloseTo(0.025, Percentage.withPercentage(0.6));
        assertThat(result("tension", found, "energy-to-break")).isCloseTo(0.625, Percentage.withPercentage(1));
        assertThat(result("tension", found, "tension-apparent-modulus")).isNaN();
        assertThat(result("tension", found, "nominal-strain-at-break")).isNaN();
        assertThat(found.missing()).containsKeys("yield-force", "travel-at-break", "apparent-slope");
    }

    /** M26: of a crosshead there are travels and an apparent modulus, and neither strain nor modulus. */
    @Test
    void m26ACrossheadGivesNoStrainAndNoModulus() {
        Recorded.Found found = find("tension", trace(1.125, x -> 2000 / 1.125 * x), Piece.By.CROSSHEAD);
        assertThat(result("tension", found, "nominal-strain-at-break")).isCloseTo(0.025, within(1e-4));
        assertThat(result("tension", found, "tension-apparent-modulus")).isCloseTo(2000, Percentage.withPercentage(1));
        for (String none : List.of(
                "tension-modulus", "strain-at-break", "strain-at-strength", "strain-at-yield", "energy-to-break")) {
            assertThat(result("tension", found, none)).as(none).isNaN();
        }
        assertThat(found.missing().get("slope")).contains("apparent modulus");
    }

    /** ISO 178 by hand: 10 × 4 mm on 64 mm, 2 GPa is 4·b·h³·E/L³ = 19.53125 N/mm; 100 N are 60 MPa. */
    @ParameterizedTest
    @CsvSource({"EXTENSOMETER, flexural-modulus", "CROSSHEAD, flexural-apparent-modulus"})
    void aBendGivesItsModulus(Piece.By by, String characteristic) {
        Recorded.Found found = find("three-point-bending", trace(100 / 19.53125, x -> 19.53125 * x), by);
        assertThat(result("three-point-bending", found, "flexural-strength"))
                .isCloseTo(60, Percentage.withPercentage(0.3));
        assertThat(result("three-point-bending", found, characteristic)).isCloseTo(2000, Percentage.withPercentage(1));
        assertThat(found.analysis().strength()).isCloseTo(60, Percentage.withPercentage(0.3));
        // 6·s·h/L² of 5.12 mm is 3 %.
        assertThat(result("three-point-bending", found, "flexural-strain-at-break"))
                .isCloseTo(0.03, Percentage.withPercentage(0.6));
    }

    /** Torque by angle: 2 N·m at 90° and 3 N·m at its end of 180°, by straight pieces; 16·T/(π·d³) of 3 N·m on 6 mm is 70.7355 MPa. */
    @Test
    void aTwistGivesTheTorqueAtNinetyDegrees() {
        Recorded.Found found =
                find("torsion", trace(180, x -> x <= 90 ? x / 45 : 2 + (x - 90) / 90), Piece.By.CROSSHEAD);
        assertThat(result("torsion", found, "torsion-strength")).isCloseTo(70.7355, Percentage.withPercentage(0.3));
        assertThat(result("torsion", found, "torque-at-90")).isCloseTo(2, Percentage.withPercentage(0.3));
        assertThat(result("torsion", found, "turns-to-failure")).isCloseTo(0.5, Percentage.withPercentage(0.6));
        Recorded.Found early = find("torsion", trace(70, x -> x / 45), Piece.By.CROSSHEAD);
        assertThat(early.values()).doesNotContainKey("torque-90");
        assertThat(early.missing().get("torque-90")).contains("does not come that far");
        assertThat(early.analysis().said()).noneMatch(said -> said.contains(" N ") || said.contains(" mm"));
    }

    /** τ = F/(2A): 1000 N on 6 mm is 17.6839 MPa. By hand. */
    @Test
    void aPinAndAPullOutGiveTheirLoad() {
        Recorded.Found pin = find("double-shear", trace(2, x -> 500 * x), Piece.By.CROSSHEAD);
        assertThat(pin.analysis().strength()).isCloseTo(17.6839, Percentage.withPercentage(0.3));
        Recorded.Found out = find("pull-out", trace(2, x -> 500 * x), Piece.By.CROSSHEAD);
        assertThat(out.values()).containsOnlyKeys("force");
        assertThat(out.values().get("force")).isCloseTo(1000, Percentage.withPercentage(0.3));
    }

    /** 20 mm between the marks: at 100 % the growth is 20 mm, and 5 N/mm are 100 N there. */
    @Test
    void aSoftStripGivesItsForcesAtHundredAndThreeHundred() {
        Recorded.Found found = find("flexible-tension", trace(80, x -> 5 * x), Piece.By.EXTENSOMETER);
        assertThat(found.values().get("force-100")).isCloseTo(100, Percentage.withPercentage(0.3));
        assertThat(found.values().get("force-300")).isCloseTo(300, Percentage.withPercentage(0.3));
        assertThat(found.values().get("marks-at-break")).isCloseTo(100, Percentage.withPercentage(0.6));
    }

    /** M26: a soft strip is read at its marks; what the crosshead travelled is a share of nothing. */
    @Test
    void m26ATravelWithoutItsLengthIsRefused() {
        assertThatThrownBy(() -> find("flexible-tension", trace(80, x -> 5 * x), Piece.By.CROSSHEAD))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("at the marks");
    }

    @Test
    void aTorqueFileIsReadWithItsOwnUnits() {
        StringBuilder text = new StringBuilder("Angle [°];Torque [N·mm]\n");
        for (int i = 0; i < 40; i++) {
            text.append(i).append(';').append(100 * i).append('\n');
        }
        Layout layout = TraceFile.look(text.toString(), Loading.TWIST_ROD);
        assertThat(TraceFile.read(text.toString(), layout).get(0).force()[10]).isCloseTo(1, within(1e-12));
        assertThatThrownBy(() -> TraceFile.look(text.toString(), Loading.PULL))
                .isInstanceOf(TraceFile.Unreadable.class)
                .hasMessageContaining("is no unit of it");
        TraceFile.Glimpse glimpse = TraceFile.glimpse(text.toString());
        assertThat(glimpse.titles()).containsExactly("Angle [°]", "Torque [N·mm]");
        assertThat(glimpse.first()).containsExactly("0", "0");
    }

    @Test
    void aRecordIsNeverTyped() {
        assertThat(method("tension")
                        .data()
                        .sheet()
                        .read(Map.of("record", List.of("12")))
                        .problems())
                .anyMatch(problem -> problem.text().contains("a record is not typed"));
    }
}
