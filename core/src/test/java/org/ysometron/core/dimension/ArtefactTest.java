package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.ysometron.core.dimension.Artefact.Axis;
import org.ysometron.core.dimension.Artefact.Feature;
import org.ysometron.core.dimension.Artefact.Kind;

class ArtefactTest {

    private static Feature outer(Axis axis, double nominal, double measured) {
        return new Feature(axis, Kind.OUTER, nominal, measured);
    }

    private static Feature inner(Axis axis, double nominal, double measured) {
        return new Feature(axis, Kind.INNER, nominal, measured);
    }

    /** An axis with scale s and edge offset e, and a ripple that least squares must not take for either. */
    private static List<Feature> axis(Axis axis, double s, double e, double ripple) {
        List<Feature> features = new ArrayList<>();
        double sign = 1;
        for (double n : new double[] {5, 10, 20, 40}) {
            features.add(outer(axis, n, s * n + 2 * e + sign * ripple));
            features.add(inner(axis, n, s * n - 2 * e - sign * ripple));
            sign = -sign;
        }
        return features;
    }

    /** A thread is tight by edges that grew, or by detail that is lost: the offset of the edges tells. */
    @Test
    void edgesTellOverExposureFromLostDetail() {
        assertThat(Artefact.analyse(axis(Axis.X, 1, 0.08, 0.01), 0.3).whyTight())
                .startsWith("Edges grew");
        assertThat(Artefact.analyse(axis(Axis.X, 1, 0, 0.01), 0.3).whyTight()).startsWith("No edge grew");
        assertThat(Artefact.analyse(axis(Axis.X, 1, -0.08, 0.01), 0.3).whyTight())
                .startsWith("No edge grew");
        assertThat(Artefact.analyse(List.of(outer(Axis.X, 10, 10.1)), 0.3).whyTight())
                .contains("cannot be told apart");
    }

    /**
     * Worked by hand: outer 10 → 10.06, outer 20 → 20.03, inner 10 → 9.82, inner 20 → 19.83. Normal equations of
     * m = s·n ± 2e with n orthogonal to the signs: s = Σnm/Σn² = 995.9/1000… = (100.6 + 400.6 + 98.2 + 396.6)/1000 =
     * 0.996; 2e = Σ±m/4 = (10.06 + 20.03 − 9.82 − 19.83)/4 = 0.11, e = 0.055. Residuals −0.01, 0, −0.03, +0.02: the sum
     * of squares 0.0014 over 2 degrees of freedom gives 0.026458; u(s) = 0.026458/√1000, u(e) = 0.026458/√16.
     */
    @Test
    void scaleAndOffsetOfAHandWorkedCase() {
        Artefact.Fit fit = Artefact.analyse(
                        List.of(
                                outer(Axis.X, 10, 10.06),
                                outer(Axis.X, 20, 20.03),
                                inner(Axis.X, 10, 9.82),
                                inner(Axis.X, 20, 19.83)),
                        0.3)
                .fits()
                .get(Axis.X);

        assertThat(fit.scale().value()).isCloseTo(0.996, within(1e-12));
        assertThat(fit.offset().value()).isCloseTo(0.055, within(1e-12));
        assertThat(fit.residual()).isCloseTo(Math.sqrt(0.0014 / 2), within(1e-9));
        assertThat(fit.scale().standardError()).isCloseTo(fit.residual() / Math.sqrt(1000), within(1e-12));
        assertThat(fit.offset().standardError()).isCloseTo(fit.residual() / 4, within(1e-12));
        // t(0.975; 2) = 4.303, printed tables.
        assertThat(fit.scale().upper() - fit.scale().value())
                .isCloseTo(4.303 * fit.scale().standardError(), within(1e-5));
    }

    @Test
    void shrinkageAndOverExposureGetDifferentAdvice() {
        Artefact.Result shrunk = Artefact.analyse(axis(Axis.X, 0.994, 0, 0.002), 0.5);
        Artefact.Result grown = Artefact.analyse(axis(Axis.X, 1, 0.06, 0.002), 0.5);

        assertThat(shrunk.fits().get(Axis.X).advice())
                .hasSize(1)
                .first()
                .asString()
                .contains("Scale −0.60 %", "1.0060");
        assertThat(grown.fits().get(Axis.X).advice())
                .hasSize(1)
                .first()
                .asString()
                .contains("Edge offset +0.060 mm", "too much exposure or extrusion");
    }

