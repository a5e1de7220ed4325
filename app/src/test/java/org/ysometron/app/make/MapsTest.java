package org.ysometron.app.make;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.Treatments;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.plan.Order;
import org.ysometron.core.plan.Plate;

/** Drawings of making with 1, 12 and 60 specimens. */
class MapsTest {

    private static final LocalDateTime AT = LocalDateTime.of(2026, 3, 2, 8, 0);

    private static SpecimenView bar(int id, Orientation orientation, boolean reference) {
        return new SpecimenView(
                id,
                1,
                orientation.name() + id,
                new Conditions(
                        "tension", Basis.SOLID, orientation, Conditioning.DRY, 5, SpecimenDesign.TENSION_BAR_4.title()),
                SpecimenDesign.TENSION_BAR_4,
                1,
                null,
                AT,
                null,
                1,
                Setup.NONE,
                java.time.Instant.EPOCH,
                reference ? 9L : null);
    }

    private static Runs.RunView run(int count) {
        Plate plate = new Plate(220, 220);
        List<SpecimenView> bars = new ArrayList<>();
        List<Plate.Footprint> footprints = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            SpecimenView bar = bar(i + 1, i % 4 == 0 ? Orientation.XY : Orientation.ZX, i % 5 == 4);
            bars.add(bar);
            footprints.add(Plate.Footprint.of(bar.design(), bar.conditions().orientation()));
        }
        List<Plate.Place> places = plate.place(footprints, 3).orElseThrow();
        List<Runs.Placed> placed = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            placed.add(new Runs.Placed(
                    bars.get(i), places.get(i).x(), places.get(i).y(), footprints.get(i)));
        }
        return new Runs.RunView(
                1,
                new Recipes.RecipeView(
                        1,
                        1,
                        1,
                        "printer 1",
                        1,
                        Map.of(),
                        Map.of(),
                        Recipes.Status.MAKERS,
                        "",
                        "",
                        "quality",
                        Instant.EPOCH),
                AT,
                new Runs.Surroundings("", "", "", "", ""),
                List.of(),
                plate,
                placed,
                "bench");
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 12, 60})
    void everyPieceLiesOnThePlateAndNoneOnAnother(int count) {
        PlateMap map = PlateMap.of(run(count), Map.of());
        assertThat(map.pieces()).hasSize(count);
        for (int i = 0; i < count; i++) {
            PlateMap.Piece one = map.pieces().get(i);
            assertThat(one.x()).isPositive();
            assertThat(one.y()).isPositive();
            assertThat(one.x() + one.width()).isLessThan(map.width());
            assertThat(one.y() + one.height()).isLessThan(map.height());
            assertThat(one.reference()).isEqualTo(i % 5 == 4);
            assertThat(one.label().startsWith("R-")).isEqualTo(one.reference());
            assertThat(one.shade()).isEqualTo(-1);
            for (int j = 0; j < i; j++) {
                PlateMap.Piece other = map.pieces().get(j);
                boolean apart = one.x() + one.width() <= other.x()
                        || other.x() + other.width() <= one.x()
                        || one.y() + one.height() <= other.y()
                        || other.y() + other.height() <= one.y();
                assertThat(apart).as(one.label() + " and " + other.label()).isTrue();
            }
        }
        assertThat(map.words()).contains(count + " specimens", "220 × 220 mm");
    }

    /** The front edge is drawn below: what stands nearer to the front is lower on the page. */
    @ParameterizedTest
    @ValueSource(ints = {12, 60})
    void theFrontIsBelow(int count) {
        Runs.RunView run = run(count);
        PlateMap map = PlateMap.of(run, Map.of());
        for (int i = 1; i < count; i++) {
            double front = run.placed().get(i).y() - run.placed().get(0).y();
            double down = map.pieces().get(i).y() - map.pieces().get(0).y();
            if (Math.abs(front) > 6) {
                assertThat(Math.signum(down)).isEqualTo(-Math.signum(front));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 12, 60})
    void theDensestHatchingIsTheHighestValue(int count) {
        Runs.RunView run = run(count);
        Map<Long, Double> values = new HashMap<>();
        run.placed()
                .forEach(placed -> values.put(
                        placed.specimen().id(), 50 + (double) placed.specimen().id()));
        PlateMap map = PlateMap.of(run, values);
        int[] shades = map.pieces().stream().mapToInt(PlateMap.Piece::shade).toArray();
        assertThat(shades).isSorted();
        assertThat(Arrays.stream(shades).min()).hasValue(0);
        assertThat(Arrays.stream(shades).max()).hasValue(count == 1 ? 0 : 4);
        assertThat(map.pieces().get(0).words()).contains("51.0 MPa");
    }

    @ParameterizedTest
    @CsvSource({"1, 1, 1, 1", "12, 3, 4, 2", "60, 6, 10, 4", "5, 2, 5, 6"})
    void everySpecimenIsInEveryCycleOfTheChamber(int count, int rows, int columns, int cycles) {
        List<List<Integer>> byCycle = Order.places(count, rows * columns, cycles, 11);
        List<Chambers.Placed> placed = new ArrayList<>();
        for (int cycle = 1; cycle <= cycles; cycle++) {
            for (int i = 0; i < count; i++) {
                placed.add(new Chambers.Placed(
                        bar(i + 1, Orientation.XY, false),
                        cycle,
                        byCycle.get(cycle - 1).get(i),
                        Treatments.Pose.STANDING));
            }
        }
        Treatments.TreatmentView cure = new Treatments.TreatmentView(
                1,
                1,
                Treatments.Kind.CURE,
                "cure",
                1,
                List.of("60 °C, 30 min"),
                30,
                Treatments.Pose.STANDING,
                Treatments.Status.REFERENCE,
                "sheet",
                java.time.Instant.EPOCH);
        Chambers.ChamberView run =
                new Chambers.ChamberView(1, 1, cure, 1, "chamber", AT, cycles, rows, columns, 11, "", placed, "bench");
        ChamberMap map = ChamberMap.of(run, Map.of(1L, 54.1));
        assertThat(map.grids()).hasSize(cycles);
        for (ChamberMap.Grid grid : map.grids()) {
            assertThat(grid.cells()).hasSize(rows * columns);
            assertThat(grid.cells()).filteredOn(cell -> !cell.label().isEmpty()).hasSize(count);
            assertThat(grid.cells())
                    .filteredOn(cell -> cell.value().equals("54.1"))
                    .hasSize(1);
            assertThat(grid.x() + grid.width()).isLessThanOrEqualTo(map.width());
            assertThat(grid.y() + grid.height()).isLessThanOrEqualTo(map.height());
        }
        assertThat(map.width()).isLessThanOrEqualTo(1122);
        assertThat(run.endsAt()).isEqualTo(AT.plusMinutes(30L * cycles));
    }

    /** Decoded back by the reader of a general library, from the drawing's path alone. */
    @ParameterizedTest
    @ValueSource(strings = {"00A1K", "7ZZZZ0", "00000", "HELLO1", "0123456789AB"})
    void aCodeIsReadBackFromItsPath(String text) throws Exception {
        Codes.Drawn drawn = Codes.draw(text);
        int scale = 4;
        int side = drawn.size() * scale;
        int[] pixels = new int[side * side];
        Arrays.fill(pixels, 0xFFFFFF);
        Matcher run = Pattern.compile("M(\\d+) (\\d+)h(\\d+)v1h-(\\d+)z").matcher(drawn.path());
        while (run.find()) {
            int x = Integer.parseInt(run.group(1)) * scale;
            int y = Integer.parseInt(run.group(2)) * scale;
            int width = Integer.parseInt(run.group(3)) * scale;
            assertThat(run.group(4)).isEqualTo(run.group(3));
            for (int row = y; row < y + scale; row++) {
                Arrays.fill(pixels, row * side + x, row * side + x + width, 0);
            }
        }
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(side, side, pixels))))
                        .getText())
                .isEqualTo(text);
    }
}
