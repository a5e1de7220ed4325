package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.ModelScale;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Pinned;
import org.ysometron.core.plan.PlannedTest.Notch;

class MakingTest {

    private static PlannedTest bars(Orientation orientation, int n) {
        return new PlannedTest(
                Methods.usual(),
                SpecimenDesign.TENSION_BAR_4,
                orientation,
                Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                Conditioning.DRY,
                5,
                n,
                "");
    }

    // ---- a plan line guesses nothing ---------------------------------------------------------------------------

    @Test
    void m29AHollowSpecimenNamesItsWallsAndInfillAndIsNoSolidOne() {
        assertThat(PlannedTest.wanting(
                        Methods.usual(),
                        SpecimenDesign.TENSION_BAR_4,
                        Orientation.XY,
                        Notch.NONE,
                        Basis.AS_PRINTED,
                        Build.NONE,
                        Conditioning.DRY,
                        5,
                        5))
                .singleElement()
                .asString()
                .contains("walls and infill");
        PlannedTest hollow = new PlannedTest(
                Methods.usual(),
                SpecimenDesign.TENSION_BAR_4,
                Orientation.XY,
                Notch.NONE,
                Basis.AS_PRINTED,
                ((Build.Read.Accepted) Build.read("3 walls, 20 % gyroid")).value(),
                Conditioning.DRY,
                5,
                5,
                "");
        assertThat(hollow.conditions()).isNotEqualTo(bars(Orientation.XY, 5).conditions());
        assertThat(bars(Orientation.XY, 5).conditions().compare(hollow.conditions()))
                .allSatisfy(mismatch -> assertThat(mismatch.blocking()).isTrue())
                .hasSize(1);
    }

    @Test
    void aLineWithoutItsTermsCannotBeMade() {
        List<String> wanting = PlannedTest.wanting(
                Methods.of("pendulum-impact").orElseThrow(),
                SpecimenDesign.IMPACT_BAR_NOTCHED,
                Orientation.NONE,
                Notch.NONE,
                Basis.AS_SUPPLIED,
                Build.NONE,
                Conditioning.NONE,
                0,
                0);
        assertThat(String.join("|", wanting))
                .contains("orientation", "notch faces", "basis", "conditioning", "rate above zero", "one specimen");
        assertThatThrownBy(() -> new PlannedTest(
                        Methods.of("creep").orElseThrow(),
                        SpecimenDesign.HOOK,
                        Orientation.XY,
                        Notch.NONE,
                        Basis.SOLID,
                        Build.NONE,
                        Conditioning.DRY,
                        5,
                        1,
                        ""))
                .hasMessageContaining("no rate")
                .hasMessageContaining("specimen that creep in tension can be done on");
    }

    /**
     * What is pinned or differs, beside what the standards ask: ISO 178 spans 16 thicknesses with a nose of 5 mm, ISO 179-1 A
     * notches 0.25 mm, ISO 75-2 heats by 120 °C/h, ISO 527-2 grips its type 1A at 115 mm, ISO 899-1 runs 1,000 hours. Quoted from
     * memory.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "tension | ISO 527-2 | 45 mm | grip distance of 45 mm instead of 115 mm",
                "three-point-bending | ISO 178 | 64 mm | its span stands on each report",
                "three-point-bending | ISO 178 | 5 mm | its span stands on each report",
                "pendulum-impact | ISO 179-1 | 0.25 mm | its mass and radius stand on each report",
                "heat-under-load | ISO 75-2 | 900 s | stepped, not 120 °C/h",
                "creep | ISO 899-1 | 50 mm | ten days instead of 1,000 hours",
                "thread-stripping | no standard cited | 0.2 N·m | ",
                "torsion | no standard cited | 40 mm | ",
            })
    void m27AndM28AMethodSaysWhatItPinsAndWhatDeviates(
            String id, String standard, String pinned, @Nullable String deviation) {
        MethodData method = Methods.of(id).orElseThrow().data();
        assertThat(method.accordance()).contains(standard);
        assertThat(method.parameters().values())
                .extracting(Pinned.Parameter::typed)
                .contains(pinned);
        if (deviation == null) {
            assertThat(method.accordance()).doesNotContain("not in accordance");
        } else {
            assertThat(method.accordance()).contains("not in accordance").contains(deviation);
        }
    }

    @Test
    void m53ADesignsRevisionStandsInItsTitle() {
        for (SpecimenDesign design : SpecimenDesign.delivered()) {
            assertThat(design.title()).matches(".*rev \\d+");
        }
        assertThat(SpecimenDesign.TENSION_BAR_4.titleAt(0.95)).endsWith("scaled 0.95");
        assertThat(SpecimenDesign.TENSION_BAR_4.titleAt(1)).isEqualTo(SpecimenDesign.TENSION_BAR_4.title());
    }

    /** 2.9 m/s, the hammer's speed of ISO 179-1, is 174,000 mm/min; both ways of writing it are the same rate. */
    @Test
    void anImpactsRateIsWrittenInMetresPerSecond() {
        assertThat(org.ysometron.core.claim.Conditions.rateWords(174_000)).isEqualTo("2.90 m/s");
        assertThat(org.ysometron.core.claim.Conditions.rateWords(5)).isEqualTo("5 mm/min");
        assertThat(org.ysometron.core.quantity.Typed.read(
                        "Rate",
                        "2.9 m/s",
                        org.ysometron.core.quantity.UnitOfMeasure.working(org.ysometron.core.quantity.Dimension.SPEED)))
                .isInstanceOfSatisfying(
                        org.ysometron.core.quantity.Typed.Accepted.class,
                        read -> assertThat(read.value()).isCloseTo(174_000, within(1e-6)));
    }