    /** M13: equal error in all axes is a model at the wrong scale and stops the set. */
    @Test
    void aScaledModelIsFound() {
        List<Feature> features = new ArrayList<>(axis(Axis.X, 1.02, 0.01, 0.002));
        features.addAll(axis(Axis.Y, 1.02, -0.02, 0.003));
        Artefact.Result result = Artefact.analyse(features, 5);

        assertThat(result.scaledBy().orElseThrow()).isCloseTo(1.02, within(0.001));
        assertThat(result.passes()).isFalse();

        List<Feature> unequal = new ArrayList<>(axis(Axis.X, 1.02, 0.01, 0.002));
        unequal.addAll(axis(Axis.Y, 0.98, 0.01, 0.002));
        assertThat(Artefact.analyse(unequal, 5).scaledBy()).isEmpty();
    }

    @Test
    void missingFirstLayersAreAHeightError() {
        List<Feature> heights = new ArrayList<>();
        for (double n : new double[] {2, 5, 10, 20}) {
            heights.add(new Feature(Axis.Z, Kind.HEIGHT, n, n - 0.15 + (n > 5 ? 0.002 : -0.002)));
        }
        Artefact.Fit fit = Artefact.analyse(heights, 0.3).fits().get(Axis.Z);

        assertThat(fit.offset().value()).isCloseTo(-0.15, within(0.005));
        assertThat(fit.advice()).anyMatch(advice -> advice.contains("first layers are missing"));
    }

    /** The same error on two printers belongs to the model or the recipe; different ones to the machines. */
    @Test
    void theSameErrorOnTwoPrintersIsSystematic() {
        Artefact.Result one = Artefact.analyse(axis(Axis.X, 1, 0.05, 0.002), 0.5);
        Artefact.Result same = Artefact.analyse(axis(Axis.X, 1, 0.051, 0.003), 0.5);
        Artefact.Result other = Artefact.analyse(axis(Axis.X, 1, -0.05, 0.002), 0.5);

        assertThat(Artefact.systematic(one, same)).hasSize(1).first().asString().contains("edge offset in X on both");
        assertThat(Artefact.systematic(one, other)).isEmpty();
    }

    @Test
    void theGateStopsWhatIsFarOff() {
        Artefact.Result result = Artefact.analyse(List.of(outer(Axis.X, 10, 11.2), outer(Axis.Y, 10, 10.05)), 0.2);

        assertThat(result.gross()).hasSize(1);
        assertThat(result.outside()).hasSize(1);
        assertThat(result.passes()).isFalse();
        assertThat(result.fits()).isEmpty();
        assertThat(result.notes()).hasSize(2).first().asString().contains("cannot be told apart");
        assertThat(Artefact.analyse(List.of(outer(Axis.X, 10, 10.1)), 0.2).passes())
                .isTrue();
    }

    @Test
    void featuresThatAreNoneAreRefused() {
        assertThatThrownBy(() -> outer(Axis.X, 0, 1)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> outer(Axis.Z, 1, 1)).hasMessageContaining("heights");
        assertThatThrownBy(() -> Artefact.analyse(List.of(), 1)).hasMessageContaining("at least one");
    }

    /** Outer features of one size only cannot tell scale from offset: said, not guessed. */
    @Test
    void aSingularSetIsSaid() {
        Artefact.Result result = Artefact.analyse(
                List.of(outer(Axis.X, 10, 10.1), outer(Axis.X, 10, 10.11), outer(Axis.X, 10, 10.09)), 1);

        assertThat(result.fits()).isEmpty();
        assertThat(result.notes()).hasSize(1);
    }

