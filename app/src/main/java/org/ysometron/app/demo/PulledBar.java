package org.ysometron.app.demo;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;

/**
 * What a test frame writes while a printed bar is pulled: seating, a rise that bends over before the break, noise of the gauge, and what the dead
 * pieces show behind it. Extension of an extensometer over 25 mm, travel of the crosshead over 45 mm with frame and grips in it.
 *
 * @param force at which it breaks, N
 * @param area of its section, mm²
 * @param modulus of the material, MPa
 */
record PulledBar(double force, double area, double modulus) {

    private static final double GAUGE_LENGTH = 25;
    private static final double GRIPS = 45;
    private static final double FRAME = 0.0004;
    private static final double PLASTIC = 0.004;
    private static final double BEND = 10;
    private static final double SEATING = 0.03;
    private static final int POINTS = 1200;
    private static final int BEHIND = 40;
    private static final double NOISE = 0.25;

    /** The file, as the frame writes it. */
    byte[] csv(long seed) {
        Random chance = new Random(seed);
        StringBuilder text = new StringBuilder("time [s];force [N];extension [mm];travel [mm]\n");
        double extension = 0;
        double travel = 0;
        for (int i = 0; i < POINTS; i++) {
            // Half of the points lie in the first third of the rise, where the slope is read.
            double share = Math.pow((double) i / (POINTS - 1), 1.4);
            double stress = share * force / area;
            double strain = stress / modulus + PLASTIC * Math.pow(share, BEND);
            double seated = SEATING * (1 - Math.exp(-share / 0.002));
            extension = strain * GAUGE_LENGTH + seated;
            travel = strain * GRIPS + 4 * seated + FRAME * share * force;
            row(text, i, share * force + NOISE * chance.nextGaussian(), extension, travel);
        }
        for (int i = 0; i < BEHIND; i++) {
            row(text, POINTS + i, NOISE * chance.nextGaussian(), extension + 0.002 * i, travel + 0.002 * i);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void row(StringBuilder text, int i, double load, double extension, double travel) {
        text.append(String.format(Locale.ROOT, "%.2f;%.2f;%.5f;%.4f%n", i * 0.02, load, extension, travel));
    }
}
