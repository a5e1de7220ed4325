package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.ysometron.core.quantity.Typed;

class MaterialTest {

    private static final LocalDateTime NOON = LocalDateTime.of(2026, 3, 1, 12, 0);
    /** A site whose clock is never set. */
    private static final SiteClock STEADY = new SiteClock(ZoneOffset.UTC);

    private static final Drying NEED = new Drying(80, 6, 24, 0.2);

    /**
     * A working-curve table in the textbook manner: depths of Dp = 0.15 mm and Ec = 8 mJ/cm² at doses that double, to
     * 0.1 µm. The fit must give both back.
     */
    @Test
    void aTextbookWorkingCurveIsGivenBack() {
        double[] doses = {10, 20, 40, 80, 160, 320};
        double[] depths = {0.0335, 0.1374, 0.2414, 0.3454, 0.4494, 0.5533};
        WorkingCurve fit = WorkingCurve.fit(doses, depths, "mJ/cm²");

        assertThat(fit.penetration()).isCloseTo(0.15, within(1e-4));
        assertThat(fit.critical()).isCloseTo(8, within(0.01));
        assertThat(fit.determination()).isGreaterThan(0.999999);
        assertThat(fit.penetrationLower()).isLessThan(0.15).isGreaterThan(0.149);
        assertThat(fit.criticalUpper()).isGreaterThan(8).isLessThan(8.1);
        assertThat(fit.depth(8 * Math.E)).isCloseTo(0.15, within(2e-4));
        assertThat(fit.depth(4)).isZero();
    }

    /**
     * Standard errors by the textbook formulas, worked by hand for ln E = 0, 1, 2, 3 and depths 0.1, 0.3, 0.4, 0.6: slope
     * 0.16, intercept 0.11, residual sum of squares 0.002, s² = 0.001, u(Dp) = √(0.001/5).
     */
    @Test
    void standardErrorsOfAHandWorkedFit() {
        WorkingCurve fit = WorkingCurve.fit(
                new double[] {1, Math.E, Math.exp(2), Math.exp(3)}, new double[] {0.1, 0.3, 0.4, 0.6}, "s");

        assertThat(fit.penetration()).isCloseTo(0.16, within(1e-12));
        assertThat(fit.penetrationError()).isCloseTo(Math.sqrt(0.001 / 5), within(1e-12));
        assertThat(fit.critical()).isCloseTo(Math.exp(-0.11 / 0.16), within(1e-12));
        // var(ln Ec) = (σb² + L²σm² − 2·L·mean·σm²)/m² with σb² = 0.001·(1/4 + 2.25/5), L = −0.6875, mean = 1.5.
        double variance = (0.001 * 0.7 + 0.6875 * 0.6875 * 0.0002 + 2 * 0.6875 * 1.5 * 0.0002) / (0.16 * 0.16);
        // t(0.975; 2) = 4.302653, printed tables.
        assertThat(Math.log(fit.criticalUpper() / fit.critical()))
                .isCloseTo(4.302653 * Math.sqrt(variance), within(1e-5));
    }

    @Test
    void aCurveThatIsNoneIsRefused() {
        assertThatThrownBy(() -> WorkingCurve.fit(new double[] {1, 2}, new double[] {1, 2}, "s"))
                .hasMessageContaining("at least three");
        assertThatThrownBy(() -> WorkingCurve.fit(new double[] {1, 2, 3}, new double[] {3, 2, 1}, "s"))
                .hasMessageContaining("does not grow");
        assertThatThrownBy(() -> WorkingCurve.fit(new double[] {1, 0, 3}, new double[] {1, 2, 3}, "s"))
                .hasMessageContaining("above zero");
    }

    /** Half a second too long: the margin tells how far the exposure is from the fit. */
    @Test
    void theMarginOfAnExposure() {
        WorkingCurve fit = WorkingCurve.fit(
                new double[] {1, 2, 4, 8, 16},
                new double[] {
                    0.05,
                    0.05 + 0.1 * Math.log(2),
                    0.05 + 0.1 * Math.log(4),
                    0.05 + 0.1 * Math.log(8),
                    0.05 + 0.1 * Math.log(16)
                },
                "s");
        WorkingCurve.Margin margin = fit.margin(2.5, 0.05, 2);

        assertThat(margin.wanted()).isCloseTo(Math.exp(0.5), within(1e-9));
        assertThat(margin.excess()).isCloseTo(2.5 / Math.exp(0.5) - 1, within(1e-9));
        assertThat(margin.overcure()).isCloseTo((0.05 + 0.1 * Math.log(2.5)) / 0.05, within(1e-9));
    }

    @Property(tries = 100)
    void depthAndExposureAreEachOthersInverse(
            @ForAll @DoubleRange(min = 0.02, max = 1) double penetration,
            @ForAll @DoubleRange(min = 0.5, max = 50) double critical) {
        double[] exposures = {critical * 1.5, critical * 3, critical * 6, critical * 12};
        double[] depths = new double[4];
        for (int i = 0; i < 4; i++) {
            depths[i] = penetration * Math.log(exposures[i] / critical);
        }
        WorkingCurve fit = WorkingCurve.fit(exposures, depths, "s");

        assertThat(fit.exposureFor(fit.depth(critical * 5))).isCloseTo(critical * 5, within(critical * 1e-6));
    }