    // ---- size --------------------------------------------------------------------------------------------------

    private static Optional<ModelScale> scale(double width, double thickness, double wide, double thick) {
        return ModelScale.of(new double[] {width, thickness}, new double[] {wide, thick});
    }

    /** A square bar of 4.1 × 4.1 on 4 × 4: 1.025 of its size, or 0.05 mm more at each of its edges. */
    @Test
    void m13OnASquareBarScaleAndEdgesCannotBeToldApart() {
        ModelScale either = scale(4.1, 4.1, 4, 4).orElseThrow();

        assertThat(either.factor()).isCloseTo(1.025, within(1e-12));
        assertThat(either.edge().orElseThrow()).isCloseTo(0.05, within(1e-12));
        assertThat(either.sentence())
                .contains("scaled by 1.025, or every edge lies 0.050 mm too far out", "cannot tell which");
        assertThat(scale(3.79, 3.81, 4, 4).orElseThrow().sentence()).contains("0.100 mm too far in");
    }

    @Test
    void m13TheSameErrorInEveryAxisIsAScaledModel() {
        ModelScale scaled = scale(9.49, 3.81, 10, 4).orElseThrow();
        assertThat(scaled.factor()).isCloseTo(0.95075, within(1e-12));
        assertThat(scaled.edge()).isEmpty();
        assertThat(scaled.sentence()).contains("4.9 % too small", "scaled by 0.951.", "its load with no other");
        // 0.2 mm too much in both of 10 × 4 mm is flow or exposure: 2 % and 5 %.
        assertThat(scale(10.2, 4.2, 10, 4)).isEmpty();
        assertThat(scale(4.03, 4.02, 4, 4)).isEmpty();
        assertThatThrownBy(() -> scale(0, 4, 4, 4)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> scale(4, 4, 4, Double.NaN)).hasMessageContaining("above zero");
        assertThat(ModelScale.isGross(4.41, 4)).isTrue();
        assertThat(ModelScale.isGross(4.39, 4)).isFalse();
        assertThat(ModelScale.isGross(Double.NaN, 4)).isTrue();
    }

    @Test
    void aRoundSectionIsACircle() {
        // π·5²/4, by hand
        assertThat(SpecimenDesign.SHEAR_PIN.nominalArea()).isCloseTo(19.634954084936208, within(1e-12));
        assertThat(SpecimenDesign.TENSION_BAR_4.nominalArea()).isEqualTo(16);
    }

    // ---- budget ------------------------------------------------------------------------------------------------

    /** By hand: 10 bars of 1.9 ml and a tenth more are 20.9 ml, 28.424 g at 1.36 g/cm³; /(π·0.0875² cm²) = 8.689 m. */
    @Test
    void m52TheMaterialIsCountedBeforeTheSpoolEnds() {
        Budget budget = Budget.of(
                bars(Orientation.XY, 10), new Budget.Material(1.36, 1.75, 0.1), new Budget.Speed(4, 0.2, 0, 1));
        assertThat(budget.millilitres()).isCloseTo(20.9, within(1e-9));
        assertThat(budget.grams()).isCloseTo(28.424, within(1e-9));
        assertThat(budget.metres()).isCloseTo(20.9 / (Math.PI * 0.0875 * 0.0875) / 100, within(1e-9));
        // 20,900 mm³ at 4 mm³/s are 5,225 s.
        assertThat(budget.printMinutes()).isEqualTo(87);
    }

