package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.ysometron.core.dimension.Artefact.Axis;
import org.ysometron.core.dimension.Artefact.Feature;
import org.ysometron.core.dimension.Artefact.Kind;
import org.ysometron.core.material.WorkingCurve;

/**
 * What a 95 % interval means: of many repetitions with a known truth, about 95 in 100 hold it. With 2,000 repetitions the
 * share has a standard deviation of 0.5 %, so that four of them, 2 %, are left on either side.
 */
class IntervalCoverageTest {

    private static final int REPETITIONS = 2000;
    private static final double LEAST = 0.93;
    private static final double MOST = 0.97;

    @Test
    void scaleAndOffsetOfAnArtefact() {
        Random chance = new Random(21);
        int scale = 0;
        int offset = 0;
        for (int i = 0; i < REPETITIONS; i++) {
            List<Feature> features = new ArrayList<>();
            for (double n : new double[] {5, 10, 20, 40}) {
                features.add(new Feature(Axis.X, Kind.OUTER, n, 0.997 * n + 0.08 + 0.01 * chance.nextGaussian()));
                features.add(new Feature(Axis.X, Kind.INNER, n, 0.997 * n - 0.08 + 0.01 * chance.nextGaussian()));
            }
            Artefact.Fit fit = Artefact.analyse(features, 1).fits().get(Axis.X);
            scale += fit.scale().differsFrom(0.997) ? 0 : 1;
            offset += fit.offset().differsFrom(0.04) ? 0 : 1;
        }
        assertThat((double) scale / REPETITIONS).isBetween(LEAST, MOST);
        assertThat((double) offset / REPETITIONS).isBetween(LEAST, MOST);
    }

    @Test
    void heightErrorOfAnArtefact() {
        Random chance = new Random(22);
        int held = 0;
        for (int i = 0; i < REPETITIONS; i++) {
            List<Feature> features = new ArrayList<>();
            for (double n : new double[] {2, 4, 8, 16, 32}) {
                features.add(new Feature(Axis.Z, Kind.HEIGHT, n, n - 0.1 + 0.01 * chance.nextGaussian()));
            }
            held += Artefact.analyse(features, 1).fits().get(Axis.Z).offset().differsFrom(-0.1) ? 0 : 1;
        }
        assertThat((double) held / REPETITIONS).isBetween(LEAST, MOST);
    }

    @Test
    void penetrationDepthAndCriticalExposure() {
        Random chance = new Random(23);
        double[] exposures = {10, 20, 40, 80, 160, 320};
        int depth = 0;
        int critical = 0;
        for (int i = 0; i < REPETITIONS; i++) {
            double[] depths = new double[exposures.length];
            for (int k = 0; k < depths.length; k++) {
                depths[k] = 0.15 * Math.log(exposures[k] / 7) + 0.004 * chance.nextGaussian();
            }
            WorkingCurve fit = WorkingCurve.fit(exposures, depths, "mJ/cm²");
            depth += fit.penetrationLower() <= 0.15 && 0.15 <= fit.penetrationUpper() ? 1 : 0;
            critical += fit.criticalLower() <= 7 && 7 <= fit.criticalUpper() ? 1 : 0;
        }
        assertThat((double) depth / REPETITIONS).isBetween(LEAST, MOST);
        assertThat((double) critical / REPETITIONS).isBetween(LEAST, MOST);
    }

    /** With no true offset about one artefact in twenty is given advice on one: the false alarm of a 95 % interval. */
    @Test
    void adviceIsRarelyGivenForNothing() {
        Random chance = new Random(24);
        int advised = 0;
        for (int i = 0; i < REPETITIONS; i++) {
            List<Feature> features = new ArrayList<>();
            for (double n : new double[] {5, 10, 20, 40}) {
                features.add(new Feature(Axis.Y, Kind.OUTER, n, n + 0.01 * chance.nextGaussian()));
                features.add(new Feature(Axis.Y, Kind.INNER, n, n + 0.01 * chance.nextGaussian()));
            }
            Artefact.Fit fit = Artefact.analyse(features, 1).fits().get(Axis.Y);
            advised += fit.advice().stream().anyMatch(advice -> advice.startsWith("Edge offset")) ? 1 : 0;
        }
        assertThat((double) advised / REPETITIONS).isBetween(1 - MOST, 1 - LEAST);
    }
}