    /** 1.05 g/cm³, 1.75 mm, 15 a kilogram is just under 0.04 a metre (common practice, no source). */
    @Test
    void lengthAndPrice() {
        assertThat(FilamentLength.metresPerKilogram(1.05, 1.75)).isCloseTo(395.95, within(0.01));
        assertThat(FilamentLength.pricePerMetre(15, 1.05, 1.75)).isBetween(0.0375, 0.04);
        assertThat(FilamentLength.pricePerCubicCentimetre(15, 1.05)).isCloseTo(0.01575, within(1e-12));
        // 2.85 mm holds (2.85/1.75)² as much a metre.
        assertThat(FilamentLength.metresPerKilogram(1.05, 1.75) / FilamentLength.metresPerKilogram(1.05, 2.85))
                .isCloseTo(Math.pow(2.85 / 1.75, 2), within(1e-12));
    }

    /** M47: prices of other dates, packs, taxes and discounts are made alike or not compared. */
    @Test
    void pricesAreComparedLikeWithLike() {
        LocalDate day = LocalDate.of(2026, 1, 10);
        Price gross = new Price(21.42, "EUR", 750, 0.19, true, 0.10, day);
        Price net = new Price(20, "EUR", 750, 0.19, false, 0, day.plusDays(30));
        Price old = new Price(18, "EUR", 2500, 0.19, false, 0, day.minusDays(400));

        assertThat(gross.netPerKilogram()).isCloseTo(18.0 / 0.9 / 0.75, within(1e-9));
        assertThat(gross.differences(net)).isEmpty();
        assertThat(gross.differences(old))
                .hasSize(2)
                .anyMatch(d -> d.contains("date"))
                .anyMatch(d -> d.contains("pack"));
    }

    /** M8: what is not within its stated state is wet or unknown, with what to do. */
    @Test
    void aSpoolIsDryOnlyOnRecord() {
        Drying.Dried good = new Drying.Dried(NOON, 80, 6, Drying.Kept.OPEN, OptionalDouble.empty());

        assertThat(NEED.at(Optional.of(good), NOON.plusHours(20), STEADY).dry()).isTrue();
        assertThat(NEED.at(Optional.of(good), NOON.plusHours(30), STEADY).reasons())
                .containsExactly("In the open for 30 h; 24 h are the most.");
        assertThat(NEED.at(Optional.of(good), NOON.minusHours(1), STEADY).reasons())
                .containsExactly("The drying ended after the specimens were made.");
        assertThat(NEED.at(Optional.empty(), NOON, STEADY).remedy())
                .contains("Dry 6 h at 80 °C", "print the specimens again");
        Drying.Dried cool = new Drying.Dried(NOON, 60, 4, Drying.Kept.DRY_BOX, OptionalDouble.of(0.35));
        assertThat(NEED.at(Optional.of(cool), NOON, STEADY).reasons()).hasSize(3);
        Drying.Dried unread = new Drying.Dried(NOON, 80, 6, Drying.Kept.DRY_BOX, OptionalDouble.empty());
        assertThat(NEED.at(Optional.of(unread), NOON, STEADY).words()).isEqualTo("wet or unknown");
        assertThat(Drying.lossPercent(200, 199)).isCloseTo(0.5, within(1e-12));
        assertThatThrownBy(() -> Drying.lossPercent(199, 200)).hasMessageContaining("smaller one after");
    }

    /** M9: the conditioning of the printed part has a clock of its own, which a dry spool does not move. */
    @Test
    void conditioningIsAClockOfItsOwn() {
        Optional<LocalDateTime> ready = Optional.of(Conditioning.earliest(NOON, 88, STEADY));

        assertThat(Conditioning.age(ready, NOON.plusHours(87))).isEqualTo(Conditioning.Age.EARLY);
        assertThat(Conditioning.age(ready, NOON.plusHours(88))).isEqualTo(Conditioning.Age.REACHED);
        assertThat(Conditioning.age(Optional.empty(), NOON)).isEqualTo(Conditioning.Age.UNKNOWN);
        assertThat(Conditioning.inEquilibrium(10, 10.009, 0)).isTrue();
        assertThat(Conditioning.inEquilibrium(10, 10.011, 0)).isFalse();
        // A bar of 2.5 g on a balance that shows hundredths: 0.1 % of it is 0.0025 g, which it cannot show.
        assertThat(Conditioning.inEquilibrium(2.5, 2.5, 0.01)).isFalse();
        assertThat(Conditioning.inEquilibrium(2.5, 2.5, 0.001)).isTrue();
        assertThat(Typed.step("2.50 g")).isCloseTo(0.01, within(1e-15));
        assertThat(Typed.step("0,0025 kg")).isCloseTo(0.1, within(1e-12));
        assertThat(Typed.step("12")).isEqualTo(1);
    }
}
