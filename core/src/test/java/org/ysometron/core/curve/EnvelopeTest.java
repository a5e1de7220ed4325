package org.ysometron.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class EnvelopeTest {

    private static double[][] straight(double slope, double end) {
        double[] x = new double[50];
        double[] y = new double[50];
        for (int i = 0; i < 50; i++) {
            x[i] = end * i / 49;
            y[i] = slope * x[i];
        }
        return new double[][] {x, y};
    }

    /** At the last common strain of 0.8 the stresses are 8, 9.6 and 10.4: by hand their mean is 28/3, their variance 224/150. */
    @Test
    void meanAndDeviationAreThoseOfTheCurves() {
        Envelope all = Envelope.of(List.of(straight(10, 1), straight(12, 0.8), straight(13, 1.4)));
        int last = Envelope.PLACES - 1;
        assertThat(all.strain()[last]).isCloseTo(0.8, within(1e-12));
        assertThat(all.mean()[last]).isCloseTo(28 / 3.0, within(1e-9));
        assertThat(all.deviation()[last]).isCloseTo(Math.sqrt(224 / 150.0), within(1e-9));
        assertThat(all.lowest()[last]).isCloseTo(8, within(1e-9));
        assertThat(all.highest()[last]).isCloseTo(10.4, within(1e-9));
        assertThat(all.mean()[0]).isZero();
    }

    @Test
    void oneCurveHasNoSpreadAndNoneIsNothing() {
        assertThat(Envelope.of(List.<double[][]>of(straight(10, 1))).deviation())
                .containsOnly(0);
        assertThatThrownBy(() -> Envelope.of(List.of())).isInstanceOf(IllegalArgumentException.class);
    }
}
