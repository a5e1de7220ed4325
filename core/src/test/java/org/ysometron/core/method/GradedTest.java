package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.reading.Sheet;

/** M7: a grade is one of its scale, its best is said to be the scale's end, and an artefact's end is a bound. */
class GradedTest {

    private static final Method QUALITY = Methods.of("print-quality").orElseThrow();
    private static final Method TOWER = Methods.of("temperature-tower").orElseThrow();

    private static Map<String, Reduced> of(Method method, Map<String, List<String>> typed) {
        Sheet.Taken taken = method.data().sheet().read(typed);
        assertThat(taken.problems()).isEmpty();
        Map<String, Reduced> byId = new LinkedHashMap<>();
        method.results(taken.readings(), method.data().pinned(), End.DONE, OptionalDouble.empty())
                .forEach(one -> byId.put(one.characteristic().id(), one));
        return byId;
    }

    @Test
    void m7AGradeOutsideItsScaleIsRefusedWithItsEnds() {
        Problem problem = QUALITY.data()
                .sheet()
                .read(Map.of("overhang", List.of("45"), "stringing", List.of("4")))
                .problems()
                .get(0);
        assertThat(problem.text())
                .contains("stringing")
                .contains("'4' is no grade of the scale")
                .contains("0 (none) to 3 (ropes that need a knife), stringing, revision 1")
                .contains("Nothing is better than its best");
        assertThatThrownBy(() -> QUALITY.results(
                        new Readings(Map.of("overhang", new double[] {50}), Map.of()),
                        QUALITY.data().pinned(),
                        End.DONE,
                        OptionalDouble.empty()))
                .hasMessageContaining("50 is no grade of");
    }

    @Test
    void m7TheBestOfAScaleIsFlaggedAndTheArtefactsEndIsABound() {
        Map<String, Reduced> best = of(QUALITY, Map.of("overhang", List.of("75"), "stringing", List.of("none")));
        assertThat(best.get("overhang").made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(best.get("overhang").reason())
                .contains("no step beyond 75 °")
                .contains("a lower bound");
        assertThat(best.get("stringing").notes()).singleElement().asString().contains("The best of its scale");
        assertThat(of(QUALITY, Map.of("overhang", List.of("45"), "stringing", List.of("1")))
                        .get("stringing")
                        .notes())
                .isEmpty();
    }

    @Test
    void gradersWhoDifferLeaveWhatLiesBetween() {
        Reduced two = of(QUALITY, Map.of("overhang", List.of("45", "60"), "surface", List.of("1", "2")))
                .get("surface");
        assertThat(two.made()).isEqualTo(Reduced.Made.BETWEEN);
        assertThat(two.upper()).hasValue(2);
        assertThat(of(QUALITY, Map.of("overhang", List.of("45", "60")))
                        .get("overhang")
                        .upper())
                .as("the one step failed for neither, the next above both")
                .hasValue(75);
    }

    @Provide
    Arbitrary<List<Integer>> grades() {
        return Arbitraries.integers().between(0, 2).list().ofSize(6);
    }

    private static int passing(List<Integer> surface, List<Integer> spike) {
        double[] at = {230, 240, 250, 260, 270, 280};
        Readings readings = new Readings(
                Map.of(
                        "nozzle",
                        at,
                        "step-stringing",
                        new double[6],
                        "step-surface",
                        surface.stream().mapToDouble(Integer::doubleValue).toArray(),
                        "step-spike",
                        spike.stream().mapToDouble(Integer::doubleValue).toArray()),
                Map.of());
        List<Reduced> ends = TOWER.results(readings, TOWER.data().pinned(), End.DONE, OptionalDouble.empty());
        if (ends.get(0).made() == Reduced.Made.NOTHING) {
            return 0;
        }
        double low = ends.get(0).made() == Reduced.Made.BETWEEN
                ? ends.get(0).upper().orElseThrow()
                : ends.get(0).value().orElseThrow();
        return (int) Math.round((ends.get(1).value().orElseThrow() - low) / 10) + 1;
    }

    /** The window of steps that pass never widens when a grade gets worse. */
    @Property
    void aWorseGradeNeverWidensTheWindow(
            @ForAll("grades") List<Integer> surface,
            @ForAll("grades") List<Integer> spike,
            @ForAll @IntRange(max = 5) int where) {
        int before = passing(surface, spike);
        List<Integer> worse = new java.util.ArrayList<>(spike);
        worse.set(where, Math.max(0, worse.get(where) - 1));
        assertThat(passing(surface, worse)).isLessThanOrEqualTo(before);
    }

    @Test
    void aTowerWithoutAStepTwice() {
        Map<String, List<String>> typed = new LinkedHashMap<>(TOWER.data().example());
        typed.put("nozzle", List.of("240 °C", "250 °C", "250 °C", "270 °C", "280 °C"));
        assertThatThrownBy(() -> of(TOWER, typed)).hasMessageContaining("the step at 250 stands twice");
        typed.put("nozzle", List.of("240 °C"));
        assertThatThrownBy(() -> of(TOWER, typed)).hasMessageContaining("each step has its setting and three grades");
    }
}
