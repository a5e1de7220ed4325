package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.ysometron.core.plan.Plate.Footprint;
import org.ysometron.core.plan.Plate.Place;

class PlateTest {

    @Property(tries = 300)
    void nothingOverlapsAndNothingHangsOver(
            @ForAll @Size(min = 1, max = 40) List<@DoubleRange(min = 2, max = 80) Double> widths, @ForAll long seed) {
        List<Footprint> footprints = new ArrayList<>();
        for (int i = 0; i < widths.size(); i++) {
            footprints.add(new Footprint(widths.get(i), 3 + i % 4));
        }
        Plate plate = new Plate(220, 180);
        Optional<List<Place>> placed = plate.place(footprints, seed);
        if (placed.isEmpty()) {
            // It gives up only where it may: rows of 212 mm that leave less than the widest bar over hold 16 rows of
            // six and a gap.
            double inOneRow =
                    widths.stream().mapToDouble(width -> width + Plate.GAP).sum();
            assertThat(inOneRow).isGreaterThan(16 * (220 - 2 * Plate.GAP - 80));
            return;
        }
        List<Place> places = placed.get();
        for (int i = 0; i < places.size(); i++) {
            Place one = places.get(i);
            assertThat(one.footprint()).isEqualTo(footprints.get(i));
            assertThat(one.x()).isGreaterThanOrEqualTo(Plate.GAP - 1e-9);
            assertThat(one.x() + one.footprint().width()).isLessThanOrEqualTo(220 - Plate.GAP + 1e-9);
            assertThat(one.y() + one.footprint().depth()).isLessThanOrEqualTo(180 - Plate.GAP + 1e-9);
            for (int j = 0; j < i; j++) {
                Place other = places.get(j);
                boolean apart = one.x() + one.footprint().width() <= other.x()
                        || other.x() + other.footprint().width() <= one.x()
                        || one.y() + one.footprint().depth() <= other.y()
                        || other.y() + other.footprint().depth() <= one.y();
                assertThat(apart).isTrue();
            }
        }
    }

    /** By hand: of bars 75 × 4 mm two stand in a row of 220 mm (4 + 75 + 4 + 75 + 4 = 162), and rows are 8 mm apart. */
    @Test
    void rowsByHand() {
        List<Footprint> bars = List.of(new Footprint(75, 4), new Footprint(75, 4), new Footprint(75, 4));
        List<Place> places = new Plate(220, 20).place(bars, 1).orElseThrow();
        assertThat(places).extracting(Place::row).containsExactlyInAnyOrder(0, 0, 1);
        assertThat(places).extracting(Place::y).containsExactlyInAnyOrder(4.0, 4.0, 12.0);
        assertThat(new Plate(220, 19).place(bars, 1)).isEmpty();
        assertThat(new Plate(60, 200).place(bars, 1)).isEmpty();
    }

    @Property(tries = 60)
    void theSameNumberGivesTheSamePlaces(@ForAll @IntRange(min = 1, max = 60) int n, @ForAll long seed) {
        List<Footprint> bars = java.util.Collections.nCopies(n, new Footprint(4, 4));
        assertThat(new Plate(220, 220).place(bars, seed)).isEqualTo(new Plate(220, 220).place(bars, seed));
        assertThat(new Plate(220, 220).place(bars, seed)).isPresent();
    }

    @Test
    void thirdsOfThePlate() {
        Plate plate = new Plate(210, 90);
        assertThat(List.of(plate.thirdAcross(0), plate.thirdAcross(70), plate.thirdAcross(139), plate.thirdAcross(210)))
                .containsExactly(0, 1, 1, 2);
        assertThat(plate.thirdBack(31)).isEqualTo(1);
    }

    /** 15 long bars among 45 upright ones: balanced rows find room where rows of equal number would not. */
    @Property(tries = 40)
    void longAndShortOnesShareThePlate(@ForAll long seed) {
        List<Footprint> mixed = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            mixed.add(i % 4 == 0 ? new Footprint(75, 4) : new Footprint(4, 4));
        }
        assertThat(new Plate(220, 220).place(mixed, seed)).isPresent();
    }
}
