package org.ysometron.core.dimension;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * Amplitudes by wavelength: overlapping segments with a Hann window, their powers averaged (Welch 1967), for short waves,
 * and one transform of the block means for waves longer than a segment. The frequency and height of a peak between two
 * lines follow from the ratio of its neighbours, exact for a Hann window (Grandke 1983; both from memory).
 */
final class Spectrum {

    private static final int SEGMENT = 8192;

    /** Local maxima looked at, the highest first. */
    private static final int CANDIDATES = 60;

    /** Lines on either side that make a neighbourhood at least. */
    private static final int NEIGHBOURS = 8;

    /** A peak counts as a wobble when its power exceeds the median around it this often (common practice, no source). */
    private static final double PEAK_OVER_MEDIAN = 25;

    private static final int LINES_KEPT = 600;
    private static final FastFourierTransformer FOURIER = new FastFourierTransformer(DftNormalization.STANDARD);

    private final double[] buffer = new double[SEGMENT];
    private int held;
    private long segments;
    private final double[] power = new double[SEGMENT / 2];

    record Found(Optional<DiameterLog.Wobble> wobble, List<DiameterLog.Line> lines) {}

    void accept(double value) {
        buffer[held++] = value;
        if (held == SEGMENT) {
            add(power, buffer);
            segments++;
            System.arraycopy(buffer, SEGMENT / 2, buffer, 0, SEGMENT / 2);
            held = SEGMENT / 2;
        }
    }

    Found finish(double spacing, Blocks blocks) {
        double[] shortPower = power;
        int length = SEGMENT;
        long averaged = segments;
        if (segments == 0) {
            length = Integer.highestOneBit(held);
            shortPower = new double[length / 2];
            add(shortPower, Arrays.copyOf(buffer, length));
            averaged = 1;
        }
        double[] shortAmplitudes = amplitudes(shortPower, averaged, length);
        Optional<DiameterLog.Wobble> wobble = peak(shortAmplitudes, length, spacing, 4);
        List<DiameterLog.Line> lines = new ArrayList<>(lines(shortAmplitudes, length, spacing, segments == 0 ? 2 : 4));
        if (segments > 0) {
            double[] means = blocks.levelled();
            int blockLength = Integer.highestOneBit(means.length);
            double blockSpacing = spacing * blocks.size();
            double[] longPower = new double[blockLength / 2];
            add(longPower, Arrays.copyOf(means, blockLength));
            double[] longAmplitudes = amplitudes(longPower, 1, blockLength);
            restore(longAmplitudes);
            // Only what a segment cannot hold: two waves of it at least.
            double longest = length * spacing / 4;
            int last = (int) Math.floor(blockLength * blockSpacing / longest);
            double[] beyond = Arrays.copyOf(longAmplitudes, Math.max(8, Math.min(last, longAmplitudes.length)));
            Optional<DiameterLog.Wobble> slow = peak(beyond, blockLength, blockSpacing, 4);
            if (slow.isPresent()
                    && (wobble.isEmpty()
                            || slow.get().amplitude() > wobble.get().amplitude())) {
                wobble = slow;
            }
            // Each wavelength is drawn once: the long transform up to where the short ones begin.
            double[] drawn = Arrays.copyOf(longAmplitudes, Math.min(last, longAmplitudes.length));
            lines.addAll(0, lines(drawn, blockLength, blockSpacing, 4));
        }
        return new Found(wobble, lines);
    }

