package org.ysometron.app.demo;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;

/**
 * What a displacement gauge writes beside a bar that hangs under a load: a minute before it, the growth by a power of time, and a quarter of an hour
 * after the load was taken off.
 *
 * @param hours under the load
 */
record HungBar(double hours) {

    private static final double BEFORE = 60;
    private static final double AFTER = 900;
    private static final double AT_ONCE = 0.05;
    private static final double GROWING = 0.27;
    private static final double EXPONENT = 0.12;
    private static final double COMES_BACK = 0.62;
    private static final double NOISE = 0.0008;
    private static final double ZERO = 0.0062;

    /** The file, as the gauge's logger writes it: a row every two seconds at first, later one every two minutes. */
    byte[] csv(long seed) {
        Random chance = new Random(seed);
        StringBuilder text = new StringBuilder("time [s],extension [mm]\n");
        for (int t = 0; t < BEFORE; t += 2) {
            row(text, t, 0, chance);
        }
        double last = 0;
        int end = (int) (hours * 3600);
        for (int t = 0; t <= end; t += t < 600 ? 2 : 120) {
            last = AT_ONCE + GROWING * Math.pow((t + 1) / 60.0, EXPONENT);
            row(text, BEFORE + t, last, chance);
        }
        for (int t = 2; t <= AFTER; t += 2) {
            row(text, BEFORE + end + t, last * (1 - COMES_BACK) * (1 + 0.2 * Math.exp(-t / 120.0)), chance);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void row(StringBuilder text, double time, double extension, Random chance) {
        text.append(String.format(Locale.ROOT, "%.0f,%.4f%n", time, ZERO + extension + NOISE * chance.nextGaussian()));
    }
}