    /** One factor from half a percent on, where no axis differs from the others by a fifth of a percent and more. */
    @Test
    void theModelWasScaledWhereAllAxesAgree() {
        assertThat(scaledBy(1.006, 1.006)).contains(1.006);
        assertThat(scaledBy(0.994, 0.994)).contains(0.994);
        assertThat(scaledBy(1.004, 1.004)).isEmpty();
        assertThat(scaledBy(1.006, 1.0005)).isEmpty();
        assertThat(scaledBy(1.020, 1.026)).isEmpty();
        // One axis alone agrees with nothing.
        assertThat(Artefact.analyse(axis(Axis.X, 1.02, 0, 0.0001), 5).scaledBy())
                .isEmpty();
    }

    private static java.util.Optional<Double> scaledBy(double x, double y) {
        List<Feature> both = new ArrayList<>(axis(Axis.X, x, 0, 0.0001));
        both.addAll(axis(Axis.Y, y, 0, 0.0001));
        return Artefact.analyse(both, 5).scaledBy().map(found -> Math.round(found * 10_000) / 10_000.0);
    }

    /** The same error on two printers is the model's; of two signs, of two sizes, or within its own uncertainty it is not. */
    @Test
    void whatTwoPrintersShareIsSystematic() {
        Artefact.Result one = Artefact.analyse(axis(Axis.X, 0.994, 0.05, 0.002), 5);
        assertThat(Artefact.systematic(one, Artefact.analyse(axis(Axis.X, 0.994, 0.05, 0.002), 5)))
                .containsExactly(
                        "scale in X on both printers: −0.60 % and −0.60 %",
                        "edge offset in X on both printers: 0.050 mm and 0.050 mm");
        assertThat(Artefact.systematic(one, Artefact.analyse(axis(Axis.X, 1.006, -0.05, 0.002), 5)))
                .isEmpty();
        assertThat(Artefact.systematic(one, Artefact.analyse(axis(Axis.X, 0.990, 0.09, 0.002), 5)))
                .isEmpty();
        assertThat(Artefact.systematic(one, Artefact.analyse(axis(Axis.X, 1, 0, 0.002), 5)))
                .isEmpty();
        assertThat(Artefact.systematic(one, Artefact.analyse(axis(Axis.Y, 0.994, 0.05, 0.002), 5)))
                .isEmpty();
        List<Feature> heights = List.of(
                new Feature(Axis.Z, Kind.HEIGHT, 5, 5.101),
                new Feature(Axis.Z, Kind.HEIGHT, 10, 10.099),
                new Feature(Axis.Z, Kind.HEIGHT, 20, 20.099),
                new Feature(Axis.Z, Kind.HEIGHT, 40, 40.101));
        assertThat(Artefact.systematic(Artefact.analyse(heights, 5), Artefact.analyse(heights, 5)))
                .singleElement()
                .asString()
                .startsWith("height error on both printers: ");
    }

    /** An error of exactly a tenth is not gross, one beyond it is; on the gate itself a feature passes. */
    @Test
    void theGateAndGrossErrors() {
        List<Feature> features = List.of(outer(Axis.X, 10, 11), outer(Axis.X, 20, 22.1), outer(Axis.X, 30, 30.2));
        Artefact.Result result = Artefact.analyse(features, 0.2);
        assertThat(result.gross()).containsExactly(features.get(1));
        // The same at the bench.
        assertThat(ModelScale.isGross(4.4, 4) || ModelScale.isGross(3.6, 4)).isFalse();
        assertThat(ModelScale.isGross(4.41, 4) && ModelScale.isGross(3.59, 4) && ModelScale.isGross(0, 4))
                .isTrue();
        assertThat(result.outside()).containsExactly(features.get(0), features.get(1));
        assertThat(result.passes()).isFalse();
        assertThat(Artefact.analyse(List.of(outer(Axis.X, 10, 10.1)), 0.2).notes())
                .singleElement()
                .asString()
                .startsWith("X: scale and offset cannot be told apart from 1 feature;");
        assertThatThrownBy(() -> Artefact.analyse(List.of(), 0.2)).hasMessageContaining("at least one feature");
        assertThatThrownBy(() -> Artefact.analyse(features, 0)).hasMessageContaining("gate above zero");
    }
}