    private static void add(double[] power, double[] values) {
        int n = values.length;
        double mean = Arrays.stream(values).average().orElse(0);
        double[] windowed = new double[n];
        for (int i = 0; i < n; i++) {
            windowed[i] = (values[i] - mean) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / n));
        }
        Complex[] transformed = FOURIER.transform(windowed, TransformType.FORWARD);
        for (int k = 0; k < power.length; k++) {
            double real = transformed[k].getRealPart();
            double imaginary = transformed[k].getImaginaryPart();
            power[k] += real * real + imaginary * imaginary;
        }
    }

    /** Amplitude of a sine that falls on the line: the Hann window halves the sum. */
    private static double[] amplitudes(double[] power, long segments, int length) {
        double[] amplitudes = new double[power.length];
        for (int k = 0; k < power.length; k++) {
            amplitudes[k] = 4 * Math.sqrt(power[k] / segments) / length;
        }
        return amplitudes;
    }

    /** Undoes what averaging over a block took from short waves. */
    private static void restore(double[] amplitudes) {
        for (int k = 1; k < amplitudes.length; k++) {
            double x = Math.PI * k / (2.0 * amplitudes.length);
            amplitudes[k] *= x / Math.sin(x);
        }
    }

    /** The highest line that stands out from its neighbourhood; a hump of slow wander is none. */
    private static Optional<DiameterLog.Wobble> peak(double[] amplitudes, int length, double spacing, int from) {
        List<Integer> maxima = new ArrayList<>();
        for (int k = from; k < amplitudes.length - 1; k++) {
            if (amplitudes[k] > amplitudes[k - 1] && amplitudes[k] >= amplitudes[k + 1]) {
                maxima.add(k);
            }
        }
        maxima.sort(Comparator.comparingDouble((Integer k) -> -amplitudes[k]));
        for (int k : maxima.subList(0, Math.min(CANDIDATES, maxima.size()))) {
            double prominence = prominence(amplitudes, k);
            if (prominence > PEAK_OVER_MEDIAN) {
                return Optional.of(wobble(amplitudes, k, length, spacing, prominence));
            }
        }
        return Optional.empty();
    }

    /** Power of a line over the median power of those around it, its own width left out. */
    private static double prominence(double[] amplitudes, int k) {
        int reach = Math.max(NEIGHBOURS, k / 2);
        List<Double> around = new ArrayList<>();
        for (int i = Math.max(1, k - reach); i <= Math.min(amplitudes.length - 1, k + reach); i++) {
            if (Math.abs(i - k) > 2) {
                around.add(amplitudes[i]);
            }
        }
        if (around.size() < NEIGHBOURS) {
            return 0;
        }
        around.sort(Comparator.naturalOrder());
        double median = around.get(around.size() / 2);
        return median == 0 ? Double.POSITIVE_INFINITY : Math.pow(amplitudes[k] / median, 2);
    }

    private static DiameterLog.Wobble wobble(
            double[] amplitudes, int k, int length, double spacing, double prominence) {
        boolean right = amplitudes[k + 1] >= amplitudes[k - 1];
        double ratio = amplitudes[right ? k + 1 : k - 1] / amplitudes[k];
        double delta = Math.max(0, Math.min(0.5, (2 * ratio - 1) / (ratio + 1)));
        double x = Math.PI * delta;
        double height = amplitudes[k] * (1 - delta * delta) * (x == 0 ? 1 : x / Math.sin(x));
        double line = k + (right ? delta : -delta);
        return new DiameterLog.Wobble(length * spacing / line, height, prominence);
    }

    /** The lines for drawing: each stands for the highest of those it replaces. */
    private static List<DiameterLog.Line> lines(double[] amplitudes, int length, double spacing, int from) {
        List<DiameterLog.Line> lines = new ArrayList<>();
        // Equal steps of the logarithm of the wavelength, as it is drawn.
        double factor = Math.pow((double) amplitudes.length / from, 1.0 / LINES_KEPT);
        int k = from;
        while (k < amplitudes.length) {
            int end = Math.max(k + 1, (int) Math.ceil(k * factor));
            int best = k;
            for (int i = k; i < Math.min(end, amplitudes.length); i++) {
                best = amplitudes[i] > amplitudes[best] ? i : best;
            }
            lines.add(new DiameterLog.Line(length * spacing / best, amplitudes[best]));
            k = end;
        }
        return lines;
    }
}