    /** By hand: upright 75 mm in layers of 0.05 mm are 1,500 layers of 10 s, 250 min; 13 bars need two plates of 12. */
    @Test
    void aResinsTimeGoesByItsHeight() {
        Budget.Material resin = new Budget.Material(1.12, 0, 0.1);
        Budget.Speed engine = new Budget.Speed(0, 0.05, 10, 12);
        assertThat(Budget.of(bars(Orientation.ZX, 12), resin, engine).printMinutes())
                .isEqualTo(250);
        assertThat(Budget.of(bars(Orientation.ZX, 13), resin, engine).printMinutes())
                .isEqualTo(500);
        assertThat(Budget.of(bars(Orientation.XY, 12), resin, engine).printMinutes())
                .isEqualTo(13);
        assertThat(Budget.of(bars(Orientation.ZX, 12), resin, engine).metres()).isZero();
    }

    @Property(tries = 60)
    void aBudgetIsTheSumOfItsLines(
            @ForAll @IntRange(min = 1, max = 60) int n, @ForAll @IntRange(min = 1, max = 60) int m) {
        Budget.Material material = new Budget.Material(1.3, 1.75, 0.15);
        Budget.Speed speed = new Budget.Speed(5, 0.2, 0, 1);
        Budget both = Budget.of(List.of(bars(Orientation.XY, n), bars(Orientation.ZX, m)), material, speed);
        assertThat(both.grams())
                .isCloseTo(
                        Budget.of(bars(Orientation.XY, n + m), material, speed).grams(), within(1e-9));
    }

    // ---- order and places --------------------------------------------------------------------------------------

    @Property(tries = 60)
    void m42AnOrderStaysWhenSpecimensAreAdded(@ForAll @IntRange(min = 2, max = 40) int n, @ForAll long seed) {
        List<Long> keys = new ArrayList<>();
        for (long key = 1; key <= n; key++) {
            keys.add(key);
        }
        List<Long> order = Order.ranked(keys, seed);
        List<Long> before = new ArrayList<>(order);
        before.remove(Long.valueOf(n));
        assertThat(order).containsExactlyInAnyOrderElementsOf(keys).isEqualTo(Order.ranked(keys, seed));
        assertThat(Order.ranked(keys.subList(0, n - 1), seed)).isEqualTo(before);
    }

    /**
     * Two sets of ten: all of one and then all of the other changes once; by chance, over many seeds, ten times on average:
     * expected runs of Wald and Wolfowitz (1940) 2·10·10/20 + 1 = 11. Keys of neighbours are as good as any.
     */
    @Test
    void m42ByChanceTheSetsMix() {
        List<String> sets = new ArrayList<>(Collections.nCopies(10, "XY"));
        sets.addAll(Collections.nCopies(10, "ZX"));
        assertThat(Order.changes(sets)).isEqualTo(1);
        List<Long> keys = new ArrayList<>();
        for (long key = 100; key < 120; key++) {
            keys.add(key);
        }
        double mean = 0;
        for (int seed = 0; seed < 400; seed++) {
            mean += Order.changes(Order.ranked(keys, seed).stream()
                            .map(key -> key < 110)
                            .toList())
                    / 400.0;
        }
        assertThat(mean).isCloseTo(10, within(0.4));
    }

    @Property(tries = 200)
    void m10EveryCycleHasEachPlaceOnceAndNobodyComesBack(
            @ForAll @IntRange(min = 1, max = 24) int specimens,
            @ForAll @IntRange(min = 0, max = 12) int spare,
            @ForAll @IntRange(min = 1, max = 6) int cycles,
            @ForAll long seed) {
        int places = Math.max(specimens + spare, cycles);
        List<List<Integer>> byCycle = Order.places(specimens, places, cycles, seed);
        assertThat(byCycle).hasSize(cycles).allSatisfy(row -> assertThat(row)
                .hasSize(specimens)
                .doesNotHaveDuplicates()
                .allMatch(place -> place >= 0 && place < places));
        for (int specimen = 0; specimen < specimens; specimen++) {
            Set<Integer> seen = new HashSet<>();
            for (List<Integer> row : byCycle) {
                assertThat(seen.add(row.get(specimen))).isTrue();
            }
        }
    }

    @Test
    void moreSpecimensThanPlacesAreRefused() {
        assertThatThrownBy(() -> Order.places(9, 8, 1, 1)).hasMessageContaining("do not fit 8 places");
    }

    @Test
    void m10AnEffectThatAlwaysCameWithAPoseIsConfounded() {
        assertThat(Confounding.between(
                        "orientation",
                        List.of("XY", "XY", "ZX", "ZX"),
                        "pose in the cure chamber",
                        List.of("lying", "lying", "standing", "standing")))
                .hasValueSatisfying(words -> assertThat(words).contains("orientation", "pose in the cure chamber"));
        assertThat(Confounding.between(
                        "orientation",
                        List.of("XY", "XY", "ZX", "ZX"),
                        "pose",
                        List.of("lying", "standing", "lying", "standing")))
                .isEmpty();
        assertThat(Confounding.between("orientation", List.of("XY", "ZX"), "pose", List.of("lying", "lying")))
                .isEmpty();
    }
}
